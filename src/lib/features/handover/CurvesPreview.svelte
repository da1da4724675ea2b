<script lang="ts">
	/** The curves as they will be: drawn with their keys, how many, how far off; made off the page's thread, and saved. */
	import Download from '@lucide/svelte/icons/download';
	import { onDestroy } from 'svelte';
	import type { CurveFile, CurveWish, MadeCurves } from '$lib/handover/curve-file';
	import Chart from '$lib/plots/Chart.svelte';
	import { makeInWorker, type Making } from '$lib/workers/handover';
	import Button from '$lib/ui/Button.svelte';
	import Frame from '$lib/ui/Frame.svelte';
	import { fileName, saveText } from '$lib/ui/save-text';
	import { curvesChart } from './curves-chart';
	import type { HandoverState } from './handover.svelte';

	let { desk }: { desk: HandoverState } = $props();

	const wish = $derived<CurveWish>({ ...desk.wish, of: desk.of, as: desk.target as CurveFile });
	let made = $state.raw<MadeCurves | null>(null);
	/** What that was made of: while something else is asked for, it is not saved. */
	let madeOf = $state.raw<readonly [kit: unknown, wish: unknown]>([null, null]);
	const fresh = $derived(made !== null && madeOf[0] === desk.kit && madeOf[1] === wish);
	let making = $state.raw<Making | null>(null);
	let done = $state(0);
	let trouble = $state('');
	/** Made again so long after the last number was changed. */
	const QUIET_MS = 250;

	$effect(() => {
		const [kit, asked] = [desk.kit, wish];
		if (!kit) return;
		const timer = setTimeout(() => void make(kit, asked), QUIET_MS);
		return () => clearTimeout(timer);
	});
	async function make(kit: NonNullable<typeof desk.kit>, asked: CurveWish) {
		making?.cancel();
		done = 0;
		trouble = '';
		const going = (making = makeInWorker(kit, asked, (part) => (done = part)));
		try {
			const found = await going.done;
			if (making === going && found) {
				made = found;
				madeOf = [kit, asked];
			}
		} catch (error) {
			if (making === going) {
				made = null;
				trouble = error instanceof Error ? error.message : String(error);
			}
		} finally {
			if (making === going) making = null;
		}
	}
	onDestroy(() => making?.cancel());

	function save() {
		if (!made || !fresh) return;
		for (const { ending, data, type } of made.files) saveText(`${fileName(made.name)}${ending}`, data, type);
		desk.remember(`${fileName(made.name)}${made.files[0]!.ending}`);
	}
	const charts = $derived(made ? (['place', 'turn'] as const).map((what) => curvesChart(made!, what)) : []);
	const worst = $derived(
		made?.channels
			.map(({ name, unit, worst }) => `${name} ${Number(worst.toPrecision(2))}${unit ? ` ${unit}` : ''}`)
			.join(', ') ?? ''
	);
</script>

<Frame label="The curves" flow="fill">
	<div class="curves">
		<header>
			<h2>{made?.name ?? 'Curves'}</h2>
			{#if made && fresh && wish.keys}<small>{made.counts.keys} keys in place of {made.counts.all}</small>{/if}
			{#if making}
				<progress value={done} max="1" aria-label="How far it is"></progress>
				<Button onclick={() => making?.cancel()}>Stop</Button>
			{/if}
			<span></span>
			<Button strong disabled={!fresh} onclick={save}
				><Download size={14} /> Save {made && made.files.length > 1 ? `${made.files.length} files` : ''}</Button
			>
		</header>
		{#if trouble}<p class="wrong" role="alert">{trouble}</p>{/if}
		{#each charts as { label, about, spec } (label)}
			<div class="chart"><Chart {label} {about} {spec} /></div>
		{/each}
		<p role="status">
			{fresh ? made!.said.join(' ') : ''}
			{#if fresh && worst}Farthest from the motion, looked at ten times as finely: {worst}.{/if}
		</p>
	</div>
</Frame>

<style>
	.curves {
		display: grid;
		grid-template-rows: auto;
		grid-auto-rows: minmax(0, auto);
		gap: 6px;
		min-height: 0;
		align-content: start;
		overflow: auto;
	}
	.chart {
		position: relative;
		height: clamp(110px, 20vh, 200px);
	}
	header {
		display: flex;
		align-items: center;
		gap: 8px;
	}
	header span {
		flex: 1;
	}
	h2 {
		font-size: 15px;
	}
	small,
	p {
		margin: 0;
		font-size: 12px;
		color: var(--ink-2);
	}
	.wrong {
		color: var(--danger);
	}
	progress {
		width: 110px;
	}
</style>
