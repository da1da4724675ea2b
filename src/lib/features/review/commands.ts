/** What can be done in the Review room. */
import type { CommandTable } from '$lib/ui/commands.svelte';
import type { ReviewState } from './review.svelte';

const PICTURE = 1 / 60;

export function reviewCommands(desk: ReviewState): CommandTable {
	const looking = (): boolean => desk.looks.a !== null;
	return {
		commands: [
			{
				id: 'review play',
				get label() {
					return desk.playing ? 'Pause' : 'Play';
				},
				says: 'Play, pause',
				about: 'review',
				keys: ['Space'],
				overButtons: true,
				when: looking,
				run: () => (desk.playing = !desk.playing)
			},
			{
				id: 'review begin',
				label: 'To the beginning',
				about: 'review',
				keys: ['Home'],
				when: looking,
				run: () => desk.begin()
			},
			{
				id: 'review on',
				label: 'One picture on',
				about: 'review',
				keys: ['.'],
				when: looking,
				run: () => desk.scrub(desk.time + PICTURE)
			},
			{
				id: 'review back',
				label: 'One picture back',
				about: 'review',
				keys: [','],
				when: looking,
				run: () => desk.scrub(desk.time - PICTURE)
			},
			{
				id: 'review next',
				label: 'The next play: another seed',
				about: 'review',
				keys: ['s'],
				when: looking,
				run: () => {
					desk.seed++;
					desk.begin();
				}
			}
		]
	};
}
