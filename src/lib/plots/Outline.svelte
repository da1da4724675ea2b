<script lang="ts">
	/** The little drawing of a preset: its two strongest channels over its life. */
	import type { OutlineLine } from '$lib/analysis';
	import { inkOf } from './inks';

	let {
		lines,
		width = 104,
		height = 30
	}: { lines: readonly OutlineLine[]; width?: number; height?: number } = $props();

	const path = (values: readonly number[]): string => {
		let d = '';
		for (let i = 0; i < values.length; i++) {
			const x = (i / (values.length - 1)) * (width - 2) + 1;
			d += `${i === 0 ? 'M' : 'L'}${x.toFixed(1)} ${(height / 2 - values[i]! * (height / 2 - 2)).toFixed(1)}`;
		}
		return d;
	};
</script>

<svg {width} {height} viewBox="0 0 {width} {height}" aria-hidden="true">
	<line x1="0" x2={width} y1={height / 2} y2={height / 2} />
	{#each [...lines].reverse() as line (line.channel)}
		<path
			d={path(line.values)}
			style:stroke="var(--ink-{line.channel})"
			stroke-dasharray={inkOf(line.channel)
				.dash.map((n) => n * 0.6)
				.join(' ')}
		/>
	{/each}
</svg>

<style>
	svg {
		display: block;
	}
	line {
		stroke: var(--rule);
	}
	path {
		fill: none;
		stroke-width: 1.4;
		stroke-linejoin: round;
	}
</style>
