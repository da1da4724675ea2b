<script lang="ts">
	import { onMount, untrack } from 'svelte';
	import Archive from '@lucide/svelte/icons/archive';
	import Download from '@lucide/svelte/icons/download';
	import FolderInput from '@lucide/svelte/icons/folder-input';
	import Plus from '@lucide/svelte/icons/plus';
	import type { ShakePreset } from 'dinesis-runtime';
	import { kitOfPresets, wholeKit, writeKit } from '$lib/documents';
	import type { ProjectSession } from '$lib/session/session.svelte';
	import { fetchAfterPaint } from '$lib/ui/after-paint';
	import { useCommands } from '$lib/ui/commands.svelte';
	import Button from '$lib/ui/Button.svelte';
	import { fileName, saveText } from '$lib/ui/save-text';
	import Begin from '$lib/room/Begin.svelte';
	import RoomHead from '$lib/room/RoomHead.svelte';
	import { Audition } from './audition.svelte';
	import { BodyAudition } from './body-audition.svelte';
	import { libraryCommands } from './commands';
	import Heard from './Heard.svelte';
	import LibraryBar from './LibraryBar.svelte';
	import { LibraryState, type Family, type Source } from './library.svelte';
	import LibraryTable from './LibraryTable.svelte';

	interface Props {
		session: ProjectSession;
		/** What is listed first. */
		begin?: Source;
		onopen: (key: string) => void;
		/** Goes to where a document is worked on. */
		ongo: (address: string) => void;
	}
	let { session, begin = 'yours', onopen, ongo }: Props = $props();

	const library = untrack(() => new LibraryState(session));
	const audition = new Audition();
	const commands = useCommands();
	let bringing = $state(false);
	let retired = $state(false);
	let typed = $state('');
	let table: LibraryTable | undefined = $state();
	const rows = $derived(library.rows);
	const acted = $derived(library.acted);
	let family = $state<Family>('shake');
	let source = $state<Source>(untrack(() => begin));
	const bodies = new BodyAudition();
	const bodyRows = $derived((family === 'bob' ? session.bobs : session.lags).filter(({ id }) => library.fits(id)));
	const near = $derived((library.starters ?? []).map(({ name }) => name));
	function turnTo(to: Family) {
		family = to;
		audition.stop();
		const [first] = to === 'bob' ? session.bobs : session.lags;
		if (to !== 'shake' && first) bodies.start(first);
	}
	function turnSource(to: Source) {
		source = to;
		audition.stop();
	}
	async function addBody() {
		const key = await session.acts.newBody(family === 'bob' ? 'bob' : 'lag');
		if (key) onopen(key);
	}

	$effect(() => void library.keepUp(library.all));

	function point(preset: ShakePreset) {
		if (library.pointed === preset.id && audition.player.plays.length > 0) return;
		library.pointed = preset.id;
		audition.start(preset);
	}
	function find(text: string) {
		typed = text;
		// Who has nothing yet looks for something to begin from.
		if (text.trim() !== '' && library.all.length + session.missing === 0) source = 'starter';
		void library.search(text);
	}
	function toFirst() {
		const table = main.querySelector<HTMLElement>('[role=table]');
		table?.focus();
		table?.dispatchEvent(new KeyboardEvent('keydown', { key: 'Home', bubbles: true }));
	}
	async function addNew() {
		const key = await session.acts.addNew();
		if (key) onopen(key);
	}
	async function sendOut(presets: readonly ShakePreset[]) {
		const whole = presets.length === session.order.length;
		if (whole && !(await session.courses.fetch())) return;
		const name = presets.length === 1 ? presets[0]!.name : session.project.name;
		const { project, wiring, bobsAndLags } = session;
		const kit = whole
			? wholeKit(project.name, [...presets, ...bobsAndLags], wiring, session.courses.list, session.settings.now)
			: kitOfPresets(project.name, presets);
		saveText(`${fileName(name)}.kit.json`, writeKit(kit));
		session.sentOut(kit);
	}

	onMount(() => {
		const takeBack = commands.offer(
			libraryCommands({
				bringIn: () => (bringing = true),
				sendOut: () => void sendOut(rows),
				showRetired: () => (retired = true),
				search: () => search.focus()
			})
		);
		// What is not seen at first comes after the first paint, so that it is there while the server is away.
		fetchAfterPaint(
			() => import('./BodyTable.svelte'),
			() => import('./ChosenBar.svelte'),
			() => import('./Retired.svelte'),
			() => import('./StarterSets.svelte')
		);
		const close = library.open();
		void library.keepUp(library.all);
		return () => {
			takeBack();
			close();
		};
	});
	let search: HTMLInputElement;
	let main: HTMLElement;
</script>

