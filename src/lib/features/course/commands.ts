/** What can be done in the Course room; while one walks, the keys walk. */
import type { CommandTable } from '$lib/ui/commands.svelte';
import { withShift } from '$lib/ui/keys';
import type { CourseState } from './course.svelte';
import type { FreePlay } from './free.svelte';
import { Steering, STEERING_KEYS } from './steering';

export interface CourseParts {
	readonly desk: CourseState;
	readonly free: FreePlay;
	readonly begin: (viewers: number) => void;
	readonly end: () => void;
}

/** One picture at 60 a second. */
const PICTURE = 1 / 60;

export function courseCommands(parts: CourseParts): CommandTable {
	const { desk, free } = parts;
	const steering = new Steering(free);
	const going = (): boolean => free.phase !== 'idle';
	const onCourse = (): boolean => !going() && desk.course !== undefined;
	const scrub = (by: number) => (): void => desk.scrub(desk.time + by);
	return {
		commands: [
			{
				id: 'course steer',
				label: 'In a free run: walk and turn; Space jumps, Shift runs, C creeps, E holds',
				about: 'free run',
				shown: 'W A S D',
				keyOnly: true,
				keys: ['Shift', ...withShift(...STEERING_KEYS)],
				overButtons: true,
				when: going,
				run: (press) => steering.key(press!.code, true),
				release: (code) => steering.key(code, false)
			},
			{
				id: 'course stages',
				label: 'In a free run: leave a stage of the rig out, take it in',
				about: 'free run',
				shown: '1 … 6',
				keyOnly: true,
				keys: ['1', '2', '3', '4', '5', '6'],
				when: going,
				run: (press) => free.toggle(Number(press!.key) - 1)
			},
			{
				id: 'course end',
				label: 'In a free run: end it and keep the take',
				about: 'free run',
				keyOnly: true,
				keys: ['Escape'],
				when: going,
				run: parts.end
			},
			{
				id: 'course free',
				label: 'Free run',
				says: 'Walk through it yourself; in a free run: step into the skiff and out, work the crane',
				about: 'course',
				keys: ['f'],
				when: () => !going(),
				run: () => parts.begin(1)
			},
			{ id: 'course two', label: 'Free run for two', about: 'course', run: () => parts.begin(2) },
			{
				id: 'course play',
				label: 'Play and pause',
				about: 'time',
				keys: ['Space'],
				when: onCourse,
				run: () => desk.togglePlay()
			},
			{
				id: 'course on',
				label: 'One picture on',
				about: 'time',
				keyOnly: true,
				keys: ['.'],
				again: true,
				when: onCourse,
				run: scrub(PICTURE)
			},
			{
				id: 'course back',
				label: 'One picture back',
				about: 'time',
				keyOnly: true,
				keys: [','],
				again: true,
				when: onCourse,
				run: scrub(-PICTURE)
			},
			{
				id: 'course closer',
				label: 'Show less of the course',
				about: 'timeline',
				keys: ['+', 'Shift++', '=', 'Shift+='],
				shown: '+',
				again: true,
				when: onCourse,
				run: () => desk.zoom(0.5, desk.time)
			},
			{
				id: 'course wider',
				label: 'Show more of the course',
				about: 'timeline',
				keys: ['-'],
				shown: '−',
				again: true,
				when: onCourse,
				run: () => desk.zoom(2, desk.time)
			},
			{
				id: 'course copy',
				label: 'Copy the chosen event',
				about: 'timeline',
				keyOnly: true,
				keys: ['$mod+c'],
				when: () => onCourse() && desk.chosen?.kind === 'event',
				run: () => {
					if (desk.copyChosen()) desk.session.say('Copied; Ctrl+V puts it at the playhead.');
				}
			},
			{
				id: 'course paste',
				label: 'Paste it at the playhead',
				about: 'timeline',
				keyOnly: true,
				keys: ['$mod+v'],
				when: onCourse,
				run: () => void desk.paste()
			},
			{
				id: 'course remove',
				label: 'Take out what is chosen',
				about: 'timeline',
				keyOnly: true,
				keys: ['Delete', 'Backspace'],
				when: () => onCourse() && desk.chosen !== null,
				run: () => desk.removeChosen()
			},
			{
				id: 'course nothing',
				label: 'Choose nothing',
				about: 'timeline',
				keyOnly: true,
				keys: ['Escape'],
				when: () => !going(),
				run: () => {
					desk.chosen = desk.part = null;
					desk.tuning = '';
				}
			}
		],
		gestures: [
			{
				shown: 'Gamepad',
				says: 'In a free run: sticks walk and look, south jumps, east creeps, west uses, triggers hold on and run, start ends it'
			},
			{ shown: 'Shift + drag on the ruler', says: 'Choose a part to play again and again, or to trim to' }
		]
	};
}
