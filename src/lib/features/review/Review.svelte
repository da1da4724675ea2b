<script lang="ts">
	/** Is it right, and why: what moves as it is seen, in figures, over many plays, held against another version. */
	import { onMount, untrack } from 'svelte';
	import DocumentPicker from '$lib/room/DocumentPicker.svelte';
	import RoomHead from '$lib/room/RoomHead.svelte';
	import { KINDS } from '$lib/documents';
	import type { Subject } from '$lib/review';
	import type { ProjectSession } from '$lib/session/session.svelte';
	import Button from '$lib/ui/Button.svelte';
	import { useCommands } from '$lib/ui/commands.svelte';
	import Frame from '$lib/ui/Frame.svelte';
	import Tabs from '$lib/ui/Tabs.svelte';
	import { Looker } from '$lib/workers/review';
	import AgainstPicker from './AgainstPicker.svelte';
	import { reviewCommands } from './commands';
	import Curves from './Curves.svelte';
	import Figures from './Figures.svelte';
	import ReviewWindow from './ReviewWindow.svelte';
	import { ReviewState, subjectKey, subjectOf, titled } from './review.svelte';
	import { SpreadState } from './spread.svelte';
	import Transport from './Transport.svelte';

	interface Props {
		session: ProjectSession;
		/** `KIND:ID` of what is looked at; empty: the whole project. */
		key: string;
		/** Held against what the Bench holds beside it, from the start. */
		againstBench?: boolean;
		onopen: (subject: string) => void;
		ongo: (address: string) => void;
	}
	let { session, key, againstBench = false, onopen, ongo }: Props = $props();

	const desk = untrack(() => new ReviewState(session));
	const spread = new SpreadState(desk);
	const commands = useCommands();
	const sides = { a: new Looker(), b: new Looker() };
	const TABS = [
		{ id: 'figures', name: 'Figures' },
		{ id: 'spread', name: 'Many plays' },
		{ id: 'spectrum', name: 'Frequencies' },
		{ id: 'players', name: 'Players' },
		{ id: 'found', name: 'Found' }
	] as const;
	let tab = $state<string>('figures');
	const found = $derived(desk.subject ? session.findings.of(desk.subject.kind, desk.subject.id).length : 0);
	const tabs = $derived(
		TABS.map((one) => (one.id === 'found' && found > 0 ? { ...one, name: `Found ${found}` } : one))
	);

	$effect(() => {
		const subject = subjectOf(key);
		untrack(() => {
			desk.open(subject);
			session.findings.prefer(subject);
		});
	});
	/** The project may still be on its way. */
	const ready = $derived(desk.kit !== null);
	$effect(() => {
		if (key && againstBench && ready) untrack(() => desk.holdBenchB());
	});
	$effect(() => {
		const [a, b, seed] = [desk.a?.sent, desk.b?.sent, desk.seed];
		let stale = false;
		if (!a) {
			desk.looks = { a: null, b: null };
			desk.trouble = '';
			return;
		}
		void Promise.all([sides.a.look(a, seed), b ? sides.b.look(b, seed) : null]).then(
			([first, second]) => {
				if (stale) return;
				desk.looks = { a: first, b: second };
				desk.trouble = '';
			},
			(error: unknown) => {
				if (stale) return;
				desk.looks = { a: null, b: null };
				desk.trouble = error instanceof Error ? error.message : String(error);
			}
		);
		return () => (stale = true);
	});

	onMount(() => {
		session.look('');
		void session.courses.fetch();
		const takeBack = commands.offer(reviewCommands(desk));
		return () => {
			takeBack();
			spread.cancel();
			sides.a.end();
			sides.b.end();
		};
	});

	const groups = $derived(
		desk.subjects
			.filter(({ list }) => list.length > 0)
			.map(({ kind, list }) => {
				return {
					title: titled(KINDS[kind].words),
					entries: list.map((subject) => ({ id: subjectKey(subject), label: desk.nameOf(subject), about: subject.id }))
				};
			})
	);
	const look = (subject: Subject | null): void => onopen(subject ? subjectKey(subject) : '');
	const own = $derived(session.settings.now.limits);
	/** Where what is looked at is worked on. */
	const workedOn = $derived(desk.subject ? session.addressOf(desk.subject.kind, desk.subject.id) : '');
	const ROOM = {
		shake: 'Tune it on the Bench',
		cue: 'Open it in the Cues',
		rig: 'Open it in the Rig',
		course: 'Open the course'
	};
</script>

