<script lang="ts">
	/** The gaits side by side over the speed: how far the eye goes up and down and sideways, how often a foot falls, what real heads do. */
	import { gaitName } from './body-changes';
	import Chart from '$lib/plots/Chart.svelte';
	import { speedChart, type SpeedDrawing } from './speed-chart';

	let { bob, speed, onspeed, ongait }: SpeedDrawing = $props();

	const spec = $derived(speedChart({ bob, speed, onspeed, ongait }));
	const about = $derived(bob.gaits.map((gait) => `${gaitName(gait)} at ${gait.speed.toFixed(2)} m/s`).join(', '));
</script>

<figure>
	<div class="key" aria-hidden="true">
		<span><i class="up"></i> up</span><span><i class="side"></i> side</span><span
			><i class="steps"></i> steps a second</span
		>
	</div>
	<Chart label="Gaits over the speed" {about} {spec} />
	{#if bob.view !== 'flat'}<figcaption>
			Shaded: how far real heads go up and down, walking 2–5 cm, running 6–10 cm (Murray and others 1964, Thorstensson
			and others 1984). Games use less.
		</figcaption>{/if}
</figure>

<style>
	figure {
		display: grid;
		grid-template-rows: auto minmax(0, 1fr) auto;
		gap: 2px;
		height: 226px;
		margin: 0;
		min-width: 0;
	}
	.key {
		display: flex;
		justify-content: flex-end;
		gap: 12px;
		font-size: 11.5px;
		color: var(--ink-2);
	}
	i {
		display: inline-block;
		width: 18px;
		margin-bottom: 3px;
		border-top: 2.5px solid var(--ink-y);
	}
	.side {
		border-top: 2px dashed var(--ink-x);
	}
	.steps {
		border-top: 2px dotted var(--ink-2);
	}
	figcaption {
		font-size: 11px;
		color: var(--ink-2);
	}
</style>
