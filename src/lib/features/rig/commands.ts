/** What can be done in the Rig room. */
import { RIG_STAGES } from 'dinesis-runtime/tools';
import { trialCommands } from '$lib/stages/commands';
import type { CommandTable } from '$lib/ui/commands.svelte';
import type { RigState } from './rig.svelte';

export function rigCommands(desk: RigState): CommandTable {
	const chain = (): boolean => desk.rig !== undefined;
	return {
		commands: [
			...trialCommands(desk),
			{
				id: 'rig stages',
				label: 'Leave a stage out, take it in',
				about: 'stages',
				shown: '1 … 6',
				keyOnly: true,
				keys: RIG_STAGES.map((_, i) => String(i + 1)),
				when: chain,
				run: (press) => {
					const stage = desk.rig!.order[Number(press?.key) - 1];
					if (stage) desk.toggle(stage);
				}
			},
			{
				id: 'rig over',
				get label() {
					return desk.isOver ? 'Come back to this rig' : 'Go over to the other rig';
				},
				says: 'Go over to the other rig, come back',
				about: 'rig',
				keys: ['o'],
				when: chain,
				run: () => desk.goOver()
			}
		],
		gestures: [{ shown: 'Alt ← →', says: 'On a stage: earlier or later in the chain' }]
	};
}
