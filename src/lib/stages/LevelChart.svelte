<script lang="ts">
	/** Each channel's sum just now, how far it came lately, and the ceiling over it: what is bent stands out. */
	import { BENDS_FROM, channelsOf, CHANNELS, unitOf, type Ceilings, type View } from 'dinesis-runtime/tools';
	import { inkOf } from '$lib/plots/inks';

	interface Props {
		/** Seven channels before and after the ceiling. */
		before: Float64Array;
		after: Float64Array;
		/** Counts up with each reading. */
		beat: number;
		ceiling: Ceilings | null;
		view: View;
		on: boolean;
	}
	let { before, after, beat, ceiling, view, on }: Props = $props();

	/** The farthest lately, falling back slowly. */
	const held = new Float64Array(CHANNELS.length);
	const LEAST: Readonly<Record<string, number>> = { m: 0.02, px: 4, '°': 0.5, '%': 0.5 };
	const rows = $derived.by(() => {
		void beat;
		return channelsOf(view).map((channel) => {
			const i = CHANNELS.indexOf(channel);
			const [raw, now] = [Math.abs(before[i]!), Math.abs(after[i]!)];
			held[i] = Math.max(raw, held[i]! * 0.992);
			const most = on ? (ceiling?.[channel] ?? null) : null;
			const unit = unitOf(channel, view);
			const full = Math.max(most !== null ? most * 1.3 : 0, held[i]! * 1.1, LEAST[unit] ?? 1);
			return {
				channel,
				label: inkOf(channel, view).label,
				unit,
				now,
				bent: most !== null && raw > BENDS_FROM * most,
				held: held[i]! / full,
				raw: raw / full,
				part: now / full,
				most: most === null ? null : most / full
			};
		});
	});
</script>

<ul>
	{#each rows as row (row.channel)}
		<li>
			<span class="name">{row.label}</span>
			<span class="bar">
				<i class="raw" style:width="{row.raw * 100}%"></i>
				<i class="now" style:width="{row.part * 100}%" style:background="var(--ink-{row.channel})"></i>
				<i class="held" style:left="{row.held * 100}%"></i>
				{#if row.most !== null}
					<i class="bends" style:left="{row.most * BENDS_FROM * 100}%"></i>
					<i class="most" style:left="{row.most * 100}%"></i>
				{/if}
			</span>
			<output class:bent={row.bent}
				>{row.unit === 'm' ? (row.now * 100).toFixed(1) : row.now.toFixed(row.unit === 'px' ? 1 : 2)}
				{row.unit === 'm' ? 'cm' : row.unit}{row.bent ? ' bent' : ''}</output
			>
		</li>
	{/each}
</ul>
<p>
	What bob, lean and shakes come to just now. From the dashed line on it bends (amber is what is taken off); the red
	line is the ceiling, which is never reached; the thin mark is the farthest of the last seconds.
</p>

<style>
	ul {
		display: grid;
		align-content: start;
		gap: 16px;
		margin: 14px 0 0;
		padding: 0 6px;
		list-style: none;
	}
	li {
		display: grid;
		grid-template-columns: 86px minmax(0, 1fr) 92px;
		align-items: center;
		gap: 10px;
		font-size: 12.5px;
	}
	.bar {
		position: relative;
		height: 15px;
		border: 1px solid var(--rule);
		border-radius: 4px;
		background: var(--field);
		overflow: hidden;
	}
	.bar i {
		position: absolute;
		top: 0;
		bottom: 0;
	}
	.raw {
		left: 0;
		background: var(--lamp-light);
	}
	.now {
		left: 0;
	}
	.held {
		width: 2px;
		background: var(--ink-2);
	}
	.bends {
		width: 0;
		border-left: 1.5px dashed var(--lamp);
	}
	.most {
		width: 2px;
		background: var(--danger);
	}
	p {
		margin: 18px 6px 0;
		font-size: 12px;
		color: var(--ink-2);
	}
	output {
		text-align: right;
	}
	.bent {
		color: var(--lamp-text);
		font-weight: 600;
	}
</style>
