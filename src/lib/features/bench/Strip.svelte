<script lang="ts">
	import { onMount } from 'svelte';
	import { channelsOf, compileGain, gainAt, sampleShake, stopGain, type ShakePreset } from '$lib/core';
	import {
		drawCurves,
		drawGain,
		drawPaper,
		layBands,
		MARGIN,
		reachOf,
		timeAt,
		xAt,
		type StripFrame
	} from '$lib/plots/strip';
	import { tidy } from '$lib/ui/number';
	import { paperLength, type BenchState } from './bench.svelte';

	interface Props {
		bench: BenchState;
		preset: ShakePreset;
		onchange: (label: string, recipe: (preset: ShakePreset) => ShakePreset, mark: string, done: boolean) => void;
	}
	let { bench, preset, onchange }: Props = $props();

	let width = $state(0);
	let height = $state(0);
	let paper: HTMLCanvasElement;
	let front: HTMLCanvasElement;
	let head: HTMLElement;

	const isBurst = $derived(preset.timing.mode === 'burst');
	const length = $derived(paperLength(preset));
	/** While a handle is dragged the paper keeps its length, so that the hand and the handle stay together. */
	let holdLength = $state<number | null>(null);
	const frame = $derived<StripFrame>({ width, height, from: 0, to: holdLength ?? length.seconds });
	const channels = $derived(
		channelsOf(preset.view).filter((c) => preset.layers.some((l) => !l.mute && (l.channels[c]?.amplitude ?? 0) !== 0))
	);
	const seed = $derived(
		bench.newest?.presetId === preset.id ? bench.newest.seed : bench.player.seedOfPlay(bench.player.playsFired + 1)
	);
	const track = $derived(
		sampleShake(preset, {
			seconds: frame.to,
			fps: Math.min(1000, Math.max(60, Math.ceil(width / 2 / Math.max(0.1, frame.to)))),
			playSeed: preset.seed ?? seed,
			stopAt: length.letGoAt
		})
	);
	const reach = $derived(reachOf(track));
	const bands = $derived(layBands(channels, reach, preset.view, height));
	const shape = $derived(compileGain(preset.timing));
	const delay = $derived(preset.timing.delay);

	function gain(time: number): number {
		const age = time - delay;
		const letGo = length.letGoAt === undefined ? Infinity : length.letGoAt - delay;
		return age <= letGo
			? gainAt(shape, age)
			: Math.min(gainAt(shape, age), gainAt(shape, letGo)) * stopGain(shape, age, letGo);
	}

	function penOf(canvas: HTMLCanvasElement): CanvasRenderingContext2D {
		const ratio = window.devicePixelRatio || 1;
		if (canvas.width !== Math.round(width * ratio) || canvas.height !== Math.round(height * ratio)) {
			canvas.width = Math.round(width * ratio);
			canvas.height = Math.round(height * ratio);
		}
		const pen = canvas.getContext('2d')!;
		pen.setTransform(ratio, 0, 0, ratio, 0, 0);
		return pen;
	}

	/** Whether the paper runs: a continuous motion is drawn as it happens, not as planned. */
	let running = $state(false);

	// Two layers, each painted once per change: the paper with the plan in faint ink, and the same in full ink above it. While
	// a play runs only the clip of the upper one and the playhead move: painting curves in every frame is far too slow.
	$effect(() => {
		const drawn = { frame, bands, track };
		if (running || width < 10) return;
		const draw = (pen: CanvasRenderingContext2D, alpha: number): void => {
			const { values, count, fps } = drawn.track;
			drawCurves(pen, drawn.frame, drawn.bands, values, count, (i) => i / fps, preset.view, alpha);
		};
		const pen = penOf(paper);
		drawPaper(pen, drawn.frame, drawn.bands);
		drawGain(pen, drawn.frame, drawn.bands, gain);
		draw(pen, 0.38);
		const ink = penOf(front);
		ink.clearRect(0, 0, width, height);
		draw(ink, 1);
	});

	function tick() {
		if (width < 10) return;
		const now = bench.player.now;
		let newest = -1;
		let moving = false;
		for (const play of bench.player.plays) {
			if (play.presetId !== preset.id) continue;
			if (!isBurst && play.ageAt(now) > 0) moving = true;
			if (play === bench.newest) newest = now - play.trigger;
		}
		if (moving !== running) running = moving;
		if (moving) return drawRunning(now);
		// Inked up to where the newest play is; without one the whole play stands there in full.
		const x = newest < 0 ? width : xAt(frame, newest);
		const clip = newest < 0 ? '' : `inset(0 ${Math.max(0, width - x).toFixed(1)}px 0 0)`;
		if (front.style.clipPath !== clip) front.style.clipPath = clip;
		const place = newest < 0 || x > width - MARGIN.right ? 'none' : `translateX(${x.toFixed(1)}px)`;
		if (head.style.transform !== place) {
			head.style.transform = place;
			head.style.visibility = place === 'none' ? 'hidden' : 'visible';
		}
	}

	let drawnAt = 0;
	/** The moving paper: what the camera really did in the last seconds. Painted at most thirty times a second. */
	function drawRunning(now: number) {
		if (Math.abs(now - drawnAt) < 0.03 * bench.speed) return;
		drawnAt = now;
		const span = frame.to;
		const moving: StripFrame = { width, height, from: now - span * 0.92, to: now + span * 0.08 };
		const { values, times, count } = bench.recorder.since(moving.from);
		const seen = reachOf({ fps: 1, count, values: values.subarray(0, count * 7) });
		seen.forEach((size, i) => (seen[i] = Math.max(size, reach[i]!)));
		const own = layBands(channels, seen, preset.view, height);
		const pen = penOf(paper);
		drawPaper(pen, moving, own);
		drawCurves(pen, moving, own, values, count, (i) => times[i]!, preset.view);
		const x = xAt(moving, now);
		head.style.transform = `translateX(${x.toFixed(1)}px)`;
		head.style.visibility = 'visible';
	}

	onMount(() => bench.onFrame(tick));

	type Handle = {
		id: string;
		label: string;
		time: number;
		text: string;
		side: 'left' | 'right';
		least: number;
		most: number;
		set: (time: number) => (p: ShakePreset) => ShakePreset;
	};
	const withTiming = (p: ShakePreset, timing: Partial<ShakePreset['timing']>): ShakePreset => ({
		...p,
		timing: { ...p.timing, ...timing }
	});
	const say = (seconds: number): string => `${seconds < 1 ? seconds.toFixed(2) : seconds.toFixed(2)} s`;

	const handles = $derived.by<Handle[]>(() => {
		const { timing } = preset;
		const fadeOutFrom = isBurst ? delay + Math.max(0, timing.duration - shape.fadeOut) : length.letGoAt!;
		const list: Handle[] = [
			{
				id: 'fade-in',
				label: 'Fade in ends',
				time: delay + shape.fadeIn,
				text: `full at ${say(shape.fadeIn)}`,
				side: 'right',
				least: delay,
				most: isBurst ? delay + timing.duration : Infinity,
				set: (t) => (p) => withTiming(p, { fadeIn: { ...p.timing.fadeIn, time: Math.max(0, tidy(t - delay)) } })
			},
			isBurst
				? {
						id: 'fade-out',
						label: 'Fade out begins',
						time: fadeOutFrom,
						text: `fades from ${say(fadeOutFrom - delay)}`,
						side: 'right',
						least: delay,
						most: delay + timing.duration,
						set: (t) => (p) =>
							withTiming(p, {
								fadeOut: { ...p.timing.fadeOut, time: Math.max(0, tidy(delay + p.timing.duration - t)) }
							})
					}
				: {
						id: 'fade-out',
						label: 'Fade out ends',
						time: fadeOutFrom + timing.fadeOut.time,
						text: `gone ${say(timing.fadeOut.time)} after letting go`,
						side: 'left',
						least: fadeOutFrom,
						most: Infinity,
						set: (t) => (p) =>
							withTiming(p, { fadeOut: { ...p.timing.fadeOut, time: Math.max(0, tidy(t - fadeOutFrom)) } })
					}
		];
		if (isBurst)
			list.push({
				id: 'length',
				label: 'Ends',
				time: delay + timing.duration,
				text: `ends at ${say(timing.duration)}`,
				side: 'left',
				least: delay,
				most: Infinity,
				set: (t) => (p) => withTiming(p, { duration: Math.max(0, tidy(t - delay)) })
			});
		return list;
	});

	/** Whether a handle's label would lie over its neighbour's: then it steps down a line. */
	function isCrowded(i: number): boolean {
		const next = handles[i + 1];
		if (!next) return false;
		const room = xAt(frame, next.time) - xAt(frame, handles[i]!.time);
		return room < (next.side === 'left' ? 200 : 92);
	}

	let dragging: { id: string; grip: number } | null = null;
	const apply = (handle: Handle, time: number, done: boolean): void =>
		onchange(handle.label, handle.set(Math.min(handle.most, Math.max(handle.least, time))), handle.id, done);

	function grab(event: PointerEvent, handle: Handle) {
		(event.currentTarget as HTMLElement).setPointerCapture(event.pointerId);
		holdLength = frame.to;
		dragging = { id: handle.id, grip: event.clientX - xAt(frame, handle.time) };
	}
	function drag(event: PointerEvent, handle: Handle) {
		if (dragging?.id !== handle.id) return;
		const time = timeAt(frame, event.clientX - dragging.grip);
		// At the paper's end the paper grows under the hand.
		if (handle.id !== 'fade-in' && time > frame.to * 0.97) holdLength = frame.to * 1.02;
		apply(handle, time, false);
	}
	function drop(handle: Handle) {
		if (dragging?.id !== handle.id) return;
		dragging = null;
		holdLength = null;
		apply(handle, handle.time, true);
	}
	function keys(event: KeyboardEvent, handle: Handle) {
		const by = event.key === 'ArrowRight' ? 1 : event.key === 'ArrowLeft' ? -1 : 0;
		if (!by) return;
		event.preventDefault();
		event.stopPropagation();
		apply(handle, handle.time + by * (event.shiftKey ? 0.1 : event.altKey ? 0.001 : 0.01), false);
	}
