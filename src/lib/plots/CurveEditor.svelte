<script lang="ts">
	/**
	 * A curve through points: drag a point, double-click the paper for a new one, Delete takes one out. The point that is
	 * chosen shows its handle: dragging it sets the slope, a double click lets the curve choose it again.
	 */
	import { compileCurve, runCurve, type CurvePoint } from 'dinesis-runtime/tools';
	import type { Whole } from './place-mode.svelte';
	import { added, addedBehind, CURVE, moved, newOne, removed, roundStep, sloped, snapTo, stepped } from './points';

	interface Props {
		label: string;
		points: readonly CurvePoint[];
		/** The value at the top edge. */
		top: number;
		/** Names of the ends, below the paper. */
		ends: readonly [string, string];
		unit?: string;
		/** What it runs over, for the numbers of its points. */
		whole?: Whole;
		onchange: (points: CurvePoint[], what: string, done: boolean) => void;
	}
	let { label, points, top, ends, unit = '×', whole, onchange }: Props = $props();

	const numbers = () => import('./PointNumbers.svelte');
	const PAD = 9;
	const ARM = 34;
	let width = $state(0);
	/** Below the drawing: what its ends are called. */
	const FOOT = 13;
	let tall = $state(0);
	const height = $derived(tall - FOOT);
	let chosen = $state(0);
	let box: HTMLElement;
	const xOf = (at: number): number => PAD + at * (width - 2 * PAD);
	const yOf = (value: number): number => height - PAD - (value / top) * (height - 2 * PAD);
	const path = $derived.by(() => {
		if (width < 20) return '';
		const curve = compileCurve(points);
		let d = '';
		for (let i = 0; i <= 120; i++)
			d += `${i === 0 ? 'M' : 'L'}${xOf(i / 120).toFixed(1)} ${yOf(Math.max(0, runCurve(curve, i / 120))).toFixed(1)}`;
		return d;
	});
	/** Slope of the curve at the chosen point, in pixels. */
	const slope = $derived.by(() => {
		const point = points[chosen];
		if (!point || width < 20) return null;
		const curve = compileCurve(points);
		const value = point.out ?? curve.leave[chosen]!;
		const dx = width - 2 * PAD;
		const dy = (-value * (height - 2 * PAD)) / top;
		const long = Math.hypot(dx, dy);
		return { x: (dx / long) * ARM, y: (dy / long) * ARM, set: point.out !== undefined };
	});

	/** What a drag lands on and an arrow steps by: round numbers, of which 1 is one. */
	const step = $derived(roundStep(top));
	/** Parts of the whole that places land on. */
	const EACH = 0.01;
	function spot(event: MouseEvent): { at: number; value: number } {
		const rect = box.getBoundingClientRect();
		const at = (event.clientX - rect.left - PAD) / (width - 2 * PAD);
		const value = ((height - PAD - (event.clientY - rect.top)) / (height - 2 * PAD)) * top;
		const rule = { ...CURVE, most: top };
		const free = (v: number): number => Math.round(v * 1000) / 1000;
		return event.altKey
			? { at: free(at), value: Math.min(rule.most, free(value)) }
			: { at: snapTo(at, EACH), value: Math.min(rule.most, snapTo(value, step)) };
	}
	/** By hand no point goes beyond the paper; by a number it may. */
	const move = (i: number, to: { at?: number; value?: number }): CurvePoint[] =>
		moved(points, i, to, { ...CURVE, most: top });
	let dragging: { i: number; slope: boolean } | null = null;
	function drag(event: PointerEvent) {
		if (!dragging) return;
		const { i } = dragging;
		if (!dragging.slope) {
			const { at, value } = spot(event);
			return onchange(move(i, { at, value }), 'Move point', false);
		}
		const rect = box.getBoundingClientRect();
		const dx = Math.max(4, event.clientX - rect.left - xOf(points[i]!.at));
		const dy = event.clientY - rect.top - yOf(points[i]!.value);
		const slope = ((-dy / (height - 2 * PAD)) * top) / (dx / (width - 2 * PAD));
		onchange(sloped(points, i, 'both', Math.round(slope * 1000) / 1000, CURVE), 'Slope', false);
	}
	function drop() {
		if (dragging) onchange([...points], 'Move point', true);
		dragging = null;
	}
	const letGo = (i: number): void => onchange(sloped(points, i, 'both', null, CURVE), 'Smooth point', true);
	function add(event: MouseEvent) {
		const { at, value } = spot(event);
		const next = added(points, at, value, CURVE);
		if (!next) return;
		chosen = newOne(points, next);
		onchange(next, 'Add point', true);
	}
	function addBehind(i: number) {
		const next = addedBehind(points, i, CURVE);
		if (!next) return;
		chosen = newOne(points, next);
		onchange(next, 'Add point', true);
	}
	function remove(i: number) {
		const next = removed(points, i);
		if (!next) return;
		onchange(next, 'Take point out', true);
		chosen = Math.max(0, i - 1);
	}
	function keys(event: KeyboardEvent, i: number) {
		const p = points[i]!;
		const by = event.shiftKey ? 5 : 1;
		const stepOn = (v: number, each: number, times: number): number =>
			event.altKey ? v + (each / 10) * times : stepped(v, each, times);
		if (event.key === 'ArrowLeft') onchange(move(i, { at: stepOn(p.at, EACH, -by) }), 'Move point', true);
		else if (event.key === 'ArrowRight') onchange(move(i, { at: stepOn(p.at, EACH, by) }), 'Move point', true);
		else if (event.key === 'ArrowUp') onchange(move(i, { value: stepOn(p.value, step, by) }), 'Move point', true);
		else if (event.key === 'ArrowDown') onchange(move(i, { value: stepOn(p.value, step, -by) }), 'Move point', true);
		else if (event.key === '+' || event.key === 'Insert') addBehind(i);
		else if (event.key === 'Delete' || event.key === 'Backspace') remove(i);
		else return;
		event.preventDefault();
		event.stopPropagation();
	}
