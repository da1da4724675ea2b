<script lang="ts">
	/** Which head bob or which lag a rig has: one that is there, a new one, or a copy so that the original survives. */
	import type { Rig } from 'dinesis-runtime';
	import { viewOf } from 'dinesis-runtime/tools';
	import type { ProjectSession } from '$lib/session/session.svelte';
	import Select from '$lib/ui/Select.svelte';

	interface Props {
		session: ProjectSession;
		rig: Rig;
		slot: 'bob' | 'lag';
		onchange: (label: string, part: Partial<Rig>) => void;
		/** One came to be for it. */
		onmade?: (id: string) => void;
	}
	let { session, rig, slot, onchange, onmade }: Props = $props();

	const [NEW, COPY] = ['*new', '*copy'];
	const view = $derived(viewOf(rig.view.kind));
	const choices = $derived([
		{ value: '', label: 'none' },
		...(slot === 'bob' ? session.bobs : session.lags).map((preset) => ({
			value: preset.id,
			label: `${preset.name}${preset.view === view ? '' : preset.view === 'flat' ? ' (pixels)' : ' (metres)'}`
		})),
		...(rig[slot] ? [{ value: COPY, label: 'a copy of it' }] : []),
		{ value: NEW, label: 'a new one' }
	]);
	async function take(wish: string) {
		const make =
			wish === NEW ? session.acts.newBody(slot, view) : wish === COPY ? session.acts.copyBody(rig[slot]!) : null;
		const id = make ? await make : wish || null;
		if (make && id === null) return;
		onchange(slot === 'bob' ? 'Head bob' : 'Lag', { [slot]: id });
		if (make) onmade?.(id!);
	}
</script>

<Select value={rig[slot] ?? ''} {choices} onchange={(wish) => void take(wish)} />