</script>

<div
	class="strip"
	bind:clientWidth={width}
	bind:clientHeight={height}
	role="group"
	aria-label="Strip: the motion over time"
>
	<canvas bind:this={paper} aria-hidden="true"></canvas>
	<canvas bind:this={front} class:running aria-hidden="true"></canvas>
	<i class="head" bind:this={head} aria-hidden="true"></i>
	{#if width > 0 && !running}
		{#if length.letGoAt !== undefined}
			<span class="mark" style:left="{xAt(frame, length.letGoAt)}px"><em>let go</em></span>
		{/if}
		{#each handles as handle, i (handle.id)}
			{@const x = xAt(frame, handle.time)}
			{#if x > MARGIN.left - 2 && x < width - MARGIN.right + 4}
				<div
					class="handle {handle.side}"
					class:low={isCrowded(i)}
					style:left="{x}px"
					role="slider"
					tabindex="0"
					aria-label={handle.label}
					aria-valuenow={handle.time}
					aria-valuemin={handle.least}
					aria-valuemax={handle.most === Infinity ? 3600 : handle.most}
					aria-valuetext={handle.text}
					onpointerdown={(e) => grab(e, handle)}
					onpointermove={(e) => drag(e, handle)}
					onpointerup={() => drop(handle)}
					onpointercancel={() => drop(handle)}
					onkeydown={(e) => keys(e, handle)}
					onkeyup={(e) => e.key.startsWith('Arrow') && apply(handle, handle.time, true)}
				>
					<i></i><span>{handle.text}</span>
				</div>
			{/if}
		{/each}
	{/if}
	{#if channels.length === 0 && !running}
		<p>No channel has an amplitude yet. Drag one in the sheet and the motion is drawn here.</p>
	{/if}
</div>

<style>
	.strip {
		position: relative;
		min-height: 0;
		border: 1px solid var(--rule-strong);
		border-radius: var(--radius);
		overflow: hidden;
		background: var(--sheet);
	}
	canvas {
		position: absolute;
		inset: 0;
		width: 100%;
		height: 100%;
	}
	canvas.running {
		visibility: hidden;
	}
	.head {
		position: absolute;
		left: -1px;
		top: 11px;
		bottom: 25px;
		width: 2px;
		background: var(--ink);
		visibility: hidden;
		pointer-events: none;
	}
	.handle {
		position: absolute;
		top: 10px;
		bottom: 22px;
		width: 15px;
		margin-left: -7.5px;
		cursor: ew-resize;
		touch-action: none;
	}
	.handle i {
		position: absolute;
		left: 7px;
		top: 4px;
		bottom: 2px;
		width: 1px;
		background: var(--lamp);
	}
	.handle i::before {
		content: '';
		position: absolute;
		left: -5.5px;
		top: -3px;
		border: 6px solid transparent;
		border-top: 8px solid var(--lamp);
		border-bottom: 0;
	}
	.handle:hover i,
	.handle:focus-visible i {
		width: 2px;
	}
	.handle span {
		position: absolute;
		top: 1px;
		left: 17px;
		font-size: 11px;
		font-weight: 600;
		color: var(--lamp-text);
		white-space: nowrap;
		background: rgb(250 247 239 / 60%);
		border-radius: 3px;
		padding: 0 3px;
	}
	.handle.left span {
		left: auto;
		right: 17px;
	}
	.handle.low span {
		top: 17px;
	}
	.mark {
		position: absolute;
		top: 14px;
		bottom: 26px;
		border-left: 1px dashed var(--ink-2);
	}
	.mark em {
		position: absolute;
		left: 5px;
		bottom: 2px;
		font-style: normal;
		font-size: 11px;
		color: var(--ink-2);
		white-space: nowrap;
	}
	p {
		position: absolute;
		inset: 0;
		display: grid;
		place-items: center;
		margin: 0;
		color: var(--ink-2);
	}
</style>
