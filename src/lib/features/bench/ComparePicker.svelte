<script lang="ts">
	/** A and B: the version that is tuned, and one held beside it in the same moments with the same seeds. */
	import ChevronDown from '@lucide/svelte/icons/chevron-down';
	import type { ShakePreset } from 'dinesis-runtime';
	import type { ProjectSession } from '$lib/session/session.svelte';
	import Popover from '$lib/ui/Popover.svelte';
	import Segments from '$lib/ui/Segments.svelte';
	import type { BenchState, Compare } from './bench.svelte';

	let { session, bench, preset }: { session: ProjectSession; bench: BenchState; preset: ShakePreset } = $props();
	let search = $state('');
	const found = $derived(
		session.presets
			.filter((p) => p.id !== preset.id && p.view === preset.view)
			.filter((p) => p.name.toLowerCase().includes(search.trim().toLowerCase()))
			.slice(0, 7)
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
	<Popover label="A and B" align="right" look="icon" title="Hold, swap, take" onopen={() => (search = '')}>
		{#snippet button()}<ChevronDown size={15} />{/snippet}
		{#snippet children(close)}
			<div class="body">
				<p>
					{bench.other
						? 'B plays in the same moments and with the same seeds as A. The sheet tunes A.'
						: 'Hold a version as B, and both play in the same moments with the same seeds.'}
				</p>
				<button
					onclick={() => {
						bench.hold(preset);
						close();
					}}>Hold A as B<small>what is on the sheet now</small></button
				>
				<button disabled={!bench.other} onclick={() => bench.swap()}
					>Swap A and B<small>tune the other one</small></button
				>
				<button disabled={!bench.other} onclick={() => bench.takeOther()}
					>Take B into A<small>undo brings A back</small></button
				>
				<button
					disabled={!bench.other}
					onclick={() => {
						bench.hold(null);
						close();
					}}>Let B go</button
				>
				<!-- svelte-ignore a11y_autofocus -->
				<input
					autofocus
					placeholder="Or another preset as B"
					aria-label="Another preset as B"
					bind:value={search}
					onkeydown={(e) => {
						if (e.key !== 'Enter' || !found[0] || search.trim() === '') return;
						bench.hold(found[0]);
						close();
					}}
				/>
				{#each found as p (p.id)}
					<button
						class="plain"
						onclick={() => {
							bench.hold(p);
							close();
						}}>{p.name}</button
					>
				{/each}
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
	button {
		display: flex;
		justify-content: space-between;
		align-items: baseline;
		border: 1px solid var(--rule-strong);
		border-radius: 6px;
		background: var(--field);
		padding: 3px 9px;
		cursor: pointer;
		text-align: left;
	}
	button:hover:not(:disabled) {
		border-color: var(--lamp);
	}
	button:disabled {
		opacity: 0.45;
		cursor: default;
	}
	button.plain {
		border-color: transparent;
		background: none;
	}
	small {
		font-size: 11.5px;
		color: var(--ink-2);
	}
	input {
		border: 1px solid var(--rule-strong);
		border-radius: 6px;
		background: var(--field);
		padding: 3px 8px;
		margin-top: 4px;
	}
</style>
