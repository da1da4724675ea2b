<script lang="ts">
	/** A project on the shelf: a strip of recorder paper with its first motions, its counts, and what can be done with it. */
	import Archive from '@lucide/svelte/icons/archive';
	import Copy from '@lucide/svelte/icons/copy';
	import Download from '@lucide/svelte/icons/download';
	import Pencil from '@lucide/svelte/icons/pencil';
	import { tick } from 'svelte';
	import Outline from '$lib/plots/Outline.svelte';
	import { kitAddress, type ShelfEntry } from '$lib/session/api';
	import { fileName } from '$lib/ui/save-text';
	import { since } from '$lib/ui/since';
	import { sayCounts } from './words';
	import LittlePicture from './LittlePicture.svelte';
	import type { ShelfState } from './shelf.svelte';

	interface Props {
		shelf: ShelfState;
		entry: ShelfEntry;
		isDemo: boolean;
		onopen: (slug: string) => void;
	}
	let { shelf, entry, isDemo, onopen }: Props = $props();

	/** Which of its first shakes moves the little picture. */
	let playing = $state(-1);
	let renaming = $state(false);
	let field: HTMLInputElement | undefined = $state();
	const address = $derived(`/${encodeURIComponent(entry.slug)}`);
	const full = new Intl.DateTimeFormat(undefined, { dateStyle: 'medium', timeStyle: 'short' });

	async function begin() {
		renaming = true;
		await tick();
		field?.select();
	}
	async function end(name: string) {
		if (!renaming) return;
		renaming = false;
		await shelf.rename(entry, name);
	}
</script>

<article>
	<a class="paper" href={address} tabindex="-1" aria-hidden="true">
		<LittlePicture glimpses={entry.drawings.map(({ glimpse }) => glimpse)} onturn={(i) => (playing = i)} />
		<span class="strip">
			<span class="holes"></span>
			{#each entry.drawings as { lines }, i (i)}<span class="one" class:playing={i === playing}
					><Outline {lines} width={54} height={44} /></span
				>{:else}<span class="blank">blank paper</span>{/each}
			<span class="holes"></span>
		</span>
	</a>
	<div class="text">
		{#if renaming}
			<input
				bind:this={field}
				value={entry.name}
				aria-label="Name of {entry.name}"
				onkeydown={(e) => {
					if (e.key === 'Enter') void end(e.currentTarget.value);
					if (e.key === 'Escape') renaming = false;
				}}
				onblur={(e) => void end(e.currentTarget.value)}
			/>
		{:else}
			<h2>
				<a
					href={address}
					onclick={(e) => {
						if (e.ctrlKey || e.metaKey || e.shiftKey) return;
						e.preventDefault();
						onopen(entry.slug);
					}}>{entry.name}</a
				>{#if isDemo}<em>demo</em>{/if}
			</h2>
		{/if}
		<p>{sayCounts(entry.counts)}</p>
		<p title={full.format(new Date(entry.changedAt))}>
			changed {since(new Date(entry.changedAt), new Date())}{#if shelf.news[entry.slug]}<strong
					>· {shelf.news[entry.slug]}</strong
				>{/if}
		</p>
	</div>
	<div class="acts">
		<button aria-label="Rename {entry.name}" title="Rename; its address stays" onclick={begin}
			><Pencil size={15} /></button
		>
		<button
			aria-label="Copy {entry.name}"
			title="Make another one with everything in it"
			onclick={() => shelf.copy(entry)}><Copy size={15} /></button
		>
		<a
			href={kitAddress(entry.slug)}
			download="{fileName(entry.name)}.kit.json"
			data-sveltekit-reload
			aria-label="Send out {entry.name}"
			title="Send it out whole, as a kit file"><Download size={15} /></a
		>
		<button aria-label="Retire {entry.name}" title="Retire it; nothing is deleted" onclick={() => shelf.retire(entry)}
			><Archive size={15} /></button
		>
	</div>
</article>

<style>
	article {
		display: grid;
		grid-template-columns: 446px minmax(0, 1fr) auto;
		gap: 18px;
		align-items: center;
		border: 1px solid var(--rule);
		border-radius: 9px;
		background: var(--sheet);
		overflow: hidden;
	}
	article:hover {
		border-color: var(--rule-strong);
	}
	.paper {
		display: grid;
		grid-template-columns: 132px minmax(0, 1fr);
		height: 84px;
		text-decoration: none;
		border-right: 1px solid var(--rule);
	}
	.strip {
		position: relative;
		display: flex;
		align-items: center;
		gap: 4px;
		padding: 0 8px;
		background: var(--paper);
	}
	.one {
		opacity: 0.55;
	}
	.one.playing {
		opacity: 1;
	}
	strong {
		margin-left: 5px;
		font-weight: 600;
		color: var(--lamp-text);
	}
	.holes {
		position: absolute;
		left: 0;
		right: 0;
		height: 6px;
		top: 5px;
		background: radial-gradient(circle, var(--rule-strong) 2.2px, transparent 2.6px) 0 0 / 16px 6px;
	}
	.holes:last-child {
		top: auto;
		bottom: 5px;
	}
	.blank {
		color: var(--ink-2);
		font-size: 12.5px;
		margin: auto;
	}
	.text {
		min-width: 0;
	}
	h2 {
		font-size: 17px;
		white-space: nowrap;
		overflow: hidden;
		text-overflow: ellipsis;
	}
	h2 a {
		color: inherit;
		text-decoration: none;
	}
	h2 a:hover {
		text-decoration: underline;
		text-decoration-color: var(--lamp);
	}
	em {
		margin-left: 8px;
		font-style: normal;
		font-size: 12px;
		font-weight: 500;
		color: var(--lamp-text);
	}
	p {
		margin: 1px 0;
		color: var(--ink-2);
		font-size: 13px;
	}
	input {
		width: 100%;
		font-size: 16px;
		border: 1px solid var(--lamp);
		border-radius: 6px;
		background: var(--field);
		color: var(--ink);
		padding: 2px 6px;
	}
	.acts {
		display: flex;
		gap: 2px;
		padding-right: 12px;
	}
	.acts button,
	.acts a {
		display: grid;
		place-items: center;
		width: 30px;
		height: 30px;
		border: 0;
		border-radius: 6px;
		background: none;
		color: var(--ink-2);
		cursor: pointer;
	}
	.acts button:hover,
	.acts a:hover {
		background: var(--lamp-wash);
		color: var(--ink);
	}
</style>
