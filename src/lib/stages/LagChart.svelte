<script lang="ts">
	/** What one axis of a camera lag makes of a step, of a ramp, of a way that was recorded; on the step it is tuned by hand. */
	import type { LagPreset } from 'dinesis-runtime';
	import { newLagAxis, type LagAxis, type LagAxisName } from 'dinesis-runtime/tools';
	import Segments from '$lib/ui/Segments.svelte';
	import { lookFor, rampAnswer, readStep, STEP_AT, stepAnswer, wayAnswer } from './lag-figures';

	type Mode = 'step' | 'ramp' | 'way';
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

	let mode = $state<Mode>('step');
	let frozen = $state<number | null>(null);
	let [W, H] = $state([500, 300]);
	const [LEFT, RIGHT, TOP, FOOT] = [46, 14, 20, 30];
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
	const range = $derived.by(() => {
		let [low, high] = [Infinity, -Infinity];
		for (const list of [shown.body, shown.view])
			for (const v of list) {
				if (v < low) low = v;
				if (v > high) high = v;
			}
		const room = Math.max(1e-6, (high - low) * 0.08);
		return { low: low - room, high: Math.max(high + room, low + 1e-3) };
	});
	const x = (t: number): number => LEFT + (t / shown.seconds) * (W - LEFT - RIGHT);
	const y = (v: number): number => TOP + ((range.high - v) / (range.high - range.low)) * (H - TOP - FOOT);
	function line(values: Float64Array): string {
		const every = Math.max(1, Math.floor(values.length / Math.max(200, W)));
		let d = '';
		for (let i = 0; i < values.length; i += every)
			d += `${i === 0 ? 'M' : 'L'}${x(shown.times[i]!).toFixed(1)} ${y(values[i]!).toFixed(1)}`;
		return d;
	}
	/** Square steps stay square. */
	const body = $derived(
		mode === 'step' ? `M${x(0)} ${y(0)}H${x(STEP_AT)}V${y(size)}H${x(shown.seconds)}` : line(shown.body)
	);
	const everySecond = $derived(shown.seconds > 4 ? 1 : shown.seconds > 1.6 ? 0.5 : 0.1);
	const ticks = $derived(
		Array.from({ length: Math.floor(shown.seconds / everySecond) + 1 }, (_, i) => i * everySecond)
	);
	const steps = $derived.by(() => {
		const raw = (range.high - range.low) / 5;
		const ten = 10 ** Math.floor(Math.log10(raw));
		const each = [1, 2, 5, 10].find((n) => n * ten >= raw)! * ten;
		const list: number[] = [];
		for (let v = Math.ceil(range.low / each) * each; v <= range.high; v += each) list.push(Math.round(v * 1e6) / 1e6);
		return list;
	});

	/** Where the hand takes the curve: where the error is halved, or the first swing over (or half way, where there is none). */
	const grip = $derived.by(() => {
		if (!read || axis.follow === 'none' || !onaxis) return null;
		if (axis.follow === 'spring' && read.over)
			return { x: x(read.over.at), y: y(size * (1 + read.over.part)), what: 'swing' as const };
		if (read.half === null) return null;
		return { x: x(STEP_AT + read.half), y: y((size - axis.quiet) / 2), what: 'half' as const };
	});
	let held = $state(false);
	let svg: SVGSVGElement;
	const round = (v: number): number => Number(v.toPrecision(3));
	function drag(event: PointerEvent) {
		if (!held || !grip || !onaxis) return;
		const box = svg.getBoundingClientRect();
		const after = Math.max(0.004, ((event.clientX - box.left - LEFT) / (W - LEFT - RIGHT)) * shown.seconds - STEP_AT);
		if (axis.follow === 'half-life') return onaxis({ halfLife: round(Math.min(10, after)) }, 'grip', false);
		if (grip.what === 'half') {
			// About x(t) = 1 − e^(−ωt)(1 + ωt), half of the way at ωt = 1.678.
			return onaxis({ frequency: round(Math.min(30, Math.max(0.05, 1.678 / (2 * Math.PI * after)))) }, 'grip', false);
		}
		const value = range.high - ((event.clientY - box.top - TOP) / (H - TOP - FOOT)) * (range.high - range.low);
		const over = Math.min(0.9, Math.max(0.002, value / size - 1));
		// e^(−πζ/√(1−ζ²)) = over, and the peak half a damped period after the step.
		const k = -Math.log(over) / Math.PI;
		const damping = k / Math.sqrt(1 + k * k);
		const frequency = 0.5 / (after * Math.sqrt(1 - damping * damping));
		onaxis({ damping: round(damping), frequency: round(Math.min(30, Math.max(0.05, frequency))) }, 'grip', false);
	}
	function drop() {
		if (held) onaxis?.({}, 'grip', true);
		held = false;
		frozen = null;
	}
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
	<div class="paper" bind:clientWidth={W} bind:clientHeight={H}>
		<svg
			bind:this={svg}
			viewBox="0 0 {W} {H}"
			role="img"
			aria-label="Where the body is and where the camera is, over time"
			onpointermove={drag}
			onpointerup={drop}
			onpointercancel={drop}
		>
			{#each ticks as t (t)}
				<line class="grid" x1={x(t)} x2={x(t)} y1={TOP} y2={H - FOOT} />
				<text x={x(t)} y={H - FOOT + 14} text-anchor="middle">{Number(t.toFixed(2))}</text>
			{/each}
			<text x={W - RIGHT} y={H - 3} text-anchor="end">s</text>
			{#each steps as v (v)}
				<line class="grid" x1={LEFT} x2={W - RIGHT} y1={y(v)} y2={y(v)} />
				<text x={LEFT - 6} y={y(v) + 4} text-anchor="end">{v}{unit === '°' ? '°' : ''}</text>
			{/each}
			<text x="4" y={TOP - 7}>{unit}</text>
			<path class="body" d={body} />
			<path class="view" d={line(shown.view)} />
			{#if read?.over && read.over.part > 0.002}
				<line class="mark" x1={x(read.over.at)} x2={x(read.over.at)} y1={y(size)} y2={y(size * (1 + read.over.part))} />
				<text class="figure" x={x(read.over.at) + 7} y={y(size * (1 + read.over.part)) - 5}
					>overshoots {(read.over.part * 100).toFixed(read.over.part < 0.1 ? 1 : 0)} %</text
				>
			{/if}
			{#if read && read.settled !== null && axis.follow !== 'none'}
				<path class="mark" d="M{x(STEP_AT)} {H - FOOT - 12}v8m0 -4H{x(STEP_AT + read.settled)}m0 -4v8" />
				<text class="figure" x={(x(STEP_AT) + x(STEP_AT + read.settled)) / 2} y={H - FOOT - 15} text-anchor="middle"
					>settles within 2 % in {read.settled.toFixed(2)} s</text
				>
			{/if}
			<g transform="translate({W - RIGHT - 132} {mode === 'step' ? H - FOOT - 62 : TOP + 8})">
				<path class="body" d="M0 0h22" /><text x="28" y="4">where the body is</text>
				<path class="view" d="M0 18h22" /><text class="seen" x="28" y="22">where the camera is</text>
			</g>
			{#if grip}
				<circle
					class="grip"
					cx={grip.x}
					cy={grip.y}
					r="6"
					role="presentation"
					onpointerdown={(e) => {
						held = true;
						frozen = shown.seconds;
						svg.setPointerCapture(e.pointerId);
					}}
					><title
						>{grip.what === 'half'
							? 'Half of the way: take it along'
							: 'The first swing: take it up, down, along'}</title
					></circle
				>
			{/if}
		</svg>
	</div>
</section>

<style>
	section {
		display: grid;
		grid-template-columns: minmax(0, 1fr);
		grid-template-rows: auto minmax(0, 1fr);
		gap: 4px;
		min-width: 0;
		min-height: 0;
		height: 100%;
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
	.paper {
		min-height: 0;
		min-width: 0;
		overflow: hidden;
	}
	svg {
		display: block;
		width: 100%;
		height: 100%;
		touch-action: none;
	}
	text {
		font-size: 11px;
		fill: var(--ink-2);
	}
	.grid {
		stroke: var(--rule);
		stroke-width: 0.8;
	}
	.body {
		fill: none;
		stroke: var(--ink-2);
		stroke-width: 1.6;
		stroke-dasharray: 5 4;
	}
	.view {
		fill: none;
		stroke: var(--ink-y);
		stroke-width: 2.6;
	}
	.mark {
		fill: none;
		stroke: var(--lamp);
		stroke-width: 2;
	}
	.figure {
		fill: var(--lamp-text);
		font-weight: 600;
	}
	.seen {
		fill: var(--ink-y);
	}
	.grip {
		fill: var(--lamp-light);
		stroke: var(--lamp);
		stroke-width: 1.5;
		cursor: grab;
	}
</style>
