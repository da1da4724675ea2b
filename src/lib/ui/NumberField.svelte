<script lang="ts">
	import { onMount } from 'svelte';
	import FieldNote from './FieldNote.svelte';
	import { coarse, formatNumber, keyStep, stepAt, tidy } from './number';
	import NumberEntry from './NumberEntry.svelte';
	import { leftIn, letGo } from './typed';
	import { writing } from './writing.svelte';

	interface Props {
		label: string;
		/** What it is called where the label alone would not tell it from others; left out: the label. */
		name?: string;
		value: number;
		/** Shown behind the number. */
		unit?: string;
		min: number;
		max: number;
		/** The least step of a drag or an arrow. */
		step: number;
		digits?: number;
		/** What one gesture (Delete, or a double click on the label) sets back to. */
		reset?: number;
		/** `tile` has its label above; `cell` is one cell of a grid, the label is read out only. */
		look?: 'tile' | 'cell' | 'inline';
		/** How full the bar at the foot is, 0–1; left out: no bar. */
		fill?: number;
		hint?: string;
		/** What a 0 means, where it is no number: “no limit”. */
		zero?: string;
		/** A key that focuses the field, for the tooltip. */
		disabled?: boolean;
		/** Called with each new value; `done` when the gesture is over. */
		onchange: (value: number, done: boolean) => void;
	}
	let { label, name = label, fill, hint, zero, look = 'tile', disabled = false, ...kept }: Props = $props();

	/** Kept in metres, written in what the project is written in. */
	const by = $derived(writing.factor(kept.unit ?? ''));
	const unit = $derived(writing.unit(kept.unit ?? ''));
	const inWritten = (v: number): number => (by === 1 ? v : Number((v * by).toPrecision(12)));
	const inKept = (v: number): number => (by === 1 ? v : Number((v / by).toPrecision(12)));
	const value = $derived(inWritten(kept.value));
	const min = $derived(inWritten(kept.min));
	const max = $derived(inWritten(kept.max));
	const step = $derived(kept.step * by);
	const digits = $derived(kept.digits === undefined || by === 1 ? kept.digits : Math.max(0, kept.digits - 2));
	const reset = $derived(kept.reset === undefined ? undefined : inWritten(kept.reset));
	const onchange = (v: number, done: boolean): void => kept.onchange(inKept(v), done);

	let editing = $state(false);
	/** What the entry begins with; null: with what was left in it. */
	let text = $state<string | null>('');
	let left = $state('');
	/** What was not understood when the field was left; said for a while. */
	let given = $state('');
	let dragFrom: { x: number; value: number; moved: boolean } | null = null;
	let field: HTMLElement = $state()!;

	const shown = $derived(value === 0 && zero !== undefined ? zero : null);
	const within = (v: number): number => Math.min(max, Math.max(min, v));

	function down(event: PointerEvent) {
		if (disabled || editing || event.button !== 0) return;
		field.setPointerCapture(event.pointerId);
		dragFrom = { x: event.clientX, value, moved: false };
	}
	function move(event: PointerEvent) {
		if (!dragFrom) return;
		const dx = event.clientX - dragFrom.x;
		if (!dragFrom.moved && Math.abs(dx) < 3) return;
		dragFrom.moved = true;
		onchange(within(tidy(dragFrom.value + dx * stepAt(dragFrom.value, step) * coarse(event))), false);
	}
	function up(event: PointerEvent) {
		if (!dragFrom) return;
		const { moved } = dragFrom;
		dragFrom = null;
		if (field.hasPointerCapture(event.pointerId)) field.releasePointerCapture(event.pointerId);
		if (moved) onchange(value, true);
		else edit(formatNumber(value, digits));
	}
	function edit(from: string) {
		text = from;
		given = '';
		editing = true;
	}
	function ended(stay: boolean, trouble: string) {
		editing = false;
		letGo(location.pathname, name);
		if (stay) field.focus();
		if (trouble === '') return;
		const said = `${trouble} It stays ${formatNumber(value, digits)} ${unit}`.trim();
		given = said;
		setTimeout(() => given === said && (given = ''), 5000);
	}
	function keys(event: KeyboardEvent) {
		if (disabled || editing) return;
		const stepped = keyStep(event, value, step);
		if (stepped !== 0) onchange(within(tidy(value + stepped)), false);
		else if (event.key === 'Enter') edit(formatNumber(value, digits));
		else if ((event.key === 'Delete' || event.key === 'Backspace') && reset !== undefined) onchange(reset, true);
		else if (event.key === 'Home') onchange(min, true);
		else if (event.key === 'End') onchange(max, true);
		else return;
		event.preventDefault();
		event.stopPropagation();
	}
	/** What was typed here before the page was loaded anew stands here again, still unconfirmed. */
	onMount(() => {
		const kept = leftIn(location.pathname, name);
		if (kept === null || disabled) return;
		left = kept;
		text = null;
		editing = true;
	});
