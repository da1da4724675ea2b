<script lang="ts">
	/** Points of the strength over life, dragged and stepped on the strip. */
	import type { ShakePreset } from 'dinesis-runtime';
	import { timeAt, xAt, type StripFrame } from '$lib/plots/strip';
	import { stepped } from '$lib/plots/points';
	import { heightOf, landed, movePoint, pointsOf, strengthAt, type LifeBand } from './life-points';

	interface Props {
		preset: ShakePreset;
		frame: StripFrame;
		/** The strip's first band. */
		band: LifeBand;
		/** Where the strip stands on the page. */
		box: () => DOMRect;
		onchange: (label: string, recipe: (preset: ShakePreset) => ShakePreset, mark: string, done: boolean) => void;
	}
	let { preset, frame, band, box, onchange }: Props = $props();

	const points = $derived(pointsOf(preset) ?? []);
	const { delay, duration } = $derived(preset.timing);
	let held = -1;

	function move(i: number, at: number, value: number, done: boolean) {
		const moved = movePoint(points, i, at, value);
		const recipe = (p: ShakePreset): ShakePreset => ({ ...p, timing: { ...p.timing, life: { points: moved } } });
		onchange('Strength over life', recipe, `life ${i}`, done);
	}
	function drag(event: PointerEvent) {
		if (held < 0) return;
		const { left, top } = box();
		const at = (timeAt(frame, event.clientX - left) - delay) / Math.max(duration, 1e-6);
		const to = landed(points, at, strengthAt(event.clientY - top, points, band), event.altKey);
		move(held, to.at, to.value, false);
	}
	function keys(event: KeyboardEvent, i: number) {
		const by = (event.shiftKey ? 5 : 1) * (/Left|Down/.test(event.key) ? -1 : 1);
		if (!/^Arrow/.test(event.key)) return;
		const on = (v: number, each: number): number => (event.altKey ? v + (each / 10) * by : stepped(v, each, by));
		const { at, value } = points[i]!;
		event.preventDefault();
		event.stopPropagation();
		if (/Left|Right/.test(event.key)) move(i, on(at, 0.01), value, true);
		else move(i, at, on(value, 0.02), true);
	}
</script>

{#each points as point, i (i)}
	<button
		style:left="{xAt(frame, delay + point.at * duration)}px"
		style:top="{heightOf(point.value, points, band)}px"
		aria-label="Strength at {Math.round(point.at * 100)} % of the life: {point.value} ×"
		title="Strength over life: drag"
		onpointerdown={(e) => {
			held = i;
			e.currentTarget.setPointerCapture(e.pointerId);
		}}
		onpointermove={drag}
		onpointerup={() => {
			if (held >= 0) move(i, point.at, point.value, true);
			held = -1;
		}}
		onpointercancel={() => (held = -1)}
		onkeydown={(e) => keys(e, i)}
	></button>
{/each}

<style>
	button {
		position: absolute;
		width: 11px;
		height: 11px;
		margin: -5.5px;
		padding: 0;
		border: 2px solid var(--lamp);
		border-radius: 50%;
		background: var(--sheet);
		cursor: grab;
		touch-action: none;
		z-index: 1;
	}
</style>
