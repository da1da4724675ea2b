<script lang="ts">
	/** A small button with a border: the plain one of heads, bars and notes. */
	import type { HTMLButtonAttributes } from 'svelte/elements';

	interface Props extends HTMLButtonAttributes {
		/** The one that is meant here. */
		strong?: boolean;
	}
	let { children, strong = false, ...rest }: Props = $props();
</script>

<button class:strong {...rest}>{@render children?.()}</button>

<style>
	button {
		display: inline-flex;
		align-items: center;
		gap: 5px;
		border: 1px solid var(--rule-strong);
		border-radius: 6px;
		background: var(--field);
		color: inherit;
		padding: 3px 10px;
		cursor: pointer;
		white-space: nowrap;
	}
	button:hover:not(:disabled) {
		border-color: var(--lamp);
	}
	.strong {
		background: var(--lamp-light);
		border-color: var(--lamp);
		color: var(--on-lamp);
		font-weight: 600;
	}
	button:disabled {
		opacity: 0.45;
		cursor: default;
	}
</style>
