<script lang="ts">
	/** A stride as a circle: from the fall of one foot round to its next fall, each channel about it; where it is lowest it can be taken and turned. */
	import type { BobPreset } from 'dinesis-runtime';
	import { CHANNELS, cyclesOf, unitOf, type Channel, type Key } from 'dinesis-runtime/tools';
	import { inkOf } from '$lib/plots/inks';
	import { nearestGait } from './body-changes';
	import { AROUND, strideLines } from './stride';
	import { posesWith } from './stride-poses';
	import StridePoses from './StridePoses.svelte';

	interface Props {
		bob: BobPreset;
		speed: number;
		/** Where in the stride one is just now, 0–1; null: nowhere. */
		phase: number | null;
		/** Turns a channel's place in the stride by so many of its cycles. */
		onturn: (channel: Channel, by: number, done: boolean) => void;
		/** Changes the poses of a channel of the gait that is drawn. */
		onkeys: (channel: Channel, keys: Key[], what: string, done: boolean) => void;
	}
	let { bob, speed, phase, onturn, onkeys }: Props = $props();

	const R = 150;
	const [INNER, ROOM] = [46, 88];
	const lines = $derived(strideLines(bob, speed));
	/** The gait that is drawn, and taken by its poses. */
	const gait = $derived(nearestGait(bob, speed));
	/** Rings from the inside out, in the channels' order. */
	const rings = $derived(
		lines.map((line, i) => {
			const wide = ROOM / Math.max(1, lines.length);
			const middle = INNER + wide * (i + 0.5);
			const at = (k: number): [number, number] => {
				const r = middle + (line.values[k]! / line.most) * wide * 0.44;
				const turn = (k / AROUND) * Math.PI * 2;
				return [Math.sin(turn) * r, -Math.cos(turn) * r];
			};
			let lowest = 0;
			for (let k = 0; k < AROUND; k++) if (line.values[k]! < line.values[lowest]! - 1e-12) lowest = k;
			const d = Array.from({ length: AROUND }, (_, k) => {
				const [x, y] = at(k);
				return `${k === 0 ? 'M' : 'L'}${x.toFixed(1)} ${y.toFixed(1)}`;
			}).join('');
			const turned = (place: number): [number, number] => at(Math.round(place * AROUND) % AROUND);
			return { ...line, middle, wide, d: `${d}Z`, low: at(lowest), lowest: lowest / AROUND, at: turned };
		})
	);
	let held: { channel: Channel; from: number } | null = null;
	let svg: SVGSVGElement;

	/** Of the pointer: its place in the stride, and how far from the middle, in the drawing's own pixels. */
	function pointer(event: MouseEvent): { place: number; radius: number } {
		const box = svg.getBoundingClientRect();
		const per = Math.min(box.width, box.height) / (2 * R);
		const [x, y] = [event.clientX - box.left - box.width / 2, event.clientY - box.top - box.height / 2];
		return { place: Math.atan2(x, -y) / (Math.PI * 2), radius: Math.hypot(x, y) / Math.max(1e-6, per) };
	}
	const placeOf = (event: PointerEvent): number => pointer(event).place;
	/** A double press on a ring of poses sets one more. */
	function add(event: MouseEvent) {
		const { place, radius } = pointer(event);
		const ring = rings.find((one) => Math.abs(radius - one.middle) < one.wide / 2);
		const of = ring && gait?.channels[ring.channel];
		if (!ring || of?.shape !== 'keys') return;
		const keys = posesWith(of, place, cycles(ring.channel));
		if (keys) onkeys(ring.channel, keys, 'Add pose', true);
	}
	const cycles = (channel: Channel): 1 | 2 => cyclesOf(channel, gait?.channels[channel]?.every);
	function take(event: PointerEvent, channel: Channel) {
		if (event.button !== 0) return;
		held = { channel, from: placeOf(event) };
		svg.setPointerCapture(event.pointerId);
		event.preventDefault();
	}
	function drag(event: PointerEvent) {
		if (!held) return;
		const to = placeOf(event);
		let by = to - held.from;
		by -= Math.round(by);
		held.from = to;
		// Later on the circle is earlier in the cycle's phase.
		onturn(held.channel, -by * cycles(held.channel), false);
	}
	function drop() {
		if (held) onturn(held.channel, 0, true);
		held = null;
	}
	function keys(event: KeyboardEvent, channel: Channel) {
		const by = event.key === 'ArrowRight' ? 1 : event.key === 'ArrowLeft' ? -1 : 0;
		if (by === 0) return;
		event.preventDefault();
		event.stopPropagation();
		onturn(channel, (-by * cycles(channel)) / 100, true);
	}
	/** Half of peak to peak, in the unit that reads best. */
	function size(channel: Channel, most: number): string {
		const unit = unitOf(channel, bob.view);
		return unit === 'm'
			? `${(most * 100).toFixed(1)} cm`
			: `${most.toFixed(unit === 'px' ? 1 : 2)}${unit === '°' ? '' : ' '}${unit}`;
	}
</script>

