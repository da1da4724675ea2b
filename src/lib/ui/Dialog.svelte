<script lang="ts">
	import type { Snippet } from 'svelte';

	interface Props {
		title: string;
		open: boolean;
		/** Called when Escape or the closing button asks for it; left out: the dialog needs an answer. */
		onclose?: () => void;
		children: Snippet;
		wide?: boolean;
	}
	let { title, open, onclose, children, wide = false }: Props = $props();
	let dialog: HTMLDialogElement;
	const id = $props.id();

	$effect(() => {
		if (open && !dialog.open) dialog.showModal();
		else if (!open && dialog.open) dialog.close();
	});
</script>

<dialog
	bind:this={dialog}
	class:wide
	aria-labelledby={id}
	onkeydown={(event) => {
		event.stopPropagation();
		if (event.key !== 'Escape' || event.defaultPrevented) return;
		// At once: the browser's own closing is told later.
		event.preventDefault();
		onclose?.();
	}}
	oncancel={(event) => {
		event.preventDefault();
		onclose?.();
	}}
	onclose={() => {
		// The browser may close it by itself, unasked: a second Escape.
		if (!open) return;
		if (onclose) onclose();
		else dialog.showModal();
	}}
>
	<header>
		<h2 {id}>{title}</h2>
		{#if onclose}<button onclick={onclose} aria-label="Close">×</button>{/if}
	</header>
	{#if open}{@render children()}{/if}
</dialog>

<style>
	dialog {
		border: 1px solid var(--rule-strong);
		border-radius: 10px;
		background: var(--sheet);
		color: var(--ink);
		padding: 18px 20px 20px;
		width: min(30rem, 92vw);
		box-shadow: var(--shadow);
	}
	dialog.wide {
		width: min(46rem, 94vw);
	}
	dialog::backdrop {
		background: rgb(28 42 58 / 45%);
	}
	header {
		display: flex;
		justify-content: space-between;
		align-items: start;
		margin-bottom: 10px;
	}
	h2 {
		font-size: 17px;
	}
	header button {
		border: 0;
		background: none;
		font-size: 20px;
		line-height: 1;
		cursor: pointer;
		padding: 0 4px;
	}
</style>
