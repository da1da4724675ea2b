<script lang="ts">
	/** A panel under the button that opens it. Escape and a press outside close it; focus goes back to the button. */
	import type { Snippet } from 'svelte';

	interface Props {
		label: string;
		/** What the button shows. */
		button: Snippet;
		children: Snippet<[() => void]>;
		onopen?: () => void;
		align?: 'left' | 'right';
		look?: 'plain' | 'chip' | 'heading';
		title?: string;
	}
	let { label, button, children, onopen, align = 'left', look = 'plain', title }: Props = $props();
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
		if (event.key !== 'Escape' || !open) return;
		event.stopPropagation();
		close();
	}}
>
	<button
		bind:this={trigger}
		class={look}
		aria-expanded={open}
		aria-haspopup="dialog"
		aria-label={label}
		{title}
		onclick={show}
	>
		{@render button()}
	</button>
	{#if open}
		<div class="panel {align}" role="dialog" aria-label={label}>{@render children(close)}</div>
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
	.heading {
		max-width: 100%;
	}
	.panel {
		position: absolute;
		top: calc(100% + 6px);
		z-index: 30;
		min-width: 14rem;
		max-height: min(30rem, 74vh);
		overflow: auto;
		background: var(--sheet);
		border: 1px solid var(--rule-strong);
		border-radius: 9px;
		box-shadow: var(--shadow);
		padding: 6px;
	}
	.right {
		right: 0;
	}
	.left {
		left: 0;
	}
</style>
