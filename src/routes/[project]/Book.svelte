<script lang="ts">
	/** One project as it lies open: its rooms on the thumb tabs, and what every room has. */
	import { onMount, untrack, type Snippet } from 'svelte';
	import { afterNavigate, goto, preloadCode } from '$app/navigation';
	import { page } from '$app/state';
	import { everywhere } from '$lib/features/shell/everywhere';
	import { ROOMS } from '$lib/features/shell/rooms';
	import ThumbTabs from '$lib/features/shell/ThumbTabs.svelte';
	import { counterpart, hasBegun, lastIn, noteBegun, noteSeen, placeIn, placeOf, remember } from '$lib/session/places';
	import { provideSession, ProjectSession } from '$lib/session/session.svelte';
	import { isThere } from '$lib/session/there';
	import { fetchShelf, type ShelfEntry } from '$lib/session/api';
	import { fetchAfterPaint } from '$lib/ui/after-paint';
	import { placing } from '$lib/ui/beside';
	import { Commands, provideCommands } from '$lib/ui/commands.svelte';
	import { numberReader } from '$lib/ui/number-reader.svelte';
	import { theme } from '$lib/ui/theme.svelte';
	import { keepTyped } from '$lib/ui/typed';
	import { typedAhead } from '$lib/ui/typed-ahead';
	import { writing } from '$lib/ui/writing.svelte';
	import Toasts from '$lib/ui/Toasts.svelte';
	import type { LayoutData } from './$types';

	let { data, children }: { data: LayoutData; children: Snippet } = $props();

	const session = untrack(() => new ProjectSession(data));
	provideSession(session);
	const commands = provideCommands(new Commands());
	let pageRoot: HTMLElement;
	let palette = $state(false);
	let shortcuts = $state(false);
	let history = $state(false);
	let dialogs = $state.raw<typeof import('$lib/features/shell/dialogs') | null>(null);
	/** Says how to begin something of one's own, until one has or has put it away. */
	let hint = $state(false);
	let shelf = $state.raw<readonly ShelfEntry[]>([]);

	const addressOf = (room: string, document = ''): string =>
		`${session.home}/${room}${document ? `/${encodeURIComponent(document)}` : ''}`;
	/** A room as one left it, or with what is open here, where both show it. What was open there may be gone meanwhile. */
	const roomAddress = (room: string): string => {
		const here = placeOf(page.url.pathname);
		const wanted = [here && counterpart(here, room), lastIn(session.project.slug, room)];
		return addressOf(room, wanted.find((document) => document && isThere(session, room, document)) ?? '');
	};
	const open = (room: string, document = ''): void => void goto(addressOf(room, document));
	const visit = (room: string): void => void goto(roomAddress(room));
	/** Tabs follow what is remembered: they are read again with every move. */
	let tabs = $state.raw<Readonly<Record<string, string>>>({});

	/** What was typed before the palette was here. */
	let begun = $state('');
	async function fetchDialogs() {
		dialogs ??= await import('$lib/features/shell/dialogs').catch(() => null);
	}
	function showShortcuts() {
		shortcuts = true;
		void fetchDialogs();
	}

	/** What the page does not hold yet is asked for when one begins to look for something. */
	function openPalette() {
		palette = true;
		begun = '';
		if (!dialogs) {
			const typed = typedAhead(() => (palette = false));
			void fetchDialogs().then(() => (begun = typed()));
		}
		void session.courses.fetch();
		void fetchShelf().then((answer) => answer.ok && (shelf = answer.value));
	}

	$effect(() => {
		document.documentElement.dataset.theme = theme.now;
	});
	$effect.pre(() => {
		({ length: writing.length, frameRate: writing.frameRate } = session.settings.now);
	});
	afterNavigate(() => {
		const place = placeOf(page.url.pathname);
		if (place && place.slug === session.project.slug) remember(place);
		tabs = Object.fromEntries(ROOMS.map(({ path }) => [path, roomAddress(path)]));
	});

	onMount(() => {
		theme.recall();
		hint = session.project.demo === true && !hasBegun();
		if (!session.project.demo) noteBegun();
		const close = session.open();
		const note = (): void => noteSeen(session.project.slug, session.number);
		note();
		const noting = setInterval(note, 5000);
		window.addEventListener('pagehide', note);
		const stopTyped = keepTyped(pageRoot, () => location.pathname);
		// Rooms are reached while the server is away: what they are made of is here by then.
		for (const path of [...ROOMS.map((room) => room.path), 'project'])
			void preloadCode(addressOf(path)).catch(() => undefined);
		fetchAfterPaint(
			placing,
			fetchDialogs,
			numberReader.fetch,
			() => import('$lib/room/map-hand'),
			() => import('$lib/stages/LagChart.svelte')
		);
		const takeBack = commands.offer(
			everywhere({
				session,
				go: (address) => void goto(address),
				visit,
				open,
				openPalette,
				showShortcuts,
				showHistory: () => (history = true),
				shelf: () => shelf
			}),
			true
		);
		const stopNames = session.onRenamed(({ kind, id }, from) => {
			const place = placeOf(page.url.pathname);
			const was = { slug: session.project.slug, ...placeIn(kind, from) };
			const underReview = place?.room === 'review' && place.document === counterpart(was, 'review');
			if (!underReview && (place?.room !== was.room || place.document !== was.document)) return;
			const to = underReview ? addressOf('review', `${kind}:${id}`) : session.addressOf(kind, id);
			void goto(to, { replaceState: true, keepFocus: true, noScroll: true });
		});
		const stopKeys = commands.listen(window);
		return () => {
			stopKeys();
			stopNames();
			takeBack();
			stopTyped();
			note();
			clearInterval(noting);
			window.removeEventListener('pagehide', note);
			close();
		};
	});
