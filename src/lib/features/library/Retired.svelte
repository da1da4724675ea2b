<script lang="ts">
	/** What was taken out of use, with all its versions; any of it comes back. */
	import type { AnyPreset } from 'dinesis-runtime';
	import { shownOfHeld, type Held } from '$lib/documents';
	import type { ProjectSession } from '$lib/session/session.svelte';
	import Dialog from '$lib/ui/Dialog.svelte';

	let { session, open, onclose }: { session: ProjectSession; open: boolean; onclose: () => void } = $props();
	let list = $state.raw<readonly Held[] | null>(null);
	let trouble = $state('');

	$effect(() => {
		if (!open) return;
		list = null;
		trouble = '';
		void session.acts.retired().then((answer) => {
			if (answer.ok) list = answer.value;
			else trouble = answer.message;
		});
	});
	function bringBack(held: Held) {
		session.acts.bringBack(held);
		list = list?.filter((other) => other.uuid !== held.uuid) ?? null;
	}
</script>

<Dialog title="Retired presets" {open} {onclose} wide>
	{#if trouble}
		<p role="alert">{trouble} Close this and open it to try again.</p>
	{:else if list === null}
		<p>Looking…</p>
	{:else}
		<ul>
			{#each list as held (held.uuid)}
				{@const preset = shownOfHeld(held) as AnyPreset}
				<li>
					<span><b>{preset.name}</b> <small>{preset.about}</small></span>
					<button onclick={() => bringBack(held)}>Bring back</button>
				</li>
			{:else}
				<li>Nothing is retired. What you retire waits here, with all its versions.</li>
			{/each}
		</ul>
	{/if}
</Dialog>

<style>
	ul {
		list-style: none;
		margin: 0;
		padding: 0;
		max-height: 56vh;
		overflow: auto;
	}
	li {
		display: flex;
		justify-content: space-between;
		gap: 12px;
		align-items: center;
		padding: 5px 0;
		border-bottom: 1px solid var(--rule);
	}
	small {
		color: var(--ink-2);
	}
	button {
		border: 1px solid var(--rule-strong);
		border-radius: 6px;
		background: var(--field);
		padding: 2px 10px;
		cursor: pointer;
		white-space: nowrap;
	}
</style>
