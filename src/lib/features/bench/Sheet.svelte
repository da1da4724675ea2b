<script lang="ts">
	import { unknownDrive } from '$lib/documents/checks/unknown-drive';
	import { checkPreset } from '$lib/documents/checks/preset-checks';
	import { onMount, untrack } from 'svelte';
	import { fetchAfterPaint } from '$lib/ui/after-paint';
	import type { GameParameter, ShakePreset } from 'dinesis-runtime';
	import { channelsOf, newLayer, type Channel, type Layer } from 'dinesis-runtime/tools';
	import { copyLayer, freeId, layerName, type Finding } from '$lib/documents';
	import type { MotionWorker } from '$lib/workers/motion';
	import type { Shelf } from '$lib/workers/shelf';
	import type { BenchState } from './bench.svelte';
	import ChannelGrid from './ChannelGrid.svelte';
	import Frame from '$lib/ui/Frame.svelte';
	import Figures from './Figures.svelte';
	import LayerLine from './LayerLine.svelte';
	import LayerTabs from './LayerTabs.svelte';
	import PatternNumbers from './PatternNumbers.svelte';
	import PatternPicker from './PatternPicker.svelte';
	import Tiles from './Tiles.svelte';

	interface Props {
		bench: BenchState;
		preset: ShakePreset;
		worker: MotionWorker;
		shelf: Shelf;
		/** The game's values, which may drive a preset. */
		parameters: readonly GameParameter[];
		onchange: (label: string, recipe: (preset: ShakePreset) => ShakePreset, mark: string, done: boolean) => void;
	}
	let { bench, preset, worker, shelf, parameters, onchange }: Props = $props();

	const PAGES = [
		{ id: 'played', label: 'Played', about: 'How it is played: again, priority, axes, life, tags' },
		{ id: 'trying', label: 'Try', about: 'For trying: seeds, source, ceiling, speed, a part again and again' },
		{ id: 'vary', label: 'Vary', about: 'Six neighbours of this preset (V)' }
	] as const;
	onMount(() =>
		fetchAfterPaint(
			() => import('./HowPlayed.svelte'),
			() => import('./Trying.svelte'),
			() => import('$lib/room/FindingLines.svelte'),
			() => import('./JumpTimes.svelte'),
			() => import('$lib/room/KeyTarget.svelte'),
			() => import('./Neighbours.svelte'),
			() => import('$lib/plots/KeysEditor.svelte')
		)
	);
	let chosen = $state('');
	let page = $state<'moves' | (typeof PAGES)[number]['id']>('moves');
	const layer = $derived(preset.layers.find((l) => l.id === chosen) ?? preset.layers[0]);
	/** The channel whose poses are edited. */
	let keysOf = $state<Channel | null>(null);
	const keyed = $derived(
		layer && keysOf && layer.channels[keysOf]
			? keysOf
			: (channelsOf(preset.view).find((c) => layer?.channels[c]) ?? null)
	);
	const found = $derived([
		...unknownDrive(preset, { parameters }),
		...checkPreset(preset, { pictureRate: bench.pictureRate || bench.session.settings.now.frameRate }),
		...bench.session.findings.inMotion('shake', preset.id).map(({ finding }) => finding as unknown as Finding)
	]);

	// Another preset begins on its first page.
	let shown = untrack(() => preset.id);
	$effect(() => {
		if (preset.id === shown) return;
		shown = preset.id;
		page = 'moves';
		chosen = '';
	});

	export function turnTo(wanted: 'vary'): void {
		page = page === wanted ? 'moves' : wanted;
	}

	function changeLayer(label: string, recipe: (layer: Layer) => Layer, mark: string, done: boolean) {
		const id = layer!.id;
		onchange(
			label,
			(p) => ({ ...p, layers: p.layers.map((l) => (l.id === id ? recipe(l) : l)) }),
			`${id} ${mark}`,
			done
		);
	}
	function choose(id: string) {
		chosen = id;
		page = 'moves';
	}
	function addLayer() {
		const id = freeId(
			'layer',
			preset.layers.map((l) => l.id)
		);
		onchange('Add layer', (p) => ({ ...p, layers: [...p.layers, newLayer(id)] }), 'add', true);
		choose(id);
	}
	function copy() {
		const { preset: changed, id } = copyLayer(preset, layer!.id);
		onchange('Copy layer', () => changed, 'copy', true);
		choose(id);
	}
	function remove() {
		const id = layer!.id;
		bench.setSolo(new Set([...bench.solo].filter((other) => other !== id)));
		onchange('Remove layer', (p) => ({ ...p, layers: p.layers.filter((l) => l.id !== id) }), 'remove', true);
	}
	function toggleSolo() {
		const id = layer!.id;
		const next = new Set(bench.solo);
		if (!next.delete(id)) next.add(id);
		bench.setSolo(next);
	}
