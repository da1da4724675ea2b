<script lang="ts">
	/** A preset in numbers: picture movement and pace, measured from the real motion once a change has settled. */
	import { measureShake, type Measure, type ShakePreset } from '$lib/core';

	let { preset }: { preset: ShakePreset } = $props();
	let measure = $state.raw<Measure | null>(null);

	$effect(() => {
		const measured = preset;
		const timer = setTimeout(() => (measure = measureShake(measured, 6)), 250);
		return () => clearTimeout(timer);
	});
	const short = (value: number): string => (value < 9.95 ? value.toFixed(1) : value.toFixed(0));
</script>

<p title="The farthest the picture moves, for things 5 m away in a 60° view; pace is zero crossings a second, halved">
	{#if measure}
		peak <b>{short(measure.strength)} %</b> of the picture’s height, at worst <b>{short(measure.worst)} %</b> · pace
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
