<script lang="ts">
	/** Many plays: how a figure is spread, the mildest, the middle and the worst one press away, how likely a limit is passed, whether A and B differ. */
	import { onDestroy } from 'svelte';
	import { apartOf, FIGURE_NAMES, FIGURES, likelyAbove, type FigureName } from '$lib/review';
	import Chart from '$lib/plots/Chart.svelte';
	import Button from '$lib/ui/Button.svelte';
	import NumberField from '$lib/ui/NumberField.svelte';
	import Select from '$lib/ui/Select.svelte';
	import { spreadChart } from './charts';
	import { limitOf, milderOf, plain as short } from './figures-told';
	import NumbersTable from './NumbersTable.svelte';
	import type { SpreadState } from './spread.svelte';

	let { spread, own }: { spread: SpreadState; own: Readonly<Partial<Record<string, number>>> } = $props();
	onDestroy(() => spread.cancel());

	const desk = $derived(spread.desk);
	/** A course takes longer: it is played fewer times, and when one asks. */
	const few = $derived(desk.subject?.kind === 'course' || desk.subject?.kind === 'rig');
	const FIRST = 200;
	/** Nobody waits while a number is dragged elsewhere. */
	const QUIET_MS = 300;

	$effect(() => {
		const sides = [desk.a?.sent, desk.b?.sent];
		if (!sides[0] || few || spread.fresh) return;
		const timer = setTimeout(() => void spread.run(FIRST), QUIET_MS);
		return () => clearTimeout(timer);
	});

	const limit = $derived(limitOf(spread.figure, own));
	const a = $derived(spread.valuesOf('a'));
	const b = $derived(spread.valuesOf('b'));
	const unit = $derived(FIGURES[spread.figure].unit);
	const here = $derived(desk.looks.a?.figures[spread.figure] ?? null);
	const chart = $derived(a ? spreadChart(a, b, `${FIGURES[spread.figure].label}, ${unit}`, { here, limit }) : null);
	const told = $derived(spread.a?.reviewed.spread[spread.figure] ?? null);
	const likely = $derived(a && limit !== null ? likelyAbove(a, limit) : null);
	const percent = (share: number): string => `${Number((share * 100).toPrecision(3))} %`;
	/** Beyond chance. */
	const SURE = 0.01;
	const rows = $derived.by(() => {
		const [mine, theirs] = [spread.a?.reviewed, spread.b?.reviewed];
		if (!mine) return [];
		return FIGURE_NAMES.flatMap((name) => {
			const [first, second] = [mine.spread[name], theirs?.spread[name]];
			if (first.worst === 0 && !second?.worst) return [];
			const apart = theirs
				? apartOf(
						mine.plays.map((play) => play[name]),
						theirs.plays.map((play) => play[name])
					)
				: null;
			const sure = apart !== null && apart.chance < SURE;
			return [{ name, first, second, apart, sure, milder: sure ? milderOf(first.median, second!.median) : null }];
		});
	});
</script>

