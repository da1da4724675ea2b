<script lang="ts">
	/** All projects: opened, made, renamed, copied, sent out, retired. */
	import { onMount, untrack } from 'svelte';
	import FilePlus from '@lucide/svelte/icons/file-plus';
	import type { ShelfEntry } from '$lib/session/api';
	import { MOST_BYTES } from '$lib/documents';
	import FileDrop from '$lib/ui/FileDrop.svelte';
	import Segments from '$lib/ui/Segments.svelte';
	import Toasts from '$lib/ui/Toasts.svelte';
	import ShelfCard from './ShelfCard.svelte';
	import { ShelfState } from './shelf.svelte';

	interface Props {
		first: readonly ShelfEntry[];
		/** The address of the demo; empty: there is none. */
		demo: string;
		onopen: (slug: string) => void;
	}
	let { first, demo, onopen }: Props = $props();

	const shelf = untrack(() => new ShelfState(first, onopen));
	let name = $state('');
	let naming: HTMLInputElement;
	let choosing: FileDrop;

	function make(event: SubmitEvent) {
		event.preventDefault();
		void shelf.makeEmpty(name);
	}
	/** Fewer than these are seen at a glance. */
	const MANY = 5;
	onMount(() => {
		void shelf.open();
		// Who came to begin one can type at once.
		if (location.hash === '#new' || first.length === 0) naming.focus();
		if (location.hash === '#file') choosing.focus();
	});
</script>

<div class="shelf">
	<header>
		<h1>Projects</h1>
		<p>Each holds the motion of one game’s cameras: presets, events and cues, rigs, courses.</p>
	</header>
	<section class="begin" aria-label="Begin a project">
		<form onsubmit={make}>
			<label for="name">Begin a project: what is the game called?</label>
			<div class="row">
				<input id="name" bind:this={naming} bind:value={name} autocomplete="off" />
				<button class="main" disabled={shelf.busy}>Begin it empty</button>
			</div>
		</form>
		<FileDrop
			id="file"
			label="A kit file to make a project of"
			accept=".json,application/json"
			most={MOST_BYTES}
			bind:this={choosing}
			onfile={(file) => shelf.makeFrom(file)}
			ontrouble={(message) => (shelf.trouble = [message])}
		>
			<FilePlus size={16} />
			<span
				>{shelf.busy
					? 'making it …'
					: 'or of a kit file (JSON), with everything in it: choose one, or drop it here'}</span
			>
		</FileDrop>
		{#if shelf.trouble.length > 0}
			<div class="trouble" role="alert">
				<p>Nothing was made. {shelf.trouble[0]}</p>
				{#if shelf.trouble.length > 1}
					<ul>
						{#each shelf.trouble.slice(1) as line (line)}<li>{line}</li>{/each}
					</ul>
				{/if}
			</div>
		{/if}
	</section>
	{#if shelf.list.length > 1}
		<div class="order">
			{#if shelf.list.length > MANY}
				<input type="search" aria-label="Find a project" placeholder="Find a project" bind:value={shelf.typed} />
			{/if}
			<Segments
				small
				label="Order"
				value={shelf.sort}
				options={[
					{ value: 'changed', label: 'last changed' },
					{ value: 'name', label: 'by name' },
					{ value: 'size', label: 'largest' }
				]}
				onchange={(by) => shelf.sortBy(by)}
			/>
			<span>{shelf.shown.length < shelf.list.length ? `${shelf.shown.length} of ${shelf.list.length}` : ''}</span>
		</div>
	{/if}
	<ul class="cards" aria-label="All projects">
		{#each shelf.shown as entry (entry.slug)}
			<li><ShelfCard {shelf} {entry} isDemo={entry.slug === demo} {onopen} /></li>
		{:else}
			<li class="none">
				{#if shelf.list.length > 0}None is called so. <button class="quiet" onclick={() => (shelf.typed = '')}
						>Show all</button
					>{:else}No project yet. Begin one above: its first preset moves as soon as it is made.{/if}
			</li>
		{/each}
	</ul>
	<footer>
		{#if shelf.retired === null}
			<button class="quiet" onclick={() => shelf.showRetired()}>Show those that were retired</button>
		{:else if shelf.retired.length === 0}
			<p>None is retired.</p>
		{:else}
			<h2>Retired</h2>
			<ul class="retired">
				{#each shelf.retired as entry (entry.slug)}
					<li>
						<span>{entry.name}</span>
						<button class="quiet" onclick={() => shelf.bringBack(entry)}>Bring back</button>
					</li>
				{/each}
			</ul>
		{/if}
	</footer>
</div>
<Toasts list={shelf.notes.list} />

<style>
	.shelf {
		max-width: 1120px;
		margin: 0 auto;
		padding: 28px 32px 40px;
	}
	header p {
		margin: 2px 0 16px;
		color: var(--ink-2);
	}
	.begin {
		display: grid;
		grid-template-columns: minmax(0, 1fr) minmax(0, 1fr);
		gap: 14px;
		align-items: end;
		padding: 14px 16px 16px;
		border: 1px solid var(--rule);
		border-radius: 10px;
		background: var(--paper-2);
	}
	.begin form > label {
		display: block;
		margin-bottom: 5px;
		font-weight: 600;
	}
	.row {
		display: flex;
		gap: 8px;
	}
	#name {
		flex: 1;
		min-width: 0;
		border: 1px solid var(--rule-strong);
		border-radius: 6px;
		background: var(--field);
		color: var(--ink);
		padding: 6px 10px;
	}
	.main {
		border: 1px solid var(--ink);
		border-radius: 6px;
		background: var(--ink);
		color: var(--sheet);
		padding: 6px 14px;
		cursor: pointer;
	}
	.trouble {
		grid-column: 1 / -1;
		border-left: 4px solid var(--danger);
		padding: 2px 12px;
	}
	.trouble p,
	.trouble ul {
		margin: 2px 0;
	}
	.order {
		display: flex;
		align-items: center;
		gap: 12px;
		margin: 18px 0 -8px;
		font-size: 12.5px;
		color: var(--ink-2);
	}
	.order input {
		width: 16rem;
		border: 1px solid var(--rule-strong);
		border-radius: 6px;
		background: var(--field);
		color: var(--ink);
		padding: 3px 9px;
	}
	.cards {
		list-style: none;
		margin: 20px 0;
		padding: 0;
		display: grid;
		gap: 12px;
	}
	.none {
		color: var(--ink-2);
		padding: 20px 0;
	}
	h2 {
		font-size: 15px;
	}
	.retired {
		list-style: none;
		margin: 6px 0;
		padding: 0;
		max-width: 30rem;
	}
	.retired li {
		display: flex;
		justify-content: space-between;
		padding: 3px 0;
		border-bottom: 1px solid var(--rule);
	}
	.quiet {
		border: 0;
		background: none;
		padding: 0;
		color: var(--lamp-text);
		text-decoration: underline;
		cursor: pointer;
	}
	footer p {
		color: var(--ink-2);
	}
</style>
