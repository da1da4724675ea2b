<script lang="ts">
	/** The button at the end of a sentence that says more. */
	import Plus from '@lucide/svelte/icons/plus';
	import type { Cue, GameEvent } from 'dinesis-runtime';
	import Menu from '$lib/ui/Menu.svelte';
	import type { CuesState } from './cues.svelte';

	let { desk, cue, event }: { desk: CuesState; cue: Cue; event: GameEvent | undefined } = $props();

	const groups = $derived(desk.offersOf?.(desk, cue, event) ?? []);
</script>

<Menu wide label="Say more" title="Conditions, how it plays, further actions" {groups}>
	{#snippet button()}<span class="plus"><Plus size={13} /></span>{/snippet}
</Menu>

<style>
	.plus {
		display: inline-grid;
		place-items: center;
		width: 20px;
		height: 20px;
		border: 1px dashed var(--rule-strong);
		border-radius: 50%;
		color: var(--lamp-text);
		vertical-align: -4px;
		cursor: pointer;
	}
	.plus:hover {
		border-color: var(--lamp);
		background: var(--lamp-wash);
	}
</style>
