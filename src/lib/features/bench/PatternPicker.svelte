<script lang="ts">
	import { WAVE_SHAPES, type Layer, type PatternKind, type WaveShape } from '$lib/core';
	import Segments from '$lib/ui/Segments.svelte';
	import { patternPath } from './pattern-drawing';

	interface Props {
		layer: Layer;
		onchange: (label: string, recipe: (layer: Layer) => Layer, mark: string, done: boolean) => void;
	}
	let { layer, onchange }: Props = $props();

	const KINDS: readonly { kind: PatternKind; label: string; about: string }[] = [
		{ kind: 'noise', label: 'Noise', about: 'Smooth and never the same' },
		{ kind: 'wave', label: 'Wave', about: 'Regular: sine, triangle, square, sawtooth' }
	];
	const fresh = (kind: PatternKind): Layer['pattern'] =>
		kind === 'noise' ? { kind, octaves: 1, lacunarity: 2, persistence: 0.5 } : { kind, shape: 'sine' };
	const choose = (kind: PatternKind): void => {
		if (kind !== layer.pattern.kind) onchange('Pattern', (l) => ({ ...l, pattern: fresh(kind) }), 'pattern', true);
	};
</script>

<div class="patterns" role="radiogroup" aria-label="Pattern">
	{#each KINDS as { kind, label, about } (kind)}
		{@const on = layer.pattern.kind === kind}
		<button role="radio" aria-checked={on} title={about} onclick={() => choose(kind)}>
			<span>{label}</span>
			<svg viewBox="0 0 100 26" preserveAspectRatio="none" aria-hidden="true"
				><path d={patternPath(on ? layer.pattern : fresh(kind))} /></svg
			>
		</button>
	{/each}
	{#if layer.pattern.kind === 'wave'}
		<div class="shape">
			<span>shape of the wave</span>
			<Segments
				small
				label="Shape of the wave"
				value={layer.pattern.shape}
				options={WAVE_SHAPES.map((shape) => ({ value: shape, label: shape }))}
				onchange={(shape: WaveShape) =>
					onchange('Wave shape', (l) => ({ ...l, pattern: { kind: 'wave', shape } }), 'shape', true)}
			/>
		</div>
	{:else}
		<p>Smooth and never the same twice. Octaves add tremble.</p>
	{/if}
</div>

<style>
	.patterns {
		display: flex;
		gap: 7px;
		align-items: stretch;
	}
	button {
		width: 86px;
		border: 1px solid var(--rule-strong);
		border-radius: var(--radius);
		background: var(--field);
		padding: 3px 8px 4px;
		text-align: left;
		cursor: pointer;
		font-size: 12px;
	}
	button:hover {
		border-color: var(--lamp);
	}
	button[aria-checked='true'] {
		border-color: var(--lamp);
		box-shadow: inset 0 0 0 1px var(--lamp);
		font-weight: 600;
	}
	svg {
		display: block;
		width: 100%;
		height: 22px;
	}
	path {
		fill: none;
		stroke: var(--ink-2);
		stroke-width: 1.5;
		vector-effect: non-scaling-stroke;
	}
	button[aria-checked='true'] path {
		stroke: var(--lamp);
	}
	.shape {
		display: grid;
		align-content: center;
		gap: 3px;
		font-size: 12px;
		color: var(--ink-2);
	}
	p {
		margin: 0;
		align-self: center;
		color: var(--ink-2);
		font-size: 12px;
	}
</style>
