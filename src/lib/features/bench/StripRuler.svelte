<script lang="ts">
	/** The strip's ruler: a drag chooses the moment in the window, with Shift the part that is played again and again. */
	import { MARGIN, timeAt, xAt, type StripFrame } from '$lib/plots/strip';
	import { tidy } from '$lib/ui/number';
	import type { BenchState } from './bench.svelte';

	interface Props {
		bench: BenchState;
		/** The preset that is looked at. */
		preset: string;
		frame: StripFrame;
		/** Where the strip stands on the page. */
		box: () => DOMRect;
	}
	let { bench, preset, frame, box }: Props = $props();

	let held: { readonly from: number; readonly loops: boolean } | null = null;
	const timeOf = (event: PointerEvent): number =>
		Math.max(0, Math.min(frame.to, timeAt(frame, event.clientX - box().left)));
	function take(event: PointerEvent) {
		if (event.button !== 0) return;
		(event.currentTarget as HTMLElement).setPointerCapture(event.pointerId);
		held = { from: timeOf(event), loops: event.shiftKey };
		if (!held.loops) bench.scrub(held.from);
	}
	function move(event: PointerEvent) {
		if (!held) return;
		const time = timeOf(event);
		if (!held.loops) bench.scrub(time);
		else if (Math.abs(time - held.from) > 0.02)
			bench.loop = { from: tidy(Math.min(time, held.from)), to: tidy(Math.max(time, held.from)) };
	}
	function drop() {
		if (held?.loops && bench.loop) bench.setLoop(bench.loop);
		held = null;
	}
	const scrubbed = (): number =>
		bench.newest?.presetId === preset ? Math.max(0, bench.player.now - bench.newest.trigger) : 0;
	function keys(event: KeyboardEvent) {
		const by = event.key === 'ArrowRight' ? 1 : event.key === 'ArrowLeft' ? -1 : 0;
		if (!by) return;
		event.preventDefault();
		event.stopPropagation();
		bench.scrub(scrubbed() + by * (event.shiftKey ? 0.1 : 1 / (bench.pictureRate || 60)));
	}
</script>

<div
	class="ruler"
	style:left="{MARGIN.left}px"
	style:right="{MARGIN.right}px"
	role="slider"
	tabindex="0"
	aria-label="Moment in the window"
	aria-valuemin="0"
	aria-valuemax={frame.to}
	aria-valuenow={scrubbed()}
	title="Drag: choose the moment. With Shift: the part that is played again and again"
	onpointerdown={take}
	onpointermove={move}
	onpointerup={drop}
	onpointercancel={drop}
	onkeydown={keys}
></div>
{#if bench.loop}
	<div
		class="loop"
		style:left="{xAt(frame, bench.loop.from)}px"
		style:width="{Math.max(2, xAt(frame, Math.min(frame.to, bench.loop.to)) - xAt(frame, bench.loop.from))}px"
	>
		<button onclick={() => bench.setLoop(null)} title="No more of it (L)">again and again ×</button>
	</div>
{/if}

<style>
	.ruler {
		position: absolute;
		bottom: 0;
		height: 27px;
		cursor: col-resize;
		touch-action: none;
	}
	.loop {
		position: absolute;
		top: 12px;
		bottom: 0;
		background: rgb(242 176 74 / 16%);
		border-inline: 2px solid var(--lamp);
		pointer-events: none;
	}
	.loop button {
		position: absolute;
		left: 3px;
		bottom: 29px;
		border: 0;
		border-radius: 4px;
		background: var(--lamp-light);
		color: var(--on-lamp);
		font-size: 11px;
		cursor: pointer;
		pointer-events: auto;
		white-space: nowrap;
	}
</style>
