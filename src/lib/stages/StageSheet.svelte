<script lang="ts">
	/** A stage's numbers: a title, what it is for, and whatever belongs to it. */
	import type { Snippet } from 'svelte';
	import Frame from '$lib/ui/Frame.svelte';

	interface Props {
		title: string;
		about: string;
		children: Snippet;
	}
	let { title, about, children }: Props = $props();
</script>

<Frame label={title} flow="rows">
	<div class="inside">
		<h2>{title}</h2>
		<p>{about}</p>
		{@render children()}
	</div>
</Frame>

<style>
	/* It has no shape of its own: what is in it stands in the frame. */
	.inside {
		display: contents;
	}
	h2 {
		font-size: 15px;
	}
	p {
		margin: 0;
		font-size: 12px;
		color: var(--ink-2);
	}
	.inside :global(.tiles) {
		display: grid;
		grid-template-columns: repeat(2, minmax(0, 1fr));
		gap: 6px;
	}
	.inside :global(.tiles.three) {
		grid-template-columns: repeat(3, minmax(0, 1fr));
	}
	.inside :global(.tile .value) {
		font-size: 14px;
	}
	.inside :global(label.check) {
		display: flex;
		align-items: center;
		gap: 6px;
		font-size: 13px;
	}
	.inside :global(label.check input) {
		accent-color: var(--lamp);
	}
	.inside :global(label.pick) {
		display: grid;
		gap: 2px;
		font-size: 11.5px;
		color: var(--ink-2);
	}
	.inside :global(button.plain) {
		border: 1px solid var(--rule-strong);
		border-radius: 6px;
		background: var(--field);
		padding: 3px 9px;
		cursor: pointer;
	}
	.inside :global(h3) {
		margin: 3px 0 0;
		font: 600 12.5px var(--text);
	}
</style>
