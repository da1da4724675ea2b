<script lang="ts">
	/** A chart on our paper, drawn by Chart.js; what can be taken by the hand lies on it as sliders, for mouse and keyboard alike. */
	import { onMount, untrack } from 'svelte';
	import type { Chart as ChartType, ChartConfiguration } from 'chart.js';
	import { afterFirstPaint } from '$lib/ui/after-paint';
	import { theme } from '$lib/ui/theme.svelte';
	import { chartConfig, levelConfig } from './chart/config';
	import { byKey, gripsPlugin, under, type Spot } from './chart/grips';
	import { loadCharts } from './chart/load';
	import type { ChartGrip, ChartSpec, LevelRow } from './chart/spec';

	interface Props {
		/** What it shows, read out. */
		label: string;
		/** The same in a sentence, for who does not see it. */
		about?: string;
		spec?: ChartSpec;
		/** Level bars instead. */
		levels?: readonly LevelRow[];
		onhover?: (id: string) => void;
		onpress?: (id: string) => void;
		/** Called when a grip is taken and when it is let go. */
		onhold?: (held: boolean) => void;
	}
	let { label, about = '', spec, levels, onhover, onpress, onhold }: Props = $props();

	let canvas: HTMLCanvasElement;
	/** What draws it has not come yet. */
	let late = $state(false);
	let ready = $state(false);
	let spots = $state.raw<readonly Spot[]>([]);
	let held: string | null = null;
	let hovered = '';
	// Not reactive: the chart's own objects must not be watched.
	let chart: ChartType | null = null;

	const grips = $derived(spec?.grips ?? []);
	const inks = (name: string): string => getComputedStyle(canvas).getPropertyValue(name).trim();
	function config(): ChartConfiguration {
		if (levels) return levelConfig(levels, inks) as ChartConfiguration;
		const made = chartConfig(spec!, inks) as unknown as ChartConfiguration;
		if (spec!.dots) {
			made.options!.onHover = (_, [first]) => {
				const dot = dotAt(first);
				canvas.style.cursor = dot ? 'pointer' : 'default';
				if (dot && dot !== hovered) onhover?.(dot);
				hovered = dot;
			};
			made.options!.onClick = (_, [first]) => {
				const dot = dotAt(first);
				if (dot) onpress?.(dot);
			};
		} else made.options!.events = [];
		return made;
	}
	const dotAt = (at: { datasetIndex: number; index: number } | undefined): string =>
		(at && (chart?.data.datasets[at.datasetIndex]?.data[at.index] as { id?: string } | undefined)?.id) ?? '';

	$effect(() => {
		void [spec, levels, theme.now];
		if (!ready) return;
		untrack(() => {
			if (!chart) return;
			const { data, options } = config();
			chart.data = data;
			chart.options = options!;
			chart.update('none');
		});
	});

	onMount(() => {
		let gone = false;
		// After the first paint: reading the script is one go, making the chart another.
		afterFirstPaint(async () => {
			const { Chart } = await loadCharts(
				() => gone,
				() => (late = true)
			);
			late = false;
			await new Promise((next) => setTimeout(next));
			if (gone || !canvas.getContext('2d')) return;
			chart = new Chart(canvas, {
				...config(),
				plugins: [
					gripsPlugin(
						() => grips,
						(list) => (spots = list)
					)
				]
			});
			ready = true;
		});
		return () => {
			gone = true;
			chart?.destroy();
			chart = null;
		};
	});

	function take(event: PointerEvent & { currentTarget: HTMLElement }, grip: ChartGrip) {
		if (event.button !== 0) return;
		held = grip.id;
		event.currentTarget.setPointerCapture(event.pointerId);
		onhold?.(true);
	}
	function drag(event: PointerEvent, grip: ChartGrip) {
		if (held !== grip.id || !chart || !spec) return;
		const box = canvas.getBoundingClientRect();
		grip.onmove(...under(chart.scales, spec, grip, event.clientX - box.left, event.clientY - box.top), false);
	}
	function drop(grip: ChartGrip) {
		if (held !== grip.id) return;
		held = null;
		grip.onmove(grip.x, grip.y, true);
		onhold?.(false);
	}
	function keys(event: KeyboardEvent, grip: ChartGrip) {
		const to = spec && byKey(event, spec, grip);
		if (!to) return;
		event.preventDefault();
		event.stopPropagation();
		grip.onmove(...to, true);
	}
</script>

<div class="paper">
	<canvas bind:this={canvas} aria-label={about ? `${label}. ${about}` : label}></canvas>
	{#each grips as grip (grip.id)}
		{@const spot = spots.find(({ id }) => id === grip.id)}
		{#if spot}
			<span
				class="grip {grip.shape ?? 'dot'}"
				style:left="{spot.x}px"
				style:top="{spot.y}px"
				role="slider"
				tabindex="0"
				aria-label={grip.label}
				aria-valuenow={grip.x}
				aria-valuemin={spec!.x.min}
				aria-valuemax={spec!.x.max}
				aria-valuetext={grip.said}
				title={grip.label}
				onpointerdown={(event) => take(event, grip)}
				onpointermove={(event) => drag(event, grip)}
				onpointerup={() => drop(grip)}
				onpointercancel={() => drop(grip)}
				onkeydown={(event) => keys(event, grip)}
				><i></i>{#if grip.text}<small>{grip.text}</small>{/if}</span
			>
		{/if}
	{/each}
	{#if late}<p>It is drawn once Dinesis answers again.</p>{/if}
</div>

<style>
	.paper {
		position: relative;
		min-width: 0;
		min-height: 0;
		height: 100%;
	}
	canvas {
		position: absolute;
		inset: 0;
	}
	.grip {
		position: absolute;
		width: 24px;
		height: 24px;
		margin: -12px;
		border-radius: 50%;
		display: grid;
		place-items: center;
		touch-action: none;
		cursor: grab;
	}
	.grip i {
		width: 12px;
		height: 12px;
		border: 1.5px solid var(--lamp);
		border-radius: 50%;
		background: var(--lamp-light);
	}
	.flag i {
		border-radius: 2px;
		border-color: var(--ink-2);
		background: var(--field);
	}
	.flag:hover i {
		background: var(--lamp-light);
	}
	.foot {
		cursor: ew-resize;
	}
	.foot i {
		width: 0;
		height: 0;
		border: 6px solid transparent;
		border-top-width: 0;
		border-bottom: 9px solid var(--lamp);
		border-radius: 0;
		background: none;
	}
	small {
		position: absolute;
		font-size: 11px;
		white-space: nowrap;
		color: var(--ink-2);
		pointer-events: none;
	}
	.flag small {
		left: 22px;
	}
	.foot small {
		top: 19px;
		color: var(--lamp-text);
		font-weight: 600;
	}
	p {
		position: absolute;
		inset: 40% 0 auto;
		margin: 0;
		text-align: center;
		color: var(--ink-2);
	}
</style>
