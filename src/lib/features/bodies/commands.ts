/** What can be done on the bench of a head bob or a lag. */
import { trialCommands } from '$lib/stages/commands';
import type { CommandTable } from '$lib/ui/commands.svelte';
import type { BodyState } from './bodies.svelte';

export const bodyCommands = (desk: BodyState): CommandTable => ({
	commands: [
		...trialCommands(desk),
		{
			id: 'body beside',
			label: 'A alone, or with B beside it',
			about: 'comparing',
			keys: ['q'],
			run: () => desk.toggleBeside()
		},
		{ id: 'body hold', label: 'Hold A as B', about: 'comparing', run: () => desk.hold() },
		{ id: 'body swap', label: 'Swap A and B', about: 'comparing', run: () => desk.swap() },
		{ id: 'body take', label: 'Take B into A', about: 'comparing', run: () => desk.takeOther() }
	]
});
