<script lang="ts">
	import Trash from '@lucide/svelte/icons/trash-2';
	import Plus from '@lucide/svelte/icons/plus';
	import {
		channelsOf,
		checkPreset,
		freeId,
		LIMITS,
		newLayer,
		type Channel,
		type Layer,
		type ShakePreset
	} from '$lib/core';
	import NumberField from '$lib/ui/NumberField.svelte';
	import Segments from '$lib/ui/Segments.svelte';
	import type { BenchState } from './bench.svelte';
	import ChannelGrid from './ChannelGrid.svelte';
	import Figures from './Figures.svelte';
	import HowPlayed from './HowPlayed.svelte';
	import KeysEditor from './KeysEditor.svelte';
	import PatternNumbers from './PatternNumbers.svelte';
	import PatternPicker from './PatternPicker.svelte';

	interface Props {
		bench: BenchState;
		preset: ShakePreset;
		onchange: (label: string, recipe: (preset: ShakePreset) => ShakePreset, mark: string, done: boolean) => void;
	}
	let { bench, preset, onchange }: Props = $props();

	let chosen = $state('');
	let page = $state<'moves' | 'played'>('moves');
	const layer = $derived(preset.layers.find((l) => l.id === chosen) ?? preset.layers[0]);
	/** The channel whose poses are edited. */
	let keysOf = $state<Channel | null>(null);
	const keyed = $derived(
		layer && keysOf && layer.channels[keysOf]
			? keysOf
			: (channelsOf(preset.view).find((c) => layer?.channels[c]) ?? null)
	);
	const isBurst = $derived(preset.timing.mode === 'burst');
	const finding = $derived(checkPreset(preset)[0]);

	const timing = (part: (t: ShakePreset['timing']) => Partial<ShakePreset['timing']>) => (p: ShakePreset) => ({
		...p,
		timing: { ...p.timing, ...part(p.timing) }
	});

	function changeLayer(label: string, recipe: (layer: Layer) => Layer, mark: string, done: boolean) {
		const id = layer!.id;
		onchange(
			label,
			(p) => ({ ...p, layers: p.layers.map((l) => (l.id === id ? recipe(l) : l)) }),
			`${id} ${mark}`,
			done
		);
	}
	function addLayer() {
		const id = freeId(
			'layer',
			preset.layers.map((l) => l.id)
		);
		onchange('Add layer', (p) => ({ ...p, layers: [...p.layers, newLayer(id)] }), 'add', true);
		chosen = id;
		page = 'moves';
	}
	function removeLayer() {
		const id = layer!.id;
		onchange('Remove layer', (p) => ({ ...p, layers: p.layers.filter((l) => l.id !== id) }), 'remove', true);
	}
	const nameOf = (l: Layer, i: number): string => l.name ?? `Layer ${i + 1}`;
	const part = (value: number, most: number): number => value / most;
</script>

