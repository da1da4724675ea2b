<script lang="ts">
	/** The ruler: drags of the playhead, and with Shift the part that is played again and again. */
	import type { CourseState } from './course.svelte';
	import { across, clockOf, ticks } from './lanes';

	let { desk, width }: { desk: CourseState; width: number } = $props();

	let rulerHeld: { readonly from: number; readonly part: boolean } | null = null;
	const course = $derived(desk.course!);
	const view = $derived(desk.view);
	const marks = $derived(ticks(view, width));
	const x = (time: number): number => across(view, width, time);
	const timeAt = (px: number): number => view.from + (px / width) * (view.to - view.from);
	function scrub(event: PointerEvent) {
		const rect = (event.currentTarget as HTMLElement).getBoundingClientRect();
		const time = timeAt(event.clientX - rect.left);
		if (!rulerHeld) return;
		if (!rulerHeld.part) return desk.scrub(time);
		const [a, b] = [Math.min(rulerHeld.from, time), Math.max(rulerHeld.from, time)];
		desk.part = b - a < 0.05 ? null : { from: Math.max(0, a), to: Math.min(course.seconds, b) };
	}
	function takeRuler(event: PointerEvent) {
		const ruler = event.currentTarget as HTMLElement;
		ruler.setPointerCapture(event.pointerId);
		rulerHeld = { from: timeAt(event.clientX - ruler.getBoundingClientRect().left), part: event.shiftKey };
		if (!event.shiftKey) desk.playing = false;
		scrub(event);
	}
</script>

<div
	class="ruler"
	role="slider"
	tabindex="0"
	aria-label="Playhead"
	aria-valuemin={0}
	aria-valuemax={course.seconds}
	aria-valuenow={desk.time}
	aria-valuetext="{desk.time.toFixed(2)} s"
	title="Drag to scrub; Shift and drag chooses a part to play again and again"
	onpointerdown={takeRuler}
	onpointermove={scrub}
	onpointerup={() => (rulerHeld = null)}
	onpointercancel={() => (rulerHeld = null)}
	onkeydown={(e) => {
		const by = e.shiftKey ? 1 : 1 / 60;
		if (e.key === 'ArrowRight') desk.scrub(desk.time + by);
		else if (e.key === 'ArrowLeft') desk.scrub(desk.time - by);
		else if (e.key === 'Home') desk.scrub(0);
		else if (e.key === 'End') desk.scrub(course.seconds);
		else return;
		e.preventDefault();
		e.stopPropagation();
	}}
>
	{#each marks.at as time (time)}<span style:left="{x(time)}px">{clockOf(time, marks.step)}</span>{/each}
	{#if desk.part}<i
			class="part"
			style:left="{x(desk.part.from)}px"
			style:width="{x(desk.part.to) - x(desk.part.from)}px"
		></i>{/if}
	<b class="head" style:left="{x(desk.time)}px"></b>
</div>

<style>
	.ruler {
		position: relative;
		border-bottom: 1px solid var(--rule);
		border-left: 1px solid var(--rule);
		font-size: 11px;
		color: var(--ink-2);
		cursor: ew-resize;
		touch-action: none;
		user-select: none;
		overflow: hidden;
	}
	.ruler span {
		position: absolute;
		top: 3px;
		padding-left: 4px;
		border-left: 1px solid var(--rule-strong);
	}
	.ruler .part {
		position: absolute;
		top: 0;
		bottom: 0;
		background: var(--lamp-light);
		opacity: 0.4;
	}
	.head {
		position: absolute;
		top: 0;
		bottom: 0;
		width: 0;
		border-left: 2px solid var(--ink);
		margin-left: -1px;
		pointer-events: none;
	}
	.ruler .head::before {
		content: '';
		position: absolute;
		left: -7px;
		top: 0;
		border: 6px solid transparent;
		border-top: 8px solid var(--ink);
	}
</style>
