<script lang="ts">
	/** The sheet's second page: how a preset is played, rather than what it does. */
	import type { GameParameter, ShakePreset } from 'dinesis-runtime';
	import {
		shakePreset,
		OVERLAP_RULES,
		type CurvePoint,
		type Drive,
		type OverlapRule,
		type Space
	} from 'dinesis-runtime/tools';
	import { rangeOf } from '$lib/documents';
	import CurveEditor from '$lib/plots/CurveEditor.svelte';
	import NumberField from '$lib/ui/NumberField.svelte';
	import Segments from '$lib/ui/Segments.svelte';
	import { withView } from './pattern-drawing';

	interface Props {
		preset: ShakePreset;
		/** The game's values, which may drive it. */
		parameters: readonly GameParameter[];
		onchange: (label: string, recipe: (preset: ShakePreset) => ShakePreset, mark: string, done: boolean) => void;
	}
	let { preset, parameters, onchange }: Props = $props();

	/** Part of the full strength that may be lost each second. */
	const lost = rangeOf(shakePreset, 'timing', 'life', 'decayPerSecond');
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
	const life = $derived(preset.timing.life);
	const halfLife = $derived(life && 'decayHalfLife' in life ? life.decayHalfLife : 0);
	const growth = $derived(preset.timing.growth ?? { from: 1, to: 1, over: 5 });
	const set = (label: string, part: Partial<ShakePreset>, done = true): void =>
		onchange(label, (p) => ({ ...p, ...part }), label, done);
	const time = (label: string, part: Partial<ShakePreset['timing']>, done = true): void =>
		onchange(label, (p) => ({ ...p, timing: { ...p.timing, ...part } }), label, done);
	function setDrive(i: number, part: Partial<Drive>, label = 'Drive', done = true) {
		set(label, { drives: preset.drives.map((d, k) => (k === i ? { ...d, ...part } : d)) }, done);
	}
	const addDrive = (): void =>
		set('Drive', {
			drives: [
				...preset.drives,
				{
					parameter: parameters[0]!.id,
					to: 'amount',
					curve: [
						{ at: 0, value: 0.5 },
						{ at: 1, value: 1.5 }
					]
				}
			]
		});
	const endsOf = (id: string): readonly [string, string] => {
		const p = parameters.find((q) => q.id === id);
		return p ? [`${p.name} ${p.min}`, `${p.max}`] : ['least', 'most'];
	};
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
	{#each preset.drives as drive, i (i)}
		<span>driven by</span>
		<div>
			<select
				aria-label="Game value"
				value={drive.parameter}
				onchange={(e) => setDrive(i, { parameter: e.currentTarget.value })}
			>
				{#each parameters as p (p.id)}<option value={p.id}>{p.name}</option>{/each}
				{#if !parameters.some((p) => p.id === drive.parameter)}<option value={drive.parameter}
						>{drive.parameter}, which is gone</option
					>{/if}
			</select>
			<Segments
				small
				label="What it multiplies"
				value={drive.to}
				options={[
					{ value: 'amount', label: 'amount' },
					{ value: 'rate', label: 'rate' }
				]}
				onchange={(to: Drive['to']) => setDrive(i, { to })}
			/>
			<button onclick={() => set('Drive', { drives: preset.drives.filter((_, k) => k !== i) })}>take it out</button>
		</div>
		<span></span>
		<CurveEditor
			label="By {drive.parameter}"
			points={drive.curve}
			top={Math.max(2, ...drive.curve.map((p) => p.value))}
			ends={endsOf(drive.parameter)}
			onchange={(curve, what, done) => setDrive(i, { curve }, what, done)}
		/>
	{/each}
	{#if parameters.length > 0}
		<span>{preset.drives.length === 0 ? 'driven by' : ''}</span>
		<div>
			<button onclick={addDrive}>+ a game value, such as {parameters[0]!.name.toLowerCase()}</button>
		</div>
	{/if}
	<span>made for</span>
	<div>
		<Segments
			small
			label="What it is for"
			value={preset.view}
			options={[
				{ value: 'space', label: 'a view in depth', title: 'Metres and degrees' },
				{ value: 'flat', label: 'a flat view', title: 'Pixels; x, y, roll and the view’s height' }
			]}
			onchange={(view: ShakePreset['view']) => onchange('View', (p) => withView(p, view), 'view', true)}
		/>
		<Segments
			small
			label="Suits"
			value={preset.suits}
			options={[
				{ value: 'burst', label: 'bursts' },
				{ value: 'continuous', label: 'states' }
			]}
			onchange={(suits: ShakePreset['suits']) => set('Suits', { suits })}
		/>
	</div>
	<label for="tags">tags</label>
	<input
		id="tags"
		value={preset.tags.join(', ')}
		placeholder="impact, sea, heavy"
		maxlength="400"
		onchange={(e) =>
			set('Tags', {
				tags: [
					...new Set(
						e.currentTarget.value
							.split(',')
							.map((t) => t.trim().slice(0, 40))
							.filter(Boolean)
					)
				].slice(0, 40)
			})}
	/>
	<label for="about">when to use it</label>
	<textarea
		id="about"
		rows="3"
		maxlength="4000"
		value={preset.about}
		onchange={(e) => set('Description', { about: e.currentTarget.value })}></textarea>
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
	.page > span,
	.page > label {
		color: var(--ink-2);
	}
	.page > div {
		display: flex;
		gap: 12px;
		align-items: center;
		white-space: nowrap;
		min-height: 22px;
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
	input:not([type='checkbox']),
	select,
	textarea {
		border: 1px solid var(--rule-strong);
		border-radius: 6px;
		background: var(--field);
		padding: 2px 7px;
		min-width: 0;
		resize: none;
	}
	button {
		border: 1px solid var(--rule-strong);
		border-radius: 6px;
		background: var(--field);
		padding: 0 8px;
		cursor: pointer;
	}
</style>
