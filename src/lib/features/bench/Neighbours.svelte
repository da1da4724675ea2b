<script lang="ts">
	/**
	 * Six neighbours of the preset on one wall of small pictures, all moving. The one pointed at plays in the window; a press
	 * takes it, a double press takes it and breeds six more around it. Undo brings the former back.
	 */
	import { onMount } from 'svelte';
	import Dices from '@lucide/svelte/icons/dices';
	import Sprout from '@lucide/svelte/icons/sprout';
	import type { ShakePreset } from 'dinesis-runtime';
	import { NEIGHBOURS, type Freedom, type Neighbour } from '$lib/analysis';
	import type { MotionWorker } from '$lib/workers/motion';
	import NumberField from '$lib/ui/NumberField.svelte';
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
	p {
		margin: 0;
		color: var(--ink-2);
		font-size: 12px;
	}
</style>
