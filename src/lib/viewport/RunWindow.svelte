<script lang="ts">
	/** The picture of a run, through one camera or two beside each other. A free run is steered with the pointer held in it. */
	import { onMount } from 'svelte';
	import { afterFirstPaint } from '$lib/ui/after-paint';
	import { arriving } from '$lib/ui/arriving';
	import type { Moving } from './grounds';
	import type { Eye } from './eye';
	import type { RunPicture } from './run-picture';

	interface Props {
		/** One frame of the display, so many seconds after the last; gives what is looked at. */
		frame: (dt: number) => { readonly eyes: readonly Eye[]; readonly time: number; readonly moving: Moving | null };
		/** Marks on the ground: x, y, z of places, one after the other, by way. */
		ways: readonly (readonly number[])[];
		viewers: number;
		/** Whether the pointer looks about. */
		steered: boolean;
		onlook: (left: number, up: number) => void;
		caption: string;
	}
	let { frame, ways, viewers, steered, onlook, caption }: Props = $props();

	const LONGEST_FRAME = 0.1;
	/** Degrees a pixel. */
	const LOOK = 0.14;
	let canvas: HTMLCanvasElement;
	let box: HTMLElement;
	let picture = $state.raw<RunPicture | null>(null);
	let trouble = $state('');
	let held = $state(false);
	let wasMoving = false;

	$effect(() => picture?.showWays(ways));
	$effect(() => {
		if (!steered && held) document.exitPointerLock();
	});

	function hold() {
		// Where the pointer cannot be held a drag looks about all the same.
		if (steered && !held) void Promise.resolve(canvas.requestPointerLock()).catch(() => undefined);
	}
	function move(event: MouseEvent) {
		if (steered && (held || event.buttons === 1)) onlook(-event.movementX * LOOK, -event.movementY * LOOK);
	}

	onMount(() => {
		let gone = false;
		let request = 0;
		let last = performance.now();
		const next = (now: number): void => {
			request = requestAnimationFrame(next);
			const dt = Math.min(LONGEST_FRAME, Math.max(0, now - last) / 1000);
			last = now;
			const { eyes, time, moving } = frame(dt);
			if (!picture || eyes.length === 0) return;
			if (moving) picture.put(moving);
			else if (wasMoving) picture.reset();
			wasMoving = moving !== null;
			// Another resolution empties the canvas: before the drawing, or a frame would be blank.
			picture.adapt(dt * 1000);
			picture.draw(eyes, time);
		};
		request = requestAnimationFrame(next);
		const locked = (): void => {
			held = document.pointerLockElement === canvas;
		};
		document.addEventListener('pointerlockchange', locked);
		const watch = new ResizeObserver(() => picture?.resize(box.clientWidth, box.clientHeight));
		afterFirstPaint(async () => {
			try {
				const { RunPicture } = await arriving(
					() => import('./run-picture'),
					() => gone
				);
				if (gone) return;
				const made = new RunPicture(canvas);
				made.resize(box.clientWidth, box.clientHeight);
				watch.observe(box);
				picture = made;
			} catch {
				trouble = 'This browser draws no 3D here (WebGL is off or missing).';
			}
		});
		return () => {
			gone = true;
			cancelAnimationFrame(request);
			document.removeEventListener('pointerlockchange', locked);
			watch.disconnect();
			picture?.dispose();
		};
	});
</script>

<div class="window" class:ready={picture} class:steered bind:this={box}>
	<canvas bind:this={canvas} aria-label="The picture of the run" onclick={hold} onmousemove={move}></canvas>
	{#each { length: viewers } as _, i (i)}
		<span class="centre" style:left="{((i + 0.5) / viewers) * 100}%" aria-hidden="true"></span>
	{/each}
	{#if viewers === 2}<span class="seam" aria-hidden="true"></span>{/if}
	<span class="name">{caption}</span>
	{#if steered && !held}<span class="hint">Click to look about with the mouse</span>{/if}
	{#if trouble}<p role="alert">{trouble}</p>{/if}
</div>

<style>
	.window {
		position: relative;
		min-width: 0;
		min-height: 0;
		border-radius: var(--radius);
		overflow: hidden;
		background: linear-gradient(#0d1826, #2b4256 45%, #a5754f 62%, #1c3640 63%, #0c1a22);
		border: 1px solid #0e1a26;
	}
	.steered {
		border-color: var(--lamp);
		box-shadow: 0 0 0 2px var(--lamp);
	}
	.steered canvas {
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
	.centre {
		position: absolute;
		top: 50%;
		width: 5px;
		height: 5px;
		margin: -2.5px;
		border-radius: 50%;
		background: #fffdf7;
		box-shadow: 0 0 0 1.5px rgb(12 22 32 / 55%);
		pointer-events: none;
	}
	.seam {
		position: absolute;
		top: 0;
		bottom: 0;
		left: calc(50% - 2px);
		width: 4px;
		background: var(--paper-3);
		pointer-events: none;
	}
	.name,
	.hint {
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
	.hint {
		left: 50%;
		bottom: 50%;
		transform: translate(-50%, -18px);
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
