<script lang="ts">
	/**
	 * One channel's poses on a cycle: drag a pose, double-click the paper for a new one, Delete takes one out. The chosen
	 * pose has a handle for its slope, and an ease for the way to the next one.
	 */
	import type { Channel, Key, View } from 'dinesis-runtime/tools';
	import { inkOf } from '$lib/plots/inks';
	import { added, moved, sloped, smoothed, snapped } from './key-poses';
	import { compileKeysPath } from './keys-path';
	import KeysHead from './KeysHead.svelte';
	import PointNumbers from '$lib/plots/PointNumbers.svelte';
	import { addedBehind, newOne, POSES, stepped } from '$lib/plots/points';

	interface Props {
		channel: Channel;
		view: View;
		keys: readonly Key[];
		loop: boolean;
		/** Length of the cycle in seconds, for the ruler. */
		cycle: number;
		onchange: (keys: Key[], label: string, done: boolean) => void;
	}
	let { channel, view, keys, loop, cycle, onchange }: Props = $props();

	let width = $state(0);
	let height = $state(0);
	let chosen = $state(0);
	let box: HTMLElement;
	const ink = $derived(inkOf(channel, view));
	const PAD = 8;
	const xOf = (at: number): number => PAD + at * (width - 2 * PAD);
	const yOf = (value: number): number => height / 2 - value * (height / 2 - PAD);
	const path = $derived(width > 0 ? compileKeysPath(keys, loop, xOf, yOf) : '');

	function place(event: MouseEvent): { at: number; value: number } {
		const rect = box.getBoundingClientRect();
		const at = (event.clientX - rect.left - PAD) / (width - 2 * PAD);
		const value = (height / 2 - (event.clientY - rect.top)) / (height / 2 - PAD);
		return snapped(at, value, event.altKey);
	}
	let dragging = -1;
	let turning = false;
	function drag(event: PointerEvent) {
		if (dragging < 0) return;
		if (turning) return tilt(event);
		const { at, value } = place(event);
		onchange(moved(keys, dragging, at, value), 'Move pose', false);
	}
	function drop() {
		if (dragging >= 0) onchange([...keys], 'Move pose', true);
		dragging = -1;
		turning = false;
	}

	const ARM = 30;
	/** The chosen pose's slope as an arrow in pixels; null where an ease leads away from it. */
	const arm = $derived.by(() => {
		const key = keys[chosen];
		if (!key || key.ease !== undefined || width < 20) return null;
		const dx = width - 2 * PAD;
		const dy = -(key.out ?? 0) * (height / 2 - PAD);
		const long = Math.hypot(dx, dy);
		return { x: (dx / long) * ARM, y: (dy / long) * ARM, set: key.out !== undefined };
	});
	function tilt(event: PointerEvent) {
		const rect = box.getBoundingClientRect();
		const key = keys[dragging]!;
		const dx = Math.max(4, event.clientX - rect.left - xOf(key.at));
		const dy = event.clientY - rect.top - yOf(key.value);
		const slope = -dy / (height / 2 - PAD) / (dx / (width - 2 * PAD));
		onchange(sloped(keys, dragging, event.altKey ? slope : Math.round(slope * 4) / 4), 'Slope of pose', false);
	}
	/** The slope is chosen by the curve again. */
	const smooth = (i: number): void => onchange(smoothed(keys, i), 'Smooth pose', true);
	function add(event: MouseEvent) {
		const { at, value } = place(event);
		const next = added(keys, at, value);
		if (next) onchange(next, 'Add pose', true);
	}
	function addBehind(i: number) {
		const next = addedBehind(keys, i, POSES);
		if (!next) return;
		chosen = newOne(keys, next);
		onchange(next, 'Add pose', true);
	}
	function press(event: KeyboardEvent, i: number) {
		const key = keys[i]!;
		const by = event.shiftKey ? 5 : 1;
		const on = (v: number, each: number, times: number): number =>
			event.altKey ? v + (each / 10) * times : stepped(v, each, times);
		const to = (at: number, value: number): void => onchange(moved(keys, i, at, value), 'Move pose', false);
		if (event.key === 'ArrowLeft') to(on(key.at, 0.01, -by), key.value);
		else if (event.key === 'ArrowRight') to(on(key.at, 0.01, by), key.value);
		else if (event.key === 'ArrowUp') to(key.at, on(key.value, 0.02, by));
		else if (event.key === 'ArrowDown') to(key.at, on(key.value, 0.02, -by));
		else if (event.key === '+' || event.key === 'Insert') addBehind(i);
		else if ((event.key === 'Delete' || event.key === 'Backspace') && keys.length > 1)
			onchange(
				keys.filter((_, k) => k !== i),
				'Take pose out',
				true
			);
		else return;
		event.preventDefault();
		event.stopPropagation();
	}
