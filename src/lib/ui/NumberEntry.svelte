<script lang="ts">
	/** A number while it is typed: it says what it makes of a sum, another unit or a bound, and what it does not understand. */
	import { formatNumber } from './number';
	import FieldNote from './FieldNote.svelte';
	import { numberReader } from './number-reader.svelte';
	import { writing } from './writing.svelte';

	interface Props {
		name: string;
		/** What stands there. */
		present: number;
		unit: string;
		min: number;
		max: number;
		digits?: number;
		look: 'tile' | 'cell' | 'inline';
		/** What it begins with; null: what was left here before the page was loaded anew, still unconfirmed, without the focus. */
		text: string | null;
		left: string;
		onvalue: (value: number) => void;
		/** It is over; `stay`: the focus stays at the field. `trouble`: what was not understood. */
		onend: (stay: boolean, trouble: string) => void;
	}
	let { name, present, unit, min, max, digits, look, text, left, onvalue, onend }: Props = $props();

	const id = $props.id();
	// What it begins with; from there on it is the hand's.
	// svelte-ignore state_referenced_locally
	let typed = $state(text ?? left);
	let wrong = $state(false);
	let over = false;
	let entry: HTMLInputElement | undefined = $state();
	const within = (v: number): number => Math.min(max, Math.max(min, v));
	const read = $derived(numberReader.read(typed, { present, unit, fps: writing.frameRate }));
	const made = $derived.by(() => {
		if (typed.trim() === '') return '';
		if ('trouble' in read) return read.trouble;
		const shown = `${Number(within(read.value).toPrecision(4))} ${unit}`.trim();
		if (read.value < min) return `${shown}: it is no less`;
		if (read.value > max) return `${shown}: it is no more`;
		if (/^[-−]?[.,\d\s]*$/.test(typed.trim())) return '';
		return `= ${shown}${/\d\s*f(r|rames?)?\b/i.test(typed) ? `, at ${writing.frameRate} frames a second` : ''}`;
	});

	void numberReader.fetch().catch(() => undefined);
	function focused(input: HTMLInputElement) {
		if (text === null) return;
		queueMicrotask(() => {
			input.focus();
			if (text !== '' && text === formatNumber(present, digits)) input.select();
		});
	}
	function end(stay: boolean, trouble = '') {
		if (over) return;
		over = true;
		onend(stay, trouble);
	}
	function accept(stay: boolean) {
		const isTrouble = 'trouble' in read && typed.trim() !== '';
		wrong = isTrouble;
		if (isTrouble) return;
		if ('value' in read && within(read.value) !== present) onvalue(within(read.value));
		end(stay);
	}
	function keys(event: KeyboardEvent) {
		event.stopPropagation();
		if (event.key === 'Enter') accept(true);
		else if (event.key === 'Escape') end(true);
		else if (event.key === 'Tab') accept(false);
	}
	function leave() {
		if (over) return;
		accept(false);
		// What cannot be read is given up on leaving.
		end(false, made);
	}
</script>

<input
	class={look}
	bind:this={entry}
	bind:value={typed}
	class:wrong
	aria-label={name}
	aria-invalid={wrong}
	aria-describedby={made ? id : undefined}
	inputmode="decimal"
	spellcheck="false"
	autocomplete="off"
	onkeydown={keys}
	onblur={leave}
	{@attach focused}
/>
{#if made && entry}<FieldNote {id} text={made} {wrong} anchor={entry} />{/if}

<style>
	input {
		position: absolute;
		left: 3px;
		right: 3px;
		bottom: 3px;
		padding: 0 5px;
		border: 1px solid var(--lamp);
		border-radius: 4px;
		background: #fff;
		font-weight: 600;
		width: calc(100% - 6px);
	}
	.tile {
		font-size: 15px;
	}
	.cell {
		top: 1px;
		bottom: 1px;
		text-align: right;
	}
	.inline {
		left: auto;
		right: 0;
		width: 64px;
		bottom: -2px;
	}
	input.wrong {
		border-color: var(--danger);
		background: #fdeae6;
	}
</style>
