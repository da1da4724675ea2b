<script lang="ts">
	/** One motion of the starter sets: its drawing and its figures; pointed at it plays, taken it is the project's. */
	import Check from '@lucide/svelte/icons/check';
	import Plus from '@lucide/svelte/icons/plus';
	import type { Starter } from '$lib/starter/sets';
	import Outline from '$lib/plots/Outline.svelte';
	import Button from '$lib/ui/Button.svelte';
	import { hand } from '$lib/ui/hand';
	import BodyDrawing from './BodyDrawing.svelte';
	import { bodyRow } from './body-rows';
	import { asBody, asRig, asShake, idOf, type Starters } from './starters.svelte';

	interface Props {
		starters: Starters;
		starter: Starter;
		onpoint: () => void;
		ontake: () => void;
		/** Where the project has it: the way to it. */
		address: string | null;
	}
	let { starters, starter, onpoint, ontake, address }: Props = $props();

	const shake = $derived(asShake(starter));
	const body = $derived(asBody(starter));
	const rig = $derived(asRig(starter));
	const lag = $derived(rig?.lag ? asBody(starters.get(rig.lag)!) : null);
	const drawn = $derived(body ?? lag);
	const row = $derived(drawn ? bodyRow(drawn, []) : null);
	const card = $derived(shake ? starters.card(shake.id) : undefined);
	const VIEWS = { eyes: 'through the eyes', chase: 'from behind', flat: 'flat', fixed: 'from one place' } as const;
	const stages = $derived([rig?.lag, rig?.bob].flatMap((id) => (id ? (starters.get(id)?.document.name ?? id) : [])));
	const percent = (value: number): string => (value < 9.95 ? value.toFixed(1) : value.toFixed(0));
</script>

<!-- svelte-ignore a11y_click_events_have_key_events, a11y_interactive_supports_focus -->
<div
	class="row"
	role="row"
	data-id={idOf(starter)}
	class:pointed={starters.pointed === idOf(starter)}
	{@attach () => starters.want(starter)}
	onpointerenter={(e) => hand.cameHere(e) && onpoint()}
	onclick={onpoint}
	ondblclick={ontake}
>
	<span role="cell" class="name">
		<b>{starter.document.name}</b>
		<small>{starter.document.about}</small>
	</span>
	<span role="cell" class="drawn">
		{#if card}<Outline lines={card.outline} width={92} />
		{:else if row && drawn}<BodyDrawing drawn={row.drawn} body={row.body} family={drawn.family} />{/if}
	</span>
	<span role="cell" class="figures">
		{#if shake}
			{#if card}<span><b>{percent(card.measure.size)}</b> % <b>{percent(card.measure.pace)}</b> Hz</span>{:else}<i
				></i>{/if}
			<small
				>{shake.timing.mode === 'burst'
					? `${Number((shake.timing.delay + shake.timing.duration).toFixed(2))} s`
					: 'until stopped'}</small
			>
		{:else if rig}
			<span>{VIEWS[rig.view.kind]}</span><small>{stages.join(', ')}</small>
		{:else if row}
			<span>{row.says}</span><small>{row.more}</small>
		{/if}
	</span>
	<span role="cell" class="take" ondblclick={(e) => e.stopPropagation()}>
		{#if address}<a href={address} title="It is in the project: open it"><Check size={13} /> open</a>
		{:else}<Button tabindex={-1} aria-label="Take {starter.document.name}" onclick={ontake}
				><Plus size={13} /> Take</Button
			>{/if}
	</span>
</div>

<style>
	.row {
		display: grid;
		grid-template-columns: minmax(0, 1fr) 100px 150px 74px;
		gap: 8px;
		align-items: center;
		min-height: 46px;
		padding: 3px 10px;
		border-bottom: 1px solid var(--rule);
		cursor: default;
	}
	.pointed {
		background: var(--lamp-wash);
	}
	.row > span {
		min-width: 0;
	}
	.name,
	.figures {
		display: grid;
	}
	small,
	.figures span {
		overflow: hidden;
		text-overflow: ellipsis;
		white-space: nowrap;
	}
	small {
		color: var(--ink-2);
		font-size: 11.5px;
	}
	.figures {
		font-size: 12.5px;
	}
	i {
		display: inline-block;
		width: 60px;
		height: 8px;
		border-radius: 4px;
		background: var(--rule);
	}
	.take {
		text-align: right;
	}
	.take a {
		display: inline-flex;
		align-items: center;
		gap: 4px;
		min-height: 24px;
		color: var(--lamp-text);
	}
</style>
