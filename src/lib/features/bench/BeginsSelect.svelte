<script lang="ts">
	/** Where in its turn a channel begins: anywhere, or at a phase kept in the preset. */
	import type { Start } from 'dinesis-runtime/tools';

	interface Props {
		label: string;
		start: Start;
		onchange: (start: Start) => void;
	}
	let { label, start, onchange }: Props = $props();

	const offered: readonly { label: string; start: Start }[] = [
		{ label: 'anywhere', start: 'random' },
		{ label: 'at zero', start: 'zero' },
		{ label: 'at ¼ turn', start: 0.25 },
		{ label: 'at ½ turn', start: 0.5 },
		{ label: 'at ¾ turn', start: 0.75 }
	];
	/** A phase of a file may be one that is not offered. */
	const begins = $derived(
		offered.some((b) => b.start === start) ? offered : [...offered, { label: `at ${start} turn`, start }]
	);
</script>

<select aria-label={label} bind:value={() => start, onchange}>
	{#each begins as b (b.start)}<option value={b.start}>{b.label}</option>{/each}
</select>

<style>
	select {
		width: 100%;
		border: 0;
		background: none;
		text-align: right;
		text-align-last: right;
		cursor: pointer;
		min-height: 24px;
		padding: 1px 0;
		font-size: 12.5px;
	}
	select:hover {
		background: var(--lamp-wash);
	}
</style>
