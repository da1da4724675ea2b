<script lang="ts">
	/** Lines of a file or of a command, as they are written: to be read, selected, gone through with the keys. */
	interface Props {
		text: string;
		/** What a screen reader calls it, where it is long enough to be gone through. */
		label?: string;
	}
	let { text, label }: Props = $props();
</script>

<!-- svelte-ignore a11y_no_noninteractive_tabindex -->
<pre tabindex={label === undefined ? undefined : 0} aria-label={label}>{text}</pre>

<style>
	pre {
		margin: 0;
		overflow: auto;
		padding: 8px 10px;
		border: 1px solid var(--rule);
		border-radius: 6px;
		background: var(--field);
		font:
			12px/1.45 ui-monospace,
			monospace;
		tab-size: 2;
	}
</style>
