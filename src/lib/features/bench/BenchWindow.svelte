<script lang="ts">
	import { onMount } from 'svelte';
	import type { ShakePreset } from '$lib/core';
	import type { Picture } from '$lib/viewport/picture';
	import { afterFirstPaint } from '$lib/ui/after-paint';
	import type { BenchState } from './bench.svelte';

	interface Props {
		bench: BenchState;
		preset: ShakePreset;
		/** Whether the system asked for less motion: then the picture began still. */
		still: boolean;
	}
	let { bench, preset, still }: Props = $props();

	let box: HTMLElement;
	let canvas: HTMLCanvasElement;
	let outline: SVGPolygonElement | undefined = $state();
	let ready = $state(false);
	let trouble = $state('');
	let show = $state({ outline: true, distances: true, centre: true });
	let marks = $state.raw<readonly { name: string; distance: number }[]>([]);
	const labels: (HTMLElement | null)[] = [];
	/** The farthest each mark moved lately, in pixels: it falls back over a second, so that it can be read. */
	const held: number[] = [];
	let picture: Picture | null = null;
	let lastDrawn = 0;

	const name = (distance: number): string => `${distance} m`;

	function tick() {
		if (!picture) return;
		const now = performance.now();
		picture.draw(bench.player.offset, bench.sceneTime);
		picture.adapt(now - lastDrawn);
		lastDrawn = now;
		if (outline) {
			const o = picture.outline;
			outline.setAttribute('points', `${o[0]},${o[1]} ${o[2]},${o[3]} ${o[4]},${o[5]} ${o[6]},${o[7]}`);
		}
		picture.marks.forEach((mark, i) => {
			held[i] = Math.max(mark.moved, (held[i] ?? 0) * 0.985 - 0.01);
			const label = labels[i];
			if (!label) return;
			label.style.transform = `translate(${mark.x.toFixed(1)}px, ${mark.y.toFixed(1)}px)`;
			label.style.visibility = mark.seen ? 'visible' : 'hidden';
			label.lastElementChild!.textContent = `${held[i]! < 9.95 ? held[i]!.toFixed(1) : Math.round(held[i]!)} px`;
		});
	}

	onMount(() => {
		let gone = false;
		const stop = bench.onFrame(tick);
		const watch = new ResizeObserver(() => picture?.resize(box.clientWidth, box.clientHeight));
		// After the first paint: three.js is the largest thing on the page and nothing waits for it.
		afterFirstPaint(async () => {
			try {
				const { Picture } = await import('$lib/viewport/picture');
				if (gone) return;
				picture = new Picture(canvas);
				marks = picture.marks;
				picture.resize(box.clientWidth, box.clientHeight);
				watch.observe(box);
				ready = true;
			} catch {
				trouble = 'This browser draws no 3D here (WebGL is off or missing). The strip and the numbers go on working.';
			}
		});
		return () => {
			gone = true;
			stop();
			watch.disconnect();
			picture?.dispose();
		};
	});
</script>

<section aria-label="Window: the picture through the camera">
	<div class="picture" class:ready bind:this={box}>
		<canvas bind:this={canvas} aria-label="The gallery of the lamp tower at dusk, seen through the camera"></canvas>
		{#if show.outline}
			<svg aria-hidden="true"><polygon bind:this={outline} points="" /></svg>
		{/if}
		{#if show.centre}<span class="centre" aria-hidden="true"></span>{/if}
		{#if show.distances}
			{#each marks as mark, i (mark.name)}
				<span class="mark" aria-hidden="true" bind:this={labels[i]}
					><b>{name(mark.distance)}</b> {mark.name} <em>0 px</em></span
				>
			{/each}
		{/if}
		{#if trouble}<p role="alert">{trouble}</p>{/if}
		{#if bench.paused}
			<button class="paused" onclick={() => (bench.paused = false)}>
				{still
					? 'Still, because your system asks for less motion. Press to let it move.'
					: 'Paused · P goes on · . one frame'}
			</button>
		{/if}
	</div>
	<div class="foot">
		<label><input type="checkbox" bind:checked={show.outline} /> rest outline</label>
		<label><input type="checkbox" bind:checked={show.distances} /> distances</label>
		<label><input type="checkbox" bind:checked={show.centre} /> centre mark</label>
		<span class="hint">Space fires {preset.name}</span>
	</div>
</section>

<style>
	section {
		display: grid;
		grid-template-rows: minmax(0, 1fr) 22px;
		min-height: 0;
		min-width: 0;
	}
	.picture {
		position: relative;
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
	svg {
		position: absolute;
		inset: 0;
		width: 100%;
		height: 100%;
		pointer-events: none;
	}
	polygon {
		fill: none;
		stroke: #f2b04a;
		stroke-opacity: 0.75;
		stroke-width: 1.3;
		stroke-dasharray: 7 6;
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
	.mark {
		position: absolute;
		left: 7px;
		top: -20px;
		color: #f7efdd;
		font-size: 11.5px;
		line-height: 1.3;
		white-space: nowrap;
		padding: 0 5px;
		border-radius: 4px;
		background: rgb(14 24 36 / 52%);
		pointer-events: none;
		visibility: hidden;
	}
	.mark::before {
		content: '';
		position: absolute;
		left: -9.5px;
		top: 17.5px;
		width: 5px;
		height: 5px;
		border: 1px solid #f2b04a;
		border-radius: 50%;
	}
	.mark b {
		font-weight: 600;
	}
	.mark em {
		font-style: normal;
		color: #ffd48a;
	}
	.paused {
		position: absolute;
		left: 50%;
		bottom: 12px;
		transform: translateX(-50%);
		border: 1px solid var(--lamp-light);
		border-radius: 999px;
		background: rgb(14 24 36 / 82%);
		color: #f7efdd;
		padding: 5px 15px;
		cursor: pointer;
		white-space: nowrap;
	}
	p {
		position: absolute;
		inset: 0;
		display: grid;
		place-items: center;
		margin: 0;
		padding: 2rem;
		color: #f7efdd;
		text-align: center;
	}
	.foot {
		display: flex;
		gap: 14px;
		align-items: end;
		font-size: 12px;
		color: var(--ink-2);
		white-space: nowrap;
		overflow: hidden;
	}
	label {
		display: flex;
		gap: 5px;
		align-items: center;
		cursor: pointer;
	}
	input {
		accent-color: var(--lamp);
		margin: 0;
		width: 13px;
		height: 13px;
	}
	.hint {
		margin-left: auto;
		overflow: hidden;
		text-overflow: ellipsis;
	}
</style>
