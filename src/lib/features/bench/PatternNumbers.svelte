<script lang="ts">
	/** What each pattern asks for besides its channels' numbers. */
	import {
		JUMPS_BETWEEN,
		JUMPS_WITHIN,
		shakePreset,
		WAVE_SHAPES,
		type JumpsPattern,
		type Layer,
		type View,
		type WaveShape
	} from 'dinesis-runtime/tools';
	import { rangeOf } from '$lib/documents';
	import EasePicker from '$lib/plots/EasePicker.svelte';
	import NumberField from '$lib/ui/NumberField.svelte';
	import Segments from '$lib/ui/Segments.svelte';
	import Select from '$lib/ui/Select.svelte';

	interface Props {
		view: View;
		layer: Layer;
		onchange: (label: string, recipe: (layer: Layer) => Layer, mark: string, done: boolean) => void;
	}
	let { layer, view, onchange }: Props = $props();
	/** A flat view has no depth to jump in; one of a file that does says so. */
	const withins = $derived(
		JUMPS_WITHIN.filter(
			(within) => view === 'space' || within !== 'ball' || (pattern.kind === 'jumps' && pattern.within === 'ball')
		)
	);

	const pattern = $derived(layer.pattern);
	const set = (label: string, part: Partial<Layer['pattern']>, done: boolean): void =>
		onchange(label, (l) => ({ ...l, pattern: { ...l.pattern, ...part } as Layer['pattern'] }), label, done);
	const options = <T extends string>(values: readonly T[]) => values.map((value) => ({ value, label: value }));
</script>

<div class="numbers">
	{#if pattern.kind === 'noise'}
		<NumberField
			look="inline"
			label="octaves"
			value={pattern.octaves}
			{...rangeOf(shakePreset, 'layers', 'pattern', 'octaves')}
			step={0.05}
			digits={0}
			hint="1 swings widely; more add tremble"
			onchange={(v, done) => set('Octaves', { octaves: Math.round(v) }, done)}
		/>
		<NumberField
			look="inline"
			label="lacunarity"
			value={pattern.lacunarity}
			{...rangeOf(shakePreset, 'layers', 'pattern', 'lacunarity')}
			step={0.02}
			disabled={pattern.octaves < 2}
			hint="How much faster each octave is"
			onchange={(lacunarity, done) => set('Lacunarity', { lacunarity }, done)}
		/>
		<NumberField
			look="inline"
			label="persistence"
			value={pattern.persistence}
			{...rangeOf(shakePreset, 'layers', 'pattern', 'persistence')}
			step={0.01}
			disabled={pattern.octaves < 2}
			hint="How much smaller each octave is"
			onchange={(persistence, done) => set('Persistence', { persistence }, done)}
		/>
	{:else if pattern.kind === 'wave'}
		<Segments
			small
			label="Shape of the wave"
			value={pattern.shape}
			options={options(WAVE_SHAPES)}
			onchange={(shape: WaveShape) => set('Wave shape', { shape }, true)}
		/>
	{:else if pattern.kind === 'jumps'}
		<Segments
			small
			label="Within"
			value={pattern.within}
			options={options(withins)}
			onchange={(within: JumpsPattern['within']) => set('Jumps within', { within }, true)}
		/>
		<Select
			look="cell"
			label="Between"
			title="How it gets from one target to the next"
			value={pattern.between}
			choices={options(JUMPS_BETWEEN)}
			onchange={(between) => set('Jumps between', { between: between as JumpsPattern['between'] }, true)}
		/>
		{#if pattern.between === 'eased'}
			<EasePicker label="way between" wild ease={pattern.ease} onchange={(ease, done) => set('Ease', { ease }, done)} />
		{/if}
		{#await import('./JumpTimes.svelte') then { default: JumpTimes }}<JumpTimes {layer} {onchange} />{/await}
	{:else if pattern.kind === 'keys'}
		<NumberField
			look="inline"
			label="cycle"
			unit="s"
			value={pattern.cycle}
			{...rangeOf(shakePreset, 'layers', 'pattern', 'cycle')}
			step={0.01}
			hint="Length of the cycle: stretches the poses in time"
			onchange={(cycle, done) => set('Cycle', { cycle }, done)}
		/>
		<Segments
			small
			label="How often"
			value={pattern.loop ? 'looped' : 'once'}
			options={options(['looped', 'once'])}
			onchange={(v) => set('Loop', { loop: v === 'looped' }, true)}
		/>
	{:else}
		<NumberField
			look="inline"
			label="damping ratio"
			value={pattern.damping}
			{...rangeOf(shakePreset, 'layers', 'pattern', 'damping')}
			step={0.005}
			hint="Small rings long, large comes back once; a negative amplitude kicks the other way"
			onchange={(damping, done) => set('Damping', { damping }, done)}
		/>
	{/if}
</div>

<style>
	.numbers {
		display: flex;
		align-items: center;
		gap: 14px;
		min-height: 23px;
		font-size: 12.5px;
		color: var(--ink-2);
		white-space: nowrap;
	}
	/* None of them gives way: cut off, a choice cannot be read. */
	.numbers > :global(*) {
		flex: none;
	}
	.numbers > :global(select) {
		width: auto;
	}
</style>
