/** The way from an empty project to a game that plays it, as far as one has come. */
import type { ProjectSession } from '$lib/session/session.svelte';

export interface FirstStep {
	readonly says: string;
	readonly why: string;
	/** Where it is done, below the project. */
	readonly room: string;
	readonly done: boolean;
}

export function firstSteps(session: ProjectSession): FirstStep[] {
	const { order, missing, wiring, courses, bobsAndLags } = session;
	const isHeard = wiring.cues.some((cue) => cue.on && cue.actions.length > 0);
	return [
		{
			says: 'Make a preset, or take one of the starter sets',
			why: 'one motion: a jolt, a rumble, a sway. It moves as soon as it is there.',
			room: 'bench',
			done: order.length + missing + bobsAndLags.length > 0
		},
		{
			says: 'Say what happens in the game',
			why: 'events, under the ids that the code will raise them by.',
			room: 'cues',
			done: wiring.events.length > 0
		},
		{
			says: 'Let an event set a preset off',
			why: 'a cue: a sentence whose words are changed in place.',
			room: 'cues',
			done: isHeard
		},
		{
			says: 'Say what one sees through',
			why: 'a rig: lag, bob, limits and how much of each shake gets through.',
			room: 'rig',
			done: wiring.rigs.length > 0
		},
		{
			says: 'Try it in play',
			why: 'a course or a free run, the same each time.',
			room: 'course',
			done: (courses.order?.length ?? 0) > 0
		},
		{
			says: 'Hand it over',
			why: 'the kit, what the game writes to play it, names and curves.',
			room: 'handover',
			done: false
		}
	];
}
