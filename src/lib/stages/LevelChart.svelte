<script lang="ts">
	/** Each channel's sum just now, how far it came lately, and the ceiling over it: what is bent stands out. */
	import { BENDS_FROM, channelsOf, CHANNELS, unitOf, type Ceilings, type View } from 'dinesis-runtime/tools';
	import Chart from '$lib/plots/Chart.svelte';
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

	/** The farthest lately falls back by so much with every drawing. */
	const FALLS = 0.992 ** 4;
	/** The farthest lately, falling back slowly. */
	const held = new Float64Array(CHANNELS.length);
	const LEAST: Readonly<Record<string, number>> = { m: 0.02, px: 4, '°': 0.5, '%': 0.5 };
	/** Drawn this often in a second: bars are read, not watched. */
	const EVERY = 4;
	const drawn = $derived(Math.floor(beat / EVERY));
	const rows = $derived.by(() => {
		void drawn;
		return channelsOf(view).map((channel) => {
			const i = CHANNELS.indexOf(channel);
			const [raw, now] = [Math.abs(before[i]!), Math.abs(after[i]!)];
			held[i] = Math.max(raw, held[i]! * FALLS);
			const most = on ? (ceiling?.[channel] ?? null) : null;
			const unit = unitOf(channel, view);
			const full = Math.max(most !== null ? most * 1.3 : 0, held[i]! * 1.1, LEAST[unit] ?? 1);
			const bent = most !== null && raw > BENDS_FROM * most;
			const said = unit === 'm' ? `${(now * 100).toFixed(1)} cm` : `${now.toFixed(unit === 'px' ? 1 : 2)} ${unit}`;
			return {
				channel,
				label: inkOf(channel, view).label,
				ink: `--ink-${channel}`,
				now: now / full,
				before: raw / full,
				farthest: held[i]! / full,
				bends: most === null ? null : (most * BENDS_FROM) / full,
				most: most === null ? null : most / full,
				said: bent ? `${said}, bent` : said
			};
		});
	});
</script>

<div class="levels" style:--rows={rows.length}>
	<Chart
		label="Each channel just now, and the ceiling over it"
		about={rows.map(({ label, said }) => `${label} ${said}`).join('; ')}
		levels={rows}
	/>
</div>
<p>
	What bob, lean and shakes come to just now. From the dashed line on it bends (amber is what is taken off); the red
	line is the ceiling, which is never reached; the thin mark is the farthest of the last seconds.
</p>

<style>
	.levels {
		height: calc(var(--rows) * 36px);
		margin-top: 8px;
	}
	p {
		margin: 18px 6px 0;
		font-size: 12px;
		color: var(--ink-2);
	}
</style>
