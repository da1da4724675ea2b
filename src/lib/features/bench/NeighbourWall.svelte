<script lang="ts">
	/** The six on one wall of small pictures, all moving. */
	import { onMount } from 'svelte';
	import type { ShakePreset } from 'dinesis-runtime';
	import { NEIGHBOURS, type Neighbour } from '$lib/analysis';
	import type { Picture } from '$lib/viewport/picture';
	import type { BenchState } from './bench.svelte';
	import type { Wall } from './wall';

	interface Props {
		bench: BenchState;
		preset: ShakePreset;
		found: readonly Neighbour[];
		wall: Wall;
		taken: number;
		onpoint: (i: number) => void;
		onleave: () => void;
		ontake: (i: number) => void;
		onbreed: (i: number) => void;
	}
	let { bench, preset, found, wall, taken, onpoint, onleave, ontake, onbreed }: Props = $props();

	/** Coarse: they are small and many. */
	const RATIO = 0.6;
	let canvas: HTMLCanvasElement;
	let box: HTMLElement;
	const times = (value: number): string => `×${value < 10 ? value.toFixed(2) : value.toFixed(0)}`;

	onMount(() => {
		let gone = false;
		let picture: Picture | null = null;
		const watch = new ResizeObserver(() => picture?.resize(box.clientWidth, box.clientHeight));
		const stop = bench.onFrame(() => {
			picture?.drawWall(wall.frame(bench.player.now), 3, 6, bench.sceneTime, 2);
		});
		void import('$lib/viewport/picture').then(
			({ Picture }) => {
				if (gone) return;
				try {
					picture = new Picture(canvas, preset.view, RATIO);
					picture.resize(box.clientWidth, box.clientHeight);
					watch.observe(box);
				} catch {
					// No 3D here: the figures below each tile still tell them apart.
				}
			},
			() => undefined
		);
		return () => {
			gone = true;
			stop();
			watch.disconnect();
			picture?.dispose();
		};
	});
</script>

<div class="wall" bind:this={box} onpointerleave={onleave} role="presentation">
	<canvas bind:this={canvas} aria-hidden="true"></canvas>
	{#each { length: NEIGHBOURS } as _, i (i)}
		{@const n = found[i]}
		<button
			class="tile"
			class:taken={taken === i}
			disabled={!n}
			aria-label={n
				? `Neighbour ${i + 1}: ${times(n.size)} as large, ${times(n.pace)} as fast, ${times(n.length)} as long. Press to take it`
				: `Neighbour ${i + 1}, being made`}
			title="Press takes it; a double press takes it and breeds six more"
			onpointerenter={() => onpoint(i)}
			onfocus={() => onpoint(i)}
			onblur={onleave}
			onclick={() => ontake(i)}
			ondblclick={() => onbreed(i)}
			onkeydown={(e) => {
				if (e.key.toLowerCase() === 'b') {
					e.stopPropagation();
					onbreed(i);
				}
			}}
		>
			{#if n}
				<span><em>size <b>{times(n.size)}</b></em> <em>pace <b>{times(n.pace)}</b></em></span>
			{/if}
		</button>
	{/each}
</div>

<style>
	.wall {
		position: relative;
		display: grid;
		grid-template-columns: repeat(3, minmax(0, 1fr));
		grid-template-rows: repeat(2, minmax(0, 1fr));
		gap: 6px;
		flex: 1 1 200px;
		min-height: 120px;
		max-height: 250px;
	}
	canvas {
		position: absolute;
		inset: 0;
		width: 100%;
		height: 100%;
		border-radius: 6px;
		background: #1b2c3c;
	}
	.tile {
		position: relative;
		background: none;
		border: 2px solid transparent;
		padding: 0;
		overflow: hidden;
	}
	.tile:hover,
	.tile:focus-visible {
		border-color: var(--lamp-light);
	}
	.tile.taken {
		border-color: var(--lamp);
	}
	.tile span {
		position: absolute;
		left: 0;
		right: 0;
		bottom: 0;
		display: flex;
		flex-wrap: wrap;
		column-gap: 8px;
		padding: 1px 6px 2px;
		background: rgb(14 24 36 / 70%);
		font-size: 11px;
		text-align: left;
		white-space: nowrap;
	}
	.tile em {
		color: #f7efdd;
		font-style: normal;
	}
	.tile b {
		color: #ffd48a;
		font-weight: 600;
	}
	button {
		border-radius: 6px;
		cursor: pointer;
		font-size: 12px;
	}
</style>
