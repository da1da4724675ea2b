<script lang="ts">
	/**
	 * The head of every room: what is open, how it stands with the server and its history, what is found wrong, the project, who else is
	 * here, the room's own tools, undo.
	 */
	import { tick, type Snippet } from 'svelte';
	import { playsHere } from '$lib/session/beside';
	import type { ProjectSession } from '$lib/session/session.svelte';
	import { WIRING } from '$lib/session/opened';
	import { shownOfHeld, type AnyDocument } from '$lib/documents';
	import IdField from './IdField.svelte';
	import type { PlayBeside } from './history';
	import ProjectLink from './ProjectLink.svelte';
	import UndoButtons from './UndoButtons.svelte';
	import VersionsMenu from './VersionsMenu.svelte';

	interface Props {
		session: ProjectSession;
		/** The room's name; left out where `picker` shows what is open. */
		name?: string;
		/** Shows what is open, and opens another. */
		picker?: Snippet;
		/** Key of the document that is open: its versions, who else is at it. */
		of?: string;
		/** What else belongs to its versions. */
		about?: string;
		onbeside?: PlayBeside;
		/** Behind the findings. */
		marks?: Snippet;
		/** What follows on the project's name. */
		where: Snippet;
		/** The room's tools. */
		children?: Snippet;
	}
	let { session, name, picker, of, about, onbeside, marks, where, children }: Props = $props();

	const people = $derived(of ? session.people.at(of) : []);
	const held = $derived(of && of !== WIRING ? session.standing.heldOf(of)[0] : undefined);
	const tabs = $derived(of ? session.othersAt(of) : 0);
	$effect(() => {
		const wish = session.toPlay;
		if (!wish || !onbeside || !playsHere(wish, of)) return;
		session.toPlay = null;
		// The room opens what it shows first.
		void tick().then(() => onbeside(wish.was, wish.kind, wish.from));
	});
</script>

<header>
	{#if picker}{@render picker()}{:else}<h1>{name}</h1>{/if}
	{#if of}<VersionsMenu {session} {of} {about} {onbeside} />{/if}
	{#if session.findings.count > 0}{#await import('./FindingsChip.svelte') then { default: FindingsChip }}<FindingsChip
				{session}
			/>{/await}{/if}
	{#if session.wire && session.wire.games.length > 0}{#await import('./WireChip.svelte') then { default: WireChip }}<WireChip
				{session}
				wire={session.wire}
			/>{/await}{/if}
	{@render marks?.()}
	<p class:two={held}>
		<span
			><ProjectLink {session} /> ·{#if held}
				<IdField {session} {held} name={shownOfHeld<AnyDocument>(held).name ?? held.id} />{/if}</span
		>
		<span>
			{@render where()}
			{#if people.length > 0}<strong title="{people.join(', ')} {people.length === 1 ? 'is' : 'are'} here too"
					>· {people.every((who) => who === 'somebody') ? `+${people.length}` : people.join(', ')}</strong
				>{/if}
			{#if tabs > 0}<strong>· open in {tabs === 1 ? 'another tab' : `${tabs} other tabs`}</strong>{/if}
		</span>
	</p>
	{@render children?.()}
	<UndoButtons {session} />
</header>

<style>
	header {
		display: flex;
		align-items: center;
		gap: 8px;
		padding: 0 14px;
		border-bottom: 1px solid var(--rule);
		min-width: 0;
	}
	p {
		flex: 1;
		min-width: 0;
		margin: 0 4px;
		color: var(--ink-2);
		white-space: nowrap;
		overflow: hidden;
		text-overflow: ellipsis;
	}
	.two span {
		display: block;
		overflow: hidden;
		text-overflow: ellipsis;
		line-height: 17px;
	}
	.two span:first-child {
		line-height: 22px;
	}
	header > :global(.segments),
	header > :global(.pair) {
		flex: none;
	}
	@media (max-width: 1180px) {
		/* The id is what one needs to read; the project's name only what one needs to find. */
		.two :global(a[href='/projects']) {
			display: inline-block;
			max-width: 2.6rem;
			overflow: hidden;
			text-overflow: ellipsis;
			vertical-align: bottom;
		}
		header {
			gap: 5px;
			padding: 0 10px;
		}
	}
	strong {
		color: var(--lamp-text);
	}
</style>
