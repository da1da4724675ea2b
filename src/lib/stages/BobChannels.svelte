<script lang="ts">
	/** The channels of a gait: how far, where in the stride, in which shape. */
	import {
		bobPreset as shape,
		BOB_SHAPES,
		channelsOf,
		cyclesOf,
		unitOf,
		type BobChannel,
		type BobGait,
		type BobShape,
		type Channel,
		type View
	} from 'dinesis-runtime/tools';
	import { rangeOf, type Range } from '$lib/documents';
	import NumberField from '$lib/ui/NumberField.svelte';
	import Select from '$lib/ui/Select.svelte';

	interface Props {
		gait: BobGait;
		view: View;
		onchange: (channel: Channel, part: Partial<BobChannel>, mark: string, done: boolean) => void;
	}
	let { gait, view, onchange }: Props = $props();

	const of = (...path: string[]): Range => rangeOf(shape, ...path);
	const EVERY = ['step', 'stride'].map((value) => ({ value, label: value }));
	const SHAPES = BOB_SHAPES.map((value) => ({ value, label: value }));
	const inUnits = (channel: Channel): string => unitOf(channel, view);
</script>

<table>
	<thead><tr><th>channel</th><th>size</th><th>place</th><th>shape</th><th>each</th></tr></thead>
	<tbody>
		{#each channelsOf(view) as name (name)}
			{@const channel = gait.channels[name]}
			<tr class:off={!channel || channel.amplitude === 0}>
				<th scope="row">{name}</th>
				<td
					><NumberField
						look="cell"
						label={name}
						name="{name} size"
						unit={inUnits(name)}
						value={channel?.amplitude ?? 0}
						{...of('gaits', 'channels', 'amplitude')}
						step={inUnits(name) === '°' ? 0.01 : 0.0005}
						reset={0}
						onchange={(amplitude, done) => onchange(name, { amplitude }, name, done)}
					/></td
				>
				<td
					><NumberField
						look="cell"
						label={name}
						name="{name} place in the stride"
						value={channel?.phase ?? 0}
						{...of('gaits', 'channels', 'phase')}
						step={0.01}
						onchange={(phase, done) => onchange(name, { phase }, `${name} phase`, done)}
					/></td
				>
				<td
					><Select
						look="cell"
						label="{name} shape"
						value={channel?.shape ?? 'sine'}
						choices={SHAPES}
						onchange={(chosen) => onchange(name, { shape: chosen as BobShape }, `${name} shape`, true)}
					/></td
				>
				<td
					><Select
						look="cell"
						label="{name} goes round each"
						value={cyclesOf(name, channel?.every) === 2 ? 'step' : 'stride'}
						choices={EVERY}
						onchange={(chosen) => {
							const own = cyclesOf(name) === 2 ? 'step' : 'stride';
							onchange(
								name,
								{ every: chosen === own ? undefined : (chosen as 'step' | 'stride') },
								`${name} every`,
								true
							);
						}}
					/></td
				>
			</tr>
		{/each}
	</tbody>
</table>

<style>
	table {
		border-collapse: collapse;
		table-layout: fixed;
		width: 100%;
		font-size: 12px;
	}
	th {
		text-align: left;
		font-weight: 400;
		color: var(--ink-2);
		font-size: 11px;
	}
	tbody th {
		font-size: 12px;
		color: var(--ink);
	}
	td {
		border-top: 1px solid var(--rule);
	}
	td :global(.cell .turn) {
		padding: 3px 3px;
	}
	.off,
	.off th {
		color: var(--ink-2);
	}
</style>
