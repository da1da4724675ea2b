<script lang="ts">
	/** A game value over time: a curve whose points are dragged; a double click adds one. */
	import type { CourseValue } from '$lib/documents';
	import { clean, type CourseState } from './course.svelte';
	import { across, valueLine } from './lanes';

	let { desk, value, i, width }: { desk: CourseState; value: CourseValue; i: number; width: number } = $props();

	const [TALL, PAD] = [44, 6];
	/** Points of a curve that closely are one. */
	const LEAST_APART = 0.01;
	let svg: SVGSVGElement;
	let held: number | null = null;
	const parameter = $derived(desk.session.wiring.parameters.find((p) => p.id === value.parameter));
	const [low, high] = $derived(
		parameter
			? [parameter.min, Math.max(parameter.max, parameter.min + 1e-6)]
			: [Math.min(...value.points.map((p) => p.value)), Math.max(...value.points.map((p) => p.value)) + 1e-6]
	);
	const view = $derived(desk.view);
	const x = (time: number): number => across(view, width, time);
	const y = (v: number): number => TALL - PAD - ((v - low) / (high - low)) * (TALL - 2 * PAD);

	const change = (label: string, points: CourseValue['points'], mark: string | null): void =>
		desk.change(label, (c) => ({ ...c, values: c.values.map((v, k) => (k === i ? { ...v, points } : v)) }), mark);
	function spot(event: MouseEvent): { at: number; value: number } {
		const rect = svg.getBoundingClientRect();
		const at = view.from + ((event.clientX - rect.left) / width) * (view.to - view.from);
		const v = low + ((TALL - PAD - (event.clientY - rect.top)) / (TALL - 2 * PAD)) * (high - low);
		return { at, value: clean(Math.min(high, Math.max(low, v))) };
	}
	/** A point moves between its neighbours. */
	function move(k: number, at: number, v: number) {
		const { points } = value;
		const from = k > 0 ? points[k - 1]!.at + LEAST_APART : 0;
		const to = k < points.length - 1 ? points[k + 1]!.at - LEAST_APART : desk.course!.seconds;
		const kept = clean(Math.min(to, Math.max(from, at)));
		change(
			'Move a point',
			points.map((p, j) => (j === k ? { ...p, at: kept, value: clean(v) } : p)),
			`value ${i} ${k}`
		);
	}
	function take(event: PointerEvent, k: number) {
		event.stopPropagation();
		(event.currentTarget as Element).setPointerCapture(event.pointerId);
		desk.chosen = { kind: 'point', value: i, i: k };
		held = k;
	}
	function drag(event: PointerEvent) {
		if (held === null) return;
		const { at, value: v } = spot(event);
		move(held, desk.snap(at, (7 / width) * (view.to - view.from)), v);
	}
	function drop() {
		if (held !== null) desk.done();
		held = null;
	}
	function add(event: MouseEvent) {
		const made = spot(event);
		if (value.points.some((p) => Math.abs(p.at - made.at) < LEAST_APART)) return;
		const points = [...value.points, { ...made, at: clean(Math.max(0, made.at)) }].sort((a, b) => a.at - b.at);
		change('Add a point', points, null);
		desk.chosen = { kind: 'point', value: i, i: points.findIndex((p) => p.at === clean(made.at)) };
		desk.done();
	}
	function keys(event: KeyboardEvent, k: number) {
		const point = value.points[k]!;
		const by = (event.shiftKey ? 10 : 1) * 0.05;
		const dx = event.key === 'ArrowRight' ? by : event.key === 'ArrowLeft' ? -by : 0;
		const dy = ((event.key === 'ArrowUp' ? by : event.key === 'ArrowDown' ? -by : 0) * (high - low)) / 2.5;
		if (!dx && !dy) return;
		event.preventDefault();
		event.stopPropagation();
		move(k, point.at + dx, Math.min(high, Math.max(low, point.value + dy)));
	}
</script>

<!-- svelte-ignore a11y_no_static_element_interactions -->
<svg
	bind:this={svg}
	{width}
	height={TALL}
	ondblclick={add}
	onpointermove={drag}
	onpointerup={drop}
	onpointercancel={drop}
>
	<polyline points={valueLine(value, view, width, y)} />
	{#each value.points as point, k (k)}
		<circle
			class:chosen={desk.chosen?.kind === 'point' && desk.chosen.value === i && desk.chosen.i === k}
			cx={x(point.at)}
			cy={y(point.value)}
			r="4.5"
			role="button"
			tabindex="0"
			aria-label="{parameter?.name ?? value.parameter} {Number(point.value.toPrecision(3))} at {point.at.toFixed(2)} s"
			onpointerdown={(e) => take(e, k)}
			onfocus={() => (desk.chosen = { kind: 'point', value: i, i: k })}
			onkeydown={(e) => keys(e, k)}
			onkeyup={() => desk.done()}
		/>
	{/each}
</svg>

<style>
	svg {
		display: block;
		border-bottom: 1px solid var(--rule);
		touch-action: none;
		overflow: hidden;
		box-sizing: content-box;
		margin-bottom: -1px;
	}
	polyline {
		fill: none;
		stroke: var(--ink-roll);
		stroke-width: 1.6;
	}
	circle {
		fill: var(--field);
		stroke: var(--ink-roll);
		stroke-width: 1.6;
		cursor: move;
	}
	.chosen {
		fill: var(--lamp-light);
		stroke: var(--lamp);
	}
</style>
