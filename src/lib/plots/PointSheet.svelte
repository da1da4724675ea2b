<script lang="ts">
	/** All points of a curve at once: so many times as high, so many times as long; copied as rows for a sheet, or taken from such rows. */
	import NumberField from '$lib/ui/NumberField.svelte';
	import type { Scale } from './place-mode.svelte';
	import { pointsOfSheet, readSheet, writeSheet } from './point-rows';
	import { scaled, stretched, type Point, type PointRules } from './points';

	interface Props {
		points: readonly Point[];
		rules: PointRules;
		scale: Scale;
		word: string;
		onchange: (points: Point[], what: string, done: boolean) => void;
		onclose: () => void;
	}
	let { points, rules, scale, word, onchange, onclose }: Props = $props();

	/** What a gesture began with: each of its numbers is of that, not of what the last one made of it. */
	let from: readonly Point[] | null = null;
	let higher = $state(1);
	let longer = $state(1);
	let typed = $state('');
	let said = $state('');

	function turn(part: 'higher' | 'longer', by: number, done: boolean) {
		if (part === 'higher') higher = by;
		else longer = by;
		from ??= points;
		const made = part === 'higher' ? scaled(from, by, rules) : stretched(from, by, rules);
		onchange(made, part === 'higher' ? `Scale ${word}s` : `Stretch ${word}s`, done);
		if (!done) return;
		from = null;
		higher = longer = 1;
	}
	const EXAMPLE = ['0\t1', '12\t0.4', '30\t0'].join('\n');
	async function copy() {
		const text = writeSheet(points, scale.of);
		typed = text;
		try {
			await navigator.clipboard.writeText(text);
			said = `${points.length} rows are copied.`;
		} catch {
			said = 'Select the rows and copy them: the browser did not let it be done.';
		}
	}
	function take() {
		const rows = readSheet(typed);
		if (typeof rows === 'string') return void (said = rows);
		const made = pointsOfSheet(rows, scale.at, rules);
		onchange(made.points, `Take ${word}s from a sheet`, true);
		if (made.said === '') return onclose();
		said = `Taken: ${made.said}.`;
	}
</script>

<div class="all">
	<p>
		<NumberField
			look="inline"
			label="all so many times as high"
			unit="×"
			value={higher}
			min={-10}
			max={10}
			step={0.01}
			reset={1}
			onchange={(by, done) => turn('higher', by, done)}
		/>
	</p>
	<p>
		<NumberField
			look="inline"
			label="all so many times as long"
			unit="×"
			value={longer}
			min={0.01}
			max={100}
			step={0.01}
			reset={1}
			onchange={(by, done) => turn('longer', by, done)}
		/>
	</p>
	<label
		>rows of a sheet: place ({scale.unit}) and value
		<textarea rows="5" bind:value={typed} spellcheck="false" placeholder={EXAMPLE}></textarea></label
	>
	<div>
		<button onclick={take} disabled={typed.trim() === ''}>Take these rows</button>
		<button onclick={copy}>Copy what is there</button>
	</div>
	{#if said}<p role="status">{said}</p>{/if}
</div>

<style>
	.all {
		display: grid;
		gap: 6px;
		width: 260px;
		padding: 10px 12px;
		font-size: 12.5px;
	}
	p {
		margin: 0;
	}
	p[role] {
		color: var(--lamp-text);
	}
	label {
		display: grid;
		gap: 3px;
		color: var(--ink-2);
	}
	textarea {
		border: 1px solid var(--rule-strong);
		border-radius: 6px;
		background: var(--field);
		color: var(--ink);
		font: inherit;
		font-variant-numeric: tabular-nums;
		padding: 4px 8px;
		resize: vertical;
	}
	div > div {
		display: flex;
		gap: 6px;
	}
	button {
		border: 1px solid var(--rule-strong);
		border-radius: 6px;
		background: var(--field);
		padding: 2px 8px;
		cursor: pointer;
	}
	button:disabled {
		opacity: 0.5;
		cursor: default;
	}
</style>
