<script lang="ts">
	/** The file as it will stand there, copied or saved. */
	import Copy from '@lucide/svelte/icons/copy';
	import Download from '@lucide/svelte/icons/download';
	import Button from '$lib/ui/Button.svelte';
	import Frame from '$lib/ui/Frame.svelte';
	import Listing from '$lib/ui/Listing.svelte';
	import { saveText } from '$lib/ui/save-text';
	import type { HandoverState } from './handover.svelte';

	interface Props {
		desk: HandoverState;
		/** What stands in it; null: it is being made. */
		text: string | null;
	}
	let { desk, text: given }: Props = $props();

	/** So much of it is shown; all of it is copied and saved. */
	const MOST = 20_000;
	const text = $derived(given ?? '');
	const shown = $derived(
		text.length > MOST ? `${text.slice(0, MOST)}\n… ${Math.round((text.length - MOST) / 1024)} KB more` : text
	);
	const size = $derived(new Blob([text]).size);
	const written = $derived(
		given === null ? 'being made …' : size < 10_240 ? `${size} bytes` : `${(size / 1024).toFixed(0)} KB`
	);
	const TYPES: Readonly<Record<string, string>> = { json: 'application/json', html: 'text/html' };

	async function copy() {
		try {
			await navigator.clipboard.writeText(text);
			desk.session.say(`${desk.file} is copied.`);
			desk.remember(desk.file);
		} catch {
			desk.session.say('The browser did not let it be copied: save it, or select the text.');
		}
	}
	function save() {
		saveText(desk.file, text, TYPES[desk.file.split('.').at(-1)!] ?? 'text/plain');
		desk.remember(desk.file);
	}
</script>

<Frame label="The file {desk.file}" flow="fill">
	<div class="file">
		<header>
			<h2>{desk.file}</h2>
			<small>{written}</small>
			<Button disabled={given === null} onclick={() => void copy()}><Copy size={14} /> Copy</Button>
			<Button strong disabled={given === null} onclick={save}><Download size={14} /> Save</Button>
		</header>
		<Listing label="What stands in {desk.file}" text={shown} />
	</div>
</Frame>

<style>
	.file {
		display: grid;
		grid-template-rows: auto minmax(0, 1fr);
		gap: 8px;
		min-height: 0;
	}
	header {
		display: flex;
		align-items: center;
		gap: 8px;
	}
	h2 {
		font-size: 15px;
	}
	small {
		flex: 1;
		font-size: 12px;
		color: var(--ink-2);
	}
</style>
