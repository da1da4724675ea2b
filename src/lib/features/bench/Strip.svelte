<script lang="ts">
	import { onMount } from 'svelte';
	import type { ShakePreset } from 'dinesis-runtime';
	import {
		applyCeilings,
		channelsOf,
		compileGain,
		gainAt,
		isBent,
		stopGain,
		type CurvePoint
	} from 'dinesis-runtime/tools';
	import { sampleShake, type Track } from '$lib/analysis';
	import { withSolo } from '$lib/documents';
	import {
		drawCeilings,
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
	import { DYES } from '$lib/plots/dyes';
	import { theme } from '$lib/ui/theme.svelte';
	import { tidy } from '$lib/ui/number';
	import { GALLERY_REST } from '$lib/viewport/rests';
	import { paperLength, type BenchState } from './bench.svelte';
	import { handlesOf, type StripHandle } from './strip-handles';

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
	let strip: HTMLElement;
	const BENCH_REST = [...GALLERY_REST.position, ...GALLERY_REST.orientation] as const;

	const isBurst = $derived(preset.timing.mode === 'burst');
	const length = $derived(paperLength(preset));
	/** While a handle is dragged the paper keeps its length, so that the hand and the handle stay together. */
	let holdLength = $state<number | null>(null);
	const frame = $derived<StripFrame>({ width, height, from: 0, to: holdLength ?? length.seconds });
	/** What is heard: only some layers, or a neighbour that is tried out. */
	const heard = $derived(bench.trying ? { ...bench.trying, id: preset.id } : withSolo(preset, bench.solo));
	const beside = $derived(bench.other);
	const moves = (p: ShakePreset) => (c: keyof ShakePreset['layers'][number]['channels']) =>
		p.layers.some((l) => !l.mute && (l.channels[c]?.amplitude ?? 0) !== 0);
	const channels = $derived(
		channelsOf(preset.view).filter((c) => moves(heard)(c) || (beside !== null && moves(beside)(c)))
	);
	const seed = $derived(
		bench.newest?.presetId === preset.id ? bench.newest.seed : bench.player.seedOfPlay(bench.player.playsFired + 1)
	);
	const fine = $derived(Math.min(1000, Math.max(60, Math.ceil(width / 2 / Math.max(0.1, frame.to)))));
	const limited = $derived(Object.values(bench.ceilings).some((most) => most !== null && most !== undefined));
	function sampled(of: ShakePreset, fps: number): Track {
		const letGo = paperLength(of).letGoAt;
		const made = sampleShake(of, {
			seconds: frame.to,
			fps,
			playSeed: of.seed ?? seed,
			strength: bench.newest?.presetId === preset.id ? bench.newest.strength : 1,
			stopAt: letGo,
			source: bench.source,
			rest: BENCH_REST
		});
		return made;
	}
	function under(made: Track): Track {
		if (!limited) return made;
		const { values } = made;
		for (let at = 0; at < values.length; at += 7) applyCeilings(compileLimits, values, at);
		return made;
	}
	const compileLimits = $derived.by(() => {
		void bench.ceilings;
		return bench.limitsNow;
	});
	const free = $derived(sampled(heard, fine));
	const track = $derived(limited ? under({ ...free, values: free.values.slice() }) : free);
	const besideTrack = $derived(beside ? under(sampled(beside, fine)) : null);
	/** What is seen at the chosen picture rate: the display's pictures, one after the other. */
	const seen = $derived(bench.pictureRate > 0 ? under(sampled(heard, bench.pictureRate)) : null);
	const reach = $derived.by(() => {
		const own = reachOf(track);
		if (besideTrack) reachOf(besideTrack).forEach((size, i) => (own[i] = Math.max(own[i]!, size)));
		return own;
	});
	const bands = $derived(layBands(channels, reach, preset.view, height));
	const shape = $derived(compileGain(heard.timing));
	const delay = $derived(heard.timing.delay);

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
		const drawn = { frame, bands, track, free, seen, besideTrack, limited, limits: compileLimits };
		const dyes = DYES[theme.now];
		if (running || width < 10) return;
		const draw = (
			pen: CanvasRenderingContext2D,
			of: Track,
			look: { alpha?: number; width?: number; dots?: boolean }
		): void =>
			drawCurves(pen, dyes, drawn.frame, drawn.bands, of.values, of.count, (i) => i / of.fps, preset.view, look);
		const pen = penOf(paper);
		drawPaper(pen, dyes, drawn.frame, drawn.bands);
		drawGain(pen, dyes, drawn.frame, drawn.bands, gain);
		if (drawn.besideTrack) draw(pen, drawn.besideTrack, { alpha: 0.75, width: 0.9 });
		draw(pen, drawn.track, { alpha: 0.38 });
		if (drawn.limited)
			drawCeilings(pen, dyes, drawn.frame, drawn.bands, drawn.limits, (time) => {
				const i = Math.round(time * drawn.free.fps);
				return i >= 0 && i < drawn.free.count && isBent(drawn.limits, drawn.free.values, i * 7);
			});
		const ink = penOf(front);
		ink.clearRect(0, 0, width, height);
		if (drawn.seen) {
			draw(ink, drawn.track, { alpha: 0.3 });
			draw(ink, drawn.seen, { width: 1.2 });
			draw(ink, drawn.seen, { dots: true });
		} else draw(ink, drawn.track, {});
	});

	function tick() {
		if (width < 10) return;
		const now = bench.player.now;
		let newest = -1;
		let moving = false;
		for (const play of bench.player.plays) {
			if (play.presetId !== preset.id) continue;
			if (!isBurst && !bench.scrubbing && !bench.loop && play.ageAt(now) > 0) moving = true;
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
	let drawnBy = theme.now;
	/** The moving paper: what the camera really did in the last seconds. Painted at most thirty times a second. */
	function drawRunning(now: number) {
		if (Math.abs(now - drawnAt) < 0.03 * bench.speed && drawnBy === theme.now) return;
		drawnAt = now;
		drawnBy = theme.now;
		const span = frame.to;
		const moving: StripFrame = { width, height, from: now - span * 0.92, to: now + span * 0.08 };
		const { values, times, count } = bench.recorder.since(moving.from);
		const seen = reachOf({ fps: 1, count, values: values.subarray(0, count * 7) });
		seen.forEach((size, i) => (seen[i] = Math.max(size, reach[i]!)));
		const own = layBands(channels, seen, preset.view, height);
		const pen = penOf(paper);
		const dyes = DYES[theme.now];
		drawPaper(pen, dyes, moving, own);
		drawCurves(pen, dyes, moving, own, values, count, (i) => times[i]!, preset.view);
		if (bench.pictureRate > 0)
			drawCurves(pen, dyes, moving, own, values, count, (i) => times[i]!, preset.view, { dots: true });
		const x = xAt(moving, now);
		head.style.transform = `translateX(${x.toFixed(1)}px)`;
		head.style.visibility = 'visible';
	}

	onMount(() => bench.onFrame(tick));

	const withTiming = (p: ShakePreset, timing: Partial<ShakePreset['timing']>): ShakePreset => ({
		...p,
		timing: { ...p.timing, ...timing }
	});
	/** What a neighbour does is looked at, not changed. */
	const handles = $derived(bench.trying ? [] : handlesOf(preset, length.letGoAt));

	/** Whether a handle's label would lie over its neighbour's: then it steps down a line. */
	function isCrowded(i: number): boolean {
		const next = handles[i + 1];
		if (!next) return false;
		const room = xAt(frame, next.time) - xAt(frame, handles[i]!.time);
		return room < (next.side === 'left' ? 200 : 92);
	}

	/** Points of the strength over life, riding on the first band's gain. */
	const lifePoints = $derived.by(() => {
		const { life } = preset.timing;
		const band = bands[0];
		if (!isBurst || bench.trying || !life || !('points' in life) || !band) return [];
		const half = (band.bottom - band.top) / 2;
		const most = Math.max(1, ...life.points.map((point) => point.value));
		return life.points.map((point) => ({
			point,
			x: xAt(frame, delay + point.at * preset.timing.duration),
			y: band.top + half - (point.value / most) * (half - 4)
		}));
	});
	let lifeHeld = -1;
	function dragLife(event: PointerEvent) {
		const { life, duration } = preset.timing;
		const band = bands[0];
		if (lifeHeld < 0 || !life || !('points' in life) || !band) return;
		const rect = strip.getBoundingClientRect();
		const half = (band.bottom - band.top) / 2;
		const most = Math.max(1, ...life.points.map((point) => point.value));
		const at = (timeAt(frame, event.clientX - rect.left) - delay) / Math.max(duration, 1e-6);
		const value = ((band.top + half - (event.clientY - rect.top)) / (half - 4)) * most;
		moveLife(lifeHeld, at, Math.min(value, most), false);
	}
	function moveLife(i: number, at: number, value: number, done: boolean) {
		const { life } = preset.timing;
		if (!life || !('points' in life)) return;
		const { points } = life;
		const least = i === 0 ? 0 : points[i - 1]!.at + 0.004;
		const furthest = i === points.length - 1 ? 1 : points[i + 1]!.at - 0.004;
		const put: Partial<CurvePoint> = {
			at: Math.round(Math.min(furthest, Math.max(least, at)) * 1000) / 1000,
			value: Math.round(Math.max(0, Math.min(10, value)) * 100) / 100
		};
		onchange(
			'Strength over life',
			(p) => withTiming(p, { life: { points: points.map((point, k) => (k === i ? { ...point, ...put } : point)) } }),
			`life ${i}`,
			done
		);
	}
	function lifeKeys(event: KeyboardEvent, i: number) {
		const { life } = preset.timing;
		if (!life || !('points' in life)) return;
		const point = life.points[i]!;
		const dx = event.key === 'ArrowRight' ? 0.01 : event.key === 'ArrowLeft' ? -0.01 : 0;
		const dy = event.key === 'ArrowUp' ? 0.02 : event.key === 'ArrowDown' ? -0.02 : 0;
		if (!dx && !dy) return;
		event.preventDefault();
		event.stopPropagation();
		moveLife(i, point.at + dx, point.value + dy, true);
	}

	/** On the ruler: a drag chooses the moment, with Shift the part that is played again and again. */
	let ruling: { from: number; loops: boolean } | null = null;
	const rulerTime = (event: PointerEvent): number =>
		Math.max(0, Math.min(frame.to, timeAt(frame, event.clientX - strip.getBoundingClientRect().left)));
	function ruleDown(event: PointerEvent) {
		if (event.button !== 0 || running) return;
		(event.currentTarget as HTMLElement).setPointerCapture(event.pointerId);
		ruling = { from: rulerTime(event), loops: event.shiftKey };
		if (!ruling.loops) bench.scrub(ruling.from);
	}
	function ruleMove(event: PointerEvent) {
		if (!ruling) return;
		const time = rulerTime(event);
		if (!ruling.loops) bench.scrub(time);
		else if (Math.abs(time - ruling.from) > 0.02)
			bench.loop = { from: tidy(Math.min(time, ruling.from)), to: tidy(Math.max(time, ruling.from)) };
	}
	function ruleUp() {
		if (ruling?.loops && bench.loop) bench.setLoop(bench.loop);
		ruling = null;
	}
	const scrubbed = (): number =>
		bench.newest?.presetId === preset.id ? Math.max(0, bench.player.now - bench.newest.trigger) : 0;
	function ruleKeys(event: KeyboardEvent) {
		const by = event.key === 'ArrowRight' ? 1 : event.key === 'ArrowLeft' ? -1 : 0;
		if (!by) return;
		event.preventDefault();
		event.stopPropagation();
		bench.scrub(scrubbed() + by * (event.shiftKey ? 0.1 : 1 / (bench.pictureRate || 60)));
	}

	let dragging: { id: string; grip: number } | null = null;
	const apply = (handle: StripHandle, time: number, done: boolean): void =>
		onchange(handle.label, handle.set(Math.min(handle.most, Math.max(handle.least, time))), handle.id, done);

	function grab(event: PointerEvent, handle: StripHandle) {
		(event.currentTarget as HTMLElement).setPointerCapture(event.pointerId);
		holdLength = frame.to;
		dragging = { id: handle.id, grip: event.clientX - xAt(frame, handle.time) };
	}
	function drag(event: PointerEvent, handle: StripHandle) {
		if (dragging?.id !== handle.id) return;
		const time = timeAt(frame, event.clientX - dragging.grip);
		// At the paper's end the paper grows under the hand.
		if (handle.id !== 'fade-in' && time > frame.to * 0.97) holdLength = frame.to * 1.02;
		apply(handle, time, false);
	}
	function drop(handle: StripHandle) {
		if (dragging?.id !== handle.id) return;
		dragging = null;
		holdLength = null;
		apply(handle, handle.time, true);
	}
	function keys(event: KeyboardEvent, handle: StripHandle) {
		const by = event.key === 'ArrowRight' ? 1 : event.key === 'ArrowLeft' ? -1 : 0;
		if (!by) return;
		event.preventDefault();
		event.stopPropagation();
		apply(handle, handle.time + by * (event.shiftKey ? 0.1 : event.altKey ? 0.001 : 0.01), false);
	}
</script>

<div
	class="strip"
	bind:this={strip}
	bind:clientWidth={width}
	bind:clientHeight={height}
	role="group"
	aria-label="Strip: the motion over time"
>
	<canvas bind:this={paper} aria-hidden="true"></canvas>
	<canvas bind:this={front} class:running aria-hidden="true"></canvas>
	<i class="head" bind:this={head} aria-hidden="true"></i>
	{#if width > 0 && !running}
		<div
			class="ruler"
			style:left="{MARGIN.left}px"
			style:right="{MARGIN.right}px"
			role="slider"
			tabindex="0"
			aria-label="Moment in the window"
			aria-valuemin="0"
			aria-valuemax={frame.to}
			aria-valuenow={scrubbed()}
			title="Drag: choose the moment. With Shift: the part that is played again and again"
			onpointerdown={ruleDown}
			onpointermove={ruleMove}
			onpointerup={ruleUp}
			onpointercancel={ruleUp}
			onkeydown={ruleKeys}
		></div>
		{#if bench.loop}
			<div
				class="loop"
				style:left="{xAt(frame, bench.loop.from)}px"
				style:width="{Math.max(2, xAt(frame, Math.min(frame.to, bench.loop.to)) - xAt(frame, bench.loop.from))}px"
			>
				<button onclick={() => bench.setLoop(null)} title="No more of it (L)">again and again ×</button>
			</div>
		{/if}
		{#each lifePoints as { point, x, y }, i (i)}
			<button
				class="life"
				style:left="{x}px"
				style:top="{y}px"
				aria-label="Strength at {Math.round(point.at * 100)} % of the life: {point.value} ×"
				title="Strength over life: drag"
				onpointerdown={(e) => {
					lifeHeld = i;
					e.currentTarget.setPointerCapture(e.pointerId);
				}}
				onpointermove={dragLife}
				onpointerup={() => {
					if (lifeHeld >= 0) moveLife(i, point.at, point.value, true);
					lifeHeld = -1;
				}}
				onpointercancel={() => (lifeHeld = -1)}
				onkeydown={(e) => lifeKeys(e, i)}
			></button>
		{/each}
		{#if beside}<span class="inks">full ink <b>A</b> · thin <b>B</b></span>{/if}
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
					<i></i>{#if handle.text}<span>{handle.text}</span>{/if}
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
		background: color-mix(in srgb, var(--sheet) 60%, transparent);
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
	.ruler {
		position: absolute;
		bottom: 0;
		height: 27px;
		cursor: col-resize;
		touch-action: none;
	}
	.loop {
		position: absolute;
		top: 12px;
		bottom: 0;
		background: rgb(242 176 74 / 16%);
		border-inline: 2px solid var(--lamp);
		pointer-events: none;
	}
	.loop button {
		position: absolute;
		left: 3px;
		bottom: 29px;
		border: 0;
		border-radius: 4px;
		background: var(--lamp-light);
		color: var(--on-lamp);
		font-size: 11px;
		cursor: pointer;
		pointer-events: auto;
		white-space: nowrap;
	}
	.life {
		position: absolute;
		width: 11px;
		height: 11px;
		margin: -5.5px;
		padding: 0;
		border: 2px solid var(--lamp);
		border-radius: 50%;
		background: var(--sheet);
		cursor: grab;
		touch-action: none;
		z-index: 1;
	}
	.inks {
		position: absolute;
		right: 18px;
		bottom: 30px;
		font-size: 11px;
		color: var(--ink-2);
		pointer-events: none;
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
