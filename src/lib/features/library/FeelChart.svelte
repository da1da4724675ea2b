<script lang="ts">
	/** All presets by pace and size: to find one by how it feels. */
	import type { Measure } from '$lib/analysis';
	import type { ShakePreset } from 'dinesis-runtime';
	import Chart from '$lib/plots/Chart.svelte';
	import Frame from '$lib/ui/Frame.svelte';
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

<Frame label="By pace and size" title="By how it feels" flow="fill">
	{#snippet side()}
		<span
			>{#if measured.length > MOST_DOTS}some of {measured.length}{/if}
			<b class="burst"></b> bursts <b class="state"></b> until stopped</span
		>
	{/snippet}
	<Chart
		label="{measured.length} presets by pace and size; the table beside it holds the same figures"
		{spec}
		onhover={onpoint}
		onpress={onchoose}
	/>
</Frame>

<style>
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
