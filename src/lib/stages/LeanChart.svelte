<script lang="ts">
	/** The lean's answer: somebody turns for a while, strafes for a while, and stands. */
	import type { Lean } from 'dinesis-runtime/tools';
	import Chart from '$lib/plots/Chart.svelte';
	import { farthest, leanAnswer, leanChart } from './lean-chart';

	let { lean, unit }: { lean: Lean; unit: 'm' | 'px' } = $props();

	const answer = $derived(leanAnswer(lean));
	const about = $derived.by(() => {
		const sway = farthest(answer.sway, 0);
		return `At most ${farthest(answer.roll, 0).toFixed(1)}° of roll and ${unit === 'px' ? `${sway.toFixed(1)} px` : `${(sway * 100).toFixed(1)} cm`} of sway`;
	});
</script>

<Chart label="Roll and sway while somebody turns left, then strafes right" {about} spec={leanChart(answer, unit)} />
