<script lang="ts">
	/** A number that an event carries: what the game calls it, its range, its unit. */
	import type { GameEvent } from 'dinesis-runtime';
	import { gameEvent } from 'dinesis-runtime/tools';
	import { rangeOf, type Range } from '$lib/documents';
	import NumberField from '$lib/ui/NumberField.svelte';

	type Value = GameEvent['values'][number];
	interface Props {
		event: GameEvent;
		value: Value;
		onrename: (name: string) => void;
		onchange: (label: string, part: Partial<Value>, done: boolean) => void;
		onremove: () => void;
	}
	let { event, value, onrename, onchange, onremove }: Props = $props();

	const number = (name: string): Range => rangeOf(gameEvent, 'values', name);
</script>

<span
	><input
		class="short"
		aria-label="Name of the number"
		value={value.id}
		maxlength="64"
		onchange={(e) => onrename(e.currentTarget.value)}
	/>
	<NumberField
		look="inline"
		label=""
		name="Least {value.id} of {event.name}"
		value={value.min}
		{...number('min')}
		max={value.max}
		step={0.05}
		onchange={(min, done) => onchange('Range', { min }, done)}
	/>
	–
	<NumberField
		look="inline"
		label=""
		name="Most {value.id} of {event.name}"
		value={value.max}
		{...number('max')}
		min={value.min}
		step={0.05}
		onchange={(max, done) => onchange('Range', { max }, done)}
	/>
	<input
		class="unit"
		aria-label="Unit of {value.id}"
		placeholder="unit"
		value={value.unit}
		maxlength="20"
		onchange={(e) => onchange('Unit', { unit: e.currentTarget.value.trim() }, true)}
	/>
	<button class="out" aria-label="Take {value.id} out" onclick={onremove}>×</button></span
>

<style>
	input {
		border: 1px solid transparent;
		border-radius: 5px;
		background: none;
		padding: 1px 4px;
		width: 5.5rem;
	}
	input:hover,
	input:focus {
		border-color: var(--rule-strong);
		background: var(--field);
	}
	.unit {
		width: 3.4rem;
		color: var(--ink-2);
	}
	.out {
		border: 0;
		background: none;
		color: var(--lamp-text);
		min-width: 24px;
		min-height: 24px;
		cursor: pointer;
	}
</style>