<div class="library">
	<RoomHead {session} name="Library">
		{#snippet where()}{library.all.length + session.missing}
			{library.all.length === 1 ? 'preset' : 'presets'}{session.missing > 0 ? `, ${session.missing} still coming` : ''}
			{#if library.unmeasured > 0}<em>· measuring, {library.unmeasured} to go</em>{/if}{/snippet}
		<input
			class="search"
			type="search"
			placeholder="Find by name, tag or what it is for"
			aria-label="Find by name, tag or what it is for"
			bind:this={search}
			bind:value={typed}
			oninput={() => find(typed)}
			onkeydown={(e) => {
				if (e.key === 'Escape') find('');
				// From the words to what they found.
				if (e.key === 'ArrowDown') toFirst();
			}}
		/>
		<Button onclick={() => void (family === 'shake' ? addNew() : addBody())}><Plus size={14} /> New</Button>
		<Button onclick={() => (bringing = true)}><FolderInput size={14} /> Bring in</Button>
		<Button onclick={() => void sendOut(acted.length > 0 ? acted : rows)} disabled={rows.length === 0}
			><Download size={14} /> Send out {acted.length > 0 ? acted.length : 'all'}</Button
		>
		<Button onclick={() => (retired = true)}><Archive size={14} /> Retired</Button>
	</RoomHead>
	<main bind:this={main}>
		<LibraryBar
			{session}
			{library}
			{source}
			{family}
			bodies={bodyRows.length}
			shown={rows.length}
			onsource={turnSource}
			onfamily={turnTo}
		/>
		{#if source === 'starter'}
			{#await import('./StarterSets.svelte') then { default: StarterSets }}
				<StarterSets {session} {typed} found={library.starters} ongo={(address) => ongo(address)} />
			{/await}
		{:else}
			<div class="rows">
				{#if family !== 'shake'}
					{#await import('./BodyTable.svelte') then { default: BodyTable }}
						<BodyTable
							{session}
							rows={bodyRows}
							pointed={bodies.preset?.id ?? ''}
							onpoint={(preset) => preset.id !== bodies.preset?.id && bodies.start(preset)}
							{onopen}
						/>
					{/await}
				{:else if library.all.length === 0}
					<div class="none">
						<Begin
							{session}
							title="No presets yet"
							says="All motions of the game stand here side by side: pointed at, each is felt. Begin with one that is nearly right, make one anew, or bring in those of a kit."
						>
							<Button strong onclick={() => turnSource('starter')}>Look through the starter sets</Button>
							<Button onclick={() => void addNew()}><Plus size={14} /> New</Button>
							<Button onclick={() => (bringing = true)}><FolderInput size={14} /> Bring in</Button>
						</Begin>
					</div>
				{:else if rows.length === 0}
					<div class="none">
						<h2>{typed.trim() && near.length > 0 ? 'Nothing of yours fits' : 'Nothing fits'}</h2>
						{#if typed.trim() && near.length > 0}
							<p>
								The starter sets have {near.slice(0, 3).join(', ')}{near.length > 3
									? ` and ${near.length - 3} more`
									: ''}.
							</p>
							<Button strong onclick={() => turnSource('starter')}>Hear {near.length === 1 ? 'it' : 'them'}</Button>
						{:else}
							<p>
								Search also finds words that are spelled a little differently, and those that mean the same. Fewer tags
								find more.
							</p>
						{/if}
						<Button
							onclick={() => {
								find('');
								library.filter = { tags: new Set(), suits: null, view: null };
							}}>Show all</Button
						>
					</div>
				{:else}
					<LibraryTable
						bind:this={table}
						{library}
						{rows}
						onpoint={point}
						{onopen}
						onrename={(key, name) => session.change(key, 'Name', (p) => void (p.name = name))}
					/>
				{/if}
			</div>
			<Heard
				{session}
				{library}
				shakes={family === 'shake'}
				{audition}
				{bodies}
				onpoint={point}
				onchoose={(key) => table?.show(key)}
			/>
		{/if}
	</main>
</div>
{#if bringing}
	{#await import('./BringIn.svelte') then { default: BringIn }}
		<BringIn {session} open onclose={() => (bringing = false)} />
	{/await}
{/if}
{#if retired}
	{#await import('./Retired.svelte') then { default: Retired }}
		<Retired {session} open onclose={() => (retired = false)} />
	{/await}
{/if}

<style>
	.library {
		height: 100%;
		display: grid;
		grid-template-rows: 48px minmax(0, 1fr);
	}
	em {
		font-style: normal;
		color: var(--lamp-text);
	}
	input {
		border: 1px solid var(--rule-strong);
		border-radius: 6px;
		background: var(--field);
		padding: 3px 9px;
	}
	.search {
		width: 16rem;
	}
	main {
		display: grid;
		grid-template-columns: minmax(0, 1fr) clamp(372px, 28vw, 620px);
		grid-template-rows: 30px minmax(0, 1fr);
		gap: 8px 12px;
		padding: 10px 14px 12px;
		min-height: 0;
	}
	.rows {
		min-height: 0;
	}
	.none {
		height: 100%;
		display: grid;
		place-content: center;
		justify-items: center;
		gap: 6px;
		border: 1px dashed var(--rule-strong);
		border-radius: var(--radius);
		color: var(--ink-2);
	}
	@media (max-width: 1180px) {
		main {
			grid-template-columns: minmax(0, 1fr) 300px;
		}
		.search {
			width: 11rem;
		}
	}
</style>
