<script lang="ts">
	/** The whole project at a glance: one play of each, what passes a limit first; a press looks at one. */
	import { onDestroy } from 'svelte';
	import { FIGURE_NAMES, FIGURES, type FigureName, type Subject } from '$lib/review';
	import { allInWorker, type AllRow, type Making } from '$lib/workers/review';
	import Button from '$lib/ui/Button.svelte';
	import { limitOf, plain as short } from './figures-told';
	import NumbersTable from './NumbersTable.svelte';
	import { subjectKey, type ReviewState } from './review.svelte';

	interface Props {
		desk: ReviewState;
		own: Readonly<Partial<Record<string, number>>>;
		onlook: (subject: Subject) => void;
	}
	let { desk, own, onlook }: Props = $props();

	const SHOWN: readonly FigureName[] = [
		'percent',
		'near',
		'fastest',
		'smear',
		'roll',
		'turning',
		'sway',
		'load',
		'large'
	];
	const KIND = { shake: 'shake', cue: 'cue', rig: 'rig', course: 'course' } as const;
	let rows = $state.raw<readonly AllRow[]>([]);
	let progress = $state<number | null>(null);
	let trouble = $state('');
	let by = $state<FigureName | null>(null);
	let making: Making<readonly AllRow[]> | null = null;
	const QUIET_MS = 400;

	$effect(() => {
		const [kit, subjects] = [desk.kit, desk.subjects];
		if (!kit) return;
		const timer = setTimeout(
			() =>
				void play(
					kit,
					subjects.flatMap(({ list }) => list)
				),
			QUIET_MS
		);
		return () => clearTimeout(timer);
	});
	onDestroy(() => making?.cancel());
	async function play(kit: NonNullable<typeof desk.kit>, subjects: readonly Subject[]) {
		making?.cancel();
		progress = 0;
		trouble = '';
		const going = (making = allInWorker(kit, subjects, (part) => (progress = part)));
		try {
			const found = await going.done;
			if (making === going && found) rows = found;
		} catch (error) {
			if (making === going) trouble = error instanceof Error ? error.message : String(error);
		} finally {
			if (making === going) progress = null;
		}
	}

	const passed = ({ figures }: AllRow): number =>
		FIGURE_NAMES.filter((name) => {
			const limit = limitOf(name, own);
			return limit !== null && figures[name] > limit;
		}).length;
	const sorted = $derived(
		[...rows].sort((x, y) => (by === null ? passed(y) - passed(x) : y.figures[by] - x.figures[by]))
	);
</script>

<div class="all">
	{#if progress !== null}
		<p>
			<progress max="1" value={progress} aria-label="How much is played"></progress>
			<Button onclick={() => making?.cancel()}>Stop</Button>
		</p>
	{/if}
	{#if trouble}<p role="alert" class="wrong">{trouble}</p>{/if}
	<div class="scroll">
		<NumbersTable label="All that moves" sticks>
			{#snippet head()}
				<th scope="col">one play of each</th>
				{#each SHOWN as name (name)}
					<th scope="col" title="{FIGURES[name].says}. Press: the most of it first"
						><button aria-pressed={by === name} onclick={() => (by = by === name ? null : name)}
							>{FIGURES[name].label.replace('moves ', '')} <small>{FIGURES[name].unit}</small></button
						></th
					>
				{/each}
			{/snippet}

			{#each sorted as row (subjectKey(row.subject))}
				<tr>
					<th scope="row"
						><button onclick={() => onlook(row.subject)}
							>{desk.nameOf(row.subject)} <small>{KIND[row.subject.kind]}</small></button
						></th
					>
					{#each SHOWN as name (name)}
						{@const limit = limitOf(name, own)}
						<td class:over={limit !== null && row.figures[name] > limit}>{short(row.figures[name])}</td>
					{/each}
				</tr>
			{/each}
		</NumbersTable>
	</div>
</div>

<style>
	.all {
		display: grid;
		grid-template-rows: auto minmax(0, 1fr);
		gap: 6px;
		min-height: 0;
		height: 100%;
	}
	p {
		display: flex;
		gap: 8px;
		align-items: center;
		margin: 0;
	}
	progress {
		flex: 1;
	}
	.scroll {
		overflow: auto;
		grid-row: 2;
	}
	.wrong {
		color: var(--danger);
	}
	.scroll :global(tbody th) {
		max-width: 220px;
		overflow: hidden;
		text-overflow: ellipsis;
	}
</style>
