<script lang="ts">
	/** What one axis of a camera lag makes of a step, of a ramp, of a way that was recorded; on the step it is tuned by hand. */
	import type { LagPreset } from 'dinesis-runtime';
	import { newLagAxis, type LagAxis, type LagAxisName } from 'dinesis-runtime/tools';
	import Segments from '$lib/ui/Segments.svelte';
	import Chart from '$lib/plots/Chart.svelte';
	import { lagChart, type LagMode } from './lag-chart';
	import { lookFor, rampAnswer, readStep, stepAnswer, wayAnswer } from './lag-figures';

	interface Props {
		lag: LagPreset;
		axis: LagAxisName;
		/** Poses of a recorded way, sixty a second, taken when it is asked for; null: there is none. */
		way: (() => { readonly poses: Float64Array; readonly from: number }) | null;
		/** What the way is called. */
		wayName: string;
		/** null: it is only looked at. */
		onaxis: ((part: Partial<LagAxis>, mark: string, done: boolean) => void) | null;
	}
	let { lag, axis: name, way, wayName, onaxis }: Props = $props();

	let mode = $state<LagMode>('step');
	let frozen = $state<number | null>(null);
	const turns = $derived(name === 'yaw' || name === 'pitch' || name === 'roll');
	const unit = $derived(turns ? '°' : lag.view === 'flat' ? 'px' : 'm');
	const axis = $derived(lag.axes[name] ?? { ...newLagAxis(), follow: 'none' as const });
	/** As far as people turn and go, or pixels that a load is moved. */
	const size = $derived(turns ? 90 : lag.view === 'flat' ? 200 : 1);
	const speed = $derived(turns ? 90 : lag.view === 'flat' ? 180 : 1.6);
	const shown = $derived.by(() => {
		// While it is held the paper stands still.
		const seconds = frozen ?? lookFor(axis);
		if (mode === 'step') return stepAnswer(lag, axis, size, seconds);
		if (mode === 'ramp' || !way) return rampAnswer(lag, axis, speed, Math.max(1.6, seconds * 2));
		const { poses } = way();
		return wayAnswer(lag, name, poses, 60);
	});
	const read = $derived(mode === 'step' ? readStep(shown, axis.quiet) : null);
	const spec = $derived(lagChart({ mode, curve: shown, read, axis, size, unit, onaxis }));
	/** What the curve comes to, in words. */
	const figures = $derived(
		!read || axis.follow === 'none'
			? []
			: [
					...(read.over && read.over.part > 0.002
						? [`overshoots ${(read.over.part * 100).toFixed(read.over.part < 0.1 ? 1 : 0)} %`]
						: []),
					...(read.settled !== null ? [`settles within 2 % in ${read.settled.toFixed(2)} s`] : [])
				]
	);
</script>

<section aria-label="What the lag does">
	<header>
		<p>
			{#if axis.follow === 'none'}{name} goes along at once
			{:else if mode === 'step'}the body is {size}
				{unit} away all of a sudden
			{:else if mode === 'ramp'}the body goes at {speed} {unit}/s and stands
			{:else}{name} on {wayName}{/if}
		</p>
		<Segments
			small
			label="What it answers to"
			value={mode}
			options={[
				{ value: 'step', label: 'step' },
				{ value: 'ramp', label: 'ramp' },
				...(way ? [{ value: 'way' as const, label: 'the course' }] : [])
			]}
			onchange={(v) => (mode = v)}
		/>
	</header>
	<div class="key">
		<span><i class="body"></i> <em>where the</em> body <em>is</em></span>
		<span><i class="view"></i> <em>where the</em> camera <em>is</em></span>
		<b>{figures.join(', ')}</b>
	</div>
	<Chart
		label="Where the body is and where the camera is, over time"
		about={figures.join(', ')}
		{spec}
		onhold={(held) => (frozen = held ? shown.seconds : null)}
	/>
</section>

<style>
	section {
		display: grid;
		grid-template-columns: minmax(0, 1fr);
		grid-template-rows: auto auto minmax(0, 1fr);
		gap: 4px;
		min-width: 0;
		min-height: 0;
		height: 100%;
		container-type: inline-size;
	}
	header {
		display: flex;
		align-items: center;
		justify-content: space-between;
		gap: 8px;
	}
	p {
		flex: 1;
		min-width: 0;
		margin: 0;
		font-size: 12px;
		color: var(--ink-2);
		white-space: nowrap;
		overflow: hidden;
		text-overflow: ellipsis;
	}
	.key {
		display: flex;
		gap: 14px;
		font-size: 11.5px;
		color: var(--ink-2);
	}
	.key i {
		display: inline-block;
		width: 22px;
		margin-bottom: 3px;
		border-top: 2px dashed var(--ink-2);
	}
	.key b {
		margin-left: auto;
		font-weight: 600;
		color: var(--lamp-text);
	}
	.key .view {
		border-top: 3px solid var(--ink-y);
	}
	em {
		font-style: normal;
	}
	@container (width < 320px) {
		.key {
			flex-wrap: wrap;
			gap: 0 8px;
		}
		.key b {
			width: 100%;
		}
		em {
			display: none;
		}
	}
</style>
