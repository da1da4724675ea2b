<script lang="ts" generics="P extends { resize(width: number, height: number): void; dispose(): void }">
	/** What every window has: a canvas that a picture is drawn on, made after the first paint, in a frame that it fills; a word where there is no 3D. */
	import { onMount, type Snippet } from 'svelte';
	import type { HTMLCanvasAttributes } from 'svelte/elements';
	import { centreMark } from './centre-mark.svelte';
	import { afterFirstPaint } from '$lib/ui/after-paint';
	import { arriving } from '$lib/ui/arriving';

	interface Props {
		/** What the canvas shows, read out. */
		label: string;
		/** Brings what makes the picture: it is asked for until it comes. */
		load: () => Promise<(canvas: HTMLCanvasElement) => P>;
		/** The picture once it is there, null when it goes. */
		onpicture: (picture: P | null) => void;
		/** What goes on without 3D. */
		without?: string;
		/** The window's own frame is lit: it has the keyboard and the mouse. */
		lit?: boolean;
		box?: HTMLElement;
		on?: HTMLCanvasAttributes;
		/** What stands on the picture. */
		children?: Snippet<[{ readonly trouble: string }]>;
	}
	let { label, load, onpicture, without = '', lit = false, box = $bindable(), on = {}, children }: Props = $props();

	let canvas: HTMLCanvasElement;
	let ready = $state(false);
	let trouble = $state('');

	onMount(() => {
		centreMark.recall();
		let gone = false;
		let picture: P | null = null;
		const frame = box!;
		const watch = new ResizeObserver(() => picture?.resize(frame.clientWidth, frame.clientHeight));
		// After the first paint: three.js is the largest thing on the page and nothing waits for it.
		afterFirstPaint(async () => {
			try {
				const make = await arriving(load, () => gone);
				if (gone) return;
				picture = make(canvas);
				picture.resize(frame.clientWidth, frame.clientHeight);
				watch.observe(frame);
				ready = true;
				onpicture(picture);
			} catch {
				trouble = `This browser draws no 3D here (WebGL is off or missing). ${without}`;
			}
		});
		return () => {
			gone = true;
			onpicture(null);
			watch.disconnect();
			picture?.dispose();
		};
	});
</script>

<div class="glass" class:ready class:lit class:unmarked={!centreMark.on} bind:this={box}>
	<canvas bind:this={canvas} aria-label={label} {...on}></canvas>
	{@render children?.({ trouble })}
	<button
		class="middle"
		aria-pressed={centreMark.on}
		aria-label="Centre mark"
		title="Mark the middle of the picture (M)"
		onclick={() => centreMark.turn()}><span></span></button
	>
	{#if trouble}<p role="alert">{trouble}</p>{/if}
</div>

<style>
	.glass {
		position: relative;
		min-width: 0;
		min-height: 0;
		border-radius: var(--radius);
		overflow: hidden;
		background: linear-gradient(#0d1826, #2b4256 45%, #a5754f 62%, #1c3640 63%, #0c1a22);
		border: 1px solid #0e1a26;
	}
	.lit {
		border-color: var(--lamp);
		box-shadow: 0 0 0 2px var(--lamp);
	}
	.lit canvas {
		cursor: crosshair;
	}
	canvas {
		position: absolute;
		inset: 0;
		width: 100%;
		height: 100%;
		opacity: 0;
	}
	.ready canvas {
		opacity: 1;
	}
	/* Marks and words that windows put on their pictures. */
	.glass :global(.centre) {
		position: absolute;
		left: 50%;
		top: 50%;
		width: 5px;
		height: 5px;
		margin: -2.5px;
		border-radius: 50%;
		background: #fffdf7;
		box-shadow: 0 0 0 1.5px rgb(12 22 32 / 55%);
		pointer-events: none;
	}
	.unmarked :global(.centre) {
		display: none;
	}
	.middle {
		position: absolute;
		right: 6px;
		bottom: 6px;
		display: grid;
		place-items: center;
		width: 26px;
		height: 26px;
		border: 0;
		border-radius: 6px;
		background: rgb(14 24 36 / 62%);
		color: #f7efdd;
		opacity: 0;
		cursor: pointer;
	}
	.glass:hover .middle,
	.middle:focus-visible {
		opacity: 0.9;
	}
	.lit .middle {
		display: none;
	}
	.middle span {
		width: 12px;
		height: 12px;
		border: 1.5px solid;
		border-radius: 50%;
		background: radial-gradient(circle, currentColor 2px, transparent 2.5px);
	}
	.middle[aria-pressed='true'] {
		color: #f2b04a;
	}
	.glass :global(.caption) {
		position: absolute;
		left: 8px;
		bottom: 7px;
		padding: 1px 8px;
		border-radius: 5px;
		background: rgb(14 24 36 / 62%);
		color: #f7efdd;
		font-size: 12px;
		max-width: calc(100% - 16px);
		white-space: nowrap;
		overflow: hidden;
		text-overflow: ellipsis;
		pointer-events: none;
	}
	p {
		position: absolute;
		inset: 0;
		display: grid;
		place-items: center;
		margin: 0;
		padding: 1.5rem;
		color: #f7efdd;
		text-align: center;
	}
</style>
