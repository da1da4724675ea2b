<script lang="ts">
	/** The game's events, declared once, in a compact table; its values below. */
	import { onMount } from 'svelte';
	import Plus from '@lucide/svelte/icons/plus';
	import { freeId } from '$lib/documents';
	import type { GameEvent } from 'dinesis-runtime';
	import Button from '$lib/ui/Button.svelte';
	import { Naming } from '$lib/ui/naming';
	import Segments from '$lib/ui/Segments.svelte';
	import type { CuesState } from './cues.svelte';
	import IdField from '$lib/room/IdField.svelte';
	import Answers from './Answers.svelte';
	import { numberId, withKind, withMayCarry, withNumberRenamed } from './event-edits';
	import EventTags from './EventTags.svelte';
	import EventNumber from './EventNumber.svelte';
	import ValuesTable from './ValuesTable.svelte';

	interface Props {
		desk: CuesState;
		/** `event:ID` or `value:ID` of what the address names. */
		named?: string;
		/** The first event is made as the page opens. */
		begins?: boolean;
	}
	let { desk, named = '', begins = false }: Props = $props();
	const inView = (here: boolean) => (row: HTMLElement) => {
		if (here) row.scrollIntoView?.({ block: 'center' });
	};
	const wiring = $derived(desk.session.wiring);
	const heldOf = (id: string) => desk.session.standing.one('event', id);
	const used = (id: string): number => wiring.cues.filter((cue) => cue.event === id).length;

	function setEvent(id: string, label: string, part: Partial<GameEvent>, done = true) {
		desk.session.rewire(
			label,
			(w) => ({ ...w, events: w.events.map((e) => (e.id === id ? { ...e, ...part } : e)) }),
			`event ${id} ${label}`
		);
		if (done) desk.session.seal();
	}
	const naming = new Naming();
	function addEvent() {
		const id = freeId(
			'event',
			wiring.events.map((e) => e.id)
		);
		const made: GameEvent = { id, name: 'New event', kind: 'moment', placed: false, tags: [], values: [] };
		desk.session.rewire('New event', (w) => ({ ...w, events: [...w.events, made] }));
		naming.begin(id);
	}
	onMount(() => {
		if (begins && wiring.events.length === 0) addEvent();
	});
	function addNumber(event: GameEvent) {
		const id = freeId(
			'number',
			event.values.map((v) => v.id)
		);
		setEvent(event.id, 'Number', { values: [...event.values, { id, unit: '', min: 0, max: 10 }] });
	}
	/** A number's id is what the game sends: renamed here, every cue that names it follows. */
	function renameNumber(event: GameEvent, i: number, name: string) {
		const id = numberId(event, i, name);
		if (id === null) return;
		desk.session.rewire('Name of a number', (w) => withNumberRenamed(w, event, i, id));
		desk.session.seal();
	}
	function setKind(event: GameEvent, kind: GameEvent['kind']) {
		const { lost } = withKind(wiring, event, kind);
		desk.session.rewire('Kind', (w) => withKind(w, event, kind).wiring);
		desk.session.seal();
		if (lost.length > 0)
			desk.session.say(
				`${event.name} is a moment now: ${lost.length === 1 ? 'a cue' : `${lost.length} cues`} that asked for its end or went on with it answer as it happens. Undo brings that back.`
			);
	}
	function setMayCarry(event: GameEvent, tags: readonly string[]) {
		desk.session.rewire('Tags it may carry', (w) => withMayCarry(w, event.id, tags));
		desk.session.seal();
	}
</script>