</script>

<figure class="curve">
	<div
		class="paper"
		bind:this={box}
		bind:clientWidth={width}
		bind:clientHeight={tall}
		role="group"
		aria-label={label}
		ondblclick={add}
		onpointermove={drag}
		onpointerup={drop}
		onpointercancel={drop}
	>
		<svg aria-hidden="true">
			{#each [0.25, 0.5, 0.75] as at (at)}<line x1={xOf(at)} x2={xOf(at)} y1="0" y2={height} />{/each}
			<line x1="0" x2={width} y1={yOf(1)} y2={yOf(1)} class="one" />
			{#if path}<path class="fill" d="{path}L{xOf(1)} {yOf(0)}L{xOf(0)} {yOf(0)}Z" />{/if}
			<path d={path} />
			{#if slope && points[chosen]}
				<line
					class="arm"
					x1={xOf(points[chosen]!.at) - slope.x}
					y1={yOf(points[chosen]!.value) - slope.y}
					x2={xOf(points[chosen]!.at) + slope.x}
					y2={yOf(points[chosen]!.value) + slope.y}
				/>
			{/if}
		</svg>
		{#each points as point, i (i)}
			<button
				class="point"
				class:chosen={chosen === i}
				style:left="{xOf(point.at)}px"
				style:top="{yOf(point.value)}px"
				aria-label="Point {i + 1} at {Math.round(point.at * 100)} %, {point.value} {unit}"
				onfocus={() => (chosen = i)}
				onpointerdown={(event) => {
					chosen = i;
					dragging = { i, slope: false };
					box.setPointerCapture(event.pointerId);
				}}
				ondblclick={(event) => {
					event.stopPropagation();
					letGo(i);
				}}
				onkeydown={(event) => keys(event, i)}
			></button>
		{/each}
		{#if slope && points[chosen]}
			<button
				class="slope"
				class:set={slope.set}
				tabindex="-1"
				aria-hidden="true"
				style:left="{xOf(points[chosen]!.at) + slope.x}px"
				style:top="{yOf(points[chosen]!.value) + slope.y}px"
				onpointerdown={(event) => {
					dragging = { i: chosen, slope: true };
					box.setPointerCapture(event.pointerId);
				}}
				ondblclick={(event) => {
					event.stopPropagation();
					letGo(chosen);
				}}
			></button>
		{/if}
		<span class="top">{top} {unit}</span>
		<span class="from">{ends[0]}</span><span class="to">{ends[1]}</span>
	</div>
	{#await numbers() then { default: PointNumbers }}
		<PointNumbers {points} {chosen} rules={CURVE} {unit} {whole} onchoose={(i) => (chosen = i)} {onchange} />
	{/await}
</figure>

<style>
	.curve {
		min-width: 0;
		margin: 0;
	}
	.paper {
		position: relative;
		height: 100px;
		border: 1px solid var(--rule-strong);
		border-radius: 6px;
		background: var(--field);
		cursor: crosshair;
		touch-action: none;
		overflow: hidden;
	}
	svg {
		position: absolute;
		inset: 0;
		width: 100%;
		height: 100%;
	}
	line {
		stroke: var(--rule);
	}
	.one {
		stroke: var(--rule-strong);
		stroke-dasharray: 4 3;
	}
	.arm {
		stroke: var(--lamp);
	}
	path {
		fill: none;
		stroke: var(--lamp);
		stroke-width: 1.8;
	}
	.fill {
		fill: var(--lamp-light);
		fill-opacity: 0.2;
		stroke: none;
	}
	.point,
	.slope {
		position: absolute;
		width: 13px;
		height: 13px;
		margin: -6.5px;
		border: 2px solid var(--lamp);
		border-radius: 50%;
		background: var(--sheet);
		cursor: grab;
		padding: 0;
		touch-action: none;
	}
	.point.chosen {
		background: var(--lamp-light);
	}
	.slope {
		width: 9px;
		height: 9px;
		margin: -4.5px;
		border-width: 1.5px;
	}
	.slope.set {
		background: var(--lamp);
	}
	span {
		position: absolute;
		font-size: 11px;
		color: var(--ink-2);
		pointer-events: none;
	}
	.top {
		right: 5px;
		top: 2px;
	}
	.from {
		left: 5px;
		bottom: 0;
	}
	.to {
		right: 5px;
		bottom: 0;
	}
</style>
