<script lang="ts">
	/** How strong a play is over its life: steady, dying away, by a curve; and how one that goes on grows. Rows of the sheet's second page. */
	import type { ShakePreset } from 'dinesis-runtime';
	import { shakePreset, type CurvePoint } from 'dinesis-runtime/tools';
	import { rangeOf } from '$lib/documents';
	import CurveEditor from '$lib/plots/CurveEditor.svelte';
	import NumberField from '$lib/ui/NumberField.svelte';
	import Segments from '$lib/ui/Segments.svelte';

	interface Props {
		preset: ShakePreset;
		onchange: (label: string, recipe: (preset: ShakePreset) => ShakePreset, mark: string, done: boolean) => void;
	}
	let { preset, onchange }: Props = $props();

	/** Part of the full strength that may be lost each second. */
	const lost = rangeOf(shakePreset, 'timing', 'life', 'decayPerSecond');
	const life = $derived(preset.timing.life);
	const halfLife = $derived(life && 'decayHalfLife' in life ? life.decayHalfLife : 0);
	const growth = $derived(preset.timing.growth ?? { from: 1, to: 1, over: 5 });
	const time = (label: string, part: Partial<ShakePreset['timing']>, done = true): void =>
		onchange(label, (p) => ({ ...p, timing: { ...p.timing, ...part } }), label, done);
	/** Full, then dying away: a curve that shows at once what it does. */
	const FRESH_LIFE: readonly CurvePoint[] = [
		{ at: 0, value: 1 },
		{ at: 0.35, value: 0.45 },
		{ at: 1, value: 0.1 }
	];
	const lifeKind = $derived(
		life === null ? 'steady' : 'points' in life ? 'curve' : 'decayPerSecond' in life ? 'wane' : 'decay'
	);
	const top = $derived(life && 'points' in life ? Math.max(1.5, ...life.points.map((p) => p.value)) : 1.5);
	function setLife(kind: string) {
		if (kind === lifeKind) return;
		const next =
			kind === 'steady'
				? null
				: kind === 'decay'
					? { decayHalfLife: Math.max(0.05, Number((preset.timing.duration / 4).toPrecision(2))) }
					: kind === 'wane'
						? { decayPerSecond: Number((1 / preset.timing.duration).toPrecision(2)) }
						: { points: FRESH_LIFE };
		time('Strength over life', { life: next });
	}
</script>

<span>over its life</span>
<div>
	<Segments
		small
		label="Strength over life"
		value={lifeKind}
		options={[
			{ value: 'steady', label: 'steady' },
			{ value: 'decay', label: 'dies away', title: 'Halves every so many seconds' },
			{ value: 'wane', label: 'wanes', title: 'Straight, until nothing is left' },
			...(preset.timing.mode === 'burst' ? [{ value: 'curve', label: 'a curve' }] : [])
		]}
		onchange={setLife}
	/>
	{#if lifeKind === 'decay'}
		<NumberField
			look="inline"
			label="halves every"
			unit="s"
			value={halfLife}
			{...rangeOf(shakePreset, 'timing', 'life', 'decayHalfLife')}
			step={0.01}
			reset={0.25}
			onchange={(decayHalfLife, done) => time('Half-life', { life: { decayHalfLife } }, done)}
		/>
	{:else if life && 'decayPerSecond' in life}
		<NumberField
			look="inline"
			label="gone in"
			unit="s"
			value={1 / life.decayPerSecond}
			min={1 / lost.max}
			max={1 / lost.min}
			step={0.05}
			reset={preset.timing.duration}
			hint="Straight from full strength to nothing"
			onchange={(seconds, done) => time('Waning', { life: { decayPerSecond: 1 / seconds } }, done)}
		/>
	{/if}
</div>
{#if life && 'points' in life}
	<span></span>
	<CurveEditor
		label="Strength over life"
		points={life.points}
		{top}
		ends={['start', 'end']}
		whole={{ from: 0, to: preset.timing.duration, unit: 's' }}
		onchange={(points, what, done) => time(what, { life: { points } }, done)}
	/>
{/if}
{#if preset.timing.mode === 'continuous'}
	<span>grows</span>
	<div>
		<NumberField
			look="inline"
			label="from"
			unit="×"
			value={growth.from}
			{...rangeOf(shakePreset, 'timing', 'growth', 'from')}
			step={0.01}
			reset={1}
			onchange={(from, done) => time('Growth', { growth: { ...growth, from } }, done)}
		/>
		<NumberField
			look="inline"
			label="to"
			unit="×"
			value={growth.to}
			{...rangeOf(shakePreset, 'timing', 'growth', 'to')}
			step={0.01}
			reset={1}
			onchange={(to, done) => time('Growth', { growth: { ...growth, to } }, done)}
		/>
		<NumberField
			look="inline"
			label="over"
			unit="s"
			value={growth.over}
			{...rangeOf(shakePreset, 'timing', 'growth', 'over')}
			step={0.05}
			reset={5}
			onchange={(over, done) => time('Growth', { growth: { ...growth, over } }, done)}
		/>
	</div>
{/if}
