<script lang="ts">
	/** The sheet's second page: how a preset is played, rather than what it does. */
	import type { GameParameter, ShakePreset } from 'dinesis-runtime';
	import { EYE_HEIGHT, fallOff, shakePreset, OVERLAP_RULES, type OverlapRule, type Space } from 'dinesis-runtime/tools';
	import { rangeOf } from '$lib/documents';
	import ReachWords from '$lib/room/ReachWords.svelte';
	import NumberField from '$lib/ui/NumberField.svelte';
	import Segments from '$lib/ui/Segments.svelte';
	import PlayedDrives from './PlayedDrives.svelte';
	import PlayedLife from './PlayedLife.svelte';
	import PlayedWords from './PlayedWords.svelte';

	interface Props {
		preset: ShakePreset;
		/** Where presses come from. */
		source: readonly [number, number, number];
		/** The game's values, which may drive it. */
		parameters: readonly GameParameter[];
		onchange: (label: string, recipe: (preset: ShakePreset) => ShakePreset, mark: string, done: boolean) => void;
	}
	let { preset, parameters, source, onchange }: Props = $props();
	const far = $derived(Math.hypot(source[0], source[1] - EYE_HEIGHT, source[2]));

	const RULES: Readonly<Record<OverlapRule, string>> = {
		stack: 'add another',
		restart: 'start over',
		ignore: 'ignore',
		extend: 'go on longer'
	};
	const SPACES: readonly { value: Space; label: string; title: string }[] = [
		{ value: 'camera', label: 'the camera', title: 'Side is the camera’s side' },
		{ value: 'world', label: 'the world', title: 'North stays north, however the camera stands' },
		{ value: 'source', label: 'its source', title: 'Depth points to where it came from' }
	];
	const set = (label: string, part: Partial<ShakePreset>, done = true): void =>
		onchange(label, (p) => ({ ...p, ...part }), label, done);
	const time = (label: string, part: Partial<ShakePreset['timing']>, done = true): void =>
		onchange(label, (p) => ({ ...p, timing: { ...p.timing, ...part } }), label, done);
</script>

<div class="page">
	<span>played again</span>
	<div>
		<Segments
			small
			label="When it is fired while it plays"
			value={preset.overlap.rule}
			options={OVERLAP_RULES.map((rule) => ({ value: rule, label: RULES[rule] }))}
			onchange={(rule: OverlapRule) => set('Played again', { overlap: { ...preset.overlap, rule } })}
		/>
		{#if preset.overlap.rule === 'stack'}
			<NumberField
				look="inline"
				label="at most"
				value={preset.overlap.limit}
				{...rangeOf(shakePreset, 'overlap', 'limit')}
				step={0.1}
				digits={0}
				hint="Then the quietest fades out"
				onchange={(v, done) => set('Limit', { overlap: { ...preset.overlap, limit: Math.round(v) } }, done)}
			/>
		{/if}
	</div>
	<span>moves along</span>
	<Segments
		small
		label="Axes"
		value={preset.space}
		options={SPACES}
		onchange={(space: Space) => set('Axes', { space })}
	/>
	{#if preset.view === 'space'}
		<span>reach</span>
		<section class="reach">
			<ReachWords reach={preset.reach} name={preset.name} onchange={(reach, done) => set('Reach', { reach }, done)} />
			{#if preset.reach}<small
					>from where presses come from here ({far.toFixed(1)} m) it would be {fallOff(preset.reach, far).toFixed(2)} ×</small
				>{/if}
		</section>
	{/if}
	<span>priority</span>
	<div>
		<NumberField
			look="inline"
			label=""
			name="Priority"
			value={preset.priority}
			{...rangeOf(shakePreset, 'priority')}
			step={0.1}
			digits={0}
			onchange={(v, done) => set('Priority', { priority: Math.round(v) }, done)}
		/>
		<NumberField
			look="inline"
			label="turns lower ones to"
			unit="×"
			value={preset.duck}
			{...rangeOf(shakePreset, 'duck')}
			step={0.01}
			onchange={(duck, done) => set('Duck', { duck }, done)}
		/>
		<NumberField
			look="inline"
			label="within"
			unit="s"
			value={preset.duckTime}
			{...rangeOf(shakePreset, 'duckTime')}
			step={0.01}
			onchange={(duckTime, done) => set('Duck time', { duckTime }, done)}
		/>
	</div>
	<span>starts</span>
	<div>
		<NumberField
			look="inline"
			label="after"
			unit="s"
			value={preset.timing.delay}
			{...rangeOf(shakePreset, 'timing', 'delay')}
			step={0.01}
			onchange={(delay, done) => time('Delay', { delay }, done)}
		/>
		<label
			><input
				type="checkbox"
				checked={preset.seed !== null}
				onchange={(e) => set('Pinned seed', { seed: e.currentTarget.checked ? 1 : null })}
			/> the same in every play</label
		>
		{#if preset.seed !== null}
			<NumberField
				look="inline"
				label="seed"
				value={preset.seed}
				{...rangeOf(shakePreset, 'seed')}
				step={0.2}
				digits={0}
				reset={1}
				onchange={(v, done) => set('Seed', { seed: Math.round(v) }, done)}
			/>
		{/if}
	</div>
	<PlayedLife {preset} {onchange} />
	<PlayedDrives {preset} {parameters} {onchange} />
	<PlayedWords {preset} {onchange} />
</div>

<style>
	.page {
		display: grid;
		grid-template-columns: max-content minmax(0, 1fr);
		gap: 6px 14px;
		align-items: center;
		align-content: start;
		/* Rows as high as what is in them: a text area would let itself be squeezed. */
		grid-auto-rows: max-content;
		min-height: 0;
		overflow: auto;
		font-size: 12.5px;
		padding-bottom: 2px;
	}
	.page > :global(span),
	.page > :global(label) {
		color: var(--ink-2);
	}
	.page > :global(div:not(.segments)) {
		display: flex;
		gap: 12px;
		align-items: center;
		white-space: nowrap;
		min-height: 22px;
	}
	.reach small {
		font-size: 11.5px;
		color: var(--ink-2);
	}
	.page > :global(.segments) {
		justify-self: start;
	}
	div label {
		display: flex;
		gap: 5px;
		align-items: center;
	}
	input[type='checkbox'] {
		accent-color: var(--lamp);
		margin: 0;
	}
</style>
