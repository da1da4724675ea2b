<script lang="ts">
	import Link2 from '@lucide/svelte/icons/link-2';
	import {
		channelsOf,
		shakePreset,
		unitOf,
		type Channel,
		type ChannelSettings,
		type Layer,
		type View
	} from 'dinesis-runtime/tools';
	import { rangeOf } from '$lib/documents';
	import InkSample from '$lib/plots/InkSample.svelte';
	import { amplitudeStep, clockOf, inProportion, toggled, withChannel } from './channel-edits';
	import { inkOf } from '$lib/plots/inks';
	import BeginsSelect from './BeginsSelect.svelte';
	import NumberField from '$lib/ui/NumberField.svelte';

	interface Props {
		view: View;
		layer: Layer;
		/** The channel whose poses are edited, for keys. */
		keyed: Channel | null;
		onkeys: (channel: Channel) => void;
		onchange: (label: string, recipe: (layer: Layer) => Layer, mark: string, done: boolean) => void;
	}
	let { view, layer, keyed, onkeys, onchange }: Props = $props();
	/** Linked amplitudes keep their proportions: one turned turns all. */
	let linked = $state(false);

	const set = (channel: Channel, label: string, part: Partial<ChannelSettings>, done: boolean): void =>
		onchange(
			`${label} of ${inkOf(channel, view).label}`,
			(l) => withChannel(l, channel, part),
			`${channel} ${label}`,
			done
		);
	function setAmplitude(channel: Channel, value: number, done: boolean) {
		if (!linked || layer.channels[channel]!.amplitude === 0)
			return set(channel, 'Amplitude', { amplitude: value }, done);
		onchange('Amplitudes', (l) => inProportion(l, channel, value), 'amplitudes', done);
	}
	const toggle = (channel: Channel): void =>
		onchange(
			`${layer.channels[channel] ? 'Switch off' : 'Switch on'} ${inkOf(channel, view).label}`,
			(l) => toggled(l, channel, view),
			`${channel} toggle`,
			true
		);
	/** Poses take room: what is switched off stands in one row. */
	const folded = $derived(layer.pattern.kind === 'keys');
	const off = $derived(channelsOf(view).filter((c) => !layer.channels[c]));
</script>

