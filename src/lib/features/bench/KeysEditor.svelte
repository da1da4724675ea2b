<script lang="ts">
	/**
	 * One channel's poses on a cycle: drag a pose, double-click the paper for a new one, Delete takes one out. The chosen
	 * pose has a handle for its slope, and an ease for the way to the next one.
	 */
	import type { Channel, Key, View } from 'dinesis-runtime/tools';
	import EasePicker from '$lib/plots/EasePicker.svelte';
	import { inkOf } from '$lib/plots/inks';
	import { compileKeysPath } from './keys-path';

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
	/** Poses keep a little distance: two at one moment would be a jump. */
	const GAP = 0.005;
	const xOf = (at: number): number => PAD + at * (width - 2 * PAD);
	const yOf = (value: number): number => height / 2 - value * (height / 2 - PAD);
	const path = $derived(width > 0 ? compileKeysPath(keys, loop, xOf, yOf) : '');

	/** Snaps to sixteenths of the cycle and tenths of the height; Alt lets it go free. */
	const snap = (value: number, to: number, free: boolean): number =>
		free ? Math.round(value * 1000) / 1000 : Math.round(value / to) * to;
	const clean = (value: number): number => Math.round(value * 1e4) / 1e4;

	function moved(i: number, at: number, value: number): Key[] {
		const least = i === 0 ? 0 : keys[i - 1]!.at + GAP;
		const most = i === keys.length - 1 ? 1 : keys[i + 1]!.at - GAP;
		const put = { at: clean(Math.min(most, Math.max(least, at))), value: clean(Math.min(1, Math.max(-1, value))) };
		return keys.map((key, k) => (k === i ? { ...key, ...put } : key));
	}
	function place(event: MouseEvent): { at: number; value: number } {
		const rect = box.getBoundingClientRect();
		const at = (event.clientX - rect.left - PAD) / (width - 2 * PAD);
		const value = (height / 2 - (event.clientY - rect.top)) / (height / 2 - PAD);
		return { at: snap(at, 1 / 16, event.altKey), value: snap(value, 0.1, event.altKey) };
	}
	let dragging = -1;
	let turning = false;
	function drag(event: PointerEvent) {
		if (dragging < 0) return;
		if (turning) return tilt(event);
		const { at, value } = place(event);
		onchange(moved(dragging, at, value), 'Move pose', false);
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
		const put = clean(Math.min(80, Math.max(-80, event.altKey ? slope : Math.round(slope * 4) / 4)));
		onchange(
			keys.map((k, i) => (i === dragging ? { ...k, in: put, out: put } : k)),
			'Slope of pose',
			false
		);
	}
	/** The way from the chosen pose to the next: an ease, or undefined for the curve. */
	function lead(ease: Key['ease'], done: boolean) {
		onchange(
			keys.map((k, i) => {
				if (i !== chosen) return k;
				const { ease: before, ...rest } = k;
				void before;
				return ease === undefined ? rest : { ...rest, ease };
			}),
			'Way to the next pose',
			done
		);
	}
	/** The slope is chosen by the curve again. */
	function smooth(i: number) {
		onchange(
			keys.map((k, n) => (n === i ? { at: k.at, value: k.value } : k)),
			'Smooth pose',
			true
		);
	}
	function add(event: MouseEvent) {
		const { at, value } = place(event);
		if (at < 0 || at > 1 || keys.some((key) => Math.abs(key.at - at) < GAP) || keys.length >= 64) return;
		const next = [...keys, { at: clean(at), value: clean(Math.min(1, Math.max(-1, value))) }].sort(
			(a, b) => a.at - b.at
		);
		onchange(next, 'Add pose', true);
	}
	function press(event: KeyboardEvent, i: number) {
		const key = keys[i]!;
		const by = event.shiftKey ? 5 : 1;
		if (event.key === 'ArrowLeft') onchange(moved(i, key.at - 0.01 * by, key.value), 'Move pose', false);
		else if (event.key === 'ArrowRight') onchange(moved(i, key.at + 0.01 * by, key.value), 'Move pose', false);
		else if (event.key === 'ArrowUp') onchange(moved(i, key.at, key.value + 0.02 * by), 'Move pose', false);
		else if (event.key === 'ArrowDown') onchange(moved(i, key.at, key.value - 0.02 * by), 'Move pose', false);
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
	/** The whole shape higher or flatter. */
	const scale = (by: number): void =>
		onchange(
			keys.map((key) => ({ ...key, value: clean(Math.min(1, Math.max(-1, key.value * by))) })),
			by > 1 ? 'Raise' : 'Flatten',
			true
		);
</script>

<div class="head">
	<span title="Drag a pose; double-click the paper for a new one; Delete takes one out; Alt lets it go free of the grid"
		>{ink.label}: double-click for a new pose</span
	>
	{#if keys[chosen]}
		<button
			aria-pressed={keys[chosen]!.ease === undefined}
			title="To the next pose: a curve with the slopes of the poses, or an ease"
			onclick={() => lead(keys[chosen]!.ease === undefined ? 'smooth' : undefined, true)}
			>{keys[chosen]!.ease === undefined ? 'curve' : 'ease'}</button
		>
		{#if keys[chosen]!.ease !== undefined}
			<EasePicker label="way to the next pose" wild ease={keys[chosen]!.ease!} onchange={lead} />
		{/if}
	{/if}
	<button onclick={() => scale(0.8)} title="All poses flatter">flatter</button>
	<button onclick={() => scale(1.25)} title="All poses higher">higher</button>
	<button
		onclick={() =>
			onchange(
				keys.map((k) => ({ ...k, value: clean(-k.value) })),
				'Turn around',
				true
			)}
		title="All poses the other way">turn</button
	>
</div>
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

<style>
	.head {
		display: flex;
		gap: 5px;
		align-items: center;
		font-size: 12px;
		color: var(--ink-2);
	}
	.head span {
		flex: 1;
		white-space: nowrap;
		overflow: hidden;
		text-overflow: ellipsis;
	}
	.head button {
		border: 1px solid var(--rule-strong);
		border-radius: 6px;
		background: var(--field);
		padding: 0 7px;
		cursor: pointer;
	}
	.paper {
		position: relative;
		height: 68px;
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
	.head button[aria-pressed='true'] {
		border-color: var(--lamp);
	}
	.pose.chosen {
		background: var(--lamp-light);
	}
</style>
