<script lang="ts">
	/** A stage's numbers: a title, what it is for, and whatever belongs to it. */
	import type { Snippet } from 'svelte';

	interface Props {
		title: string;
		about: string;
		children: Snippet;
	}
	let { title, about, children }: Props = $props();
</script>

<section aria-label={title}>
	<h2>{title}</h2>
	<p>{about}</p>
	{@render children()}
</section>

<style>
	section {
		display: grid;
		align-content: start;
		grid-auto-rows: max-content;
		gap: 7px;
		min-height: 0;
		overflow: auto;
		border: 1px solid var(--rule-strong);
		border-radius: var(--radius);
		background: var(--sheet);
		padding: 9px 11px;
	}
	h2 {
		font-size: 15px;
	}
	p {
		margin: 0;
		font-size: 12px;
		color: var(--ink-2);
	}
	section :global(.tiles) {
		display: grid;
		grid-template-columns: repeat(2, minmax(0, 1fr));
		gap: 6px;
	}
	section :global(.tiles.three) {
		grid-template-columns: repeat(3, minmax(0, 1fr));
	}
	section :global(.tile .value) {
		font-size: 14px;
	}
	section :global(label.check) {
		display: flex;
		align-items: center;
		gap: 6px;
		font-size: 13px;
	}
	section :global(label.check input) {
		accent-color: var(--lamp);
	}
	section :global(label.pick) {
		display: grid;
		gap: 2px;
		font-size: 11.5px;
		color: var(--ink-2);
	}
	section :global(select) {
		border: 1px solid var(--rule-strong);
		border-radius: 5px;
		background: var(--field);
		color: var(--ink);
		padding: 3px 6px;
		font-size: 13px;
		min-width: 0;
	}
	section :global(button.plain) {
		border: 1px solid var(--rule-strong);
		border-radius: 6px;
		background: var(--field);
		padding: 3px 9px;
		cursor: pointer;
	}
	section :global(h3) {
		margin: 3px 0 0;
		font: 600 12.5px var(--text);
	}
</style>
