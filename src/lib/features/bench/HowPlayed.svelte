<script lang="ts">
	/** The sheet's second page: how a preset is played, rather than what it does. */
	import {
		EASE_NAMES,
		LIMITS,
		OVERLAP_RULES,
		overshoots,
		type EaseName,
		type OverlapRule,
		type ShakePreset,
		type Space
	} from '$lib/core';
	import NumberField from '$lib/ui/NumberField.svelte';
	import Segments from '$lib/ui/Segments.svelte';

	interface Props {
		preset: ShakePreset;
		onchange: (label: string, recipe: (preset: ShakePreset) => ShakePreset, mark: string, done: boolean) => void;
	}
	let { preset, onchange }: Props = $props();

	const EASES = EASE_NAMES.filter((name) => !overshoots(name));
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
	const fades = [
		{ which: 'fadeIn', label: 'fades in' },
		{ which: 'fadeOut', label: 'fades out' }
	] as const;
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
				min={1}
				max={64}
				step={0.1}
				digits={0}
				reset={8}
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
			value={preset.priority}
			min={-1000}
			max={1000}
			step={0.1}
			digits={0}
			reset={0}
			onchange={(v, done) => set('Priority', { priority: Math.round(v) }, done)}
		/>
		<NumberField
			look="inline"
			label="turns lower ones to"
			unit="×"
			value={preset.duck}
			min={0}
			max={1}
			step={0.01}
			reset={1}
			onchange={(duck, done) => set('Duck', { duck }, done)}
		/>
		<NumberField
			look="inline"
			label="within"
			unit="s"
			value={preset.duckTime}
			min={0}
			max={LIMITS.seconds}
			step={0.01}
			reset={0.1}
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
			min={0}
			max={LIMITS.seconds}
			step={0.01}
			reset={0}
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
				min={0}
				max={4294967295}
				step={0.2}
				digits={0}
				reset={1}
				onchange={(v, done) => set('Seed', { seed: Math.round(v) }, done)}
			/>
		{/if}
	</div>
	{#each fades as { which, label } (which)}
		{@const fade = preset.timing[which]}
		<label for="ease-{which}">{label}</label>
		<select
			id="ease-{which}"
			value={typeof fade.ease === 'string' ? fade.ease : 'handles'}
			onchange={(e) => time(label, { [which]: { ...fade, ease: e.currentTarget.value as EaseName } })}
		>
			{#each EASES as ease (ease)}<option value={ease}>{ease}</option>{/each}
			{#if typeof fade.ease !== 'string'}<option value="handles" disabled>{fade.ease.join(', ')}</option>{/if}
		</select>
	{/each}
	{#if preset.timing.mode === 'burst'}
		<span>strength over life</span>
		{#if life && 'points' in life}
			<div>
				a curve of {life.points.length} points
				<button onclick={() => time('Strength over life', { life: null })}>take it out</button>
			</div>
		{:else}
			<NumberField
				look="inline"
				label="halves every"
				unit={halfLife > 0 ? 's' : 's: it does not'}
				value={halfLife}
				min={0}
				max={LIMITS.seconds}
				step={0.01}
				reset={0}
				onchange={(v, done) => time('Half-life', { life: v >= 0.001 ? { decayHalfLife: v } : null }, done)}
			/>
		{/if}
	{:else}
		<span>grows</span>
		<div>
			<NumberField
				look="inline"
				label="from"
				unit="×"
				value={growth.from}
				min={0}
				max={100}
				step={0.01}
				reset={1}
				onchange={(from, done) => time('Growth', { growth: { ...growth, from } }, done)}
			/>
			<NumberField
				look="inline"
				label="to"
				unit="×"
				value={growth.to}
				min={0}
				max={100}
				step={0.01}
				reset={1}
				onchange={(to, done) => time('Growth', { growth: { ...growth, to } }, done)}
			/>
			<NumberField
				look="inline"
				label="over"
				unit="s"
				value={growth.over}
				min={0}
				max={LIMITS.seconds}
				step={0.05}
				reset={5}
				onchange={(over, done) => time('Growth', { growth: { ...growth, over } }, done)}
			/>
		</div>
	{/if}
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
	select,
	input:not([type='checkbox']),
	textarea {
		border: 1px solid var(--rule-strong);
		border-radius: 6px;
		background: var(--field);
		padding: 2px 7px;
		min-width: 0;
		resize: none;
	}
	select {
		justify-self: start;
	}
	button {
		border: 1px solid var(--rule-strong);
		border-radius: 6px;
		background: var(--field);
		cursor: pointer;
	}
</style>
