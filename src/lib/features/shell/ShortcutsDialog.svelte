<script lang="ts">
	import type { Shortcut } from '$lib/ui/commands.svelte';
	import Dialog from '$lib/ui/Dialog.svelte';

	interface Props {
		open: boolean;
		/** Those of the room that is open. */
		room: readonly Shortcut[];
		onclose: () => void;
	}
	let { open, room, onclose }: Props = $props();

	const everywhere: readonly Shortcut[] = [
		{ keys: 'Ctrl + K', what: 'The command palette: every command and every preset' },
		{ keys: 'Ctrl + Z, Ctrl + Shift + Z', what: 'Undo, redo' },
		{ keys: 'G then B, L, C', what: 'Go to the Bench, the Library, the Cues' },
		{ keys: 'N', what: 'Night or day' },
		{
			keys: 'On a number',
			what: 'Drag it; arrows step it (Shift coarse, Alt fine); Enter types, also *2, /2, +0.1, 50%; Delete or a double click sets it back'
		},
		{ keys: '?', what: 'This list' }
	];
</script>

<Dialog title="Shortcuts" {open} {onclose} wide>
	<dl>
		{#each [...room, ...everywhere] as { keys, what } (keys)}
			<dt>{keys}</dt>
			<dd>{what}</dd>
		{/each}
	</dl>
</Dialog>

<style>
	dl {
		display: grid;
		grid-template-columns: max-content 1fr;
		gap: 5px 18px;
		margin: 0;
		max-height: 66vh;
		overflow: auto;
	}
	dt {
		font-weight: 600;
	}
	dd {
		margin: 0;
		color: var(--ink-2);
	}
</style>