</script>

<div class="field {look}" class:disabled class:editing title={hint}>
	<div
		class="turn"
		bind:this={field}
		role="spinbutton"
		tabindex={disabled ? -1 : 0}
		aria-label={unit ? `${name}, ${unit}` : name}
		aria-valuenow={value}
		aria-valuemin={min}
		aria-valuemax={max}
		aria-valuetext={shown === null ? `${formatNumber(value, digits)} ${unit}` : shown}
		aria-disabled={disabled}
		onpointerdown={down}
		onpointermove={move}
		onpointerup={up}
		onpointercancel={up}
		ondblclick={() => {
			if (reset !== undefined && !disabled) {
				editing = false;
				onchange(reset, true);
			}
		}}
		onkeydown={keys}
		onkeyup={(event) => /^(Arrow|Page)/.test(event.key) && onchange(value, true)}
	>
		{#if look !== 'cell'}<span class="label">{label}</span>{/if}
		<span class="value" class:hidden={editing}
			>{#if shown === null}{formatNumber(value, digits)}<span class="unit">{unit}</span>{:else}{shown}{/if}</span
		>
	</div>
	{#if editing}
		<NumberEntry
			{name}
			present={value}
			{unit}
			{min}
			{max}
			{digits}
			{look}
			{text}
			{left}
			onvalue={(v) => onchange(v, true)}
			onend={ended}
		/>
	{:else if given}
		<FieldNote text={given} wrong anchor={field} />
	{/if}
	{#if fill !== undefined}<span class="bar" style:transform="scaleX({Math.min(1, Math.max(0, fill))})"></span>{/if}
</div>

<style>
	.field {
		position: relative;
		min-width: 0;
	}
	.turn {
		cursor: ew-resize;
		user-select: none;
		touch-action: none;
	}
	.tile {
		background: var(--field);
		border: 1px solid var(--rule-strong);
		border-radius: var(--radius);
		overflow: hidden;
	}
	.tile .turn {
		padding: 3px 8px 5px;
	}
	.tile:hover,
	.tile:focus-within {
		border-color: var(--lamp);
	}
	.tile .turn:focus-visible,
	.cell .turn:focus-visible {
		outline-offset: -2px;
	}
	.label {
		display: block;
		font-size: 11.5px;
		color: var(--ink-2);
		white-space: nowrap;
	}
	.value {
		white-space: nowrap;
	}
	.tile .value {
		font-size: 16px;
		font-weight: 600;
		line-height: 1.25;
	}
	.unit {
		margin-left: 3px;
		font-size: 11px;
		font-weight: 400;
		color: var(--ink-2);
	}
	.bar {
		position: absolute;
		left: 0;
		right: 0;
		bottom: 0;
		height: 3px;
		background: var(--ink);
		transform-origin: 0 50%;
		pointer-events: none;
	}
	.cell .turn {
		min-height: 24px;
		padding: 3px 8px;
		text-align: right;
	}
	.cell:hover {
		background: var(--lamp-wash);
	}
	.inline {
		display: inline-block;
	}
	.inline .turn {
		min-width: 24px;
		min-height: 24px;
		align-content: center;
	}
	.inline .label {
		display: inline;
		margin-right: 4px;
		font-size: inherit;
	}
	.inline .value {
		font-weight: 600;
		border-bottom: 1px solid var(--rule-strong);
	}
	.hidden {
		visibility: hidden;
	}
	.disabled {
		opacity: 0.45;
	}
	.disabled .turn {
		cursor: default;
	}
</style>
