<script lang="ts">
	/** A field for a line of text: the plain one. */
	import type { HTMLInputAttributes } from 'svelte/elements';

	let { value = $bindable(), ...rest }: HTMLInputAttributes = $props();
</script>

<input bind:value {...rest} />

<style>
	input {
		min-width: 0;
		border: 1px solid var(--rule-strong);
		border-radius: 6px;
		background: var(--field);
		color: var(--ink);
		padding: 4px 9px;
	}
</style>
