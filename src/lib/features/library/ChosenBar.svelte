<script lang="ts">
	/** What can be done with the presets that are chosen: copies, out of use, one tag for all of them. */
	import Archive from '@lucide/svelte/icons/archive';
	import Copy from '@lucide/svelte/icons/copy';
	import Tag from '@lucide/svelte/icons/tag';
	import type { ProjectSession } from '$lib/session/session.svelte';
	import Button from '$lib/ui/Button.svelte';
	import type { LibraryState } from './library.svelte';

	let { session, library }: { session: ProjectSession; library: LibraryState } = $props();
	const chosen = $derived(library.acted);
	let tag = $state('');

	async function copy() {
		const made: string[] = [];
		for (const preset of chosen) {
			const key = await session.acts.copy(preset.id);
			if (key) made.push(key);
		}
		library.chosen = new Set(made);
		if (made.length > 0)
			session.say(`${made.length} ${made.length === 1 ? 'copy' : 'copies'} made; they are chosen now.`);
	}

	async function retire() {
		if (await session.acts.retire(...chosen.map((p) => p.id))) library.chosen = new Set();
	}

	function addTag(event: SubmitEvent) {
		event.preventDefault();
		if (library.tagChosen(tag)) tag = '';
	}
</script>

<b>{chosen.length} chosen</b>
<Button onclick={copy}><Copy size={13} /> Copy</Button>
<Button onclick={retire} disabled={chosen.length >= library.all.length}><Archive size={13} /> Retire</Button>
<form onsubmit={addTag}>
	<input placeholder="tag" aria-label="Tag for the chosen" maxlength="40" bind:value={tag} />
	<Button disabled={!tag.trim()}><Tag size={13} /> Tag them</Button>
</form>
<Button onclick={() => (library.chosen = new Set())}>Let go</Button>

<style>
	form {
		display: flex;
		gap: 4px;
	}
	input {
		width: 7rem;
		border: 1px solid var(--rule-strong);
		border-radius: 6px;
		background: var(--field);
		padding: 3px 9px;
	}
</style>
