<script lang="ts">
	/**
	 * The scope: side against height and yaw against pitch over the last seconds. Channels that share their randomness
	 * or their frequency draw one straight line, and it says so.
	 */
	import { onMount } from 'svelte';
	import { CHANNEL_COUNT, CHANNELS, type Channel, type View } from 'dinesis-runtime/tools';
	import { correlation } from '$lib/analysis';
	import { inkOf } from '$lib/plots/inks';
	import type { BenchState } from './bench.svelte';

	let { bench, view }: { bench: BenchState; view: View } = $props();

	const SECONDS = 2;
	/** From so few samples nobody can tell. */
	const FEWEST = 16;
	/** From here on two channels count as one. */
	const AS_ONE = 0.96;
	const pairs = $derived<readonly (readonly [Channel, Channel])[]>(
		view === 'flat'
			? [['x', 'y']]
			: [
					['x', 'y'],
					['yaw', 'pitch']
				]
	);
	let canvas: HTMLCanvasElement;
	let together = $state('');
	/** How much each pair moves as one, −1 … 1; null: too little moves to tell. */
	let alike = $state.raw<readonly (number | null)[]>([]);
	const told = (r: number | null | undefined): string =>
		r === null || r === undefined ? '' : ` ${r < 0 ? '−' : ''}${Math.abs(r).toFixed(2)}`;
	let drawnAt = 0;
	let toldAt = 0;
	/** Numbers are read, not watched: they are written so often, in ms. */
	const TOLD_EVERY = 200;
	const scales = [1e-6, 1e-6];

	function tick() {
		const now = performance.now();
		if (now - drawnAt < 30) return;
		drawnAt = now;
		const ratio = window.devicePixelRatio || 1;
		const size = canvas.clientWidth;
		if (canvas.width !== Math.round(size * ratio)) canvas.width = canvas.height = Math.round(size * ratio);
		const pen = canvas.getContext('2d');
		if (!pen) return;
		pen.setTransform(ratio, 0, 0, ratio, 0, 0);
		pen.clearRect(0, 0, size, size);
		const half = size / 2;
		pen.strokeStyle = 'rgba(223,232,238,.3)';
		pen.lineWidth = 1;
		pen.beginPath();
		pen.moveTo(half, 6);
		pen.lineTo(half, size - 6);
		pen.moveTo(6, half);
		pen.lineTo(size - 6, half);
		pen.stroke();
		const { values, count } = bench.recorder.since(bench.player.now - SECONDS);
		let said = '';
		const pairsAlike: (number | null)[] = pairs.map(() => null);
		pairs.forEach(([across, up], p) => {
			const [a, b] = [CHANNELS.indexOf(across), CHANNELS.indexOf(up)];
			let most = 0;
			for (let i = 0; i < count; i++)
				most = Math.max(most, Math.abs(values[i * CHANNEL_COUNT + a]!), Math.abs(values[i * CHANNEL_COUNT + b]!));
			// Grows at once, shrinks slowly, so that the scale does not breathe.
			scales[p] = Math.max(most, scales[p]! * 0.97, 1e-6);
			if (most < 1e-9) return;
			const k = (half - 12) / scales[p]!;
			pen.strokeStyle = p === 0 ? '#8fd0ea' : '#ffab8f';
			pen.lineWidth = 1.4;
			pen.beginPath();
			for (let i = 0; i < count; i++) {
				// Yaw turns left when positive, the picture then goes right: drawn as where the camera looks.
				const x = half + (across === 'yaw' ? -1 : 1) * values[i * CHANNEL_COUNT + a]! * k;
				const y = half - values[i * CHANNEL_COUNT + b]! * k;
				if (i === 0) pen.moveTo(x, y);
				else pen.lineTo(x, y);
			}
			pen.stroke();
			if (count < FEWEST) return;
			const r = correlation(values, count, CHANNEL_COUNT, a, b);
			pairsAlike[p] = Math.round(r * 100) / 100;
			if (Math.abs(r) > AS_ONE) said = `${inkOf(across, view).label} and ${inkOf(up, view).label} move as one`;
		});
		if (said !== together) together = said;
		if (pairsAlike.some((r, i) => r !== alike[i]) && now - toldAt > TOLD_EVERY) {
			alike = pairsAlike;
			toldAt = now;
		}
	}
	onMount(() => bench.onFrame(tick));
</script>

<div
	class="scope"
	role="img"
	title="How much two channels move as one, from −1 to 1. Each has noise of its own: they come near 0; waves of one frequency do not"
	aria-label="Scope: side against height{view === 'flat' ? '' : ', yaw against pitch'}. {together}"
>
	<canvas bind:this={canvas}></canvas>
	<span class="one">side × height{told(alike[0])}</span>
	{#if view === 'space'}<span class="two">yaw × pitch{told(alike[1])}</span>{/if}
	{#if together}<em>{together}</em>{/if}
</div>

<style>
	.scope {
		position: absolute;
		z-index: 1;
		right: 10px;
		bottom: 10px;
		width: 27%;
		max-height: 62%;
		aspect-ratio: 1;
		background: rgb(14 26 38 / 80%);
		border: 1px solid #6d8494;
		border-radius: 5px;
	}
	canvas {
		width: 100%;
		height: 100%;
	}
	span,
	em {
		position: absolute;
		left: 6px;
		font-size: 11px;
		font-style: normal;
	}
	.one {
		top: 3px;
		color: #8fd0ea;
	}
	.two {
		top: 3px;
		left: auto;
		right: 6px;
		color: #ffab8f;
	}
	em {
		bottom: 3px;
		right: 6px;
		color: #ffd48a;
		font-weight: 600;
	}
</style>
