<script lang="ts">
	/** A part of the page: its heading, what it is for, and what is in it. */
	import type { Snippet } from 'svelte';

	let { title, says, children }: { title: string; says: string; children: Snippet } = $props();
	const id = $props.id();
</script>

<section aria-labelledby={id}>
	<h2 {id}>{title}</h2>
	<p>{says}</p>
	{@render children()}
</section>

<style>
	section {
		border: 1px solid var(--rule);
		border-radius: 9px;
		background: var(--sheet);
		padding: 12px 16px 14px;
		min-width: 0;
	}
	h2 {
		font-size: 16px;
	}
	p {
		margin: 1px 0 10px;
		font-size: 12.5px;
		color: var(--ink-2);
	}
</style>
