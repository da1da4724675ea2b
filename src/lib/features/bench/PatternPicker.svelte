<script lang="ts">
	import type { Layer, PatternKind } from 'dinesis-runtime/tools';
	import RadioGroup from '$lib/ui/RadioGroup.svelte';
	import { freshPattern, patternPath, withPattern } from './pattern-drawing';

	interface Props {
		layer: Layer;
		onchange: (label: string, recipe: (layer: Layer) => Layer, mark: string, done: boolean) => void;
	}
	let { layer, onchange }: Props = $props();

	const KINDS: readonly { value: PatternKind; label: string; title: string }[] = [
		{ value: 'noise', label: 'Noise', title: 'Smooth and never the same' },
		{ value: 'wave', label: 'Wave', title: 'Regular: sine, triangle, square, sawtooth' },
		{ value: 'jumps', label: 'Jumps', title: 'Random targets, held or eased toward the next' },
		{ value: 'keys', label: 'Keys', title: 'Poses set by hand on a short cycle' },
		{ value: 'kick', label: 'Kick', title: 'One push that springs back' }
	];
	const pattern = $derived(layer.pattern);
	const choose = (kind: PatternKind): void => {
		if (kind !== pattern.kind) onchange('Pattern', (l) => withPattern(l, freshPattern(kind)), 'pattern', true);
	};
</script>

<div class="patterns" class:low={pattern.kind === 'keys'}>
	<RadioGroup label="Pattern" options={KINDS} value={pattern.kind} onchange={choose}>
		{#snippet children({ value, label }, on)}
			<span>{label}</span>
			<svg viewBox="0 0 100 26" preserveAspectRatio="none" aria-hidden="true">
				<path d={patternPath(on ? pattern : freshPattern(value), on ? layer : undefined)} />
			</svg>
		{/snippet}
	</RadioGroup>
</div>

<style>
	.patterns {
		display: grid;
		grid-template-columns: repeat(5, minmax(0, 1fr));
		gap: 6px;
	}
	.patterns :global(button) {
		border: 1px solid var(--rule-strong);
		border-radius: var(--radius);
		background: var(--field);
		padding: 2px 8px 2px;
		text-align: left;
		cursor: pointer;
		font-size: 12px;
	}
	.patterns :global(button:hover) {
		border-color: var(--lamp);
	}
	.patterns :global(button[aria-checked='true']) {
		border-color: var(--lamp);
		box-shadow: inset 0 0 0 1px var(--lamp);
		font-weight: 600;
	}
	/* Poses have a drawing of their own. */
	.low svg {
		display: none;
	}
	svg {
		display: block;
		width: 100%;
		height: 19px;
	}
	path {
		fill: none;
		stroke: var(--ink-2);
		stroke-width: 1.5;
		vector-effect: non-scaling-stroke;
	}
	.patterns :global(button[aria-checked='true'] path) {
		stroke: var(--lamp);
	}
</style>
