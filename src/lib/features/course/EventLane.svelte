<script lang="ts">
	/** All occurrences of one event on the timeline: moments as pins, states as bars whose end can be dragged. */
	import type { CourseEvent } from '$lib/documents';
	import { clean, type CourseState } from './course.svelte';
	import { across } from './lanes';

	let { desk, id, width }: { desk: CourseState; id: string; width: number } = $props();

	const REACH_PX = 7;
	let held: {
		readonly i: number;
		readonly end: boolean;
		readonly fromX: number;
		readonly was: CourseEvent;
		moved: boolean;
	} | null = null;
	const event = $derived(desk.session.wiring.events.find((e) => e.id === id));
	const view = $derived(desk.view);
	const perPixel = $derived((view.to - view.from) / Math.max(1, width));
	const mine = $derived((desk.course?.events ?? []).flatMap((e, i) => (e.event === id ? [{ e, i }] : [])));
	const x = (time: number): number => across(view, width, time);
	const firstNumber = (e: CourseEvent): string => {
		const value = event?.values[0];
		const given = value && e.values[value.id];
		return given === undefined ? '' : `${Number(given.toPrecision(3))} ${value!.unit}`;
	};
	/** How tall a pin stands: its first number within its range. */
	const part = (e: CourseEvent): number => {
		const value = event?.values[0];
		const given = value && e.values[value.id];
		if (given === undefined || value!.max <= value!.min) return 0.7;
		return 0.25 + 0.75 * Math.min(1, Math.max(0, (given - value!.min) / (value!.max - value!.min)));
	};
	/** Numbers are left out where the next one stands too near. */
	const roomFor = (e: CourseEvent, next: CourseEvent | undefined): boolean =>
		!next || (next.at - e.at) / perPixel > 9 + 6.2 * firstNumber(e).length;
	const saidOf = (e: CourseEvent): string =>
		[
			event?.name ?? id,
			`at ${e.at.toFixed(2)} s`,
			e.length === null ? '' : `for ${e.length.toFixed(2)} s`,
			firstNumber(e)
		]
			.filter(Boolean)
			.join(', ');

	function take(pointer: PointerEvent, i: number, end: boolean) {
		if (pointer.button !== 0) return;
		pointer.stopPropagation();
		(pointer.currentTarget as HTMLElement).setPointerCapture(pointer.pointerId);
		desk.chosen = { kind: 'event', i };
		held = { i, end, fromX: pointer.clientX, was: desk.course!.events[i]!, moved: false };
	}
	function drag(pointer: PointerEvent) {
		if (!held) return;
		const by = (pointer.clientX - held.fromX) * perPixel;
		if (!held.moved && Math.abs(pointer.clientX - held.fromX) < 3) return;
		held.moved = true;
		const { i, end, was } = held;
		const seconds = desk.course!.seconds;
		const near = (time: number): number =>
			pointer.altKey === desk.snaps ? clean(time) : desk.snap(time, REACH_PX * perPixel, i);
		if (end) {
			const until = near(was.at + (was.length ?? 0) + by);
			desk.changeEvent(i, 'Length', { length: clean(Math.max(0.05, until - was.at)) }, `length ${i}`);
		} else desk.changeEvent(i, 'Move', { at: Math.min(seconds, Math.max(0, near(was.at + by))) }, `at ${i}`);
	}
	function drop() {
		if (held?.moved) desk.settle();
		held = null;
	}
	function keys(key: KeyboardEvent, i: number) {
		const e = desk.course!.events[i]!;
		const by = (key.shiftKey ? 1 : 0.05) * (key.key === 'ArrowRight' ? 1 : key.key === 'ArrowLeft' ? -1 : 0);
		if (!by) return;
		key.preventDefault();
		key.stopPropagation();
		desk.chosen = { kind: 'event', i };
		desk.changeEvent(i, 'Move', { at: clean(Math.min(desk.course!.seconds, Math.max(0, e.at + by))) }, `at ${i}`);
	}
	function add(mouse: MouseEvent) {
		const rect = (mouse.currentTarget as HTMLElement).getBoundingClientRect();
		const time = view.from + (mouse.clientX - rect.left) * perPixel;
		desk.addEvent(id, desk.snap(Math.max(0, time), REACH_PX * perPixel));
	}
