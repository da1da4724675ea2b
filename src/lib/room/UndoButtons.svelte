<script lang="ts">
	/** Undo and redo, each saying what it would do. */
	import Redo from '@lucide/svelte/icons/redo-2';
	import Undo from '@lucide/svelte/icons/undo-2';
	import type { ProjectSession } from '$lib/session/session.svelte';

	let { session }: { session: ProjectSession } = $props();
</script>

<button
	title="{session.undoLabel ? `Undo: ${session.undoLabel}` : 'Nothing to undo'} (Ctrl+Z)"
	aria-label="Undo"
	disabled={session.undoLabel === null}
	onclick={() => session.goBack()}><Undo size={15} /></button
>
<button
	title="{session.redoLabel ? `Redo: ${session.redoLabel}` : 'Nothing to redo'} (Ctrl+Shift+Z)"
	aria-label="Redo"
	disabled={session.redoLabel === null}
	onclick={() => session.goForward()}><Redo size={15} /></button
>

<style>
	button {
		display: grid;
		place-items: center;
		width: 28px;
		height: 26px;
		border: 0;
		border-radius: 6px;
		background: none;
		cursor: pointer;
	}
	button:hover:not(:disabled) {
		background: var(--lamp-wash);
	}
	button:disabled {
		opacity: 0.4;
		cursor: default;
	}
</style>
