<script lang="ts">
	/** What cues came to, a line each: what is felt of it, or why nothing is. */
	import { isFelt } from '$lib/documents';
	import type { Decision } from 'dinesis-runtime/tools';
	import { decidedWords } from './decided';

	interface Props {
		label: string;
		decisions: readonly Decision[];
		presetName: (id: string) => string;
	}
	let { label, decisions, presetName }: Props = $props();
</script>

<ul aria-label={label}>
	{#each decisions as decision, i (i)}
		<li class:felt={isFelt(decision)}>{decidedWords(decision, presetName)}</li>
	{/each}
</ul>

<style>
	ul {
		margin: 0;
		padding-left: 8px;
		list-style: none;
		border-left: 3px solid var(--rule-strong);
		font-size: 12.5px;
		color: var(--lamp-text);
	}
	.felt {
		color: var(--ink-2);
	}
</style>