</script>

<!-- svelte-ignore a11y_no_static_element_interactions -->
<div class="track" ondblclick={add} title="Double click adds one">
	{#each mine as { e, i }, n (i)}
		{@const chosen = desk.chosen?.kind === 'event' && desk.chosen.i === i}
		{#if e.length !== null}
			<button
				class="bar"
				class:chosen
				class:second={e.who === 1}
				style:left="{x(e.at)}px"
				style:width="{Math.max(4, x(e.at + e.length) - x(e.at))}px"
				aria-label={saidOf(e)}
				title={saidOf(e)}
				onpointerdown={(p) => take(p, i, false)}
				onpointermove={drag}
				onpointerup={drop}
				onpointercancel={drop}
				onfocus={() => (desk.chosen = { kind: 'event', i })}
				onkeydown={(k) => keys(k, i)}
				onkeyup={() => desk.settle()}>{firstNumber(e)}</button
			>
			<span
				class="end"
				style:left="{x(e.at + e.length) - 4}px"
				role="presentation"
				onpointerdown={(p) => take(p, i, true)}
				onpointermove={drag}
				onpointerup={drop}
				onpointercancel={drop}
			></span>
		{:else}
			<button
				class="pin"
				class:chosen
				class:second={e.who === 1}
				style:left="{x(e.at)}px"
				style:--tall={part(e)}
				aria-label={saidOf(e)}
				title={saidOf(e)}
				onpointerdown={(p) => take(p, i, false)}
				onpointermove={drag}
				onpointerup={drop}
				onpointercancel={drop}
				onfocus={() => (desk.chosen = { kind: 'event', i })}
				onkeydown={(k) => keys(k, i)}
				onkeyup={() => desk.settle()}
				><i></i>{#if roomFor(e, mine[n + 1]?.e)}<small>{firstNumber(e)}</small>{/if}</button
			>
		{/if}
	{/each}
</div>

<style>
	.track {
		position: relative;
		height: 24px;
		border-bottom: 1px solid var(--rule);
		overflow: hidden;
	}
	button {
		position: absolute;
		border: 0;
		padding: 0;
		cursor: grab;
		touch-action: none;
		white-space: nowrap;
	}
	.bar {
		top: 4px;
		height: 15px;
		background: var(--word-event);
		border: 1px solid var(--ink-x);
		border-radius: 4px;
		font-size: 11px;
		line-height: 12px;
		text-align: left;
		padding: 0 4px;
		overflow: hidden;
	}
	.end {
		position: absolute;
		top: 3px;
		width: 8px;
		height: 17px;
		cursor: ew-resize;
		touch-action: none;
	}
	.pin {
		top: 0;
		height: 24px;
		min-width: 24px;
		padding-left: 7px;
		background: none;
		margin-left: -12px;
		display: flex;
		align-items: flex-end;
		gap: 2px;
	}
	.pin i {
		position: relative;
		width: 10px;
		height: 100%;
	}
	.pin i::before {
		content: '';
		position: absolute;
		left: 4px;
		bottom: 1px;
		width: 2px;
		height: calc(var(--tall) * 16px);
		background: var(--ink-x);
	}
	.pin i::after {
		content: '';
		position: absolute;
		left: 1px;
		bottom: calc(var(--tall) * 16px - 2px);
		width: 8px;
		height: 8px;
		transform: rotate(45deg);
		background: var(--word-event);
		border: 1px solid var(--ink-x);
	}
	.pin small {
		font-size: 11px;
		color: var(--ink-2);
		line-height: 14px;
		pointer-events: none;
	}
	.chosen.bar,
	.chosen i::after {
		background: var(--lamp-light);
		border-color: var(--lamp);
	}
	.second.bar,
	.second i::after {
		border-style: dashed;
	}
</style>
