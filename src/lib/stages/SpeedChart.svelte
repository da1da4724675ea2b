<script lang="ts">
	/** The gaits side by side over the speed: how far the eye goes up and down and sideways, how often a foot falls, what real heads do. */
	import type { BobPreset } from 'dinesis-runtime';
	import type { BobGait } from 'dinesis-runtime/tools';
	import { REAL_HEADS, speedCurve } from './stride';

	interface Props {
		bob: BobPreset;
		/** The speed that is tried now, in metres a second. */
		speed: number;
		onspeed: (speed: number) => void;
		/** A gait made for another speed. */
		ongait: (gait: BobGait, speed: number, done: boolean) => void;
	}
	let { bob, speed, onspeed, ongait }: Props = $props();

	const [H, LEFT, RIGHT, TOP, FOOT] = [190, 38, 34, 16, 34];
	let W = $state(420);
	const curve = $derived(speedCurve(bob));
	const far = $derived(curve.at(-1)!.speed);
	const isFlat = $derived(bob.view === 'flat');
	const per = $derived(isFlat ? 1 : 100);
	const tall = $derived(Math.max(isFlat ? 4 : 0.025, ...curve.map((p) => Math.max(p.height, p.side))) * per * 1.12);
	const fast = $derived(Math.max(3.4, ...curve.map((p) => p.steps)) * 1.08);
	const x = (v: number): number => LEFT + (v / far) * (W - LEFT - RIGHT);
	const y = (v: number): number => H - FOOT - ((v * per) / tall) * (H - FOOT - TOP);
	const ys = (v: number): number => H - FOOT - (v / fast) * (H - FOOT - TOP);
	const line = (of: (p: (typeof curve)[number]) => number): string =>
		curve.map((p, i) => `${i === 0 ? 'M' : 'L'}${x(p.speed).toFixed(1)} ${of(p).toFixed(1)}`).join('');
	const ticks = $derived(Array.from({ length: Math.floor(far) + 1 }, (_, i) => i));
	const marks = $derived([0.5, 1].map((part) => Number((tall * part * 0.9).toPrecision(1))));

	let held: BobGait['id'] | 'speed' | null = null;
	let svg: SVGSVGElement;
	const speedAt = (event: PointerEvent): number => {
		const box = svg.getBoundingClientRect();
		const at = ((event.clientX - box.left - LEFT) / (W - LEFT - RIGHT)) * far;
		return Math.round(Math.min(far, Math.max(0, at)) * 20) / 20;
	};
	function take(event: PointerEvent, what: string) {
		if (event.button !== 0) return;
		event.stopPropagation();
		held = what;
		svg.setPointerCapture(event.pointerId);
		if (what === 'speed') onspeed(speedAt(event));
	}
	function drag(event: PointerEvent) {
		if (held === null) return;
		if (held === 'speed') return onspeed(speedAt(event));
		const gait = bob.gaits.find((g) => g.id === held);
		if (gait) ongait(gait, Math.max(0.05, speedAt(event)), false);
	}
	function drop() {
		const gait = bob.gaits.find((g) => g.id === held);
		if (gait) ongait(gait, gait.speed, true);
		held = null;
	}
	function keys(event: KeyboardEvent) {
		const by = event.key === 'ArrowRight' ? 0.1 : event.key === 'ArrowLeft' ? -0.1 : 0;
		if (by === 0) return;
		event.preventDefault();
		event.stopPropagation();
		onspeed(Math.min(far, Math.max(0, Math.round((speed + by) * 20) / 20)));
	}
</script>

