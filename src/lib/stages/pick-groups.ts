/** Rigs, head bobs and lags as one picks among them. */
import type { ProjectSession } from '$lib/session/session.svelte';
import { gaitName } from './body-changes';
import type { PickGroup } from '$lib/ui/PickList.svelte';

/** Rigs first, then head bobs, then lags. */
export const chainGroups = ({ wiring, bobs, lags }: ProjectSession): readonly PickGroup[] => [
	{
		title: 'Rigs',
		entries: wiring.rigs.map((rig) => ({ id: rig.id, label: rig.name, about: rig.view.kind })),
		none: 'No rig yet. “New rig” makes one.'
	},
	{
		title: 'Head bobs',
		entries: bobs.map((bob) => ({ id: bob.id, label: bob.name, about: bob.gaits.map(gaitName).join(', ') }))
	},
	{
		title: 'Camera lags',
		entries: lags.map((lag) => ({ id: lag.id, label: lag.name, about: Object.keys(lag.axes).join(', ') }))
	}
];