<section aria-label="Sheet: {preset.name}">
	<div class="tiles">
		<NumberField
			label="amount"
			unit="×"
			value={preset.amount}
			min={0}
			max={LIMITS.multiplier}
			step={0.01}
			reset={1}
			fill={part(preset.amount, 2)}
			hint="Multiplies every amplitude"
			onchange={(v, done) => onchange('Amount', (p) => ({ ...p, amount: v }), 'amount', done)}
		/>
		<NumberField
			label="rate"
			unit="×"
			value={preset.rate}
			min={0}
			max={LIMITS.multiplier}
			step={0.01}
			reset={1}
			fill={part(preset.rate, 2)}
			hint="Multiplies every frequency"
			onchange={(v, done) => onchange('Rate', (p) => ({ ...p, rate: v }), 'rate', done)}
		/>
		{#if isBurst}
			<NumberField
				label="length"
				unit="s"
				value={preset.timing.duration}
				min={0}
				max={LIMITS.seconds}
				step={0.01}
				reset={1}
				fill={part(preset.timing.duration, 4)}
				hint="The whole burst, fades included"
				onchange={(v, done) =>
					onchange(
						'Length',
						timing(() => ({ duration: v })),
						'length',
						done
					)}
			/>
		{:else}
			<div class="until" title="Runs until it is stopped; then it fades out">until<br /><b>stopped</b></div>
		{/if}
		<NumberField
			label="fade in"
			unit="s"
			value={preset.timing.fadeIn.time}
			min={0}
			max={LIMITS.seconds}
			step={0.01}
			reset={0.05}
			fill={part(preset.timing.fadeIn.time, isBurst ? preset.timing.duration : 4)}
			onchange={(v, done) =>
				onchange(
					'Fade in',
					timing((t) => ({ fadeIn: { ...t.fadeIn, time: v } })),
					'fade-in',
					done
				)}
		/>
		<NumberField
			label="fade out"
			unit="s"
			value={preset.timing.fadeOut.time}
			min={0}
			max={LIMITS.seconds}
			step={0.01}
			reset={0.6}
			fill={part(preset.timing.fadeOut.time, isBurst ? preset.timing.duration : 4)}
			onchange={(v, done) =>
				onchange(
					'Fade out',
					timing((t) => ({ fadeOut: { ...t.fadeOut, time: v } })),
					'fade-out',
					done
				)}
		/>
		<NumberField
			label="strength"
			unit="×"
			value={bench.strength}
			min={0}
			max={10}
			step={0.01}
			reset={1}
			fill={part(bench.strength, 2)}
			hint="For trying: what the next press is multiplied by, as from a weak or a strong event"
			onchange={(v) => (bench.strength = v)}
		/>
	</div>

	<div class="layers">
		<div class="tabs" role="tablist" aria-label="Layers">
			{#each preset.layers as l, i (l.id)}
				<button
					role="tab"
					aria-selected={page === 'moves' && l.id === layer?.id}
					class:muted={l.mute}
					onclick={() => {
						chosen = l.id;
						page = 'moves';
					}}>{nameOf(l, i)}{l.mute ? ', muted' : ''}</button
				>
			{/each}
		</div>
		<button class="add" onclick={addLayer}><Plus size={13} /> layer</button>
		<button
			class="turn-page"
			aria-pressed={page === 'played'}
			onclick={() => (page = page === 'played' ? 'moves' : 'played')}>How it is played</button
		>
		<Segments
			small
			label="How long it lasts"
			value={preset.timing.mode}
			options={[
				{ value: 'burst', label: 'burst', title: 'A set length' },
				{ value: 'continuous', label: 'until stopped', title: 'Runs until it is stopped' }
			]}
			onchange={(mode) =>
				onchange(
					'How long it lasts',
					timing(() => ({ mode })),
					'mode',
					true
				)}
		/>
	</div>

	{#if page === 'played'}
		<HowPlayed {preset} {onchange} />
	{:else if layer}
		<PatternPicker {layer} onchange={changeLayer} />
		{#if layer.pattern.kind === 'keys' && keyed}
			{@const channel = keyed}
			<KeysEditor
				{channel}
				view={preset.view}
				keys={layer.channels[channel]?.keys ?? []}
				loop={layer.pattern.loop}
				onchange={(keys, label, done) =>
					changeLayer(
						label,
						(l) => ({ ...l, channels: { ...l.channels, [channel]: { ...l.channels[channel]!, keys } } }),
						`keys ${channel}`,
						done
					)}
			/>
		{/if}
		<div class="scroll">
			<ChannelGrid view={preset.view} {layer} {keyed} onkeys={(c) => (keysOf = c)} onchange={changeLayer} />
		</div>
		<div class="line">
			<button
				aria-pressed={layer.mute}
				onclick={() => changeLayer('Mute', (l) => ({ ...l, mute: !l.mute }), 'mute', true)}
				>{layer.mute ? 'unmute' : 'mute'}</button
			>
			<button
				onclick={removeLayer}
				disabled={preset.layers.length < 2}
				aria-label="Remove layer"
				title="Remove this layer"><Trash size={13} /></button
			>
			<PatternNumbers {layer} onchange={changeLayer} />
		</div>
	{:else}
		<p class="none">No layer is left, so nothing moves. <button onclick={addLayer}>Add one</button></p>
	{/if}

	{#if finding}
		<p class="finding" role="status">
			{finding.sentence}
			{#if finding.fix}
				{@const fix = finding.fix}
				<button onclick={() => onchange(fix.label, fix.apply, 'fix', true)}>{fix.label}</button>
			{/if}
		</p>
	{:else}
		<Figures {preset} />
	{/if}
</section>

<style>
	section {
		display: flex;
		flex-direction: column;
		gap: 7px;
		min-height: 0;
		background: var(--sheet);
		border: 1px solid var(--rule-strong);
		border-radius: var(--radius);
		padding: 10px 12px 9px;
		overflow: hidden;
	}
	.tiles {
		display: grid;
		grid-template-columns: repeat(6, minmax(0, 1fr));
		gap: 6px;
	}
	.until {
		border: 1px dashed var(--rule-strong);
		border-radius: var(--radius);
		padding: 5px 8px;
		font-size: 11.5px;
		color: var(--ink-2);
		line-height: 1.5;
	}
	.until b {
		font-size: 14px;
		color: var(--ink);
	}
	.layers {
		display: flex;
		align-items: end;
		gap: 6px;
		border-bottom: 1px solid var(--rule-strong);
	}
	.layers > :global(.segments) {
		margin: 0 0 4px 6px;
	}
	.tabs {
		display: flex;
		min-width: 0;
		overflow-x: auto;
		scrollbar-width: none;
	}
	.tabs button {
		border: 1px solid transparent;
		border-bottom: 0;
		border-radius: 7px 7px 0 0;
		background: none;
		padding: 4px 11px 5px;
		cursor: pointer;
		white-space: nowrap;
		color: var(--ink-2);
	}
	.tabs button[aria-selected='true'] {
		background: var(--field);
		border-color: var(--rule-strong);
		color: var(--ink);
		font-weight: 600;
		box-shadow: 0 1px 0 var(--field);
	}
	.tabs button.muted {
		text-decoration: line-through;
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
		padding: 4px 6px 6px;
		white-space: nowrap;
	}
	.turn-page {
		border: 0;
		border-bottom: 2px solid transparent;
		background: none;
		cursor: pointer;
		padding: 4px 2px 5px;
		margin-left: auto;
		white-space: nowrap;
		color: var(--ink-2);
	}
	.turn-page[aria-pressed='true'] {
		border-bottom-color: var(--lamp);
		color: var(--ink);
		font-weight: 600;
	}
	.scroll {
		min-height: 0;
		overflow: auto;
		flex: 0 1 auto;
	}
	.line {
		display: flex;
		align-items: center;
		gap: 6px;
		font-size: 12.5px;
	}
	.line > button,
	.none button {
		border: 1px solid var(--rule-strong);
		border-radius: 6px;
		background: var(--field);
		padding: 1px 8px;
		cursor: pointer;
		white-space: nowrap;
	}
	.line > button[aria-pressed='true'] {
		background: var(--lamp-light);
		border-color: var(--lamp);
	}
	.line > button:disabled {
		opacity: 0.45;
		cursor: default;
	}
	.finding {
		margin: auto 0 0;
		padding: 6px 10px;
		background: var(--lamp-wash);
		border-left: 4px solid var(--lamp);
	}
	.finding button {
		border: 0;
		background: none;
		color: var(--lamp-text);
		font-weight: 600;
		text-decoration: underline;
		cursor: pointer;
		padding: 0 2px;
	}
	.none {
		color: var(--ink-2);
	}
	@media (max-height: 760px) {
		section {
			gap: 5px;
			padding-block: 8px 6px;
		}
	}
</style>
