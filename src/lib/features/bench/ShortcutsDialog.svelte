<script lang="ts">
	import Dialog from '$lib/ui/Dialog.svelte';

	let { open, onclose }: { open: boolean; onclose: () => void } = $props();

	const rows: readonly (readonly [string, string])[] = [
		['1 … 9', 'Fire that key’s preset. Continuous: hold, or tap to leave it on and tap again to stop'],
		['Shift + 1 … 9', 'Open that key’s preset to tune it'],
		['Space', 'Fire the open preset'],
		['R', 'Fire it again and again'],
		['X', 'Let everything fade out'],
		['P', 'Pause and go on'],
		['.', 'While paused: one frame on'],
		['S', 'Full speed, a quarter, a tenth'],
		['Ctrl + Z, Ctrl + Shift + Z', 'Undo, redo'],
		[
			'On a number',
			'Drag it; arrows step it (Shift coarse, Alt fine); Enter types, also *2, /2, +0.1, 50%; Delete or a double click sets it back'
		],
		['?', 'This list']
	];
</script>

<Dialog title="Shortcuts" {open} {onclose} wide>
	<dl>
		{#each rows as [keys, what] (keys)}
			<dt>{keys}</dt>
			<dd>{what}</dd>
		{/each}
	</dl>
</Dialog>

<style>
	dl {
		display: grid;
		grid-template-columns: max-content 1fr;
		gap: 7px 18px;
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
