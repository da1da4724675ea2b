<script lang="ts">
	/** The command palette: everything that can be done here, and every document, found by a few letters. */
	import Combobox from '$lib/ui/Combobox.svelte';
	import { keysOf, type Command } from '$lib/ui/commands.svelte';
	import Dialog from '$lib/ui/Dialog.svelte';
	import { matching } from './matching';

	interface Props {
		open: boolean;
		/** What was typed while it was on its way. */
		begun?: string;
		/** Asked for when it opens. */
		commands: () => readonly Command[];
		onclose: () => void;
	}
	let { open, begun = '', commands, onclose }: Props = $props();

	const MOST = 40;
	let typed = $state('');
	$effect(() => {
		if (open) typed = begun;
	});

	/** Asked for when it opens, and again as what the page did not hold yet comes in. */
	const list = $derived(open ? commands() : []);
	const found = $derived(matching(list, typed));
	const entries = $derived(
		found.slice(0, MOST).map((command) => ({
			id: command.id,
			label: command.label,
			about: command.about,
			key: keysOf(command),
			run: command.run
		}))
	);
</script>

<Dialog bare title="Command palette" {open} {onclose}>
	<Combobox
		large
		label="What do you want to do?"
		placeholder="What do you want to do? A room, a command, anything by its name"
		groups={[{ entries, more: Math.max(0, found.length - MOST), none: 'Nothing here is called so.' }]}
		bind:typed
		onpick={(entry) => {
			onclose();
			entry.run();
		}}
	/>
</Dialog>