</script>

<Frame label="Sheet: {preset.name}" flow="column">
	<Tiles {bench} {preset} {onchange} />

	<div class="layers">
		<LayerTabs
			{preset}
			chosen={page === 'moves' ? (layer?.id ?? null) : null}
			solo={bench.solo}
			onchoose={choose}
			onadd={addLayer}
			{onchange}
		/>
		<span class="pages">
			{#each PAGES as { id, label, about } (id)}
				<button
					class="turn-page"
					aria-pressed={page === id}
					title={about}
					onclick={() => (page = page === id ? 'moves' : id)}>{label}</button
				>
			{/each}
		</span>
	</div>

	{#if page === 'played'}
		{#await import('./HowPlayed.svelte') then { default: HowPlayed }}<HowPlayed
				source={bench.source}
				{preset}
				{parameters}
				{onchange}
			/>{/await}
	{:else if page === 'trying'}
		{#await import('./Trying.svelte') then { default: Trying }}<Trying {bench} {preset} {parameters} />{/await}
	{:else if page === 'vary'}
		{#await import('./Neighbours.svelte') then { default: Neighbours }}
			<Neighbours {bench} {preset} {worker} {onchange} />
		{/await}
	{:else if layer}
		<PatternPicker {layer} onchange={changeLayer} />
		{#if layer.pattern.kind === 'keys' && keyed}
			{@const channel = keyed}
			{#await import('$lib/plots/KeysEditor.svelte') then { default: KeysEditor }}<KeysEditor
					{channel}
					view={preset.view}
					keys={layer.channels[channel]?.keys ?? []}
					loop={layer.pattern.loop}
					cycle={layer.pattern.cycle}
					onchange={(keys, label, done) =>
						changeLayer(
							label,
							(l) => ({ ...l, channels: { ...l.channels, [channel]: { ...l.channels[channel]!, keys } } }),
							`keys ${channel}`,
							done
						)}
				/>{/await}
		{/if}
		<div class="scroll">
			<ChannelGrid view={preset.view} {layer} {keyed} onkeys={(c) => (keysOf = c)} onchange={changeLayer} />
		</div>
		<PatternNumbers {layer} view={preset.view} onchange={changeLayer} />
		<LayerLine
			{layer}
			name={layerName(layer, preset.layers.indexOf(layer))}
			alone={bench.solo.has(layer.id)}
			only={preset.layers.length < 2}
			onalone={toggleSolo}
			oncopy={copy}
			onremove={remove}
			onchange={changeLayer}
		/>
	{:else}
		<p class="none">No layer is left, so nothing moves. <button onclick={addLayer}>Add one</button></p>
	{/if}

	{#if page !== 'vary'}
		{#if found.length > 0}{#await import('$lib/room/FindingLines.svelte') then { default: FindingLines }}
				<FindingLines
					list={found}
					most={2}
					onfix={({ fix }) => onchange(fix!.label, (p) => fix!.apply(p) as ShakePreset, 'fix', true)}
				/>
			{/await}{/if}
		<Figures {preset} {shelf} />
	{/if}
</Frame>

<style>
	.layers {
		display: flex;
		align-items: end;
		gap: 4px;
		border-bottom: 1px solid var(--rule-strong);
		flex: none;
	}
	.pages {
		display: flex;
		gap: 11px;
		margin-left: auto;
		padding-left: 8px;
	}
	.turn-page {
		border: 0;
		border-bottom: 2px solid transparent;
		background: none;
		cursor: pointer;
		padding: 3px 1px 4px;
		white-space: nowrap;
		color: var(--ink-2);
	}
	.turn-page:hover {
		color: var(--ink);
	}
	.turn-page[aria-pressed='true'] {
		border-bottom-color: var(--lamp);
		color: var(--ink);
		font-weight: 600;
	}
	.scroll {
		min-height: 70px;
		overflow: auto;
		flex: 0 1 auto;
	}
	.none button {
		border: 1px solid var(--rule-strong);
		border-radius: 6px;
		background: var(--field);
		padding: 1px 8px;
		cursor: pointer;
	}
	.none {
		color: var(--ink-2);
	}
</style>
