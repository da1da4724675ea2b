/** What can be done wherever something is tried. */
import type { Command } from '$lib/ui/commands.svelte';
import type { Trial } from './trial.svelte';

export const trialCommands = (trial: Trial): readonly Command[] => [
	{
		id: 'trial play',
		label: 'Play and pause',
		about: 'time',
		keys: ['Space'],
		run: () => (trial.playing = !trial.playing)
	},
	{ id: 'trial begin', label: 'From the beginning', about: 'time', run: () => trial.scrub(0) }
];
