<script lang="ts">
	/** One channel's poses on a cycle: drag a pose, double-click the paper for a new one, Delete takes one out. */
	import type { Key } from '$lib/core';
	import { inkOf } from '$lib/plots/inks';
	import type { Channel, View } from '$lib/core';
	import { compileKeysPath } from './keys-path';

	interface Props {
		channel: Channel;
		view: View;
		keys: readonly Key[];
		loop: boolean;
		onchange: (keys: Key[], label: string, done: boolean) => void;
	}
	let { channel, view, keys, loop, onchange }: Props = $props();

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
	function drag(event: PointerEvent) {
		if (dragging < 0) return;
		const { at, value } = place(event);
		onchange(moved(dragging, at, value), 'Move pose', false);
	}
	function drop() {
		if (dragging >= 0) onchange([...keys], 'Move pose', true);
		dragging = -1;
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
	<span>{ink.label}: drag a pose, double-click for a new one, Delete takes it out</span>
	<button onclick={() => scale(0.8)} title="All poses flatter">flatter</button>
	<button onclick={() => scale(1.25)} title="All poses higher">higher</button>
	<button
		onclick={() =>
			onchange(
				keys.map((k) => ({ ...k, value: clean(-k.value) })),
				'Turn around',
				true
			)}>turn around</button
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
		<path d={path} style:stroke={ink.color} />
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
				dragging = i;
				event.currentTarget.setPointerCapture(event.pointerId);
			}}
			onpointermove={drag}
			onpointerup={drop}
			onpointercancel={drop}
			ondblclick={(event) => event.stopPropagation()}
			onkeydown={(event) => press(event, i)}
		></button>
	{/each}
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
		height: 64px;
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
	.pose.chosen {
		background: var(--lamp-light);
	}
</style>
