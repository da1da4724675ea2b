<script lang="ts">
	/** The most that each channel may come to over bob, lean and shakes; beside it how far it came just now. */
	import { rangeOf, type Range } from '$lib/documents';
	import { rig as shape } from 'dinesis-runtime/tools';
	import { channelsOf, unitOf, type Ceilings, type Channel, type View } from 'dinesis-runtime/tools';
	import { inkOf } from '$lib/plots/inks';
	import NumberField from '$lib/ui/NumberField.svelte';
	import StageSheet from './StageSheet.svelte';

	interface Props {
		ceiling: Ceilings | null;
		view: View;
		onchange: (ceiling: Ceilings | null, mark: string, done: boolean) => void;
	}
	let { ceiling, view, onchange }: Props = $props();
	const of = (...path: string[]): Range => rangeOf(shape, ...path);

	/** What a new ceiling begins with, by unit. */
	const FIRST: Readonly<Record<string, number>> = { m: 0.15, px: 20, '°': 5, '%': 5 };
	const set = (channel: Channel, most: number | null, done: boolean): void =>
		onchange({ ...(ceiling ?? {}), [channel]: most }, channel, done);
</script>

<StageSheet
	title="Ceiling"
	about="Up to 0.7 of it nothing changes; beyond that it bends, and never gets there. It holds the sum of bob, lean and shakes, not the lag."
>
	{#each channelsOf(view) as channel (channel)}
		{@const most = ceiling?.[channel] ?? null}
		{@const unit = unitOf(channel, view)}
		<div class="row">
			<label class="check"
				><input
					type="checkbox"
					checked={most !== null}
					onchange={(e) => set(channel, e.currentTarget.checked ? (FIRST[unit] ?? 5) : null, true)}
				/>
				{inkOf(channel, view).label}</label
			>
			{#if most !== null}
				<NumberField
					look="cell"
					label={channel}
					name="The most of {inkOf(channel, view).label}"
					{unit}
					value={most}
					{...of('ceiling')}
					step={unit === 'm' ? 0.002 : 0.05}
					onchange={(v, done) => set(channel, v, done)}
				/>
			{:else}<span>no limit</span>{/if}
		</div>
	{/each}
</StageSheet>

<style>
	.row {
		display: grid;
		grid-template-columns: 1fr 92px;
		align-items: center;
		border-bottom: 1px solid var(--rule);
		min-height: 27px;
	}
	span {
		font-size: 12px;
		color: var(--ink-2);
		text-align: right;
		padding-right: 6px;
	}
</style>