<div class="review">
	<RoomHead {session}>
		{#snippet picker()}
			<DocumentPicker
				label="Choose what is looked at"
				find="What is looked at"
				name={desk.subject ? desk.nameOf(desk.subject) : 'The whole project'}
				{groups}
				here={desk.subject ? subjectKey(desk.subject) : undefined}
				onpick={(id) => onopen(id)}
			>
				{#snippet acts(close)}
					<p class="acts">
						<Button onclick={() => (close(), look(null))}>The whole project</Button>
						{#if desk.subject}<Button onclick={() => (close(), ongo(workedOn))}>{ROOM[desk.subject.kind]}</Button>{/if}
					</p>
				{/snippet}
			</DocumentPicker>
		{/snippet}
		{#snippet where()}{#if desk.subject}{KINDS[desk.subject.kind].word}, under review{:else}what moves, in figures{/if}{/snippet}
		{#if desk.player}<Button
				title="Seen as with this setting of the game’s menu; press: with all motion"
				onclick={() => (desk.player = null)}>{desk.player.name} ×</Button
			>{/if}
		{#if desk.subject}<AgainstPicker {desk} />{/if}
		{#if desk.better}<Button strong title="Make it what B is; undo takes it back" onclick={() => desk.take()}
				>Take B</Button
			>{/if}
		{#await import('./VerdictMenu.svelte') then { default: VerdictMenu }}<VerdictMenu {desk} />{/await}
	</RoomHead>
	{#if !desk.kit}
		<p class="late">The project is on its way …</p>
	{:else if !desk.subject}
		<main class="whole">
			<Frame label="All that moves" flow="fill">
				{#await import('./AllTable.svelte') then { default: AllTable }}<AllTable {desk} {own} onlook={look} />{/await}
			</Frame>
			<Frame label="Found in the project" title="Found" flow="rows">
				{#await import('./FoundSheet.svelte') then { default: FoundSheet }}<FoundSheet {session} />{/await}
			</Frame>
		</main>
	{:else}
		<main>
			<div class="left">
				<div class="window">
					{#if desk.runs}
						{#await import('./CourseWindow.svelte') then { default: CourseWindow }}<CourseWindow {desk} />{/await}
					{:else}<ReviewWindow {desk} />{/if}
				</div>
				<Transport {desk} />
				<Frame label="Curves" flow="fill"><Curves {desk} /></Frame>
			</div>
			<Frame label="What is told of it" flow="column">
				<Tabs label="What is told of it" {tabs} open={tab} onopen={(id) => (tab = id)} />
				<div class="sheet" role="tabpanel" aria-label={TABS.find(({ id }) => id === tab)?.name} tabindex="-1">
					{#if desk.trouble}<p role="alert" class="wrong">{desk.trouble}</p>{/if}
					{#if tab === 'spread'}
						{#await import('./SpreadSheet.svelte') then { default: SpreadSheet }}<SpreadSheet {spread} {own} />{/await}
					{:else if tab === 'found'}
						{#await import('./FoundSheet.svelte') then { default: FoundSheet }}<FoundSheet
								{session}
								of={desk.subject ?? undefined}
							/>{/await}
					{:else if tab === 'players'}
						{#await import('./PlayersSheet.svelte') then { default: PlayersSheet }}<PlayersSheet {desk} {own} />{/await}
					{:else if tab === 'spectrum'}
						{#await import('./SpectrumSheet.svelte') then { default: SpectrumSheet }}<SpectrumSheet {desk} />{/await}
					{:else}
						<Figures
							{desk}
							{own}
							onpick={(figure) => {
								spread.figure = figure;
								tab = 'spread';
							}}
						/>
					{/if}
				</div>
			</Frame>
		</main>
	{/if}
</div>

<style>
	.review {
		height: 100%;
		display: grid;
		grid-template-rows: 48px minmax(0, 1fr);
	}
	main {
		display: grid;
		grid-template-columns: minmax(0, 1.15fr) minmax(0, 1fr);
		gap: 10px;
		min-height: 0;
		padding: 10px 14px 12px;
	}
	.whole {
		grid-template-columns: minmax(0, 1fr) 280px;
	}
	.left {
		display: grid;
		grid-template-rows: minmax(0, 1.35fr) auto minmax(150px, 1fr);
		gap: 8px;
		min-height: 0;
		min-width: 0;
	}
	.window {
		display: grid;
		min-height: 0;
	}
	.sheet {
		flex: 1;
		min-height: 0;
		overflow: auto;
		padding-top: 8px;
		outline: none;
	}
	.late {
		margin: 24px;
		color: var(--ink-2);
	}
	.wrong {
		color: var(--danger);
	}
	.acts {
		margin: 0;
	}
</style>