<div class="stride">
	<svg
		bind:this={svg}
		viewBox="{-R} {-R} {2 * R} {2 * R}"
		role="group"
		aria-label="A stride at {speed.toFixed(1)} m/s: each channel about the circle"
		onpointermove={drag}
		onpointerup={drop}
		onpointercancel={drop}
		ondblclick={add}
	>
		{#each [0, 0.25, 0.5, 0.75] as part (part)}
			<line
				class="spoke"
				class:foot={part === 0 || part === 0.5}
				x1={Math.sin(part * Math.PI * 2) * 40}
				y1={-Math.cos(part * Math.PI * 2) * 40}
				x2={Math.sin(part * Math.PI * 2) * 137}
				y2={-Math.cos(part * Math.PI * 2) * 137}
			/>
		{/each}
		<!-- A tick of sound where each foot falls. -->
		{#each [0, 0.5] as part (part)}
			{@const y = -Math.cos(part * Math.PI * 2)}
			<g class="sound" transform="translate(0 {y * 141})">
				<circle r="4.5" />
				<path d="M9 -4a6 6 0 0 1 0 8M13 -6.5a10 10 0 0 1 0 13M-9 -4a6 6 0 0 0 0 8M-13 -6.5a10 10 0 0 0 0 13" />
			</g>
			<text class="said" x="22" y={y * 141 + 4}>{part === 0 ? 'one foot falls' : 'the other'}</text>
		{/each}
		{#each rings as ring (ring.channel)}
			<circle class="middle" r={ring.middle} />
			<path
				class="line"
				d={ring.d}
				stroke="var(--ink-{ring.channel})"
				stroke-dasharray={inkOf(ring.channel).dash.join(' ')}
			/>
			{@const poses = gait?.channels[ring.channel]}
			{#if poses?.shape === 'keys'}
				<StridePoses
					channel={ring.channel}
					of={poses}
					cycles={cycles(ring.channel)}
					at={ring.at}
					high={ring.most > 0 ? ((Math.abs(poses.amplitude) * bob.amount) / ring.most) * ring.wide * 0.44 : 0}
					{pointer}
					onkeys={(keys, what, done) => onkeys(ring.channel, keys, what, done)}
				/>
			{/if}
			<circle
				class="low"
				cx={ring.low[0]}
				cy={ring.low[1]}
				r="5"
				fill="var(--ink-{ring.channel})"
				role="slider"
				tabindex="0"
				aria-label="Where {inkOf(ring.channel).label} is lowest in the stride"
				aria-valuenow={Math.round(ring.lowest * 100)}
				aria-valuemin="0"
				aria-valuemax="100"
				onpointerdown={(e) => take(e, ring.channel)}
				onkeydown={(e) => keys(e, ring.channel)}
				><title>{inkOf(ring.channel).label} is lowest here: take it round</title></circle
			>
		{/each}
		{#if phase !== null}
			<line
				class="hand"
				x1="0"
				y1="0"
				x2={Math.sin(phase * Math.PI * 2) * 135}
				y2={-Math.cos(phase * Math.PI * 2) * 135}
			/>
		{/if}
		{#if rings.length === 0}<text class="none" text-anchor="middle" y="4">nothing moves</text>{/if}
	</svg>
	<ul>
		{#each CHANNELS as channel (channel)}
			{@const ring = rings.find((r) => r.channel === channel)}
			{#if ring}
				<li>
					<svg viewBox="0 0 22 6" aria-hidden="true"
						><line
							x1="0"
							x2="22"
							y1="3"
							y2="3"
							stroke="var(--ink-{channel})"
							stroke-width="2"
							stroke-dasharray={inkOf(channel).dash.join(' ')}
						/></svg
					>
					{inkOf(channel).label} <b>± {size(channel, ring.most)}</b>
				</li>
			{/if}
		{/each}
	</ul>
</div>

<style>
	.stride {
		display: grid;
		grid-template-rows: minmax(0, 1fr) auto;
		min-height: 0;
		min-width: 0;
	}
	.stride > svg {
		width: 100%;
		height: 100%;
		min-height: 0;
		touch-action: none;
	}
	.spoke {
		stroke: var(--rule);
	}
	.foot {
		stroke: var(--rule-strong);
	}
	.middle {
		fill: none;
		stroke: var(--rule);
		stroke-dasharray: 1 3;
	}
	.line {
		fill: none;
		stroke-width: 1.9;
		stroke-linejoin: round;
	}
	.low {
		stroke: var(--field);
		stroke-width: 1.5;
		cursor: grab;
	}
	.hand {
		stroke: var(--lamp);
		stroke-width: 2;
		stroke-linecap: round;
	}
	.sound circle {
		fill: var(--lamp);
	}
	.sound path {
		fill: none;
		stroke: var(--lamp);
		stroke-width: 1.3;
		stroke-linecap: round;
	}
	.said,
	.none {
		font-size: 11px;
		fill: var(--ink-2);
	}
	ul {
		display: flex;
		flex-wrap: wrap;
		gap: 1px 12px;
		margin: 0;
		padding: 0;
		list-style: none;
		font-size: 11.5px;
		color: var(--ink-2);
	}
	li svg {
		width: 20px;
		height: 6px;
		vertical-align: 2px;
	}
	b {
		font-weight: 600;
		color: var(--ink);
	}
</style>
