<script lang="ts">
	/** How every table of numbers looks here: names on the left that may be pressed, numbers to the right, what is too much in red. */
	import type { Snippet } from 'svelte';

	interface Props {
		label: string;
		head: Snippet;
		children: Snippet;
		/** In a box that scrolls its head stays. */
		sticks?: boolean;
		/** Many columns: their names take two lines. */
		narrow?: boolean;
	}
	let { label, head, children, sticks = false, narrow = false }: Props = $props();
</script>

<table aria-label={label} class:sticks class:narrow>
	<thead><tr>{@render head()}</tr></thead>
	<tbody>{@render children()}</tbody>
</table>

<style>
	table {
		border-collapse: collapse;
		width: 100%;
		font-size: 12.5px;
	}
	table :global {
		th {
			font-weight: 500;
			text-align: left;
			color: var(--ink-2);
		}
		tbody th {
			color: var(--ink);
			font-weight: 400;
		}
		th,
		td {
			height: 24px;
			padding: 0 6px;
			border-bottom: 1px solid var(--rule);
			white-space: nowrap;
		}
		td,
		thead th:not(:first-child) {
			text-align: right;
			font-variant-numeric: tabular-nums;
		}
		th small {
			color: var(--ink-2);
		}
		td.unit {
			text-align: left;
			color: var(--ink-2);
		}
		.milder {
			font-weight: 700;
			color: var(--lamp-text);
		}
		.over {
			color: var(--danger);
			font-weight: 700;
		}
		.picked {
			background: var(--lamp-wash);
		}
		th button {
			border: 0;
			background: none;
			padding: 0;
			min-height: 24px;
			color: inherit;
			cursor: pointer;
			text-decoration: underline dotted var(--rule-strong);
			text-underline-offset: 3px;
		}
		th button:hover {
			text-decoration-color: var(--lamp);
		}
		th button[aria-pressed='true'] {
			color: var(--lamp-text);
			font-weight: 700;
		}
		.sr {
			position: absolute;
			clip-path: inset(50%);
			width: 1px;
			height: 1px;
			overflow: hidden;
		}
	}
	.narrow :global(thead th:not(:first-child)) {
		max-width: 4.6rem;
		white-space: normal;
		line-height: 1.2;
		padding-bottom: 3px;
		vertical-align: bottom;
	}
	.sticks :global(thead th) {
		position: sticky;
		top: 0;
		background: var(--sheet);
	}
</style>
