<script lang="ts">
	/**
	 * The numbers of a curve's chosen point: place, value, slopes; a point more or less; and what is done with all of them: scaled, stretched,
	 * copied for a sheet, pasted from one.
	 */
	import ChevronLeft from '@lucide/svelte/icons/chevron-left';
	import ChevronRight from '@lucide/svelte/icons/chevron-right';
	import { compileCurve } from 'dinesis-runtime/tools';
	import NumberField from '$lib/ui/NumberField.svelte';
	import Popover from '$lib/ui/Popover.svelte';
	import { modesOf, places, scaleOf, type Whole } from './place-mode.svelte';
	import { addedBehind, moved, newOne, removed, sloped, type Point, type PointRules } from './points';

	interface Props {
		points: readonly Point[];
		chosen: number;
		rules: PointRules;
		/** Of the values. */
		unit: string;
		/** What the curve runs over; left out: shares only. */
		whole?: Whole;
		/** What one is called: point, pose. */
		word?: string;
		/** Whether the chosen one has slopes: not where an ease leads on. */
		slopes?: boolean;
		onchoose: (i: number) => void;
		onchange: (points: Point[], what: string, done: boolean) => void;
	}
	let { points, chosen, rules, unit, whole, word = 'point', slopes = true, onchoose, onchange }: Props = $props();

	const i = $derived(Math.min(chosen, points.length - 1));
	const point = $derived(points[i]);
	const scale = $derived(scaleOf(places.mode, whole));
	const modes = $derived(modesOf(whole));
	const curve = $derived(compileCurve(points));
	const name = $derived(`${word} ${i + 1}`);
	/** As fine as a place may be stepped: a hundredth of the whole, a frame. */
	const step = $derived(scale.mode === 'frames' ? 1 : Math.abs(scale.of(0.01) - scale.of(0)));

	function add() {
		const next = addedBehind(points, i, rules);
		if (!next) return;
		onchange(next, `Add ${word}`, true);
		onchoose(newOne(points, next));
	}
	function takeOut() {
		const next = removed(points, i);
		if (!next) return;
		onchange(next, `Take ${word} out`, true);
		onchoose(Math.max(0, i - 1));
	}
	/** Other slopes on both sides, or about to be. */
	let split = $state(false);
	const own = $derived(point?.in !== undefined || point?.out !== undefined);
	const bent = $derived(own && point?.in !== point?.out);
	const sides = $derived<readonly (readonly ['in' | 'out' | 'both', string])[]>(
		split || bent
			? [
					['in', 'arrives'],
					['out', 'leaves']
				]
			: [['both', 'slope']]
	);
	const slopeOf = (side: 'in' | 'out' | 'both'): number =>
		side === 'in' ? (point?.in ?? curve.arrive[i]!) : (point?.out ?? curve.leave[i]!);
	const said = $derived(modes.find(({ value }) => value === scale.mode)?.label ?? '%');
	const next = $derived(modes[(modes.findIndex(({ value }) => value === scale.mode) + 1) % modes.length]!);
</script>

{#if point}
	<div class="numbers" role="group" aria-label="Numbers of {name}">
		<span class="which">
			<button aria-label="The {word} before" disabled={i === 0} onclick={() => onchoose(i - 1)}
				><ChevronLeft size={13} /></button
			>{i + 1}/{points.length}<button
				aria-label="The next {word}"
				disabled={i === points.length - 1}
				onclick={() => onchoose(i + 1)}><ChevronRight size={13} /></button
			>
		</span>
		<NumberField
			look="inline"
			label="at"
			name="Place of {name}"
			unit={scale.unit}
			value={Number(scale.of(point.at).toPrecision(6))}
			min={Math.min(scale.of(0), scale.of(1))}
			max={Math.max(scale.of(0), scale.of(1))}
			{step}
			onchange={(place, done) => onchange(moved(points, i, { at: scale.at(place) }, rules), `Move ${word}`, done)}
		/>
		<NumberField
			look="inline"
			label=""
			name="Value of {name}"
			{unit}
			value={point.value}
			min={rules.least}
			max={rules.most}
			step={0.01}
			reset={rules.least < 0 ? 0 : 1}
			onchange={(value, done) => onchange(moved(points, i, { value }, rules), `Move ${word}`, done)}
		/>
		{#if slopes}
			{#each sides as [side, says] (side)}
				<span class:own
					><NumberField
						look="inline"
						label={says}
						name="Slope{side === 'both' ? '' : ` that ${says}`} of {name}"
						value={Number(slopeOf(side).toPrecision(4))}
						min={-rules.steepest}
						max={rules.steepest}
						step={0.05}
						reset={0}
						hint="{own ? '' : 'chosen by the curve; '}in values per whole"
						onchange={(slope, done) => onchange(sloped(points, i, side, slope, rules), 'Slope', done)}
					/></span
				>
			{/each}
			{#if own}<button
					class="auto"
					aria-label="Slope of {name} chosen by the curve"
					title="Chosen by the curve again"
					onclick={() => {
						split = false;
						onchange(sloped(points, i, 'both', null, rules), 'Slope', true);
					}}>×</button
				>{/if}
			{#if !bent}<button
					class="auto"
					aria-pressed={split}
					aria-label="A slope on each side of {name}"
					title="A slope on each side"
					onclick={() => (split = !split)}>⋀</button
				>{/if}
		{/if}
		<button class="act" title="One more, behind this one" aria-label="Add a {word}" onclick={add}>+</button>
		<button class="act" disabled={points.length < 2} aria-label="Take {name} out" onclick={takeOut}>−</button>
		{#if modes.length > 1}
			<button
				class="act"
				aria-label="Places are written in {said}; press for {next.label}"
				title="Places in {said}; press for {next.label}"
				onclick={() => (places.mode = next.value)}>in {said}</button
			>
		{/if}
		<Popover label="All {word}s: scale, stretch, a sheet" title="Scale, stretch, copy, paste a sheet" align="right">
			{#snippet button()}<span class="act all">…</span>{/snippet}
			{#snippet children(close)}
				{#await import('./PointSheet.svelte') then { default: PointSheet }}
					<PointSheet {points} {rules} {scale} {word} {onchange} onclose={close} />
				{/await}
			{/snippet}
		</Popover>
	</div>
{/if}

<style>
	.numbers {
		display: flex;
		flex-wrap: wrap;
		align-items: center;
		gap: 1px 7px;
		font-size: 12px;
		color: var(--ink-2);
		min-width: 0;
	}
	.which {
		display: inline-flex;
		align-items: center;
		font-variant-numeric: tabular-nums;
	}
	.which button,
	.auto,
	.act {
		border: 0;
		border-radius: 4px;
		background: none;
		color: inherit;
		padding: 0 3px;
		min-height: 22px;
		cursor: pointer;
	}
	.which button {
		display: inline-grid;
		place-items: center;
		width: 20px;
		padding: 0;
	}
	.act {
		border: 1px solid var(--rule-strong);
		background: var(--field);
		min-width: 22px;
		line-height: 18px;
		min-height: 20px;
	}
	.all {
		display: inline-block;
		padding: 0 7px;
	}
	button:disabled {
		opacity: 0.4;
		cursor: default;
	}
	.numbers > span:not(.own) :global(.value) {
		font-weight: 400;
	}
	.auto[aria-pressed='true'] {
		color: var(--lamp-text);
	}
</style>
