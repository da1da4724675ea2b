<script lang="ts" generics="T extends string | number">
	/** A few choices side by side, one of them taken. */
	import RadioGroup from './RadioGroup.svelte';

	interface Props {
		label: string;
		options: readonly { readonly value: T; readonly label: string; readonly title?: string }[];
		value: T;
		onchange: (value: T) => void;
		small?: boolean;
	}
	let { label, options, value, onchange, small = false }: Props = $props();
</script>

<div class="segments" class:small><RadioGroup {label} {options} {value} {onchange} /></div>

<style>
	.segments {
		display: inline-flex;
		border: 1px solid var(--rule-strong);
		border-radius: var(--radius);
		overflow: hidden;
		background: var(--sheet);
	}
	.segments :global(button) {
		border: 0;
		border-left: 1px solid var(--rule);
		background: none;
		padding: 3px 9px;
		min-height: 24px;
		cursor: pointer;
		font-size: 12.5px;
		color: var(--ink-2);
		white-space: nowrap;
	}
	.small :global(button) {
		padding: 2px 7px;
		font-size: 12px;
	}
	.segments :global(button:first-child) {
		border-left: 0;
	}
	.segments :global(button:hover) {
		color: var(--ink);
		background: var(--lamp-wash);
	}
	.segments :global(button[aria-checked='true']) {
		background: var(--ink);
		color: var(--sheet);
	}
	.segments :global(button:focus-visible) {
		outline-offset: -3px;
	}
	/* On ink the ring is light. */
	.segments :global(button[aria-checked='true']:focus-visible) {
		outline-color: var(--sheet);
	}
</style>
