<script lang="ts">
	/** The strip of recorder paper: what the motion does over time, planned or as it happens; marks on it are dragged. */
	import { onMount } from 'svelte';
	import type { ShakePreset } from 'dinesis-runtime';
	import { applyCeilings, channelsOf, compileGain, gainAt, isBent, stopGain } from 'dinesis-runtime/tools';
	import { sampleShake, type Track } from '$lib/analysis';
	import { withSolo } from '$lib/documents';
	import { inWriting, layBands, MARGIN, reachOf, xAt, type StripFrame } from '$lib/plots/strip';
	import {
		curvesOf,
		drawCeilings,
		drawCurves,
		drawGain,
		drawPaper,
		gainLevels,
		type Curve
	} from '$lib/plots/strip-ink';
	import { DYES } from '$lib/plots/dyes';
	import { theme } from '$lib/ui/theme.svelte';
	import { GALLERY_REST } from '$lib/viewport/rests';
	import { writing } from '$lib/ui/writing.svelte';
	import type { BenchState } from './bench.svelte';
	import { paperLength } from './paper';
	import { handlesOf } from './strip-handles';
	import StripHandles from './StripHandles.svelte';
	import StripRuler from './StripRuler.svelte';

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
	// Figures, not the object they come in: most of what is dragged leaves them as they are, and what hangs on them.
	const seconds = $derived(paperLength(preset).seconds);
	const letGoAt = $derived(paperLength(preset).letGoAt);
	/** While a handle is dragged the paper keeps its length, so that the hand and the handle stay together. */
	let holdLength = $state<number | null>(null);
	const frame = $derived<StripFrame>({ width, height, from: 0, to: holdLength ?? seconds });
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
	const life = () => import('./StripLife.svelte');
	const hasLife = $derived(preset.timing.life !== null && 'points' in preset.timing.life);
	const bands = $derived(inWriting(layBands(channels, reach, preset.view, height), writing));
	const timing = $derived(heard.timing);
	const shape = $derived(compileGain(timing));
	const delay = $derived(timing.delay);
	const levels = $derived(gainLevels(frame, gain));

	function gain(time: number): number {
		const age = time - delay;
		const letGo = letGoAt === undefined ? Infinity : letGoAt - delay;
		return age <= letGo
			? gainAt(shape, age)
			: Math.min(gainAt(shape, age), gainAt(shape, letGo)) * stopGain(shape, age, letGo);
	}

	/** `opaque`: nothing shows through it, which spares the page a blending of its whole width in every frame. */
	function penOf(canvas: HTMLCanvasElement, opaque = false): CanvasRenderingContext2D {
		const ratio = window.devicePixelRatio || 1;
		if (canvas.width !== Math.round(width * ratio) || canvas.height !== Math.round(height * ratio)) {
			canvas.width = Math.round(width * ratio);
			canvas.height = Math.round(height * ratio);
		}
		const pen = canvas.getContext('2d', { alpha: !opaque })!;
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
		const curves = (of: Track, dots = false) =>
			curvesOf(drawn.frame, drawn.bands, of.values, of.count, (i) => i / of.fps, dots);
		const draw = (pen: CanvasRenderingContext2D, of: Curve[], look: { alpha?: number; width?: number }): void =>
			drawCurves(pen, dyes, drawn.frame, of, preset.view, look);
		const pen = penOf(paper, true);
		drawPaper(pen, dyes, drawn.frame, drawn.bands);
		drawGain(pen, dyes, drawn.bands, levels);
		if (drawn.besideTrack) draw(pen, curves(drawn.besideTrack), { alpha: 0.75, width: 0.9 });
		const planned = curves(drawn.track);
		draw(pen, planned, { alpha: 0.38 });
		if (drawn.limited)
			drawCeilings(pen, dyes, drawn.frame, drawn.bands, drawn.limits, (time) => {
				const i = Math.round(time * drawn.free.fps);
				return i >= 0 && i < drawn.free.count && isBent(drawn.limits, drawn.free.values, i * 7);
			});
		const ink = penOf(front);
		ink.clearRect(0, 0, width, height);
		if (drawn.seen) {
			draw(ink, planned, { alpha: 0.3 });
			draw(ink, curves(drawn.seen), { width: 1.2 });
			draw(ink, curves(drawn.seen, true), {});
		} else draw(ink, planned, {});
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
		const pen = penOf(paper, true);
		const dyes = DYES[theme.now];
		drawPaper(pen, dyes, moving, own);
		const curves = (dots: boolean) => curvesOf(moving, own, values, count, (i) => times[i]!, dots);
		drawCurves(pen, dyes, moving, curves(false), preset.view);
		if (bench.pictureRate > 0) drawCurves(pen, dyes, moving, curves(true), preset.view);
		const x = xAt(moving, now);
		head.style.transform = `translateX(${x.toFixed(1)}px)`;
		head.style.visibility = 'visible';
	}

	onMount(() => bench.onFrame(tick));

	/** What a neighbour does is looked at, not changed. */
	const handles = $derived(bench.trying ? [] : handlesOf(preset, letGoAt));
	const box = (): DOMRect => strip.getBoundingClientRect();
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
		<StripRuler {bench} preset={preset.id} {frame} {box} />
		{#if isBurst && hasLife && !bench.trying && bands[0]}
			{#await life() then { default: StripLife }}<StripLife {preset} {frame} band={bands[0]} {box} {onchange} />{/await}
		{/if}
		{#if beside}<span class="inks">full ink <b>A</b> · thin <b>B</b></span>{/if}
		{#if letGoAt !== undefined}
			<span class="mark" style:left="{xAt(frame, letGoAt)}px"><em>let go</em></span>
		{/if}
		<StripHandles {handles} {frame} onhold={(seconds) => (holdLength = seconds)} {onchange} />
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
