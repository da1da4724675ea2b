<script lang="ts">
	import { onDestroy, type Snippet } from 'svelte';

	interface Props {
		title: string;
		open: boolean;
		/** Called when Escape or the closing button asks for it; left out: the dialog needs an answer. */
		onclose?: () => void;
		children: Snippet;
		wide?: boolean;
		/** Without a heading: the title is only read out. A press outside closes it. */
		bare?: boolean;
	}
	let { title, open, onclose, children, wide = false, bare = false }: Props = $props();
	let dialog: HTMLDialogElement;
	const id = $props.id();

	/** What had the focus when it opened. */
	let before: Element | null = null;

	$effect(() => {
		if (open && !dialog.open) {
			before = document.activeElement;
			dialog.showModal();
			// What says so itself has the focus; else the dialog: not its closing button.
			if (!dialog.querySelector('[autofocus]')) dialog.focus({ preventScroll: true });
		} else if (!open && dialog.open) dialog.close();
	});
	// One that leaves the page while it is open gives nothing back by itself.
	onDestroy(() => {
		if (open && before instanceof HTMLElement && document.activeElement === document.body) before.focus();
	});
</script>

<dialog
	bind:this={dialog}
	class:wide
	class:bare
	tabindex="-1"
	aria-labelledby={bare ? undefined : id}
	aria-label={bare ? title : undefined}
	onclick={(event) => bare && event.target === dialog && onclose?.()}
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
	{#if !bare}<header>
			<h2 {id}>{title}</h2>
			{#if onclose}<button onclick={onclose} aria-label="Close">×</button>{/if}
		</header>{/if}
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
	dialog.bare {
		width: min(38rem, 92vw);
		margin-top: 12vh;
		padding: 8px;
	}
	dialog:focus {
		outline: none;
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
		width: 26px;
		height: 26px;
		padding: 0;
		border-radius: 6px;
		color: var(--ink-2);
	}
	header button:hover {
		background: var(--lamp-wash);
		color: var(--ink);
	}
</style>