<div class="spread">
	<p class="bar">
		<Select
			label="Figure"
			value={spread.figure}
			choices={FIGURE_NAMES.map((name) => ({ value: name, label: `${FIGURES[name].label}, ${FIGURES[name].unit}` }))}
			onchange={(name) => (spread.figure = name as FigureName)}
		/>
		{#if spread.progress !== null}
			<progress max="1" value={spread.progress} aria-label="How much is played"></progress>
			<Button onclick={() => spread.cancel()}>Stop</Button>
		{:else}
			<Button disabled={!desk.a} onclick={() => spread.run(few ? 100 : 1000)}>Play {few ? 100 : '1,000'} times</Button>
		{/if}
	</p>
	{#if spread.trouble}<p role="alert" class="wrong">{spread.trouble}</p>{/if}
	{#if chart && told}
		<div class="chart" class:stale={!spread.fresh}>
			<Chart
				label="How the plays are spread"
				about="{FIGURES[spread.figure].label}: from {short(told.mildest)} to {short(told.worst)} {unit}"
				spec={chart}
			/>
		</div>
		<p class="bar">
			<Button onclick={() => spread.show('mildest')} title="Look at the play with the least of it"
				>Mildest {short(told.mildest)}</Button
			>
			<Button onclick={() => spread.show('median')} title="Look at the play in the middle"
				>Middle {short(told.median)}</Button
			>
			<Button onclick={() => spread.show('worst')} title="Look at the play with the most of it"
				>Worst {short(told.worst)}</Button
			>
			<NumberField
				label="limit"
				name="Limit of {FIGURES[spread.figure].label}"
				look="inline"
				{unit}
				value={limit ?? 0}
				zero={limit === null ? 'none' : undefined}
				min={0}
				max={1e6}
				step={(limit ?? told.median) >= 20 ? 1 : 0.1}
				reset={limitOf(spread.figure) ?? 0}
				hint="What is too much, for the whole project; Delete sets it back"
				onchange={(most, done) => {
					const usual = limitOf(spread.figure);
					const none = most === usual || (usual === null && most === 0);
					desk.session.settings.setLimit(spread.figure, none ? null : most, FIGURES[spread.figure].label);
					if (done) desk.session.seal();
				}}
			/>
			<span role="status">
				{#if likely && limit !== null}
					{#if likely.share === 0}
						Above {short(limit)} {unit}: none of {a!.length} plays, so at most {percent(likely.to)} of all.
					{:else}
						Above {short(limit)}
						{unit}: {percent(likely.share)} of {a!.length} plays ({percent(likely.from)} to {percent(likely.to)} of all).
					{/if}
				{:else}{a!.length} plays{/if}
			</span>
		</p>
		<NumbersTable label="All figures over many plays">
			{#snippet head()}
				<th scope="col">{spread.a!.reviewed.seeds} plays</th>
				<th scope="col">A</th>
				<th scope="col" title="Nine of ten plays are between these">nine of ten</th>
				{#if spread.b}
					<th scope="col">B</th>
					<th scope="col" title="Said only where chance alone makes it in less than one of a hundred">B − A</th>
					<th scope="col">milder</th>
				{/if}
				<th scope="col"><span class="sr">unit</span></th>
			{/snippet}

			{#each rows as { name, first, second, apart, sure, milder } (name)}
				<tr class:picked={name === spread.figure} title="{FIGURES[name].label}: {FIGURES[name].says}">
					<th scope="row"><button onclick={() => (spread.figure = name)}>{FIGURES[name].label}</button></th>
					<td>{short(first.median)}</td>
					<td>{short(first.p5)} – {short(first.p95)}</td>
					{#if spread.b}
						<td>{second ? short(second.median) : ''}</td>
						<td>{sure ? `${apart!.by > 0 ? '+' : ''}${short(apart!.by)}` : 'alike'}</td>
						<td class="milder">{milder?.toUpperCase() ?? ''}</td>
					{/if}
					<td class="unit">{FIGURES[name].unit}</td>
				</tr>
			{/each}
		</NumbersTable>
	{:else if spread.progress === null && few}
		<p class="note">A whole course is played a hundred times in a while: it begins when you ask.</p>
	{/if}
</div>

<style>
	.spread {
		display: grid;
		gap: 8px;
		align-content: start;
	}
	.bar {
		display: flex;
		align-items: center;
		gap: 8px;
		margin: 0;
		flex-wrap: wrap;
		font-size: 12.5px;
	}
	progress {
		flex: 1;
		min-width: 80px;
	}
	.chart {
		height: clamp(120px, 24vh, 210px);
	}
	.stale {
		opacity: 0.5;
	}
	.wrong {
		color: var(--danger);
		margin: 0;
	}
	.note {
		margin: 0;
		color: var(--ink-2);
	}
</style>
