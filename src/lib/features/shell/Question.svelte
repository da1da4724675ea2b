<script lang="ts">
	/**
	 * One document was saved elsewhere while it was changed here. A note beside the work: it takes no focus and no key, says what
	 * differs, and waits for a deliberate press. Meanwhile the work goes on; what is here is held in this browser.
	 */
	import { differences } from '$lib/documents';
	import type { Conflict, ProjectSession } from '$lib/session/session.svelte';

	interface Props {
		session: ProjectSession;
		conflict: Conflict;
		oncopied: (key: string) => void;
	}
	let { session, conflict, oncopied }: Props = $props();

	const SHOWN = 6;
	const { key } = $derived(conflict);
	const name = $derived(session.titleOf(key));
	const list = $derived(differences(session.document(key), conflict.theirs.document));
	const clock = new Intl.DateTimeFormat(undefined, { hour: '2-digit', minute: '2-digit' });
	const when = $derived(clock.format(new Date(conflict.theirs.savedAt)));
	let folded = $state(false);
	let busy = $state(false);

	function show(value: unknown): string {
		if (value === undefined) return 'not there';
		if (value === null) return 'none';
		if (typeof value === 'number') return String(Number(value.toPrecision(6)));
		if (typeof value === 'string') return value === '' ? 'empty' : value;
		if (typeof value === 'boolean') return value ? 'on' : 'off';
		if (Array.isArray(value))
			return value.every((v) => typeof v === 'string') ? value.join(', ') || 'none' : `${value.length} entries`;
		const named = (value as { name?: unknown; id?: unknown }).name ?? (value as { id?: unknown }).id;
		return typeof named === 'string' ? `“${named}”` : JSON.stringify(value).slice(0, 40);
	}
	async function answer(choice: 'mine' | 'theirs' | 'both') {
		busy = true;
		const copy = await session.settle(key, choice);
		busy = false;
		if (copy) oncopied(copy);
	}
</script>

<section class="note" aria-label="Two versions of {name}">
	<h2>
		<button class="fold" aria-expanded={!folded} onclick={() => (folded = !folded)}>Two versions of {name}</button>
	</h2>
	{#if !folded}
		<p>
			Somebody else kept version {conflict.theirs.version} at {when}, after you began to change it. Yours is held here
			and not yet kept; go on working.
		</p>
		<table>
			<thead><tr><th scope="col">what differs</th><th scope="col">yours</th><th scope="col">theirs</th></tr></thead>
			<tbody>
				{#each list.slice(0, SHOWN) as { place, mine, theirs } (place)}
					<tr><th scope="row">{place}</th><td>{show(mine)}</td><td>{show(theirs)}</td></tr>
				{:else}
					<tr><th scope="row" colspan="3">Nothing any more: both are alike.</th></tr>
				{/each}
				{#if list.length > SHOWN}<tr><th scope="row" colspan="3">and {list.length - SHOWN} more</th></tr>{/if}
			</tbody>
		</table>
		<div class="acts">
			<button disabled={busy} onclick={() => answer('mine')}>Keep mine</button>
			<button disabled={busy} onclick={() => answer('theirs')}>Take theirs</button>
			<button disabled={busy} onclick={() => answer('both')}>Both: mine as a copy</button>
		</div>
		<small>Theirs stays in the list of versions; undo brings yours back.</small>
	{/if}
</section>

<style>
	.note {
		width: 370px;
		border: 1px solid var(--lamp);
		border-left: 4px solid var(--lamp);
		border-radius: 9px;
		background: var(--sheet);
		box-shadow: var(--shadow);
		padding: 8px 12px;
		pointer-events: none;
		/* It comes under a pointer that may be about to press something else: for a moment it cannot be pressed. */
		animation: settle 0.7s forwards;
	}
	@keyframes settle {
		99% {
			pointer-events: none;
		}
		100% {
			pointer-events: auto;
		}
	}
	h2 {
		font-size: 14px;
	}
	.fold {
		border: 0;
		background: none;
		padding: 0;
		font: inherit;
		color: inherit;
		text-align: left;
		cursor: pointer;
	}
	.fold::after {
		content: ' ▾';
		color: var(--ink-2);
	}
	.fold[aria-expanded='false']::after {
		content: ' ▸';
	}
	p {
		margin: 4px 0 6px;
		font-size: 12.5px;
		color: var(--ink-2);
	}
	table {
		width: 100%;
		border-collapse: collapse;
		font-size: 12.5px;
	}
	th {
		text-align: left;
		font-weight: 400;
		color: var(--ink-2);
		padding: 1px 6px 1px 0;
		overflow-wrap: anywhere;
	}
	td {
		padding: 1px 6px 1px 0;
		border-top: 1px solid var(--rule);
		max-width: 110px;
		overflow: hidden;
		text-overflow: ellipsis;
		white-space: nowrap;
	}
	tbody th {
		border-top: 1px solid var(--rule);
	}
	.acts {
		display: flex;
		gap: 6px;
		margin: 8px 0 4px;
	}
	.acts button {
		border: 1px solid var(--rule-strong);
		border-radius: 6px;
		background: var(--field);
		padding: 3px 9px;
		cursor: pointer;
	}
	.acts button:hover:not(:disabled) {
		border-color: var(--lamp);
	}
	small {
		color: var(--ink-2);
		font-size: 11.5px;
	}
</style>
