<script lang="ts">
	/** All head bobs, or all lags: what they do, in which rigs they are; sorted by a head; pointed at they play. */
	import {
		createSortedRowModel,
		createTable,
		rowSortingFeature,
		sortFn_alphanumeric,
		sortFn_basic,
		tableFeatures,
		type ColumnDef
	} from '@tanstack/svelte-table';
	import Archive from '@lucide/svelte/icons/archive';
	import ArrowDown from '@lucide/svelte/icons/arrow-down';
	import ArrowUp from '@lucide/svelte/icons/arrow-up';
	import Copy from '@lucide/svelte/icons/copy';
	import type { ProjectSession } from '$lib/session/session.svelte';
	import { rowAfter } from './row-keys';
	import { hand } from '$lib/ui/hand';
	import BodyDrawing from './BodyDrawing.svelte';
	import { bodyRow, type Body, type BodyRow } from './body-rows';

	interface Props {
		session: ProjectSession;
		rows: readonly Body[];
		pointed: string;
		onpoint: (preset: Body) => void;
		onopen: (key: string) => void;
	}
	let { session, rows, pointed, onpoint, onopen }: Props = $props();

	const rigsOf = (id: string): string[] =>
		session.wiring.rigs.filter((r) => r.bob === id || r.lag === id).map((r) => r.name);
	const data = $derived(rows.map((preset) => bodyRow(preset, rigsOf(preset.id))));
	const features = tableFeatures({
		rowSortingFeature,
		sortedRowModel: createSortedRowModel(),
		sortFns: { alphanumeric: sortFn_alphanumeric, basic: sortFn_basic }
	});
	const columns: ColumnDef<typeof features, BodyRow>[] = [
		{ accessorKey: 'name', header: 'name', sortFn: 'alphanumeric' },
		{ accessorKey: 'drawn', header: 'motion', enableSorting: false },
		{ accessorKey: 'size', header: 'what a walk does', sortFn: 'basic' },
		{ accessorKey: 'tags', header: 'tags and rigs', sortFn: 'alphanumeric' }
	];
	const table = createTable({
		features,
		columns,
		get data() {
			return data;
		},
		getRowId: (row) => row.preset.id
	});
	const shown = $derived(table.getRowModel().rows);

	function keys(event: KeyboardEvent) {
		if (event.target !== event.currentTarget) return;
		const at = shown.findIndex((row) => row.id === pointed);
		const to = rowAfter(event.key, at, shown.length);
		if (to !== null) onpoint(shown[to]!.original.preset);
		else if (event.key === 'Enter' && shown[at]) onopen(shown[at].id);
		else return;
		event.preventDefault();
		event.stopPropagation();
	}
	async function copy(preset: Body) {
		const made = await session.acts.copyBody(preset.id);
		if (made) onopen(made);
	}
</script>

<!-- svelte-ignore a11y_no_noninteractive_tabindex, a11y_no_noninteractive_element_interactions -->
<div class="table" role="table" aria-label="Head bobs and lags" tabindex="0" onkeydown={keys}>
	{#each table.getHeaderGroups() as group (group.id)}
		<div class="row head" role="row">
			{#each group.headers as { id, column } (id)}
				{@const sorted = column.getIsSorted()}
				<span role="columnheader" aria-sort={sorted === 'asc' ? 'ascending' : sorted === 'desc' ? 'descending' : 'none'}
					>{#if column.getCanSort()}<button onclick={column.getToggleSortingHandler()}
							>{column.columnDef.header}{#if sorted === 'asc'}<ArrowUp size={12} />{:else if sorted}<ArrowDown
									size={12}
								/>{/if}</button
						>{:else}{column.columnDef.header}{/if}</span
				>
			{/each}
		</div>
	{/each}
	{#each shown as { id, original: row } (id)}
		<!-- svelte-ignore a11y_interactive_supports_focus -->
		<div
			class="row"
			role="row"
			class:pointed={id === pointed}
			onpointerenter={(e) => hand.cameHere(e) && onpoint(row.preset)}
			ondblclick={() => onopen(id)}
		>
			<span role="cell" class="name"
				><a href="{session.home}/bench/{id}">{row.name}</a><small>{row.preset.about}</small></span
			>
			<span role="cell">
				<BodyDrawing drawn={row.drawn} body={row.body} family={row.preset.family} />
			</span>
			<span role="cell">{row.says}<small>{row.more}</small></span>
			<span role="cell">{row.tags}<small>{row.rigs}</small></span>
			<span role="cell" class="acts">
				<button aria-label="Copy {row.name}" title="Copy" onclick={() => void copy(row.preset)}
					><Copy size={14} /></button
				>
				<button aria-label="Retire {row.name}" title="Retire" onclick={() => void session.acts.retire(id)}
					><Archive size={14} /></button
				>
			</span>
		</div>
	{:else}
		<p>None yet, or none that fits. A rig’s stage makes the first one: “a new one”.</p>
	{/each}
</div>

<style>
	.table {
		height: 100%;
		overflow: auto;
		border: 1px solid var(--rule-strong);
		border-radius: var(--radius);
		background: var(--sheet);
	}
	.row {
		display: grid;
		grid-template-columns: minmax(0, 1.5fr) 104px minmax(0, 1fr) minmax(0, 0.9fr) 64px;
		gap: 10px;
		align-items: center;
		min-height: 50px;
		padding: 4px 10px;
		border-bottom: 1px solid var(--rule);
	}
	.head {
		min-height: 30px;
		position: sticky;
		top: 0;
		background: var(--paper-2);
		border-bottom-color: var(--rule-strong);
	}
	.head span {
		font-size: 12px;
		color: var(--ink-2);
	}
	.head button {
		display: inline-flex;
		align-items: center;
		gap: 3px;
		min-height: 24px;
		border: 0;
		background: none;
		padding: 0;
		font-size: 12px;
		color: var(--ink-2);
	}
	.head button:hover {
		color: var(--ink);
	}
	.pointed {
		background: var(--lamp-wash);
	}
	.name a {
		font-weight: 600;
		color: inherit;
		text-decoration: none;
	}
	small {
		display: block;
		overflow: hidden;
		text-overflow: ellipsis;
		white-space: nowrap;
		font-size: 12px;
		color: var(--ink-2);
	}
	span {
		min-width: 0;
		font-size: 13px;
	}
	.acts {
		display: flex;
		gap: 4px;
		justify-content: end;
	}
	.acts button {
		border: 1px solid var(--rule-strong);
		border-radius: 5px;
		background: var(--field);
		min-height: 24px;
		padding: 3px 6px;
		cursor: pointer;
	}
	p {
		padding: 20px;
		text-align: center;
		color: var(--ink-2);
	}
</style>
