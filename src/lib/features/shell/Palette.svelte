<script lang="ts">
	/** The command palette: everything that can be done here, and every document, found by a few letters. */
	import { matching } from './matching';
	import type { Command } from '$lib/ui/commands.svelte';

	interface Props {
		open: boolean;
		/** Asked for when it opens. */
		commands: () => readonly Command[];
		onclose: () => void;
	}
	let { open, commands, onclose }: Props = $props();

	const MOST = 40;
	let dialog: HTMLDialogElement;
	let typed = $state('');
	let chosen = $state(0);
	const id = $props.id();

	/** Asked for when it opens, and again as what the page did not hold yet comes in. */
	const list = $derived(open ? commands() : []);
	const found = $derived(matching(list, typed).slice(0, MOST));

	$effect(() => {
		if (!open) return void (dialog.open && dialog.close());
		typed = '';
		chosen = 0;
		if (!dialog.open) dialog.showModal();
	});

	function run(command: Command | undefined) {
		if (!command) return;
		onclose();
		command.run();
	}
	function keys(event: KeyboardEvent) {
		event.stopPropagation();
		const by = event.key === 'ArrowDown' ? 1 : event.key === 'ArrowUp' ? -1 : 0;
		if (by) {
			event.preventDefault();
			chosen = (chosen + by + found.length) % Math.max(1, found.length);
			dialog.querySelector(`#${CSS.escape(`${id}-${chosen}`)}`)?.scrollIntoView({ block: 'nearest' });
		} else if (event.key === 'Enter') {
			event.preventDefault();
			run(found[chosen]);
		} else if (event.key === 'Escape') {
			// At once: the browser's own closing is told later, and a Ctrl+K in between would be lost.
			event.preventDefault();
			onclose();
		}
	}
</script>

<dialog
	bind:this={dialog}
	aria-label="Command palette"
	onkeydown={keys}
	oncancel={(event) => {
		event.preventDefault();
		onclose();
	}}
	onclose={() => {
		// The browser may close it by itself, unasked: a second Escape.
		if (open) onclose();
	}}
	onclick={(event) => event.target === dialog && onclose()}
>
	<input
		placeholder="What do you want to do? A room, a command, anything by its name"
		role="combobox"
		aria-label="What do you want to do?"
		aria-expanded="true"
		aria-controls="{id}-list"
		aria-activedescendant="{id}-{chosen}"
		bind:value={typed}
		oninput={() => (chosen = 0)}
	/>
	<ul id="{id}-list" role="listbox" aria-label="Found">
		{#each found as command, i (command.id)}
			<!-- svelte-ignore a11y_click_events_have_key_events -->
			<li
				id="{id}-{i}"
				role="option"
				aria-selected={i === chosen}
				onpointermove={() => (chosen = i)}
				onclick={() => run(command)}
			>
				<span>{command.label}</span><small>{command.about}</small><kbd>{command.keys ?? ''}</kbd>
			</li>
		{:else}
			<li class="none">Nothing here is called so.</li>
		{/each}
	</ul>
</dialog>

<style>
	dialog {
		width: min(38rem, 92vw);
		margin-top: 12vh;
		border: 1px solid var(--rule-strong);
		border-radius: 10px;
		background: var(--sheet);
		color: var(--ink);
		padding: 8px;
		box-shadow: var(--shadow);
	}
	dialog::backdrop {
		background: rgb(14 24 36 / 40%);
	}
	input {
		width: 100%;
		border: 0;
		border-bottom: 2px solid var(--lamp);
		background: none;
		padding: 8px 10px;
		font-size: 16px;
		outline: none;
	}
	ul {
		list-style: none;
		margin: 6px 0 0;
		padding: 0;
		max-height: 46vh;
		overflow: auto;
	}
	li {
		display: grid;
		grid-template-columns: 1fr auto 5.5rem;
		gap: 12px;
		align-items: baseline;
		padding: 5px 10px;
		border-radius: 6px;
		cursor: pointer;
	}
	li[aria-selected='true'] {
		background: var(--lamp-wash);
	}
	small {
		color: var(--ink-2);
		font-size: 12px;
	}
	kbd {
		font: inherit;
		font-size: 12px;
		text-align: right;
		color: var(--lamp-text);
	}
	.none {
		color: var(--ink-2);
		cursor: default;
	}
</style>
