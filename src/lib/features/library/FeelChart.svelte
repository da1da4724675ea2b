<script lang="ts">
	/** All presets by pace and strength: to find one by how it feels. */
	import { onMount } from 'svelte';
	import type { Chart as ChartType } from 'chart.js';
	import type { Measure } from '$lib/analysis';
	import type { ShakePreset } from 'dinesis-runtime';
	import { afterFirstPaint } from '$lib/ui/after-paint';
	import { arriving } from '$lib/ui/arriving';
	import { theme } from '$lib/ui/theme.svelte';
	import { dotsOf, FEEL_RANGE, MOST_DOTS, thinned } from './feel';

	interface Props {
		measured: readonly { readonly preset: ShakePreset; readonly measure: Measure }[];
		pointed: string;
		onpoint: (key: string) => void;
		onchoose: (key: string) => void;
	}
	let { measured, pointed, onpoint, onchoose }: Props = $props();

	let canvas: HTMLCanvasElement;
	/** What draws it has not come yet. */
	let late = $state(false);
	let ready = $state(false);
	// Not reactive: the chart's own objects must not be watched.
	let chart: ChartType<'scatter', { x: number; y: number; key: string; name: string }[]> | null = null;
	let last = '';
	let paintedAt = 0;

	const ink = (name: string): string => getComputedStyle(canvas).getPropertyValue(name).trim();

	function paint() {
		if (!chart) return;
		const drawn = thinned(measured, pointed);
		const dots = dotsOf(drawn);
		const many = drawn.length > 400;
		const [bursts, states, here] = chart.data.datasets;
		bursts!.data = dots.filter((d) => !d.continuous);
		states!.data = dots.filter((d) => d.continuous);
		here!.data = dots.filter((d) => d.key === pointed);
		const [lamp, second, rule] = [ink('--lamp'), ink('--ink-x'), ink('--rule')];
		Object.assign(bursts!, { backgroundColor: lamp, pointRadius: many ? 1.6 : 4.5 });
		Object.assign(states!, { borderColor: second, backgroundColor: 'transparent', pointRadius: many ? 1.6 : 4.5 });
		Object.assign(here!, { borderColor: ink('--ink'), backgroundColor: 'transparent' });
		for (const axis of Object.values(chart.options.scales ?? {})) {
			if (!axis) continue;
			Object.assign(axis.grid ?? {}, { color: rule });
			Object.assign(axis.ticks ?? {}, { color: ink('--ink-2') });
			Object.assign((axis as { title?: object }).title ?? {}, { color: ink('--ink-2') });
		}
		chart.update('none');
	}

	$effect(() => {
		void [measured, pointed, theme.now];
		if (!ready) return;
		// Behind the theme's own change of the page; thousands of dots are not painted again at once.
		const wait = measured.length > 800 ? Math.max(0, 1500 - (performance.now() - paintedAt)) : 0;
		const timer = setTimeout(() => {
			paintedAt = performance.now();
			paint();
		}, wait);
		return () => clearTimeout(timer);
	});

	onMount(() => {
		let gone = false;
		// After the first paint: the table is what one looks for first. Reading the script is one go, making the chart another.
		afterFirstPaint(async () => {
			const { Chart, ScatterController, PointElement, LogarithmicScale, Tooltip } = await arriving(
				() => import('chart.js'),
				() => gone,
				() => (late = true)
			);
			late = false;
			await new Promise((next) => setTimeout(next));
			if (gone) return;
			Chart.register(ScatterController, PointElement, LogarithmicScale, Tooltip);
			Chart.defaults.font.family = '"Hanken Grotesk Variable", sans-serif';
			const scale = (text: string, range: readonly [number, number], ticks: readonly number[], unit: string) => ({
				type: 'logarithmic' as const,
				min: range[0],
				max: range[1],
				title: { display: true, text, color: ink('--ink-2'), padding: 0 },
				grid: { color: ink('--rule') },
				border: { display: false },
				afterBuildTicks: (axis: { ticks: { value: number }[] }) =>
					void (axis.ticks = ticks.map((value) => ({ value }))),
				ticks: { color: ink('--ink-2'), callback: (value: string | number) => `${value}${unit}`, font: { size: 11 } }
			});
			chart = new Chart(canvas, {
				type: 'scatter',
				data: {
					datasets: [
						{ data: [], pointHoverRadius: 6, borderWidth: 0 },
						{ data: [], pointHoverRadius: 6, borderWidth: 2 },
						{ data: [], pointRadius: 8, pointHoverRadius: 8, borderWidth: 2 }
					]
				},
				options: {
					animation: false,
					maintainAspectRatio: false,
					parsing: false,
					normalized: true,
					layout: { padding: { right: 8, top: 4 } },
					interaction: { mode: 'nearest', intersect: true },
					scales: {
						x: scale('pace, Hz', FEEL_RANGE.pace, [0.2, 0.5, 1, 2, 5, 10, 20], ''),
						y: scale('strength, % of the picture’s height', FEEL_RANGE.strength, [0.1, 0.2, 0.5, 1, 2, 5, 10, 20], '')
					},
					plugins: {
						tooltip: {
							displayColors: false,
							callbacks: { label: (item) => (item.raw as { name: string }).name }
						}
					},
					onHover: (_, [first]) => {
						const dot = first && (chart?.data.datasets[first.datasetIndex]?.data[first.index] as { key: string });
						canvas.style.cursor = dot ? 'pointer' : 'default';
						if (dot && dot.key !== last) onpoint(dot.key);
						last = dot?.key ?? '';
					},
					onClick: (_, [first]) => {
						const dot = first && (chart?.data.datasets[first.datasetIndex]?.data[first.index] as { key: string });
						if (dot) onchoose(dot.key);
					}
				}
			});
			ready = true;
		});
		return () => {
			gone = true;
			chart?.destroy();
			chart = null;
		};
	});
</script>

<section aria-label="By pace and strength">
	<header>
		<h2>By how it feels</h2>
		<span
			>{#if measured.length > MOST_DOTS}some of {measured.length}{/if}
			<b class="burst"></b> bursts <b class="state"></b> until stopped</span
		>
	</header>
	<div class="box">
		<canvas
			bind:this={canvas}
			aria-label="{measured.length} presets by pace and strength; the table beside it holds the same figures"
		></canvas>
		{#if late}<p>It is drawn once Dinesis answers again.</p>{/if}
	</div>
</section>

<style>
	section {
		display: grid;
		grid-template-rows: auto minmax(0, 1fr);
		min-height: 0;
		background: var(--sheet);
		border: 1px solid var(--rule-strong);
		border-radius: var(--radius);
		padding: 8px 10px 6px;
	}
	header {
		display: flex;
		justify-content: space-between;
		align-items: baseline;
		font-size: 12px;
		color: var(--ink-2);
	}
	h2 {
		font-size: 14.5px;
		color: var(--ink);
	}
	b {
		display: inline-block;
		width: 9px;
		height: 9px;
		border-radius: 50%;
		margin: 0 2px 0 8px;
	}
	.burst {
		background: var(--lamp);
	}
	.state {
		border: 2px solid var(--ink-x);
	}
	.box p {
		position: absolute;
		inset: 40% 0 auto;
		margin: 0;
		text-align: center;
		color: var(--ink-2);
	}
	.box {
		position: relative;
		min-height: 0;
	}
</style>
