<script lang="ts">
	/**
	 * Six neighbours of the preset on one wall of small pictures, all moving. The one pointed at plays in the window; a press
	 * takes it, a double press takes it and breeds six more around it. Undo brings the former back.
	 */
	import { onMount } from 'svelte';
	import Dices from '@lucide/svelte/icons/dices';
	import Sprout from '@lucide/svelte/icons/sprout';
	import type { ShakePreset } from 'dinesis-runtime';
	import { log2 as log2Of } from 'dinesis-runtime/tools';
	import { NEIGHBOURS, type Freedom, type Neighbour } from '$lib/analysis';
	import type { MotionWorker } from '$lib/workers/motion';
	import type { Picture } from '$lib/viewport/picture';
	import NumberField from '$lib/ui/NumberField.svelte';
	import type { BenchState } from './bench.svelte';
	import { Wall } from './wall';

	interface Props {
		bench: BenchState;
		preset: ShakePreset;
		worker: MotionWorker;
		onchange: (label: string, recipe: (preset: ShakePreset) => ShakePreset, mark: string, done: boolean) => void;
	}
	let { bench, preset, worker, onchange }: Props = $props();

	const MAY: readonly { part: keyof Freedom; label: string; about: string }[] = [
		{ part: 'strength', label: 'strength', about: 'the amount' },
		{ part: 'pace', label: 'pace', about: 'the rate' },
		{ part: 'length', label: 'length', about: 'the length and the fades' },
		{ part: 'balance', label: 'balance', about: 'channels and layers against each other' },
		{ part: 'character', label: 'character', about: 'octaves, persistence, damping and the like' }
	];
	let free = $state.raw<Freedom>({ strength: true, pace: true, length: true, balance: true, character: true });
	/** How far, as a factor: the six are that much stronger, weaker, faster or slower. */
	let factor = $state(1.5);
	let seed = $state(1);
	/** The preset that they stand around: the one they were bred from. */
	let centre = $state.raw<ShakePreset | null>(null);
	let found = $state.raw<readonly Neighbour[]>([]);
	let busy = $state(false);
	let taken = $state(-1);
	let pointed = $state(-1);
	let canvas: HTMLCanvasElement;
	let box: HTMLElement;
	const wall = new Wall(NEIGHBOURS);

	async function breed(around: ShakePreset, nextSeed = seed) {
		seed = nextSeed;
		centre = around;
		busy = true;
		taken = -1;
		try {
			const six = await worker.neighbours(around, { seed: nextSeed, step: Math.log2(factor), free });
			if (centre !== around || seed !== nextSeed) return;
			found = six;
			wall.show(six.map((n) => n.preset));
		} catch {
			// The worker was closed: the page is going away.
		} finally {
			busy = false;
		}
	}
	function point(i: number) {
		pointed = i;
		const neighbour = found[i];
		bench.tryOut(neighbour ? neighbour.preset : null);
		if (neighbour) {
			if (neighbour.preset.timing.mode === 'burst' || !bench.sounding.has(bench.open)) bench.press(bench.open, 0);
			wall.restart();
		}
	}
	function leave() {
		pointed = -1;
		bench.tryOut(null);
	}
	function take(i: number) {
		const neighbour = found[i];
		if (!neighbour) return;
		taken = i;
		bench.tryOut(null);
		onchange(
			`Take neighbour ${i + 1}`,
			({ ...p }) => {
				// Its motion only: what was written about the preset meanwhile stays.
				const { amount, rate, timing, layers } = neighbour.preset;
				return { ...p, amount, rate, timing, layers };
			},
			`neighbour ${i}`,
			true
		);
	}
	function takeAndBreed(i: number) {
		take(i);
		const neighbour = found[i];
		if (neighbour) void breed(neighbour.preset, seed + 1);
	}
	const times = (value: number): string => `×${value < 10 ? value.toFixed(2) : value.toFixed(0)}`;
	const octaves = (value: number): number =>
		Math.max(-1.6, Math.min(1.6, log2Of(value) / Math.max(0.05, Math.log2(factor))));

	onMount(() => {
		let gone = false;
		let picture: Picture | null = null;
		const watch = new ResizeObserver(() => picture?.resize(box.clientWidth, box.clientHeight));
		const stop = bench.onFrame(() => {
			picture?.drawWall(wall.frame(bench.player.now), 3, 6, bench.sceneTime, 2);
		});
		void breed(preset);
		void import('$lib/viewport/picture').then(
			({ Picture }) => {
				if (gone) return;
				try {
					picture = new Picture(canvas, preset.view, 0.6);
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
			bench.tryOut(null);
		};
	});
</script>

<div class="page">
	<div class="controls">
		<div class="may">
			<span>may vary</span>
			{#each MAY as { part, label, about } (part)}
				<button
					aria-pressed={free[part]}
					title="{free[part] ? 'Varies' : 'Locked'}: {about}"
					onclick={() => {
						free = { ...free, [part]: !free[part] };
						void breed(centre ?? preset);
					}}>{label}</button
				>
			{/each}
		</div>
		<div class="acts">
			<NumberField
				look="inline"
				label="all"
				unit="× away"
				value={factor}
				min={1.05}
				max={4}
				step={0.01}
				reset={1.5}
				hint="How many times as strong or as fast, all six alike"
				onchange={(v, done) => {
					factor = v;
					if (done) void breed(centre ?? preset);
				}}
			/>
			<button onclick={() => breed(centre ?? preset, seed + 1)} title="Six others around the same preset">
				<Dices size={14} /> six others
			</button>
			<button onclick={() => breed(preset, seed + 1)} title="Six around the preset as it is now">
				<Sprout size={14} /> breed
			</button>
			<em>{busy ? 'measuring…' : ''}</em>
		</div>
		<svg
			class="compass"
			viewBox="-1.7 -1.7 3.4 3.4"
			role="img"
			aria-label="Where the six stand: across is pace, up is strength"
		>
			<circle r="1" class="ring" />
			<line x1="-1.6" x2="1.6" y1="0" y2="0" /><line y1="-1.6" y2="1.6" x1="0" x2="0" />
			{#each found as n, i (i)}
				<circle
					r={pointed === i ? 0.26 : 0.17}
					class:taken={taken === i}
					cx={octaves(n.pace)}
					cy={-octaves(n.strength)}
					class="dot"
				/>
			{/each}
			<text x="1.68" y="0.5">fast</text><text x="-0.12" y="-1.32">strong</text>
		</svg>
	</div>
	<div class="wall" bind:this={box} onpointerleave={leave} role="presentation">
		<canvas bind:this={canvas} aria-hidden="true"></canvas>
		{#each { length: NEIGHBOURS } as _, i (i)}
			{@const n = found[i]}
			<button
				class="tile"
				class:taken={taken === i}
				disabled={!n}
				aria-label={n
					? `Neighbour ${i + 1}: ${times(n.strength)} as strong, ${times(n.pace)} as fast, ${times(n.length)} as long. Press to take it`
					: `Neighbour ${i + 1}, being made`}
				title="Press takes it; a double press takes it and breeds six more"
				onpointerenter={() => point(i)}
				onfocus={() => point(i)}
				onblur={leave}
				onclick={() => take(i)}
				ondblclick={() => takeAndBreed(i)}
				onkeydown={(e) => {
					if (e.key.toLowerCase() === 'b') {
						e.stopPropagation();
						takeAndBreed(i);
					}
				}}
			>
				{#if n}
					<span><em>strength <b>{times(n.strength)}</b></em> <em>pace <b>{times(n.pace)}</b></em></span>
				{/if}
			</button>
		{/each}
	</div>
	<p>
		Point at one and it plays in the window. A press takes it, a double press (or B) takes it and breeds six more;
		Ctrl+Z brings the former back.
	</p>
</div>

<style>
	.page {
		display: flex;
		flex-direction: column;
		gap: 7px;
		min-height: 0;
		flex: 1;
		font-size: 12.5px;
	}
	.controls {
		display: grid;
		grid-template-columns: minmax(0, 1fr) 84px;
		gap: 4px 10px;
	}
	.compass {
		grid-area: 1 / 2 / 3 / 3;
		width: 84px;
		height: 74px;
	}
	.may,
	.acts {
		display: flex;
		gap: 5px;
		align-items: center;
		white-space: nowrap;
	}
	.acts {
		gap: 10px;
	}
	.may {
		flex-wrap: wrap;
	}
	.may span {
		color: var(--ink-2);
	}
	button {
		border: 1px solid var(--rule-strong);
		border-radius: 6px;
		background: var(--field);
		padding: 1px 7px;
		cursor: pointer;
		font-size: 12px;
	}
	.may button {
		text-decoration: line-through;
		color: var(--ink-2);
	}
	.may button[aria-pressed='true'] {
		text-decoration: none;
		border-color: var(--lamp);
		background: var(--lamp-wash);
		color: var(--ink);
	}
	.acts button {
		display: flex;
		align-items: center;
		gap: 4px;
	}
	em {
		color: var(--lamp-text);
	}
	.ring {
		fill: none;
		stroke: var(--rule-strong);
		stroke-width: 0.03;
		stroke-dasharray: 0.1 0.08;
	}
	line {
		stroke: var(--rule);
		stroke-width: 0.03;
	}
	.dot {
		fill: var(--lamp);
	}
	.dot.taken {
		fill: var(--ink);
	}
	text {
		font-size: 0.45px;
		text-anchor: end;
		fill: var(--ink-2);
	}
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
	p {
		margin: 0;
		color: var(--ink-2);
		font-size: 12px;
	}
</style>
