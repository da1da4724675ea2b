<script lang="ts">
	/** The layers as tabs: a press chooses, a drag (or Alt with an arrow) puts them in order. */
	import Plus from '@lucide/svelte/icons/plus';
	import { rove } from '$lib/ui/roving';
	import { sortable, type DndEvent } from '$lib/ui/sortable';
	import { layerName, orderLayers } from '$lib/documents';
	import type { ShakePreset } from 'dinesis-runtime';

	interface Props {
		preset: ShakePreset;
		/** The layer whose page is shown; null: another page is. */
		chosen: string | null;
		solo: ReadonlySet<string>;
		onchoose: (id: string) => void;
		onadd: () => void;
		onchange: (label: string, recipe: (preset: ShakePreset) => ShakePreset, mark: string, done: boolean) => void;
	}
	let { preset, chosen, solo, onchoose, onadd, onchange }: Props = $props();

	/** While a tab is dragged: the order under the hand. */
	let moving = $state.raw<{ id: string }[] | null>(null);
	const items = $derived(moving ?? preset.layers.map(({ id }) => ({ id })));

	function consider(event: CustomEvent<DndEvent<{ id: string }>>) {
		moving = event.detail.items;
	}
	function finish(event: CustomEvent<DndEvent<{ id: string }>>) {
		moving = null;
		order(event.detail.items.map(({ id }) => id));
	}
	function order(ids: string[]) {
		if (ids.every((id, i) => preset.layers[i]?.id === id)) return;
		onchange('Order of layers', (p) => orderLayers(p, ids), 'order', true);
	}
	/** Before the drag's own keys: there a press would pick the tab up. */
	function keys(event: KeyboardEvent, id: string) {
		if (event.key === 'Enter' || event.key === ' ') {
			event.preventDefault();
			event.stopImmediatePropagation();
			return onchoose(id);
		}
		const ids = preset.layers.map((layer) => layer.id);
		const at = ids.indexOf(id);
		const to = rove(event.key, at, ids.length, 'across');
		if (to === null) return;
		event.preventDefault();
		event.stopImmediatePropagation();
		if (!event.altKey) {
			const tabs = (event.currentTarget as HTMLElement)
				.closest('[role="tablist"]')!
				.querySelectorAll<HTMLElement>('[role="tab"]');
			tabs[to]?.focus();
			return onchoose(ids[to]!);
		}
		// An order has ends.
		if (Math.abs(to - at) > 1 && event.key.startsWith('Arrow')) return;
		ids.splice(to, 0, ...ids.splice(at, 1));
		order(ids);
	}
	const find = (id: string): number => preset.layers.findIndex((layer) => layer.id === id);
</script>

<div
	class="tabs"
	role="tablist"
	aria-label="Layers"
	use:sortable={{
		items: [...items],
		flipDurationMs: 0,
		type: 'layers',
		dropTargetStyle: {},
		autoAriaDisabled: true,
		zoneTabIndex: -1,
		zoneItemTabIndex: -1,
		dragDisabled: preset.layers.length < 2
	}}
	onconsider={consider}
	onfinalize={finish}
>
	{#each items as { id } (id)}
		{@const at = find(id)}
		{@const layer = preset.layers[at]}
		<!-- svelte-ignore a11y_click_events_have_key_events -->
		<div
			class="tab"
			role="tab"
			tabindex={id === (chosen ?? items[0]?.id) ? 0 : -1}
			aria-selected={id === chosen}
			class:muted={layer?.mute || (solo.size > 0 && !solo.has(id))}
			title="{layer ? layerName(layer, at) : ''}{preset.layers.length > 1
				? ': drag, or Alt with an arrow, to move it'
				: ''}"
			onclick={() => onchoose(id)}
			onkeydowncapture={(event) => keys(event, id)}
		>
			{#if layer}{layerName(layer, at)}{layer.mute ? ', muted' : solo.has(id) ? ', alone' : ''}{/if}
		</div>
	{/each}
</div>
<button class="add" onclick={onadd}><Plus size={13} /> layer</button>

<style>
	.tabs {
		display: flex;
		min-width: 0;
		overflow-x: auto;
		scrollbar-width: none;
	}
	.tab {
		flex: none;
		border: 1px solid transparent;
		border-bottom: 0;
		border-radius: 7px 7px 0 0;
		background: none;
		padding: 3px 10px 4px;
		cursor: pointer;
		white-space: nowrap;
		color: var(--ink-2);
		max-width: 8.5rem;
		overflow: hidden;
		text-overflow: ellipsis;
	}
	.tab[aria-selected='true'] {
		background: var(--field);
		border-color: var(--rule-strong);
		color: var(--ink);
		font-weight: 600;
		box-shadow: 0 1px 0 var(--field);
	}
	.tab.muted {
		text-decoration: line-through;
	}
	.tab:focus-visible {
		outline-offset: -2px;
	}
	.add {
		display: flex;
		align-items: center;
		gap: 3px;
		border: 0;
		background: none;
		color: var(--lamp-text);
		font-weight: 600;
		cursor: pointer;
		padding: 3px 5px 5px;
		white-space: nowrap;
	}
</style>
