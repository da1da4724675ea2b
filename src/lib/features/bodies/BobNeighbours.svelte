<script lang="ts">
	/**
	 * Six neighbours of a head bob, each by the path of its eye, all walking. The one pointed at walks in the window beside the bob; a press
	 * takes it, a double press takes it and breeds six more around it.
	 */
	import { onMount } from 'svelte';
	import type { BobPreset } from 'dinesis-runtime';
	import { bobNeighboursOf, withMotionOf, type BobFreedom, type BobNeighbour } from '$lib/analysis';
	import { nearestGait } from '$lib/stages/body-changes';
	import { AROUND, strideLines } from '$lib/stages/stride';
	import BreedControls from '$lib/room/BreedControls.svelte';
	import Frame from '$lib/ui/Frame.svelte';
	import type { BodyState } from './bodies.svelte';

	let { desk, bob }: { desk: BodyState; bob: BobPreset } = $props();

	const MAY: readonly { part: keyof BobFreedom; label: string; about: string }[] = [
		{ part: 'size', label: 'size', about: 'how far it goes: the amount' },
		{ part: 'pace', label: 'pace', about: 'how fast it steps' },
		{ part: 'balance', label: 'balance', about: 'channels against each other, alike in all gaits' },
		{ part: 'character', label: 'character', about: 'places in the stride, how it settles and lands' }
	];
	let free = $state.raw<BobFreedom>({ size: true, pace: true, balance: true, character: true });
	let factor = $state(1.4);
	let seed = $state(1);
	let centre = $state.raw<BobPreset | null>(null);
	let found = $state.raw<readonly BobNeighbour[]>([]);
	let taken = $state(-1);
	/** What stood beside it before one was pointed at. */
	let before: BodyState['beside'] = null;
	let pointing = false;

	const [W, H] = [84, 56];
	/** One for all tiles, so that sizes compare: half of the widest, in metres or pixels. */
	const walks = $derived(
		found.map(({ preset }) => {
			const gait = nearestGait(preset, desk.walks);
			const lines = gait ? strideLines(preset, gait.speed) : [];
			const of = (channel: 'x' | 'y'): Float64Array =>
				lines.find((line) => line.channel === channel)?.values ?? new Float64Array(AROUND + 1);
			return { x: of('x'), y: of('y'), stride: gait ? 2 / gait.steps : 1 };
		})
	);
	const most = $derived(Math.max(1e-9, ...walks.flatMap(({ x, y }) => [...x, ...y].map((v) => Math.abs(v)))));
	const at = (i: number, k: number): readonly [number, number] => {
		const scale = (H / 2 - 5) / most;
		return [W / 2 + walks[i]!.x[k]! * scale, H / 2 - walks[i]!.y[k]! * scale];
	};
	const pathOf = (i: number): string =>
		`${Array.from(
			{ length: AROUND },
			(_, k) =>
				`${k === 0 ? 'M' : 'L'}${at(i, k)
					.map((v) => v.toFixed(1))
					.join(' ')}`
		).join('')}Z`;
	const times = (value: number): string => `×${value.toFixed(2)}`;

	function breed(around: BobPreset, next = seed) {
		seed = next;
		centre = around;
		taken = -1;
		found = bobNeighboursOf(around, { seed, step: Math.log2(factor), free });
	}
	function point(i: number) {
		const one = found[i];
		if (!one) return;
		if (!pointing) before = desk.beside;
		pointing = true;
		desk.hold(withMotionOf(bob, one.preset), `neighbour ${i + 1}`);
	}
	function leave() {
		if (pointing) desk.beside = before;
		pointing = false;
	}
	function take(i: number) {
		const one = found[i];
		if (!one) return;
		leave();
		taken = i;
		desk.session.changeBody(bob.id, `Take neighbour ${i + 1}`, (b) => withMotionOf(b as BobPreset, one.preset));
		desk.session.seal();
	}
	function takeAndBreed(i: number) {
		const one = found[i];
		take(i);
		if (one) breed(withMotionOf(bob, one.preset), seed + 1);
	}

	let dots = $state<readonly (readonly [number, number])[]>([]);
	onMount(() => {
		breed(bob);
		let frame = 0;
		const walk = (now: number): void => {
			if (desk.playing)
				dots = walks.map(({ stride }, i) => {
					const part = now / 1000 / stride;
					return at(i, Math.floor((part - Math.floor(part)) * AROUND));
				});
			frame = requestAnimationFrame(walk);
		};
		frame = requestAnimationFrame(walk);
		return () => {
			cancelAnimationFrame(frame);
			leave();
		};
	});
</script>

<Frame label="Neighbours of {bob.name}" flow="rows">
	<BreedControls
		may={MAY}
		{free}
		{factor}
		usual={1.4}
		word="bob"
		onfree={(next) => {
			free = next;
			breed(centre ?? bob);
		}}
		onfactor={(v, done) => {
			factor = v;
			if (done) breed(centre ?? bob);
		}}
		onothers={() => breed(centre ?? bob, seed + 1)}
		onbreed={() => breed(bob, seed + 1)}
	/>
	<div class="wall" role="presentation" onpointerleave={leave}>
		{#each found as one, i (i)}
			<button
				class="tile"
				class:taken={taken === i}
				aria-label="Neighbour {i + 1}: {times(one.size)} as far, {times(one.pace)} as fast. Press to take it"
				title="Press takes it; a double press takes it and breeds six more"
				onpointerenter={() => point(i)}
				onfocus={() => point(i)}
				onblur={leave}
				onclick={() => take(i)}
				ondblclick={() => takeAndBreed(i)}
				onkeydown={(e) => {
					if (e.key.toLowerCase() !== 'b') return;
					e.stopPropagation();
					takeAndBreed(i);
				}}
			>
				<svg viewBox="0 0 {W} {H}" aria-hidden="true"
					><path d={pathOf(i)} />{#if dots[i]}<circle cx={dots[i]![0]} cy={dots[i]![1]} r="3.2" />{/if}</svg
				>
				<span>size <b>{times(one.size)}</b> pace <b>{times(one.pace)}</b></span>
			</button>
		{/each}
	</div>
	<p>
		The path of the eye over a stride, seen from behind. Point at one and it walks at the right in the window; a press
		takes it, a double press (or B) takes it and breeds six more; Ctrl+Z brings the former back.
	</p>
</Frame>

<style>
	p {
		margin: 0;
		font-size: 12px;
		color: var(--ink-2);
	}
	.wall {
		display: grid;
		grid-template-columns: repeat(2, minmax(0, 1fr));
		gap: 6px;
	}
	.tile {
		display: grid;
		gap: 2px;
		padding: 4px;
		border: 1px solid var(--rule);
		border-radius: 7px;
		background: var(--field);
		cursor: pointer;
	}
	.tile:hover,
	.tile.taken {
		border-color: var(--lamp);
	}
	.tile span {
		font-size: 11px;
		color: var(--ink-2);
	}
	.tile b {
		color: var(--ink);
	}
	svg {
		display: block;
		width: 100%;
		height: 62px;
	}
	path {
		fill: none;
		stroke: var(--ink-y);
		stroke-width: 1.5;
	}
	circle {
		fill: var(--lamp);
	}
</style>
