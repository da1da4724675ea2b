<script lang="ts">
	import { onMount, untrack } from 'svelte';
	import Plus from '@lucide/svelte/icons/plus';
	import { freeId } from '$lib/documents';
	import type { Cue } from 'dinesis-runtime';
	import { WIRING, type ProjectSession } from '$lib/session/session.svelte';
	import { fetchAfterPaint } from '$lib/ui/after-paint';
	import { useCommands } from '$lib/ui/commands.svelte';
	import NumberField from '$lib/ui/NumberField.svelte';
	import RoomHead from '$lib/room/RoomHead.svelte';
	import Segments from '$lib/ui/Segments.svelte';
	import Select from '$lib/ui/Select.svelte';
	import MovingPicture from '$lib/viewport/MovingPicture.svelte';
	import { listedCues, type CueOrder } from './cue-list';
	import { cuesCommands } from './commands';
	import CueRow from './CueRow.svelte';
	import { CuesState } from './cues.svelte';
	import Response from './Response.svelte';

	interface Props {
		session: ProjectSession;
		/** What the address names: a cue, or `event:ID` or `value:ID`; empty: what comes first. */
		id?: string;
		/** Called when another cue is chosen, so that the address says so. */
		onopen?: (id: string) => void;
	}
	let { session, id = '', onopen }: Props = $props();

	const desk = untrack(() => new CuesState(session));
	const commands = useCommands();
	/** A list of so many needs no field to find in. */
	const FEW = 6;
	let page = $state<'cues' | 'events'>('cues');
	let words = $state('');
	let order = $state<CueOrder>('own');
	/** The page of events is opened to make the first one. */
	let begins = $state(false);
	/** The event or the game value that the address names. */
	const named = $derived(/^(event|value):(.+)$/.exec(id));

	$effect(() => {
		if (named) page = 'events';
		else if (id !== '') untrack(() => (desk.chosen = id));
	});
	function choose(cue: string) {
		if (desk.chosen === cue) return;
		desk.chosen = cue;
		if (cue !== id) onopen?.(cue);
	}
	const wiring = $derived(session.wiring);
	const names = (kind: 'event' | 'preset' | 'rig' | 'parameter', id: string): string => {
		if (kind === 'preset') return desk.preset(id)?.name ?? id;
		const list = kind === 'event' ? wiring.events : kind === 'rig' ? wiring.rigs : wiring.parameters;
		return list.find((one) => one.id === id)?.name ?? id;
	};
	const groups = $derived(listedCues(wiring.cues, words, order, names));
	const chosen = $derived(desk.chosenCue);
	const shownPreset = $derived.by(() => {
		const play = chosen?.actions.find((a) => a.kind === 'play');
		return play?.kind === 'play' ? desk.preset(play.pick[0]!.preset) : undefined;
	});
	const view = $derived(shownPreset?.view ?? 'space');
	$effect(() => void (desk.view = view));

	$effect(() => {
		const { wiring, presets } = session;
		untrack(() => {
			desk.director.rewire(wiring);
			desk.director.usePresets(presets);
		});
	});

	function addCue() {
		// It is seen whatever was looked for.
		words = '';
		desk.add();
	}
	function copyCue(cue: Cue) {
		const id = freeId(
			cue.id,
			wiring.cues.map((c) => c.id)
		);
		session.rewire('Copy cue', (w) => ({
			...w,
			cues: w.cues.flatMap((c) => (c.id === cue.id ? [c, { ...c, id }] : [c]))
		}));
		desk.chosen = id;
	}
	const removeCue = (cue: Cue): void =>
		session.rewire('Take a cue out', (w) => ({ ...w, cues: w.cues.filter((c) => c.id !== cue.id) }));

	/** The other page; fetched after the first paint. */
	const firstCue = () => import('./FirstCue.svelte');
	const eventsTable = () => import('./EventsTable.svelte');
	const reachMap = () => import('./ReachMap.svelte');
	onMount(() => {
		fetchAfterPaint(
			eventsTable,
			() => import('./whys'),
			async () => {
				desk.offersOf = (await import('./more-words')).offersOf;
			}
		);
		session.look(WIRING);
		const takeBack = commands.offer(cuesCommands(desk, addCue, () => (page = 'events')));
		return () => {
			takeBack();
			desk.dispose();
		};
	});
</script>

