<script lang="ts">
	/** A number that an event carries: what the game calls it, its range, its unit. */
	import type { GameEvent } from 'dinesis-runtime';
	import { gameEvent } from 'dinesis-runtime/tools';
	import { rangeOf, type Range } from '$lib/documents';
	import LeastMost from './LeastMost.svelte';

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
		class="quiet short"
		aria-label="Name of the number"
		value={value.id}
		maxlength="64"
		onchange={(e) => onrename(e.currentTarget.value)}
	/>
	<LeastMost
		of="{value.id} of {event.name}"
		least={value.min}
		most={value.max}
		ranges={{ min: number('min'), max: number('max') }}
		step={0.05}
		onchange={(part, done) => onchange('Range', part, done)}
	/>
	<input
		class="quiet unit"
		aria-label="Unit of {value.id}"
		placeholder="unit"
		value={value.unit}
		maxlength="20"
		onchange={(e) => onchange('Unit', { unit: e.currentTarget.value.trim() }, true)}
	/>
	<button class="out" aria-label="Take {value.id} out" onclick={onremove}>×</button></span
>

<style>
	.short {
		width: 5.5rem;
	}
	.unit {
		width: 3.4rem;
		color: var(--ink-2);
	}
</style>
