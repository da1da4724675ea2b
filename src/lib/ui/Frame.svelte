<script lang="ts">
	/** The frame of every sheet, drawing and panel of a room: paper with a rule around it, perhaps a heading with something beside it. */
	import type { Snippet } from 'svelte';

	interface Props {
		label: string;
		title?: string;
		/** Beside the heading. */
		side?: Snippet;
		/** `rows`: what is in it stands row under row and scrolls; `column`: the same, and what is in it scrolls by itself; `fill`: it fills what room there is; `plain`: as high as it is. */
		flow?: 'rows' | 'column' | 'fill' | 'plain';
		/** What is tuned just now is framed in amber. */
		tuned?: boolean;
		children: Snippet;
	}
	let { label, title, side, flow = 'plain', tuned = false, children }: Props = $props();
</script>

<section class={flow} class:tuned class:headed={title !== undefined} aria-label={label}>
	{#if title !== undefined}
		<header>
			<h2>{title}</h2>
			{@render side?.()}
		</header>
	{/if}
	{@render children()}
</section>

<style>
	section {
		min-width: 0;
		min-height: 0;
		border: 1px solid var(--rule-strong);
		border-radius: var(--radius);
		background: var(--sheet);
		padding: 8px 10px;
	}
	.tuned {
		border-color: var(--lamp);
	}
	.rows {
		display: grid;
		align-content: start;
		grid-auto-rows: max-content;
		gap: 6px;
		overflow: auto;
	}
	.column {
		display: flex;
		flex-direction: column;
		gap: 5px;
		padding: 9px 12px 8px;
		overflow: hidden;
	}
	.fill {
		display: grid;
		grid-template-rows: minmax(0, 1fr);
	}
	.fill.headed {
		grid-template-rows: auto minmax(0, 1fr);
	}
	header {
		display: flex;
		justify-content: space-between;
		align-items: baseline;
		gap: 8px;
		font-size: 12px;
		color: var(--ink-2);
	}
	h2 {
		font-size: 14.5px;
		color: var(--ink);
	}
</style>