</script>

<KeysHead {keys} {chosen} label={ink.label} {onchange} />
<div
	class="paper"
	bind:this={box}
	bind:clientWidth={width}
	bind:clientHeight={height}
	role="group"
	aria-label="Poses of {ink.label}"
	ondblclick={add}
>
	<svg aria-hidden="true">
		{#each [0, 0.25, 0.5, 0.75, 1] as at (at)}<line x1={xOf(at)} x2={xOf(at)} y1="0" y2={height} />{/each}
		<line class="zero" x1="0" x2={width} y1={height / 2} y2={height / 2} />
		<path d={path} style:stroke="var(--ink-{channel})" />
		{#if loop && keys[0]}
			<circle class="seam" cx={xOf(keys[0].at === 0 ? 1 : keys[0].at)} cy={yOf(keys[0].value)} r="4" />
		{/if}
		{#if arm && keys[chosen]}
			<line
				class="arm"
				x1={xOf(keys[chosen]!.at) - arm.x}
				y1={yOf(keys[chosen]!.value) - arm.y}
				x2={xOf(keys[chosen]!.at) + arm.x}
				y2={yOf(keys[chosen]!.value) + arm.y}
			/>
		{/if}
	</svg>
	{#each keys as key, i (i)}
		<button
			class="pose"
			class:chosen={chosen === i}
			style:left="{xOf(key.at)}px"
			style:top="{yOf(key.value)}px"
			aria-label="Pose {i + 1} of {ink.label}, at {Math.round(key.at * 100)} % of the cycle, {Math.round(
				key.value * 100
			)} %"
			onfocus={() => (chosen = i)}
			onpointerdown={(event) => {
				chosen = dragging = i;
				event.currentTarget.setPointerCapture(event.pointerId);
			}}
			onpointermove={drag}
			onpointerup={drop}
			onpointercancel={drop}
			ondblclick={(event) => {
				event.stopPropagation();
				smooth(i);
			}}
			onkeydown={(event) => press(event, i)}
		></button>
	{/each}
	{#if arm && keys[chosen]}
		<button
			class="pose slope"
			class:set={arm.set}
			tabindex="-1"
			aria-hidden="true"
			style:left="{xOf(keys[chosen]!.at) + arm.x}px"
			style:top="{yOf(keys[chosen]!.value) + arm.y}px"
			onpointerdown={(event) => {
				dragging = chosen;
				turning = true;
				event.currentTarget.setPointerCapture(event.pointerId);
			}}
			onpointermove={drag}
			onpointerup={drop}
			onpointercancel={drop}
			ondblclick={(event) => {
				event.stopPropagation();
				smooth(chosen);
			}}
		></button>
	{/if}
	<em>{loop ? 'the last is the first' : 'ends at rest'} · {Number(cycle.toFixed(2))} s</em>
</div>
<PointNumbers
	points={keys}
	{chosen}
	rules={POSES}
	unit="×"
	whole={{ from: 0, to: cycle, unit: 's' }}
	word="pose"
	slopes={keys[chosen]?.ease === undefined}
	onchoose={(i) => (chosen = i)}
	{onchange}
/>

<style>
	.paper {
		position: relative;
		height: 62px;
		flex: none;
		border: 1px solid var(--rule-strong);
		border-radius: 6px;
		background: var(--field);
		cursor: crosshair;
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
	.zero {
		stroke: var(--rule-strong);
	}
	path {
		fill: none;
		stroke-width: 1.8;
	}
	.pose {
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
	.slope {
		width: 9px;
		height: 9px;
		margin: -4.5px;
		border-width: 1.5px;
	}
	.slope.set {
		background: var(--lamp);
	}
	.seam {
		fill: none;
		stroke: var(--lamp);
		stroke-dasharray: 2 2;
	}
	.arm {
		stroke: var(--lamp);
	}
	em {
		position: absolute;
		right: 6px;
		bottom: 1px;
		font-size: 11px;
		font-style: normal;
		color: var(--ink-2);
		pointer-events: none;
	}
	.pose.chosen {
		background: var(--lamp-light);
	}
</style>
