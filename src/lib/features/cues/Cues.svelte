<script lang="ts">
	import { onMount, untrack } from 'svelte';
	import Copy from '@lucide/svelte/icons/copy';
	import Plus from '@lucide/svelte/icons/plus';
	import Trash from '@lucide/svelte/icons/trash-2';
	import { freeId } from '$lib/documents';
	import type { Cue, GameEvent } from 'dinesis-runtime';
	import { newCue } from 'dinesis-runtime/tools';
	import { WIRING, type ProjectSession } from '$lib/session/session.svelte';
	import { useCommands } from '$lib/ui/commands.svelte';
	import NumberField from '$lib/ui/NumberField.svelte';
	import FindingLines from '$lib/room/FindingLines.svelte';
	import RoomHead from '$lib/room/RoomHead.svelte';
	import Segments from '$lib/ui/Segments.svelte';
	import MovingPicture from '$lib/viewport/MovingPicture.svelte';
	import { cuesCommands } from './commands';
	import { CuesState } from './cues.svelte';
	import EventsTable from './EventsTable.svelte';
	import ReachMap from './ReachMap.svelte';
	import Response from './Response.svelte';
	import Sentence from './Sentence.svelte';

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
	let page = $state<'cues' | 'events'>('cues');
	/** The event or the game value that the address names. */
	const named = $derived(/^(event|value):(.+)$/.exec(id));

	$effect(() => {
		if (named) page = 'events';
		else if (id !== '') untrack(() => (desk.chosen = id));
	});
	/** Puts what the address names before one's eyes; it has just been opened by it. */
	const inView = (here: boolean) => (element: HTMLElement) => {
		if (here) element.scrollIntoView?.({ block: 'nearest' });
	};
	function choose(cue: string) {
		if (desk.chosen === cue) return;
		desk.chosen = cue;
		if (cue !== id) onopen?.(cue);
	}
	const wiring = $derived(session.wiring);
	const chosen = $derived(desk.chosenCue);
	const shownPreset = $derived.by(() => {
		const play = chosen?.actions.find((a) => a.kind === 'play');
		return play?.kind === 'play' ? desk.preset(play.pick[0]!.preset) : undefined;
	});
	const view = $derived(shownPreset?.view ?? 'space');

	$effect(() => {
		const { wiring, presets } = session;
		untrack(() => {
			desk.director.rewire(wiring);
			desk.director.usePresets(presets);
		});
	});

	function addCue() {
		const event = wiring.events[0];
		const preset = session.presets[0];
		if (!event || !preset) return;
		const id = freeId(
			'cue',
			wiring.cues.map((c) => c.id)
		);
		const made: Cue = { ...newCue(id, event.id, preset.id), when: event.kind === 'state' ? 'lasts' : 'happens' };
		session.rewire('New cue', (w) => ({ ...w, cues: [...w.cues, made] }));
		desk.chosen = id;
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

	const firstNumber = (event: GameEvent): string => {
		const value = event.values[0];
		return value ? `${value.id} ${desk.tried(event, value.id)} ${value.unit}` : event.kind === 'state' ? 'hold' : 'now';
	};
	function press(cue: Cue, event: GameEvent) {
		desk.chosen = cue.id;
		if (event.kind === 'moment') desk.raise(event, 'happens');
		else if (!desk.held.has(event.id)) desk.raise(event, 'starts');
	}
	function letGo(event: GameEvent) {
		if (event.kind === 'state' && desk.held.has(event.id)) desk.raise(event, 'ends');
	}

	onMount(() => {
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
			<EventsTable {desk} named={id} />
		{:else}
			<ul aria-label="Cues">
				{#each wiring.cues as cue (cue.id)}
					{@const event = desk.event(cue.event)}
					{@const found = desk.findings.get(cue.id) ?? []}
					<li class:chosen={cue.id === chosen?.id} class:off={!cue.on} {@attach inView(cue.id === id)}>
						<button
							class="lamp"
							class:lit={desk.lit.has(cue.id)}
							role="switch"
							aria-checked={cue.on}
							aria-label={cue.on ? 'On: it answers' : 'Off: it does nothing'}
							title={cue.on ? 'On; press to switch it off' : 'Off; press to switch it on'}
							onclick={() => desk.change(cue.id, cue.on ? 'Switch off' : 'Switch on', (c) => ({ ...c, on: !c.on }))}
						></button>
						<!-- svelte-ignore a11y_no_static_element_interactions -->
						<div class="text" onpointerdown={() => choose(cue.id)} onfocusin={() => choose(cue.id)}>
							<Sentence {desk} {cue} />
							<FindingLines list={found} onfix={(finding) => session.fix({ kind: 'cue', document: cue, finding })} />
						</div>
						<span class="acts">
							<button aria-label="Copy this cue" title="Copy" onclick={() => copyCue(cue)}><Copy size={13} /></button>
							<button
								aria-label="Take this cue out"
								title="Take it out; undo brings it back"
								onclick={() => removeCue(cue)}><Trash size={13} /></button
							>
						</span>
						{#if event}
							<button
								class="fire"
								class:live={desk.held.has(event.id)}
								aria-label="{event.kind === 'state' ? 'Hold' : 'Fire'} {event.name}"
								onpointerdown={(e) => {
									e.currentTarget.setPointerCapture(e.pointerId);
									press(cue, event);
								}}
								onpointerup={() => letGo(event)}
								onpointercancel={() => letGo(event)}
								onkeydown={(e) => (e.key === 'Enter' || e.key === ' ') && !e.repeat && press(cue, event)}
								onkeyup={(e) => (e.key === 'Enter' || e.key === ' ') && letGo(event)}
							>
								<b>{event.kind === 'state' ? 'Hold' : 'Fire'}</b><small>{firstNumber(event)}</small>
							</button>
						{/if}
					</li>
				{:else}
					<li class="none">
						{#if wiring.events.length === 0}
							<p>
								A cue says what motion an event sets off. First say what happens in the game:
								<button onclick={() => (page = 'events')}>events and values</button>
							</p>
						{:else}
							<p>No cue yet. The first one: when {wiring.events[0]!.name} happens, play something.</p>
						{/if}
					</li>
				{/each}
				<li class="new">
					<button onclick={addCue} disabled={wiring.events.length === 0 || session.presets.length === 0}
						><Plus size={14} /> New cue</button
					>
				</li>
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
				<ReachMap {desk} preset={shownPreset} />
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
		grid-template-columns: minmax(0, 1fr) 372px;
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
	li {
		display: grid;
		grid-template-columns: 22px minmax(0, 1fr) auto 118px;
		gap: 8px;
		align-items: start;
		padding: 7px 10px 7px 6px;
		border-bottom: 1px solid var(--rule);
		border-left: 3px solid transparent;
	}
	li.chosen {
		background: var(--sheet);
		border-left-color: var(--lamp);
	}
	li.off .text {
		opacity: 0.55;
	}
	.lamp {
		width: 13px;
		height: 13px;
		margin: 7px 0 0 4px;
		padding: 0;
		border: 2px solid var(--ink-2);
		border-radius: 50%;
		background: none;
		cursor: pointer;
	}
	.lamp[aria-checked='true'] {
		background: var(--rule-strong);
	}
	.lamp.lit {
		background: var(--lamp-light);
		border-color: var(--lamp);
		box-shadow: 0 0 8px var(--lamp-light);
	}
	.acts {
		display: flex;
		opacity: 0;
		margin-top: 3px;
	}
	li:hover .acts,
	.acts:focus-within {
		opacity: 1;
	}
	.acts button {
		border: 0;
		background: none;
		padding: 3px;
		cursor: pointer;
		color: var(--ink-2);
	}
	.fire {
		display: grid;
		justify-items: center;
		border: 1px solid var(--brass);
		border-bottom: 3px solid var(--brass-foot);
		border-radius: 8px;
		background: linear-gradient(var(--cap-top), var(--cap-foot));
		padding: 2px 6px 3px;
		cursor: pointer;
		touch-action: none;
		user-select: none;
		min-width: 0;
	}
	.fire:active,
	.fire.live {
		background: linear-gradient(var(--cap-live-top), var(--cap-live));
	}
	.fire small {
		font-size: 11px;
		color: var(--ink-2);
		white-space: nowrap;
		overflow: hidden;
		text-overflow: ellipsis;
		max-width: 100%;
	}
	li.new,
	li.none {
		display: block;
		border: 0;
	}
	li button:not(.lamp, .fire) {
		cursor: pointer;
	}
	.new button,
	.none button {
		display: inline-flex;
		align-items: center;
		gap: 4px;
		border: 1px solid var(--rule-strong);
		border-radius: 6px;
		background: var(--field);
		padding: 3px 10px;
	}
	.new button:disabled {
		opacity: 0.45;
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
