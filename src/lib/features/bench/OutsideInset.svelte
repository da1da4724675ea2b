<script lang="ts">
	/** The outside view in its corner: drags turn it; a drag of the source moves it over the ground. */
	import type { View } from 'dinesis-runtime/tools';
	import type { Picture } from '$lib/viewport/picture';
	import type { BenchState } from './bench.svelte';
	import { heldSource, roundPlace, spotIn } from './outside';

	interface Props {
		bench: BenchState;
		/** The picture that it is drawn in; null while there is none. */
		picture: () => Picture | null;
		/** Whether the source of the motion is shown and can be moved. */
		usesSource: boolean;
		/** How many times larger than it is the movement is shown. */
		magnified: string;
		view: View;
		element: HTMLElement | undefined;
	}
	let { bench, picture, usesSource, magnified, view, element = $bindable() }: Props = $props();

	let grip: { source: boolean; x: number; y: number } | null = null;
	const spotOf = (event: PointerEvent) => spotIn(element!.getBoundingClientRect(), event.clientX, event.clientY);
	function grab(event: PointerEvent) {
		const shown = picture();
		if (!shown || !element) return;
		element.setPointerCapture(event.pointerId);
		const spot = spotOf(event);
		const at = shown.outsideView.sourceAt(bench.source);
		const near = usesSource && heldSource(at, spot, element.clientWidth, element.clientHeight);
		grip = { source: near, x: event.clientX, y: event.clientY };
	}
	function drag(event: PointerEvent) {
		const shown = picture();
		if (!grip || !shown) return;
		const spot = spotOf(event);
		if (!grip.source) shown.outsideView.orbit(event.clientX - grip.x, event.clientY - grip.y);
		else {
			const at = shown.outsideView.pick(spot.x, spot.y, bench.source[1]);
			if (at) bench.source = [roundPlace(at[0]), at[1], roundPlace(at[2])];
		}
		grip = { ...grip, x: event.clientX, y: event.clientY };
	}
	function nudge(event: KeyboardEvent) {
		const by = event.shiftKey ? 2 : 0.25;
		const [x, y, z] = bench.source;
		const dx = event.key === 'ArrowRight' ? by : event.key === 'ArrowLeft' ? -by : 0;
		const dz = event.key === 'ArrowDown' ? by : event.key === 'ArrowUp' ? -by : 0;
		if (dx === 0 && dz === 0) return;
		event.preventDefault();
		if (usesSource) bench.source = [roundPlace(x + dx), y, roundPlace(z + dz)];
		else picture()?.outsideView.orbit(dx * 20, dz * 20);
	}
</script>

<!-- svelte-ignore a11y_no_noninteractive_tabindex, a11y_no_noninteractive_element_interactions -->
<div
	class="inset"
	bind:this={element}
	role="group"
	tabindex="0"
	aria-label="Outside view. {usesSource ? 'Arrows move the source' : 'Arrows turn the view'}"
	onpointerdown={grab}
	onpointermove={drag}
	onpointerup={() => (grip = null)}
	onpointercancel={() => (grip = null)}
	onwheel={(e) => {
		e.preventDefault();
		picture()?.outsideView.zoomBy(e.deltaY > 0 ? 1.12 : 0.9);
	}}
	onkeydown={nudge}
>
	<span class="from">{usesSource ? `source ${bench.source[0]}, ${bench.source[2]} m: drag it` : 'from outside'}</span>
	{#if view === 'space'}<span class="by">{magnified}</span>{/if}
</div>

<style>
	.inset {
		position: absolute;
		left: 10px;
		bottom: 10px;
		width: 36%;
		height: 40%;
		z-index: 1;
		border: 1px solid #6d8494;
		border-radius: 5px;
		cursor: grab;
		touch-action: none;
	}
	.inset:focus-visible {
		outline-color: var(--lamp-light);
	}
	.inset span {
		position: absolute;
		left: 6px;
		top: 3px;
		font-size: 11px;
		color: #dfe8ee;
		pointer-events: none;
	}
	.inset .by {
		top: auto;
		bottom: 3px;
		color: #f2b04a;
	}
</style>
