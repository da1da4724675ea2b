<script lang="ts">
	/** All keys that do something here: those of the room that is open, and those of every room. */
	import type { Gesture } from '$lib/ui/commands.svelte';
	import Dialog from '$lib/ui/Dialog.svelte';

	interface Props {
		open: boolean;
		/** Asked for when it opens: table by table, the room's first. */
		shortcuts: () => readonly (readonly Gesture[])[];
		onclose: () => void;
	}
	let { open, shortcuts, onclose }: Props = $props();
	const tables = $derived(open ? shortcuts().filter((table) => table.length > 0) : []);
</script>

<Dialog title="Shortcuts" {open} {onclose} wide>
	<div class="all">
		{#each tables as table, i (i)}
			<h3>{i === tables.length - 1 ? 'In every room' : 'In this room'}</h3>
			<dl>
				{#each table as { shown, says } (shown + says)}
					<dt>{shown}</dt>
					<dd>{says}</dd>
				{/each}
			</dl>
		{/each}
	</div>
</Dialog>

<style>
	.all {
		max-height: 66vh;
		overflow: auto;
	}
	h3 {
		margin: 10px 0 4px;
		font-size: 14px;
	}
	h3:first-child {
		margin-top: 0;
	}
	dl {
		display: grid;
		grid-template-columns: 8.5rem 1fr;
		gap: 4px 18px;
		margin: 0;
	}
	dt {
		font-weight: 600;
	}
	dd {
		margin: 0;
		color: var(--ink-2);
	}
</style>