<table>
	<thead>
		<tr>
			<th scope="col">channel</th>
			<th scope="col" class="number">
				<button
					class="link"
					aria-pressed={linked}
					title="Linked: amplitudes keep their proportions"
					onclick={() => (linked = !linked)}
				>
					<Link2 size={13} /> amplitude
				</button>
			</th>
			<th scope="col" class="number">frequency</th>
			<th scope="col" class="number">begins</th>
		</tr>
	</thead>
	<tbody>
		{#each channelsOf(view).filter((c) => !folded || layer.channels[c]) as channel (channel)}
			{@const c = layer.channels[channel]}
			{@const ink = inkOf(channel, view)}
			<tr class:off={!c}>
				<th scope="row">
					<button
						role="switch"
						aria-checked={Boolean(c)}
						aria-label={ink.label}
						title="{c ? 'Switch off' : 'Switch on'} {ink.label}"
						onclick={() => toggle(channel)}
					>
						<InkSample {ink} {channel} faint={!c} />
						{ink.label}
					</button>
				</th>
				{#if c}
					<td
						><NumberField
							look="cell"
							label="Amplitude of {ink.label}"
							unit={unitOf(channel, view)}
							value={c.amplitude}
							{...rangeOf(shakePreset, 'layers', 'channels', 'amplitude')}
							step={amplitudeStep(channel, view)}
							reset={0}
							onchange={(v, done) => setAmplitude(channel, v, done)}
						/></td
					>
					{#if layer.pattern.kind === 'keys'}
						<td class="word">
							<button class="poses" aria-pressed={keyed === channel} onclick={() => onkeys(channel)}>poses</button>
						</td>
					{:else if clockOf(layer, channel)}
						<td
							class="word"
							title="Position jumps together, on the clock of {inkOf(clockOf(layer, channel)!, view).label}"
							>with {inkOf(clockOf(layer, channel)!, view).label}</td
						>
					{:else}
						<td
							><NumberField
								look="cell"
								label="Frequency of {ink.label}"
								unit="Hz"
								value={c.frequency}
								{...rangeOf(shakePreset, 'layers', 'channels', 'frequency')}
								step={0.02}
								reset={5}
								onchange={(v, done) => set(channel, 'Frequency', { frequency: v }, done)}
							/></td
						>
					{/if}
					{#if layer.pattern.kind === 'kick' || (layer.pattern.kind === 'keys' && !layer.pattern.loop)}
						<td class="word">at zero</td>
					{:else}
						<td>
							<BeginsSelect
								label="Where {ink.label} begins"
								start={c.start}
								onchange={(start) => set(channel, 'Beginning', { start }, true)}
							/>
						</td>
					{/if}
				{:else}
					<td class="none">–</td><td></td><td></td>
				{/if}
			</tr>
		{/each}
		{#if folded && off.length > 0}
			<tr class="off">
				<td colspan="4" class="more">
					{#each off as channel (channel)}
						<button
							role="switch"
							aria-checked="false"
							title="Switch on {inkOf(channel, view).label}"
							onclick={() => toggle(channel)}>{inkOf(channel, view).label}</button
						>
					{/each}
				</td>
			</tr>
		{/if}
	</tbody>
</table>

<style>
	table {
		width: 100%;
		border-collapse: collapse;
		table-layout: fixed;
	}
	thead th {
		position: sticky;
		top: 0;
		z-index: 1;
		background: var(--sheet);
		font-weight: 400;
		font-size: 12px;
		color: var(--ink-2);
		text-align: left;
		padding: 0 8px 2px;
	}
	thead th:first-child {
		width: 29%;
		padding-left: 2px;
	}
	.number {
		text-align: right;
	}
	.link {
		display: inline-flex;
		align-items: center;
		gap: 4px;
		border: 1px solid transparent;
		border-radius: 5px;
		background: none;
		color: inherit;
		cursor: pointer;
		padding: 0 4px;
	}
	.link:hover {
		border-color: var(--rule-strong);
	}
	.link[aria-pressed='true'] {
		background: var(--lamp-light);
		color: var(--on-lamp);
		border-color: var(--lamp);
	}
	tbody tr {
		border-top: 1px solid var(--rule);
		height: 24px;
	}
	tbody th {
		font-weight: 400;
		text-align: left;
		padding: 0;
	}
	tbody th button {
		display: flex;
		align-items: center;
		gap: 8px;
		width: 100%;
		min-height: 24px;
		border: 0;
		background: none;
		cursor: pointer;
		padding: 0 2px;
		white-space: nowrap;
		text-align: left;
	}
	tbody th button:hover {
		background: var(--lamp-wash);
	}
	td {
		padding: 0;
		background: var(--field);
	}
	.off th button {
		color: var(--ink-2);
	}
	.off td {
		background: none;
	}
	.word {
		text-align: right;
		padding-right: 8px;
		font-size: 12.5px;
		color: var(--ink-2);
	}
	.poses {
		border: 1px solid var(--rule-strong);
		border-radius: 5px;
		background: var(--sheet);
		padding: 0 8px;
		cursor: pointer;
	}
	.poses[aria-pressed='true'] {
		border-color: var(--lamp);
		background: var(--lamp-wash);
		color: var(--ink);
	}
	.more button {
		min-height: 24px;
		border: 0;
		background: none;
		padding: 0 7px;
		font-size: 12px;
		color: var(--ink-2);
		cursor: pointer;
		white-space: nowrap;
	}
	.more button:hover {
		background: var(--lamp-wash);
		color: var(--ink);
	}
	.none {
		text-align: right;
		padding-right: 26px;
		color: var(--ink-2);
	}
</style>
