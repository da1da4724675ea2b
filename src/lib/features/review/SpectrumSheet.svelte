<script lang="ts">
	/** How much of a channel there is at each frequency, where slower displays stop, and what folding makes of what lies above. */
	import type { Channel } from 'dinesis-runtime/tools';
	import Chart from '$lib/plots/Chart.svelte';
	import { inkOf } from '$lib/plots/inks';
	import Segments from '$lib/ui/Segments.svelte';
	import { shareBetween } from '$lib/review';
	import { spectrumChart } from './charts';
	import type { ReviewState } from './review.svelte';

	let { desk }: { desk: ReviewState } = $props();

	let chosen = $state<Channel | null>(null);
	const channel = $derived(chosen && desk.moving.includes(chosen) ? chosen : (desk.moving[0] ?? null));
	const spec = $derived(
		desk.looks.a && channel ? spectrumChart(desk.looks.a, desk.looks.b, channel, desk.pictures) : null
	);
	/** What of A lies above half of a picture rate. */
	const above = $derived.by(() => {
		const density = channel && desk.looks.a?.detail.densities[channel];
		if (!density) return [];
		return [30, 60, 120].map((pictures) => ({
			pictures,
			share: shareBetween(density, pictures / 2, Infinity)
		}));
	});
	const percent = (share: number): string => (share < 0.0005 ? '0 %' : `${Number((share * 100).toPrecision(2))} %`);
</script>

{#if channel && spec}
	<div class="spectrum">
		<Segments
			small
			label="Channel"
			value={channel}
			options={desk.moving.map((value) => ({ value, label: inkOf(value, desk.view).label }))}
			onchange={(value: Channel) => (chosen = value)}
		/>
		<div class="chart">
			<Chart label="How much there is at each frequency" {spec} />
		</div>
		<p>
			Above what a display can show lies {#each above as { pictures, share }, i (pictures)}{i > 0 ? ', ' : ''}<b
					>{percent(share)}</b
				>
				at {pictures} pictures a second{/each}: it is seen as something slower.
			{#if desk.pictures}Drawn in amber: what is seen at {desk.pictures}.{:else}Choose a picture rate below the window
				to see it, and to see it drawn.{/if}
		</p>
	</div>
{:else}
	<p>Nothing moves.</p>
{/if}

<style>
	.spectrum {
		display: grid;
		gap: 8px;
		justify-items: start;
	}
	.chart {
		width: 100%;
		height: clamp(180px, 40vh, 340px);
	}
	p {
		margin: 0;
		font-size: 12.5px;
		color: var(--ink-2);
	}
	b {
		color: var(--ink);
	}
</style>
