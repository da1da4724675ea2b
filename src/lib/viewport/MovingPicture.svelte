<script lang="ts">
	import { onMount } from 'svelte';
	import { CHANNEL_COUNT, type View } from 'dinesis-runtime/tools';
	import { afterFirstPaint } from '$lib/ui/after-paint';
	import { arriving } from '$lib/ui/arriving';
	import type { Picture } from './picture';

	interface Props {
		/** One frame of the display, so many seconds after the last: moves time on and gives the offset. */
		step: (dt: number) => Float64Array;
		/** Whether anything plays: where the system asks for less motion the picture stands still unless it does. */
		playing: () => boolean;
		/** The scene's time in seconds. */
		time: () => number;
		view: View;
		/** Shown in a corner. */
		caption: string;
	}
	let { step, playing, time, view, caption }: Props = $props();
	const LONGEST_FRAME = 0.1;
	let canvas: HTMLCanvasElement;
	let box: HTMLElement;
	let ready = $state(false);
	let trouble = $state('');
	let still = $state(false);

	onMount(() => {
		let gone = false;
		let picture: Picture | null = null;
		let request = 0;
		let last = performance.now();
		let shown: View = 'space';
		// The picture starts still where the system asks for less motion; pointing at a row is asking for it.
		still = matchMedia('(prefers-reduced-motion: reduce)').matches;
		const rest = new Float64Array(CHANNEL_COUNT);
		const next = (now: number): void => {
			request = requestAnimationFrame(next);
			const dt = Math.min(LONGEST_FRAME, Math.max(0, now - last) / 1000);
			last = now;
			const a = still && !playing() ? rest : step(dt);
			if (!picture) return;
			if (view !== shown) picture.show((shown = view));
			// Another resolution empties the canvas: before the drawing, or a frame would be blank.
			picture.adapt(dt * 1000);
			picture.draw({ a, b: null, seam: 1, time: time(), outside: null });
		};
		request = requestAnimationFrame(next);
		const watch = new ResizeObserver(() => picture?.resize(box.clientWidth, box.clientHeight));
		afterFirstPaint(async () => {
			try {
				const { Picture } = await arriving(
					() => import('$lib/viewport/picture'),
					() => gone
				);
				if (gone) return;
				picture = new Picture(canvas);
				picture.resize(box.clientWidth, box.clientHeight);
				watch.observe(box);
				ready = true;
			} catch {
				trouble = 'This browser draws no 3D here (WebGL is off or missing).';
			}
		});
		return () => {
			gone = true;
			cancelAnimationFrame(request);
			watch.disconnect();
			picture?.dispose();
		};
	});
</script>

<div class="window" class:ready bind:this={box}>
	<canvas bind:this={canvas} aria-label="The picture through the camera"></canvas>
	<span class="centre" aria-hidden="true"></span>
	<span class="name">{caption}</span>
	{#if trouble}<p role="alert">{trouble}</p>{/if}
</div>

<style>
	.window {
		position: relative;
		aspect-ratio: 16 / 9;
		border-radius: var(--radius);
		overflow: hidden;
		background: linear-gradient(#0d1826, #2b4256 45%, #a5754f 62%, #1c3640 63%, #0c1a22);
		border: 1px solid #0e1a26;
	}
	canvas {
		display: block;
		width: 100%;
		height: 100%;
		opacity: 0;
	}
	.ready canvas {
		opacity: 1;
	}
	.centre {
		position: absolute;
		left: 50%;
		top: 50%;
		width: 5px;
		height: 5px;
		margin: -2.5px;
		border-radius: 50%;
		background: #fffdf7;
		box-shadow: 0 0 0 1.5px rgb(12 22 32 / 55%);
	}
	.name {
		position: absolute;
		left: 8px;
		bottom: 7px;
		padding: 1px 8px;
		border-radius: 5px;
		background: rgb(14 24 36 / 62%);
		color: #f7efdd;
		font-size: 12px;
	}
	p {
		position: absolute;
		inset: 0;
		display: grid;
		place-items: center;
		margin: 0;
		padding: 1rem;
		color: #f7efdd;
		text-align: center;
	}
</style>
