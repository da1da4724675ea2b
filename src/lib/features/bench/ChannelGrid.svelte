<script lang="ts">
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
	import { amplitudesSet, amplitudeStep, clockOf, inProportion, keptOf, toggled, withChannels } from './channel-edits';
	import { formatNumber } from '$lib/ui/number';
	import { inkOf } from '$lib/plots/inks';
	import BeginsSelect from './BeginsSelect.svelte';
	import ChannelHead from './ChannelHead.svelte';
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

	/** Rows that are turned together. */
	let chosen = $state.raw<ReadonlySet<Channel>>(new Set());
	/** What is changed with a channel: it alone, or all that are chosen when it is one of them. */
	const with_ = (channel: Channel): readonly Channel[] => (chosen.has(channel) ? [...chosen] : [channel]);
	function choose(channels: readonly Channel[], on: boolean) {
		const next = new Set(chosen);
		for (const channel of channels)
			if (on) next.add(channel);
			else next.delete(channel);
		chosen = next;
	}

	function set(channel: Channel, label: string, part: Partial<ChannelSettings>, done: boolean) {
		const all = with_(channel);
		const name = all.length > 1 ? `${all.length} channels` : inkOf(channel, view).label;
		onchange(`${label} of ${name}`, (l) => withChannels(l, all, part), `${all.join(' ')} ${label}`, done);
	}
	function setAmplitude(channel: Channel, value: number, done: boolean) {
		if (linked && layer.channels[channel]!.amplitude !== 0)
			return onchange('Amplitudes', (l) => inProportion(l, channel, value), 'amplitudes', done);
		const all = with_(channel);
		if (all.length === 1) return set(channel, 'Amplitude', { amplitude: value }, done);
		onchange(
			`Amplitude of ${all.length} channels`,
			(l) => amplitudesSet(l, channel, all, value),
			`${all.join(' ')} amplitude`,
			done
		);
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
	<ChannelHead {view} {chosen} {linked} onchoose={choose} onlink={() => (linked = !linked)} />
	<tbody>
		{#each channelsOf(view).filter((c) => !folded || layer.channels[c]) as channel (channel)}
			{@const c = layer.channels[channel]}
			{@const ink = inkOf(channel, view)}
			<tr class:off={!c}>
				<th scope="row" class:chosen={chosen.has(channel)}>
					<input
						type="checkbox"
						aria-label="Turn {ink.label} with others"
						title="Turned together with the others that are marked"
						checked={chosen.has(channel)}
						onchange={(e) => choose([channel], e.currentTarget.checked)}
					/>
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
					{@const kept = keptOf(layer, channel)}
					<td class="none" title={kept && 'What it comes back with'}
						>{kept ? `${formatNumber(kept.amplitude)} ${unitOf(channel, view)}` : '–'}</td
					><td class="none">{kept ? `${formatNumber(kept.frequency)} Hz` : ''}</td><td></td>
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
	tbody tr {
		border-top: 1px solid var(--rule);
		height: 24px;
	}
	tbody th {
		font-weight: 400;
		text-align: left;
		padding: 0;
	}
	tbody th {
		position: relative;
	}
	tbody th.chosen {
		background: var(--lamp-wash);
	}
	th input {
		position: absolute;
		right: 2px;
		top: 5px;
		margin: 0;
		width: 13px;
		height: 13px;
		accent-color: var(--lamp);
		opacity: 0;
	}
	tr:hover th input,
	th input:checked,
	th input:focus-visible {
		opacity: 1;
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
		padding-right: 20px;
		font-size: 12.5px;
		color: var(--ink-2);
	}
</style>
