<script lang="ts">
	/** Where the six neighbours stand around their preset: across is pace, up is size. */
	import { log2 } from 'dinesis-runtime/tools';
	import type { Neighbour } from '$lib/analysis';

	interface Props {
		found: readonly Neighbour[];
		/** How far they may be away, as a factor: that is the ring. */
		factor: number;
		pointed: number;
		taken: number;
	}
	let { found, factor, pointed, taken }: Props = $props();

	const octaves = (value: number): number => Math.max(-1.6, Math.min(1.6, log2(value) / Math.max(0.05, log2(factor))));
</script>

<svg viewBox="-1.7 -1.7 3.4 3.4" role="img" aria-label="Where the six stand: across is pace, up is size">
	<circle r="1" class="ring" />
	<line x1="-1.6" x2="1.6" y1="0" y2="0" /><line y1="-1.6" y2="1.6" x1="0" x2="0" />
	{#each found as n, i (i)}
		<circle
			r={pointed === i ? 0.26 : 0.17}
			class:taken={taken === i}
			cx={octaves(n.pace)}
			cy={-octaves(n.size)}
			class="dot"
		/>
	{/each}
	<text x="1.68" y="0.5">fast</text><text x="-0.12" y="-1.32">large</text>
</svg>

<style>
	.ring {
		fill: none;
		stroke: var(--rule-strong);
		stroke-width: 0.03;
		stroke-dasharray: 0.1 0.08;
	}
	line {
		stroke: var(--rule);
		stroke-width: 0.03;
	}
	.dot {
		fill: var(--lamp);
	}
	.dot.taken {
		fill: var(--ink);
	}
	text {
		font-size: 0.45px;
		text-anchor: end;
		fill: var(--ink-2);
	}
</style>
