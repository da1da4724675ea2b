<script lang="ts">
	/** What a game's code calls a document by: seen at it, and changed here with all that points at it. */
	import type { Held } from '$lib/documents';
	import type { ProjectSession } from '$lib/session/session.svelte';
	import FieldNote from '$lib/ui/FieldNote.svelte';

	interface Props {
		session: ProjectSession;
		held: Held;
		/** What it is called on the page. */
		name: string;
	}
	let { session, held, name }: Props = $props();

	let field: HTMLInputElement = $state()!;
	let trouble = $state('');

	function take() {
		const wish = field.value.trim();
		trouble = wish === '' ? '' : session.names.rename(held, wish);
		// What cannot be is told, and the id stays what it is.
		if (trouble !== '' || wish === '') field.value = held.id;
	}
</script>

<input
	bind:this={field}
	value={held.id}
	size={Math.max(3, held.id.length)}
	maxlength="64"
	spellcheck="false"
	autocomplete="off"
	aria-label="Id of {name}"
	title={held.settled
		? 'What the game’s code calls it. Files that were sent out know it so: changed here, change it there too'
		: 'What the game’s code calls it. It follows the name until something was sent out'}
	oninput={() => (trouble = '')}
	onchange={take}
	onblur={() => (trouble = '')}
	onkeydown={(event) => {
		event.stopPropagation();
		if (event.key === 'Enter') take();
		if (event.key === 'Escape') {
			field.value = held.id;
			field.blur();
		}
	}}
/>
{#if trouble !== ''}<FieldNote text={trouble} wrong anchor={field} />{/if}

<style>
	input {
		border: 1px solid transparent;
		border-radius: 4px;
		background: none;
		padding: 1px 3px;
		min-height: 24px;
		min-width: 0;
		max-width: 100%;
		font-family: ui-monospace, monospace;
		font-size: 12px;
		color: inherit;
		field-sizing: content;
	}
	input:hover,
	input:focus {
		border-color: var(--rule-strong);
		background: var(--field);
		color: var(--ink);
	}
</style>
