<script lang="ts">
	/**
	 * A panel under the button that opens it. It takes the focus, and no key gets through to what is behind it; Escape and a press outside
	 * close it; then the focus goes back to the button.
	 */
	import type { Snippet } from 'svelte';
	import { keepBeside } from './beside';

	interface Props {
		label: string;
		/** What the button shows. */
		button: Snippet;
		children: Snippet<[() => void]>;
		onopen?: () => void;
		align?: 'left' | 'right';
		look?: 'plain' | 'chip' | 'heading' | 'icon';
		title?: string;
		disabled?: boolean;
		/** What the panel holds: a menu or a list says itself what it is. */
		holds?: 'dialog' | 'menu' | 'listbox';
	}
	let {
		label,
		button,
		children,
		onopen,
		align = 'left',
		look = 'plain',
		title,
		disabled = false,
		holds = 'dialog'
	}: Props = $props();
	let open = $state(false);
	let root: HTMLElement;
	let trigger: HTMLButtonElement;

	function show() {
		open = !open;
		if (open) onopen?.();
	}
	function close() {
		open = false;
		trigger.focus();
	}
	/** In the top layer, so that no box clips it, and kept beside its button. */
	function beside(panel: HTMLElement) {
		panel.showPopover?.();
		// A field that says so itself (`autofocus`) has the focus by now; else the panel takes it.
		const first = panel.querySelector<HTMLElement>('[autofocus]') ?? panel;
		if (!panel.contains(document.activeElement)) first.focus({ preventScroll: true });
		return keepBeside(trigger, panel, { align, gap: 6 });
	}
</script>

<svelte:window
	onpointerdown={(event) => {
		if (open && !root.contains(event.target as Node)) open = false;
	}}
/>

<div
	class="root"
	bind:this={root}
	role="presentation"
	onkeydown={(event) => {
		if (!open) {
			// A menu or a list is opened by an arrow as well.
			if (holds === 'dialog' || (event.key !== 'ArrowDown' && event.key !== 'ArrowUp')) return;
			event.preventDefault();
			event.stopPropagation();
			show();
		} else if (event.key === 'Escape') {
			event.stopPropagation();
			close();
		} else if (!event.ctrlKey && !event.metaKey) event.stopPropagation();
	}}
>
	<button
		bind:this={trigger}
		class={look}
		aria-expanded={open}
		aria-haspopup={holds}
		aria-label={label}
		{title}
		{disabled}
		onclick={show}
	>
		{@render button()}
	</button>
	{#if open}
		<div
			class="panel"
			popover="manual"
			role={holds === 'dialog' ? 'dialog' : undefined}
			aria-label={holds === 'dialog' ? label : undefined}
			tabindex="-1"
			{@attach beside}
		>
			{@render children(close)}
		</div>
	{/if}
</div>

<style>
	.root {
		position: relative;
		min-width: 0;
	}
	button {
		border: 0;
		background: none;
		cursor: pointer;
		text-align: left;
		padding: 0;
	}
	.chip {
		border: 1px solid var(--rule-strong);
		border-radius: 999px;
		background: var(--sheet);
		padding: 2px 10px;
		font-size: 12px;
		color: var(--ink-2);
		white-space: nowrap;
	}
	.chip:hover {
		border-color: var(--lamp);
		color: var(--ink);
	}
	.icon {
		display: grid;
		place-items: center;
		min-width: 24px;
		min-height: 24px;
		border-radius: 5px;
	}
	.icon:hover:not(:disabled) {
		background: var(--lamp-wash);
	}
	button:disabled {
		opacity: 0.45;
		cursor: default;
	}
	.plain {
		min-width: 24px;
		min-height: 24px;
	}
	.heading {
		max-width: 100%;
	}
	.panel:focus {
		outline: none;
	}
	.panel {
		position: fixed;
		inset: auto;
		margin: 0;
		/* It reads as itself, whatever the text is like that opens it. */
		font: 400 13px/1.35 var(--text);
		color: var(--ink);
		min-width: 14rem;
		max-height: min(30rem, 74vh, var(--room, 100vh));
		overflow: auto;
		background: var(--sheet);
		border: 1px solid var(--rule-strong);
		border-radius: 9px;
		box-shadow: var(--shadow);
		padding: 6px;
	}
</style>
