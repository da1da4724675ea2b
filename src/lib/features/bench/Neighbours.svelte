<script lang="ts">
	/**
	 * Six neighbours of the preset on one wall of small pictures, all moving. The one pointed at plays in the window; a press
	 * takes it, a double press takes it and breeds six more around it. Undo brings the former back.
	 */
	import { onMount } from 'svelte';
	import type { ShakePreset } from 'dinesis-runtime';
	import { NEIGHBOURS, type Freedom, type Neighbour } from '$lib/analysis';
	import type { MotionWorker } from '$lib/workers/motion';
	import BreedControls from '$lib/room/BreedControls.svelte';
	import type { BenchState } from './bench.svelte';
	import Compass from './Compass.svelte';
	import NeighbourWall from './NeighbourWall.svelte';
	import { Wall } from './wall';

	interface Props {
		bench: BenchState;
		preset: ShakePreset;
		worker: MotionWorker;
		onchange: (label: string, recipe: (preset: ShakePreset) => ShakePreset, mark: string, done: boolean) => void;
	}
	let { bench, preset, worker, onchange }: Props = $props();

	const MAY: readonly { part: keyof Freedom; label: string; about: string }[] = [
		{ part: 'size', label: 'size', about: 'how far it moves: the amount' },
		{ part: 'pace', label: 'pace', about: 'the rate' },
		{ part: 'length', label: 'length', about: 'the length and the fades' },
		{ part: 'balance', label: 'balance', about: 'channels and layers against each other' },
		{ part: 'character', label: 'character', about: 'octaves, persistence, damping and the like' }
	];
	let free = $state.raw<Freedom>({ size: true, pace: true, length: true, balance: true, character: true });
	/** How far, as a factor: the six are that much stronger, weaker, faster or slower. */
	let factor = $state(1.5);
	let seed = $state(1);
	/** The preset that they stand around: the one they were bred from. */
	let centre = $state.raw<ShakePreset | null>(null);
	let found = $state.raw<readonly Neighbour[]>([]);
	let busy = $state(false);
	let taken = $state(-1);
	let pointed = $state(-1);
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
	onMount(() => {
		void breed(preset);
		return () => bench.tryOut(null);
	});
</script>

<div class="page">
	<div class="controls">
		<div class="bred">
			<BreedControls
				may={MAY}
				{free}
				{factor}
				usual={1.5}
				word="preset"
				{busy}
				onfree={(next) => {
					free = next;
					void breed(centre ?? preset);
				}}
				onfactor={(v, done) => {
					factor = v;
					if (done) void breed(centre ?? preset);
				}}
				onothers={() => void breed(centre ?? preset, seed + 1)}
				onbreed={() => void breed(preset, seed + 1)}
			/>
		</div>
		<Compass {found} {factor} {pointed} {taken} />
	</div>
	<NeighbourWall
		{bench}
		{preset}
		{found}
		{wall}
		{taken}
		onpoint={point}
		onleave={leave}
		ontake={take}
		onbreed={takeAndBreed}
	/>
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
	.controls > :global(svg) {
		grid-area: 1 / 2 / 3 / 3;
		width: 84px;
		height: 74px;
	}
	.bred {
		grid-area: 1 / 1 / 3 / 2;
		display: grid;
		align-content: space-between;
		gap: 4px;
	}
	p {
		margin: 0;
		color: var(--ink-2);
		font-size: 12px;
	}
</style>