<div class="room">
	<RoomHead {session} name="Cues" of={WIRING} about="Events, game values, cues and rigs together.">
		{#snippet where()}what sets the camera moving{/snippet}
		{#if page === 'cues' && wiring.cues.length > FEW}
			<input
				class="find"
				type="search"
				placeholder="Find a cue"
				aria-label="Find a cue by what it says"
				bind:value={words}
				onkeydown={(e) => e.key === 'Escape' && (words = '')}
			/>
			<Select
				label="Order of the cues"
				value={order}
				choices={[
					{ value: 'own', label: 'in their order' },
					{ value: 'event', label: 'by event' },
					{ value: 'preset', label: 'by what they play' }
				]}
				onchange={(to) => (order = to as CueOrder)}
			/>
		{/if}
		<Segments
			label="Page"
			value={page}
			options={[
				{ value: 'cues', label: `${wiring.cues.length} cues` },
				{ value: 'events', label: `${wiring.events.length} events and values` }
			]}
			onchange={(v: 'cues' | 'events') => (page = v)}
		/>
	</RoomHead>
	<main>
		{#if page === 'events'}
			{#await eventsTable() then { default: EventsTable }}<EventsTable {desk} named={id} {begins} />{/await}
		{:else}
			<ul aria-label="Cues">
				{#each groups as group (group.heading)}
					{#if group.heading !== ''}<li class="heading">{group.heading}</li>{/if}
					{#each group.cues as cue (cue.id)}
						<CueRow
							{desk}
							{cue}
							chosen={cue.id === chosen?.id}
							named={cue.id === id}
							onchoose={() => choose(cue.id)}
							oncopy={() => copyCue(cue)}
							onremove={() => removeCue(cue)}
						/>
					{/each}
				{/each}
				{#if wiring.cues.length > 0 && groups.length === 0}
					<li class="none">No cue says “{words.trim()}”.</li>
				{/if}
				{#if wiring.cues.length === 0}
					<li class="none">
						{#await firstCue() then { default: FirstCue }}<FirstCue
								{session}
								onevents={() => {
									page = 'events';
									begins = true;
								}}
								oncue={() => desk.add()}
							/>{/await}
					</li>
				{/if}
				{#if wiring.cues.length > 0}
					<li class="new"><button onclick={addCue}><Plus size={14} /> New cue</button></li>
				{/if}
			</ul>
		{/if}
		<aside>
			<MovingPicture
				step={(dt) => desk.frame(dt)}
				playing={() => desk.director.viewers[0]!.player.plays.length > 0}
				time={() => desk.sceneTime}
				{view}
				caption={desk.log[0] ?? 'Fire a cue and it is felt here'}
			/>
			{#if wiring.parameters.length > 0}
				<div class="values">
					{#each wiring.parameters as p (p.id)}
						<NumberField
							look="inline"
							label={p.name}
							value={desk.valueNow(p.id)}
							min={p.min}
							max={p.max}
							step={(p.max - p.min) / 200}
							reset={p.rest}
							onchange={(v) => desk.setValue(p.id, v)}
						/>
					{/each}
				</div>
			{/if}
			{#if chosen}
				<Response {desk} cue={chosen} />
				{#await reachMap() then { default: ReachMap }}<ReachMap {desk} preset={shownPreset} />{/await}
			{/if}
		</aside>
	</main>
</div>

<style>
	.room {
		height: 100%;
		display: grid;
		grid-template-rows: 48px minmax(0, 1fr);
	}
	main {
		display: grid;
		grid-template-columns: minmax(0, 1fr) clamp(372px, 28vw, 620px);
		gap: 12px;
		padding: 10px 14px 12px;
		min-height: 0;
	}
	ul {
		list-style: none;
		margin: 0;
		padding: 0 6px 0 0;
		overflow: auto;
		min-height: 0;
	}
	.heading {
		position: sticky;
		top: 0;
		z-index: 1;
		padding: 6px 10px 3px;
		background: var(--paper);
		border-bottom: 1px solid var(--rule-strong);
		font-weight: 600;
		color: var(--ink-2);
	}
	.find {
		width: 11rem;
		border: 1px solid var(--rule-strong);
		border-radius: 6px;
		background: var(--field);
		padding: 3px 9px;
	}
	li.new,
	li.none {
		display: block;
		border: 0;
	}
	.new button {
		display: inline-flex;
		align-items: center;
		gap: 4px;
		border: 1px solid var(--rule-strong);
		border-radius: 6px;
		background: var(--field);
		padding: 3px 10px;
	}
	aside {
		display: grid;
		align-content: start;
		gap: 8px;
		min-height: 0;
		overflow: auto;
	}
	.values {
		display: flex;
		flex-wrap: wrap;
		gap: 2px 14px;
		font-size: 12.5px;
		color: var(--ink-2);
	}
	@media (max-width: 1180px) {
		main {
			grid-template-columns: minmax(0, 1fr) 310px;
		}
	}
</style>
