<script lang="ts">
	/** The marks of a preset's timing, dragged and stepped on the strip. */
	import type { ShakePreset } from 'dinesis-runtime';
	import { MARGIN, timeAt, xAt, type StripFrame } from '$lib/plots/strip';
	import type { StripHandle } from './strip-handles';

	interface Props {
		handles: readonly StripHandle[];
		frame: StripFrame;
		/** While a mark is dragged the paper keeps this length, so that the hand and the mark stay together; null: its own. */
		onhold: (seconds: number | null) => void;
		onchange: (label: string, recipe: (preset: ShakePreset) => ShakePreset, mark: string, done: boolean) => void;
	}
	let { handles, frame, onhold, onchange }: Props = $props();

	let dragging: { readonly id: string; readonly grip: number } | null = null;

	/** Whether a label would lie over its neighbour's: then it steps down a line. */
	function isCrowded(i: number): boolean {
		const next = handles[i + 1];
		if (!next) return false;
		const room = xAt(frame, next.time) - xAt(frame, handles[i]!.time);
		return room < (next.side === 'left' ? 200 : 92);
	}
	const apply = (handle: StripHandle, time: number, done: boolean): void =>
		onchange(handle.label, handle.set(Math.min(handle.most, Math.max(handle.least, time))), handle.id, done);

	function grab(event: PointerEvent, handle: StripHandle) {
		(event.currentTarget as HTMLElement).setPointerCapture(event.pointerId);
		onhold(frame.to);
		dragging = { id: handle.id, grip: event.clientX - xAt(frame, handle.time) };
	}
	function drag(event: PointerEvent, handle: StripHandle) {
		if (dragging?.id !== handle.id) return;
		const time = timeAt(frame, event.clientX - dragging.grip);
		// At the paper's end the paper grows under the hand.
		if (handle.id !== 'fade-in' && time > frame.to * 0.97) onhold(frame.to * 1.02);
		apply(handle, time, false);
	}
	function drop(handle: StripHandle) {
		if (dragging?.id !== handle.id) return;
		dragging = null;
		onhold(null);
		apply(handle, handle.time, true);
	}
	function keys(event: KeyboardEvent, handle: StripHandle) {
		const by = event.key === 'ArrowRight' ? 1 : event.key === 'ArrowLeft' ? -1 : 0;
		if (!by) return;
		event.preventDefault();
		event.stopPropagation();
		apply(handle, handle.time + by * (event.shiftKey ? 0.1 : event.altKey ? 0.001 : 0.01), false);
	}
</script>

{#each handles as handle, i (handle.id)}
	{@const x = xAt(frame, handle.time)}
	{#if x > MARGIN.left - 2 && x < frame.width - MARGIN.right + 4}
		<div
			class="handle {handle.side}"
			class:low={isCrowded(i)}
			style:left="{x}px"
			role="slider"
			tabindex="0"
			aria-label={handle.label}
			aria-valuenow={handle.time}
			aria-valuemin={handle.least}
			aria-valuemax={handle.most === Infinity ? 3600 : handle.most}
			aria-valuetext={handle.text}
			onpointerdown={(e) => grab(e, handle)}
			onpointermove={(e) => drag(e, handle)}
			onpointerup={() => drop(handle)}
			onpointercancel={() => drop(handle)}
			onkeydown={(e) => keys(e, handle)}
			onkeyup={(e) => e.key.startsWith('Arrow') && apply(handle, handle.time, true)}
		>
			<i></i>{#if handle.text}<span>{handle.text}</span>{/if}
		</div>
	{/if}
{/each}

<style>
	.handle {
		position: absolute;
		top: 10px;
		bottom: 22px;
		width: 15px;
		margin-left: -7.5px;
		cursor: ew-resize;
		touch-action: none;
	}
	.handle i {
		position: absolute;
		left: 7px;
		top: 4px;
		bottom: 2px;
		width: 1px;
		background: var(--lamp);
	}
	.handle i::before {
		content: '';
		position: absolute;
		left: -5.5px;
		top: -3px;
		border: 6px solid transparent;
		border-top: 8px solid var(--lamp);
		border-bottom: 0;
	}
	.handle:hover i,
	.handle:focus-visible i {
		width: 2px;
	}
	.handle span {
		position: absolute;
		top: 1px;
		left: 17px;
		font-size: 11px;
		font-weight: 600;
		color: var(--lamp-text);
		white-space: nowrap;
		background: color-mix(in srgb, var(--sheet) 60%, transparent);
		border-radius: 3px;
		padding: 0 3px;
	}
	.handle.left span {
		left: auto;
		right: 17px;
	}
	.handle.low span {
		top: 17px;
	}
</style>
