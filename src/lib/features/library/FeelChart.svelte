<script lang="ts">
	/** All presets by pace and size: to find one by how it feels. */
	import type { Measure } from '$lib/analysis';
	import type { ShakePreset } from 'dinesis-runtime';
	import Chart from '$lib/plots/Chart.svelte';
	import { dotsOf, feelChart, MOST_DOTS, thinned } from './feel';

	interface Props {
		measured: readonly { readonly preset: ShakePreset; readonly measure: Measure }[];
		pointed: string;
		onpoint: (key: string) => void;
		onchoose: (key: string) => void;
	}
	let { measured, pointed, onpoint, onchoose }: Props = $props();

	/** What is drawn: behind the list while thousands of dots come in, and never more than are read. */
	let shown = $state.raw<readonly { readonly preset: ShakePreset; readonly measure: Measure }[]>([]);
	let drawnAt = 0;
	$effect(() => {
		const list = thinned(measured, pointed);
		const wait = measured.length > 800 ? Math.max(0, 1500 - (performance.now() - drawnAt)) : 0;
		const timer = setTimeout(() => {
			drawnAt = performance.now();
			shown = list;
		}, wait);
		return () => clearTimeout(timer);
	});
	const spec = $derived(feelChart(dotsOf(shown), pointed));
</script>

<section aria-label="By pace and size">
	<header>
		<h2>By how it feels</h2>
		<span
			>{#if measured.length > MOST_DOTS}some of {measured.length}{/if}
			<b class="burst"></b> bursts <b class="state"></b> until stopped</span
		>
	</header>
	<Chart
		label="{measured.length} presets by pace and size; the table beside it holds the same figures"
		{spec}
		onhover={onpoint}
		onpress={onchoose}
	/>
</section>

<style>
	section {
		display: grid;
		grid-template-rows: auto minmax(0, 1fr);
		min-height: 0;
		background: var(--sheet);
		border: 1px solid var(--rule-strong);
		border-radius: var(--radius);
		padding: 8px 10px 6px;
	}
	header {
		display: flex;
		justify-content: space-between;
		align-items: baseline;
		font-size: 12px;
		color: var(--ink-2);
	}
	h2 {
		font-size: 14.5px;
		color: var(--ink);
	}
	b {
		display: inline-block;
		width: 9px;
		height: 9px;
		border-radius: 50%;
		margin: 0 2px 0 8px;
	}
	.burst {
		background: var(--lamp);
	}
	.state {
		border: 2px solid var(--ink-x);
	}
</style>
