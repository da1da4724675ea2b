<script lang="ts">
	import {
		JUMPS_BETWEEN,
		JUMPS_WITHIN,
		WAVE_SHAPES,
		type JumpsPattern,
		type Layer,
		type PatternKind,
		type WaveShape
	} from '$lib/core';
	import NumberField from '$lib/ui/NumberField.svelte';
	import Segments from '$lib/ui/Segments.svelte';
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
	const set = (label: string, part: Partial<Layer['pattern']>, done: boolean): void =>
		onchange(label, (l) => ({ ...l, pattern: { ...l.pattern, ...part } as Layer['pattern'] }), label, done);
	const options = <T extends string>(values: readonly T[]) => values.map((value) => ({ value, label: value }));
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
{#if pattern.kind === 'wave'}
	<div class="more">
		<span>shape of the wave</span>
		<Segments
			small
			label="Shape of the wave"
			value={pattern.shape}
			options={options(WAVE_SHAPES)}
			onchange={(shape: WaveShape) => set('Wave shape', { shape }, true)}
		/>
	</div>
{:else if pattern.kind === 'jumps'}
	<div class="more">
		<span>within</span>
		<Segments
			small
			label="Within"
			value={pattern.within}
			options={options(JUMPS_WITHIN)}
			onchange={(within: JumpsPattern['within']) => set('Jumps within', { within }, true)}
		/>
		<span>between</span>
		<Segments
			small
			label="Between"
			value={pattern.between}
			options={options(JUMPS_BETWEEN)}
			onchange={(between: JumpsPattern['between']) => set('Jumps between', { between }, true)}
		/>
	</div>
{:else if pattern.kind === 'keys'}
	<div class="more">
		<NumberField
			look="inline"
			label="cycle"
			unit="s"
			value={pattern.cycle}
			min={0.01}
			max={3600}
			step={0.01}
			reset={1}
			onchange={(cycle, done) => set('Cycle', { cycle }, done)}
		/>
		<Segments
			small
			label="How often"
			value={pattern.loop ? 'looped' : 'once'}
			options={options(['looped', 'once'])}
			onchange={(v) => set('Loop', { loop: v === 'looped' }, true)}
		/>
	</div>
{:else if pattern.kind === 'kick'}
	<div class="more">
		<NumberField
			look="inline"
			label="damping ratio"
			value={pattern.damping}
			min={0.001}
			max={0.999}
			step={0.005}
			reset={0.3}
			hint="Small rings long, large comes back once"
			onchange={(damping, done) => set('Damping', { damping }, done)}
		/>
		<span>small rings long; a negative amplitude kicks the other way</span>
	</div>
{/if}

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
	.more {
		display: flex;
		align-items: center;
		gap: 8px;
		font-size: 12px;
		color: var(--ink-2);
		white-space: nowrap;
		overflow: hidden;
	}
</style>
