<script lang="ts">
	import type { Layer, PatternKind } from 'dinesis-runtime/tools';
	import { freshPattern, patternPath, withPattern } from './pattern-drawing';

	interface Props {
		layer: Layer;
		onchange: (label: string, recipe: (layer: Layer) => Layer, mark: string, done: boolean) => void;
	}
	let { layer, onchange }: Props = $props();

	const KINDS: readonly { kind: PatternKind; label: string; about: string }[] = [
		{ kind: 'noise', label: 'Noise', about: 'Smooth and never the same' },
		{ kind: 'wave', label: 'Wave', about: 'Regular: sine, triangle, square, sawtooth' },
		{ kind: 'jumps', label: 'Jumps', about: 'Random targets, held or eased toward the next' },
		{ kind: 'keys', label: 'Keys', about: 'Poses set by hand on a short cycle' },
		{ kind: 'kick', label: 'Kick', about: 'One push that springs back' }
	];
	const pattern = $derived(layer.pattern);
	const choose = (kind: PatternKind): void => {
		if (kind !== pattern.kind) onchange('Pattern', (l) => withPattern(l, freshPattern(kind)), 'pattern', true);
	};
</script>

<div class="patterns" role="radiogroup" aria-label="Pattern">
	{#each KINDS as { kind, label, about } (kind)}
		{@const on = pattern.kind === kind}
		<button role="radio" aria-checked={on} title={about} onclick={() => choose(kind)}>
			<span>{label}</span>
			<svg viewBox="0 0 100 26" preserveAspectRatio="none" aria-hidden="true">
				<path d={patternPath(on ? pattern : freshPattern(kind), on ? layer : undefined)} />
			</svg>
		</button>
	{/each}
</div>

<style>
	.patterns {
		display: grid;
		grid-template-columns: repeat(5, minmax(0, 1fr));
		gap: 6px;
	}
	button {
		border: 1px solid var(--rule-strong);
		border-radius: var(--radius);
		background: var(--field);
		padding: 2px 8px 2px;
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
		height: 19px;
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
</style>