</script>

<div class="book">
	<ThumbTabs {session} {tabs} {addressOf} here={page.url.pathname}>
		{#if dialogs}<dialogs.PeopleMenu {session} />{/if}
	</ThumbTabs>
	<div class="leaf" class:hinted={hint}>
		{#if hint}
			<p class="hint">
				This is the demo, a made-up game: try anything, press <kbd>1</kbd>. For your own game
				<a href="/projects#new" onclick={noteBegun}>begin a project of your own</a>
				<button
					aria-label="Put this line away"
					onclick={() => {
						hint = false;
						noteBegun();
					}}>×</button
				>
			</p>
		{/if}
		<div class="page" bind:this={pageRoot}>{@render children()}</div>
	</div>
</div>
{#if dialogs}
	<dialogs.FieldNotes {session} />
	<dialogs.Palette open={palette} {begun} commands={() => commands.all()} onclose={() => (palette = false)} />
	<dialogs.ShortcutsDialog
		open={shortcuts}
		shortcuts={() => commands.shortcuts()}
		onclose={() => (shortcuts = false)}
	/>
{/if}
{#if history}
	{#await import('$lib/features/shell/ProjectHistory.svelte') then { default: ProjectHistory }}
		<ProjectHistory {session} onclose={() => (history = false)} />
	{/await}
{/if}
<Toasts list={session.notices} />

<style>
	.book {
		display: grid;
		grid-template-columns: 40px minmax(0, 1fr);
		height: 100vh;
		min-width: 1000px;
	}
	.leaf {
		min-width: 0;
		height: 100vh;
		display: grid;
		grid-template-rows: minmax(0, 1fr);
	}
	.leaf.hinted {
		grid-template-rows: auto minmax(0, 1fr);
	}
	.page {
		min-width: 0;
		min-height: 0;
	}
	.hint {
		display: flex;
		align-items: baseline;
		justify-content: center;
		gap: 5px;
		margin: 0;
		padding: 3px 14px;
		background: var(--lamp-wash);
		border-bottom: 1px solid var(--rule-strong);
		font-size: 13px;
	}
	.hint a {
		color: var(--lamp-text);
		font-weight: 600;
	}
	.hint kbd {
		font: inherit;
		font-weight: 600;
		border: 1px solid var(--rule-strong);
		border-radius: 4px;
		padding: 0 5px;
		background: var(--sheet);
	}
	.hint button {
		margin-left: 10px;
		border: 0;
		background: none;
		cursor: pointer;
		color: var(--ink-2);
		font-size: 15px;
		line-height: 1;
	}
</style>