<div class="tables">
	<table>
		<caption>Events: what happens in the game <Button onclick={addEvent}><Plus size={13} /> event</Button></caption>
		<thead>
			<tr
				><th>name, and what the game sends</th><th>kind</th><th>place</th><th>carries</th><th>tags</th><th>cues</th><th
				></th></tr
			>
		</thead>
		<tbody>
			{#each wiring.events as event, place (heldOf(event.id)?.uuid ?? event.id)}
				<tr class:named={named === `event:${event.id}`} {@attach inView(named === `event:${event.id}`)}>
					<td
						><input
							class="quiet name"
							aria-label="Name of the event"
							value={event.name}
							{@attach naming.at(event.id)}
							maxlength="120"
							onchange={(e) =>
								e.currentTarget.value.trim() && setEvent(event.id, 'Name', { name: e.currentTarget.value.trim() })}
						/><span class="sent"
							>{#if heldOf(event.id)}<IdField
									session={desk.session}
									held={heldOf(event.id)!}
									name={event.name}
								/>{/if}{#if desk.keyOf(place)}<kbd title="Test key: raises it here">{desk.keyOf(place)}</kbd>{/if}</span
						>{#each desk.session.findings.of('event', event.id) as { finding } (finding.check)}<small
								title={finding.sentence}>raised by nothing here</small
							>{/each}</td
					>
					<td>
						<Segments
							small
							label="Kind of {event.name}"
							value={event.kind}
							options={[
								{ value: 'moment', label: 'moment' },
								{ value: 'state', label: 'state' }
							]}
							onchange={(kind: GameEvent['kind']) => setKind(event, kind)}
						/>
					</td>
					<td
						><input
							type="checkbox"
							aria-label="{event.name} has a place"
							checked={event.placed}
							onchange={(e) => setEvent(event.id, 'Place', { placed: e.currentTarget.checked })}
						/></td
					>
					<td class="numbers">
						{#each event.values as value, i (i)}
							<EventNumber
								{event}
								{value}
								onrename={(name) => renameNumber(event, i, name)}
								onchange={(label, part, done) =>
									setEvent(
										event.id,
										label,
										{ values: event.values.map((v, k) => (k === i ? { ...v, ...part } : v)) },
										done
									)}
								onremove={() => setEvent(event.id, 'Number', { values: event.values.filter((_, k) => k !== i) })}
							/>
						{/each}
						<button class="more" onclick={() => addNumber(event)}>+ number</button>
					</td>
					<td
						><EventTags
							{event}
							ontags={(tags) => setEvent(event.id, 'Tags', { tags })}
							onmay={(tags) => setMayCarry(event, tags)}
						/></td
					>
					<td class="count"><Answers {desk} {event} count={used(event.id)} /></td>
					<td
						><button
							class="out"
							aria-label="Take {event.name} out"
							title={used(event.id) > 0 ? 'Its cues stay and say that it is gone' : 'Take it out; undo brings it back'}
							onclick={() =>
								desk.session.rewire(`Take out ${event.name}`, (w) => ({
									...w,
									events: w.events.filter((e) => e.id !== event.id)
								}))}>×</button
						></td
					>
				</tr>
			{:else}
				<tr
					><td colspan="7" class="none">No event yet: a landing, a blow, a closing door. Each may carry numbers.</td
					></tr
				>
			{/each}
		</tbody>
	</table>
	<ValuesTable {desk} {named} />
</div>

<style>
	td small {
		display: block;
		padding: 0 5px;
		color: var(--ink-2);
	}
	.tables :global(.named) {
		background: var(--lamp-wash);
	}
	.tables {
		display: grid;
		gap: 18px;
		align-content: start;
		overflow: auto;
		min-height: 0;
		padding-right: 6px;
	}
	.tables :global(table) {
		border-collapse: collapse;
		width: 100%;
	}
	.tables :global(caption) {
		text-align: left;
		font-weight: 600;
		padding-bottom: 4px;
	}
	.tables :global(th) {
		text-align: left;
		font-weight: 400;
		font-size: 12px;
		color: var(--ink-2);
		padding: 2px 8px;
		border-bottom: 1px solid var(--rule-strong);
	}
	.tables :global(td) {
		padding: 3px 8px;
		border-bottom: 1px solid var(--rule);
		vertical-align: top;
	}
	.tables :global(.sent) {
		display: block;
		padding-left: 1px;
		font-size: 12px;
		color: var(--ink-2);
	}
	kbd {
		font: inherit;
		font-size: 11px;
		margin-left: 8px;
		border: 1px solid var(--brass);
		border-bottom-width: 2px;
		border-radius: 4px;
		padding: 0 4px;
		background: var(--cap-top);
	}
	.tables :global(.numbers) {
		white-space: nowrap;
	}
	.tables :global(.numbers span) {
		display: block;
	}
	.tables :global(.numbers .label) {
		display: none !important;
	}
	.count {
		text-align: right;
	}
	.tables :global(.none) {
		color: var(--ink-2);
		padding: 12px;
	}
	.tables :global(.quiet) {
		border: 1px solid transparent;
		border-radius: 5px;
		background: none;
		padding: 1px 4px;
	}
	.tables :global(.quiet:hover),
	.tables :global(.quiet:focus) {
		border-color: var(--rule-strong);
		background: var(--field);
	}
	.name {
		width: 11rem;
	}
	.tables :global(button.out),
	.tables button.more {
		display: inline-flex;
		align-items: center;
		min-width: 24px;
		min-height: 24px;
		justify-content: center;
		cursor: pointer;
		border: 0;
		background: none;
		color: var(--lamp-text);
		padding: 0 3px;
	}
</style>
