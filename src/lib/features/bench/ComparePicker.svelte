<script lang="ts">
	/** A and B: the version that is tuned, and one held beside it in the same moments with the same seeds. */
	import ChevronDown from '@lucide/svelte/icons/chevron-down';
	import type { ShakePreset } from 'dinesis-runtime';
	import type { ProjectSession } from '$lib/session/session.svelte';
	import PickList from '$lib/ui/PickList.svelte';
	import Popover from '$lib/ui/Popover.svelte';
	import Segments from '$lib/ui/Segments.svelte';
	import type { BenchState, Compare } from './bench.svelte';

	let { session, bench, preset }: { session: ProjectSession; bench: BenchState; preset: ShakePreset } = $props();
	interface Act {
		readonly id: string;
		readonly label: string;
		readonly about: string;
		readonly run: () => void;
	}
	const acts = $derived<readonly Act[]>([
		{ id: 'hold', label: 'Hold A as B', about: 'what is on the sheet now', run: () => bench.hold(preset) },
		...(bench.other
			? [
					{ id: 'swap', label: 'Swap A and B', about: 'tune the other one', run: () => bench.swap() },
					{ id: 'take', label: 'Take B into A', about: 'undo brings A back', run: () => bench.takeOther() },
					{ id: 'drop', label: 'Let B go', about: '', run: () => bench.hold(null) }
				]
			: [])
	]);
	const others = $derived(
		session.presets
			.filter((p) => p.id !== preset.id && p.view === preset.view)
			.map((p) => ({ id: p.id, label: p.name, words: p.tags.join(' ') }))
	);
	function choose(compare: Compare) {
		if (!bench.other) bench.hold(preset, compare);
		else bench.compare = compare;
	}
</script>

<div class="pair">
	<Segments
		label="Which version is shown"
		value={bench.compare}
		options={[
			{ value: 'a', label: 'A', title: 'The version that is tuned (Q)' },
			{
				value: 'split',
				label: 'A | B',
				title: bench.other ? 'Both, with a seam (Q)' : 'Hold the present version as B and go on tuning A (Q)'
			},
			{
				value: 'b',
				label: 'B',
				title: bench.other ? 'The version held beside it (Q)' : 'Hold the present version as B'
			}
		]}
		onchange={choose}
	/>
	<Popover label="A and B" align="right" look="icon" title="Hold, swap, take">
		{#snippet button()}<ChevronDown size={15} />{/snippet}
		{#snippet children(close)}
			<div class="body">
				<p>
					{bench.other
						? 'B plays in the same moments and with the same seeds as A. The sheet tunes A.'
						: 'Hold a version as B, and both play in the same moments with the same seeds.'}
				</p>
				<PickList
					label="What to do, or another preset as B"
					groups={[{ entries: acts }, { title: 'Another preset as B', entries: others }]}
					onpick={(id, group) => {
						close();
						if (group === 0) acts.find((act) => act.id === id)?.run();
						else bench.hold(session.preset(id) ?? null);
					}}
				/>
			</div>
		{/snippet}
	</Popover>
</div>

<style>
	.pair {
		display: flex;
		align-items: center;
	}
	.body {
		width: 17rem;
		display: grid;
		gap: 4px;
		padding: 4px;
	}
	p {
		margin: 0 2px 4px;
		color: var(--ink-2);
		font-size: 12.5px;
	}
</style>