<figure bind:clientWidth={W}>
	<svg
		bind:this={svg}
		viewBox="0 0 {W} {H}"
		height={H}
		role="group"
		aria-label="Gaits over the speed"
		onpointerdown={(e) => take(e, 'speed')}
		onpointermove={drag}
		onpointerup={drop}
		onpointercancel={drop}
	>
		{#if !isFlat}
			{#each REAL_HEADS as band (band.what)}
				<rect
					class="real"
					x={x(band.from)}
					width={Math.max(0, x(Math.min(far, band.to)) - x(band.from))}
					y={y(Math.min(band.high, tall / per))}
					height={Math.max(0, y(band.low) - y(Math.min(band.high, tall / per)))}
				/>
			{/each}
		{/if}
		{#each ticks as v (v)}
			<line class="grid" x1={x(v)} x2={x(v)} y1={TOP} y2={H - FOOT} />
			<text x={x(v)} y={H - FOOT + 13} text-anchor="middle">{v}</text>
		{/each}
		<text x={W - RIGHT + 4} y={H - FOOT + 13}>m/s</text>
		{#each marks as v (v)}
			<line class="grid" x1={LEFT} x2={W - RIGHT} y1={y(v / per)} y2={y(v / per)} />
			<text x={LEFT - 5} y={y(v / per) + 4} text-anchor="end">{v} {isFlat ? 'px' : 'cm'}</text>
		{/each}
		<path class="steps" d={line((p) => ys(p.steps))} />
		<path class="side" d={line((p) => y(p.side))} />
		<path class="height" d={line((p) => y(p.height))} />
		<text class="l-height" x={x(far) + 3} y={y(curve.at(-1)!.height) + 4}>up</text>
		<text class="l-side" x={x(far) + 3} y={y(curve.at(-1)!.side) + 4}>side</text>
		<text class="l-steps" x={x(far) - 4} y={H - FOOT - 6} text-anchor="end"
			>dotted: {curve.at(-1)!.steps.toFixed(1)} steps a second at most</text
		>
		{#each bob.gaits as gait (gait.id)}
			<g class="gait" role="presentation" onpointerdown={(e) => take(e, gait.id)}>
				<line x1={x(gait.speed)} x2={x(gait.speed)} y1={TOP} y2={H - FOOT} />
				<rect x={x(gait.speed) - 5} y={TOP - 12} width="10" height="10" rx="2" />
				<text x={x(gait.speed) + 8} y={TOP - 3}>{gait.id}</text>
			</g>
		{/each}
		<g
			class="now"
			role="slider"
			tabindex="0"
			aria-label="Walking speed"
			aria-valuenow={speed}
			aria-valuemin="0"
			aria-valuemax={far}
			onkeydown={keys}
		>
			<line x1={x(speed)} x2={x(speed)} y1={TOP} y2={H - FOOT + 4} />
			<path d="M{x(speed)} {H - FOOT + 1}l-6 9h12z" />
			<text x={x(speed)} y={H - 5} text-anchor="middle">{speed.toFixed(2)}</text>
		</g>
	</svg>
	{#if !isFlat}<figcaption>
			Shaded: how far real heads go up and down, walking 2–5 cm, running 6–10 cm (Murray and others 1964, Thorstensson
			and others 1984). Games use less.
		</figcaption>{/if}
</figure>

<style>
	figure {
		margin: 0;
		min-width: 0;
	}
	svg {
		display: block;
		width: 100%;
		touch-action: none;
		cursor: ew-resize;
	}
	text {
		font-size: 11px;
		fill: var(--ink-2);
	}
	.grid {
		stroke: var(--rule);
		stroke-width: 0.7;
	}
	.real {
		fill: var(--ink-y);
		opacity: 0.12;
	}
	path {
		fill: none;
		stroke-width: 2;
	}
	.height {
		stroke: var(--ink-y);
	}
	.side {
		stroke: var(--ink-x);
		stroke-dasharray: 6 3;
	}
	.steps {
		stroke: var(--ink-2);
		stroke-width: 1.2;
		stroke-dasharray: 1.5 3;
	}
	.l-height {
		fill: var(--ink-y);
	}
	.l-side {
		fill: var(--ink-x);
	}
	.gait line {
		stroke: var(--rule-strong);
		stroke-width: 1.5;
	}
	.gait rect {
		fill: var(--field);
		stroke: var(--ink-2);
	}
	.gait:hover rect {
		fill: var(--lamp-light);
	}
	.now line {
		stroke: var(--lamp);
		stroke-width: 2;
	}
	.now path {
		fill: var(--lamp);
	}
	.now text {
		fill: var(--lamp-text);
		font-weight: 600;
	}
	figcaption {
		font-size: 11px;
		color: var(--ink-2);
	}
</style>
