<script lang="ts">
	import { WIRING, type ProjectSession } from '$lib/session/session.svelte';
	import Dialog from '$lib/ui/Dialog.svelte';

	interface Props {
		session: ProjectSession;
		oncopied: (key: string) => void;
	}
	let { session, oncopied }: Props = $props();
	const conflict = $derived(session.conflict);
	const isPreset = $derived(conflict !== null && conflict.key !== WIRING);
	const name = $derived(conflict && isPreset ? `“${session.preset(conflict.key)?.name ?? conflict.key}”` : 'The cues');
	const when = $derived(
		conflict
			? new Intl.DateTimeFormat(undefined, { hour: '2-digit', minute: '2-digit' }).format(
					new Date(conflict.theirs.savedAt)
				)
			: ''
	);

	async function settle(choice: 'mine' | 'theirs' | 'both') {
		const copy = await session.settle(choice);
		if (copy) oncopied(copy);
	}
</script>

<Dialog title="Somebody else changed this too" open={conflict !== null}>
	<p>
		{name}
		{isPreset ? 'was' : 'were'} kept as version {conflict?.theirs.version} at {when}, after you began to change {isPreset
			? 'it'
			: 'them'}. Nothing is overwritten until you choose; both stay in the list of versions.
	</p>
	<div class="acts">
		<button class="main" onclick={() => settle('mine')}>Keep mine</button>
		<button onclick={() => settle('theirs')}>Take theirs</button>
		{#if isPreset}<button onclick={() => settle('both')}>Both: mine as a copy</button>{/if}
	</div>
</Dialog>

<style>
	.acts {
		display: flex;
		gap: 8px;
		margin-top: 14px;
	}
	button {
		border: 1px solid var(--rule-strong);
		border-radius: 7px;
		background: var(--field);
		padding: 6px 14px;
		cursor: pointer;
	}
	button:hover {
		border-color: var(--lamp);
	}
	.main {
		background: var(--ink);
		color: var(--sheet);
	}
</style>
