<script lang="ts">
	/** One cue: its lamp, its sentence with what is found wrong, and the key that fires its event as it would come from the game. */
	import Copy from '@lucide/svelte/icons/copy';
	import Trash from '@lucide/svelte/icons/trash-2';
	import type { Cue, GameEvent } from 'dinesis-runtime';
	import type { CuesState } from './cues.svelte';
	import Sentence from './Sentence.svelte';

	interface Props {
		desk: CuesState;
		cue: Cue;
		chosen: boolean;
		/** The address names it: it is brought before one's eyes. */
		named: boolean;
		onchoose: () => void;
		oncopy: () => void;
		onremove: () => void;
	}
	let { desk, cue, chosen, named, onchoose, oncopy, onremove }: Props = $props();

	const event = $derived(desk.event(cue.event));
	const why = $derived(desk.whys.get(cue.id));
	const found = $derived(desk.findings.get(cue.id) ?? []);
	const inView = (element: HTMLElement): void => {
		if (named) element.scrollIntoView?.({ block: 'nearest' });
	};
	const firstNumber = (event: GameEvent): string => {
		const value = event.values[0];
		return value ? `${value.id} ${desk.tried(event, value.id)} ${value.unit}` : event.kind === 'state' ? 'hold' : 'now';
	};
	function press(event: GameEvent) {
		desk.chosen = cue.id;
		if (event.kind === 'moment') desk.raise(event, 'happens');
		else if (!desk.held.has(event.id)) desk.raise(event, 'starts');
	}
	function letGo(event: GameEvent) {
		if (event.kind === 'state' && desk.held.has(event.id)) desk.raise(event, 'ends');
	}
</script>

<li class:chosen class:off={!cue.on} {@attach inView}>
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
	<div class="text" onpointerdown={onchoose} onfocusin={onchoose}>
		<Sentence {desk} {cue} />
		{#if why && why.says !== ''}<p class="why" class:felt={why.felt} role="status">{why.says}</p>{/if}
		{#if found.length > 0}
			{#await import('$lib/room/FindingLines.svelte') then { default: FindingLines }}
				<FindingLines list={found} onfix={(finding) => desk.session.fix({ kind: 'cue', document: cue, finding })} />
			{/await}
		{/if}
	</div>
	<span class="acts">
		<button aria-label="Copy this cue" title="Copy" onclick={oncopy}><Copy size={13} /></button>
		<button aria-label="Take this cue out" title="Take it out; undo brings it back" onclick={onremove}
			><Trash size={13} /></button
		>
	</span>
	{#if event}
		<button
			class="fire"
			class:live={desk.held.has(event.id)}
			aria-label="{event.kind === 'state' ? 'Hold' : 'Fire'} {event.name}"
			onpointerdown={(e) => {
				e.currentTarget.setPointerCapture(e.pointerId);
				press(event);
			}}
			onpointerup={() => letGo(event)}
			onpointercancel={() => letGo(event)}
			onkeydown={(e) => (e.key === 'Enter' || e.key === ' ') && !e.repeat && press(event)}
			onkeyup={(e) => (e.key === 'Enter' || e.key === ' ') && letGo(event)}
		>
			<b>{event.kind === 'state' ? 'Hold' : 'Fire'}</b><small>{firstNumber(event)}</small>
		</button>
	{/if}
</li>

<style>
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
		filter: grayscale(1);
		font-style: italic;
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
	.why {
		margin: 0;
		padding-left: 8px;
		border-left: 3px solid var(--lamp);
		font-size: 12.5px;
		color: var(--lamp-text);
	}
	.why.felt {
		border-left-color: var(--rule-strong);
		color: var(--ink-2);
	}
	.acts {
		display: flex;
		opacity: 0;
		margin-top: 3px;
	}
	.acts button {
		display: grid;
		place-items: center;
		min-width: 24px;
		min-height: 24px;
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
	.fire small {
		font-size: 11px;
		color: var(--ink-2);
		white-space: nowrap;
		overflow: hidden;
		text-overflow: ellipsis;
		max-width: 100%;
	}
	li:hover .acts,
	.acts:focus-within {
		opacity: 1;
	}
	.fire:active,
	.fire.live {
		background: linear-gradient(var(--cap-live-top), var(--cap-live));
	}
</style>
