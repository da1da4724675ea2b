<script lang="ts">
	/** A preset in numbers: picture movement and pace, measured by the worker once a change has settled. */
	import type { Measure } from '$lib/analysis';
	import type { ShakePreset } from 'dinesis-runtime';
	import type { Shelf } from '$lib/workers/shelf';

	let { preset, shelf }: { preset: ShakePreset; shelf: Shelf } = $props();
	let measure = $state.raw<Measure | null>(null);

	$effect(() => {
		const measured = preset;
		let stale = false;
		const timer = setTimeout(() => {
			shelf.card(measured).then(
				(card) => void (stale || (measure = card.measure)),
				() => undefined
			);
		}, 200);
		return () => {
			stale = true;
			clearTimeout(timer);
		};
	});
	const short = (value: number): string => (value < 9.95 ? value.toFixed(1) : value.toFixed(0));
</script>

<p title="The farthest the picture moves, for things 5 m away in a 60° view; pace is zero crossings a second, halved">
	{#if measure}
		peak <b>{short(measure.size)} %</b> of the picture’s height, at worst <b>{short(measure.worst)} %</b> · pace
		<b>{short(measure.pace)} Hz</b>
	{:else}&nbsp;{/if}
</p>

<style>
	p {
		margin: auto 0 0;
		color: var(--ink-2);
		font-size: 12.5px;
	}
	b {
		color: var(--ink);
		font-weight: 600;
	}
</style>
