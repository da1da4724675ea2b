<script lang="ts">
	/** The sheet's page for trying: what is set here is of the moment and no part of the preset. */
	import type { GameParameter, ShakePreset } from 'dinesis-runtime';
	import { channelsOf, unitOf, type Channel } from 'dinesis-runtime/tools';
	import InkSample from '$lib/plots/InkSample.svelte';
	import { inkOf } from '$lib/plots/inks';
	import NumberField from '$lib/ui/NumberField.svelte';
	import Segments from '$lib/ui/Segments.svelte';
	import type { BenchState } from './bench.svelte';
	import { pads } from '$lib/ui/pad.svelte';
	import PadNote from '$lib/room/PadNote.svelte';
	import { paperLength } from './paper';

	interface Props {
		bench: BenchState;
		preset: ShakePreset;
		parameters: readonly GameParameter[];
	}
	let { bench, preset, parameters }: Props = $props();
	const driving = $derived(parameters.filter((p) => preset.drives.some((d) => d.parameter === p.id)));

	/** A ceiling to begin with: what would already be much. */
	const begin = (channel: Channel): number => {
		const sizes = preset.layers.map((layer) => Math.abs(layer.channels[channel]?.amplitude ?? 0));
		return Number((Math.max(...sizes, 0.01) * preset.amount).toPrecision(2));
	};
	function setCeiling(channel: Channel, most: number | null) {
		bench.setCeilings({ ...bench.ceilings, [channel]: most });
	}
	const whole = $derived(paperLength(preset).seconds);
	const far = $derived(Math.hypot(bench.source[0], bench.source[2]));
	const clean = (value: number): number => Math.round(value * 100) / 100;
</script>

<div class="page">
	<p>For trying only: nothing on this page is kept in the preset.</p>
	{#if pads.name !== ''}<div class="pad"><PadNote says="buttons fire keys 1–8, start the open preset" /></div>{/if}
	<span>seeds</span>
	<div>
		<Segments
			small
			label="Seeds"
			value={bench.heldSeed === null ? 'new' : 'held'}
			options={[
				{ value: 'new', label: 'new each time' },
				{ value: 'held', label: 'the same' }
			]}
			onchange={(v) => (bench.heldSeed = v === 'new' ? null : (bench.newest?.seed ?? 1) >>> 0)}
		/>
		{#if bench.heldSeed !== null}
			<NumberField
				look="inline"
				label="seed"
				value={bench.heldSeed}
				min={0}
				max={4294967295}
				step={0.2}
				digits={0}
				reset={1}
				onchange={(v) => (bench.heldSeed = Math.round(v))}
			/>
		{/if}
	</div>
	<span>time runs at</span>
	<NumberField
		look="inline"
		label=""
		name="Speed of time"
		unit="×"
		value={bench.speed}
		min={0.1}
		max={1}
		step={0.005}
		reset={1}
		onchange={(v) => (bench.speed = v)}
	/>
	<span>again and again</span>
	<div>
		<NumberField
			look="inline"
			label="from"
			unit="s"
			value={bench.loop?.from ?? 0}
			min={0}
			max={whole}
			step={0.01}
			reset={0}
			onchange={(from) => bench.setLoop({ from, to: Math.max(from + 0.05, bench.loop?.to ?? whole) })}
		/>
		<NumberField
			look="inline"
			label="to"
			unit="s"
			value={bench.loop?.to ?? clean(whole)}
			min={0.05}
			max={whole}
			step={0.01}
			onchange={(to) => bench.setLoop({ from: Math.min(to - 0.05, bench.loop?.from ?? 0), to })}
		/>
		{#if bench.loop}<button onclick={() => bench.setLoop(null)}>no more</button>
		{:else}<small>or drag with Shift on the strip’s ruler</small>{/if}
	</div>
	{#if driving.length > 0}
		<span>game values</span>
		<div>
			{#each driving as p (p.id)}
				<NumberField
					look="inline"
					label={p.name}
					value={bench.valueNow(p.id)}
					min={p.min}
					max={p.max}
					step={(p.max - p.min) / 200}
					reset={p.rest}
					onchange={(v) => bench.setValue(p.id, v)}
				/>
			{/each}
		</div>
	{/if}
	{#if preset.view === 'space'}
		<span>comes from</span>
		<div>
			{#each ['x', 'height', 'z'] as name, i (name)}
				<NumberField
					look="inline"
					label={name}
					unit="m"
					value={bench.source[i]!}
					min={-60}
					max={60}
					step={0.05}
					reset={[-3.5, 1.6, -4][i]}
					onchange={(v) => (bench.source = bench.source.map((s, k) => (k === i ? v : s)) as [number, number, number])}
				/>
			{/each}
			<small>{far.toFixed(1)} m away{preset.space === 'source' ? '' : ': felt by presets along their source'}</small>
		</div>
	{/if}
	<span>ceiling</span>
	<div class="ceilings">
		{#each channelsOf(preset.view) as channel (channel)}
			{@const ink = inkOf(channel, preset.view)}
			{@const most = bench.ceilings[channel] ?? null}
			<label>
				<input
					type="checkbox"
					checked={most !== null}
					onchange={(e) => setCeiling(channel, e.currentTarget.checked ? begin(channel) : null)}
				/>
				<InkSample {ink} {channel} faint={most === null} />{ink.label}
			</label>
			{#if most !== null}
				<NumberField
					look="inline"
					label="Ceiling of {ink.label}"
					unit={unitOf(channel, preset.view)}
					value={most}
					min={0}
					max={10000}
					step={0.002}
					onchange={(v) => setCeiling(channel, v)}
				/>
			{:else}<small>none</small>{/if}
		{/each}
	</div>
	<span></span>
	<small>After everything is summed no channel goes beyond its ceiling; it bends from seven tenths of it on.</small>
</div>

<style>
	.page {
		display: grid;
		grid-template-columns: max-content minmax(0, 1fr);
		gap: 7px 14px;
		align-items: center;
		align-content: start;
		min-height: 0;
		overflow: auto;
		font-size: 12.5px;
	}
	p {
		grid-column: 1 / -1;
		margin: 2px 0 0;
		color: var(--lamp-text);
	}
	.page > .pad {
		grid-column: 1 / -1;
		min-height: 0;
	}
	.page > span {
		color: var(--ink-2);
	}
	.page > div {
		display: flex;
		gap: 12px;
		align-items: center;
		white-space: nowrap;
		min-height: 22px;
		flex-wrap: wrap;
		row-gap: 2px;
	}
	.page > .ceilings {
		display: grid;
		grid-template-columns: max-content max-content max-content 1fr;
		gap: 9px 14px;
	}
	label {
		display: flex;
		gap: 6px;
		align-items: center;
	}
	small {
		font-size: 11.5px;
		color: var(--ink-2);
		overflow: hidden;
		text-overflow: ellipsis;
	}
	.ceilings :global(.label) {
		display: none !important;
	}
	button {
		border: 1px solid var(--rule-strong);
		border-radius: 6px;
		background: var(--field);
		padding: 0 8px;
		cursor: pointer;
	}
	input {
		accent-color: var(--lamp);
		margin: 0;
	}
</style>
