<script lang="ts">
	/** Each channel that moves in numbers: how far, how fast, how hard, where most of it is. */
	import { CHANNEL_HEADS, short, type ChannelRow } from './figures-told';

	let { rows, both }: { rows: readonly ChannelRow[]; both: boolean } = $props();
</script>

<table aria-label="Channels">
	<thead>
		<tr>
			<th scope="col">channel</th>
			{#each CHANNEL_HEADS as head (head)}<th scope="col">{head}</th>{/each}
			<th scope="col" title="The frequency with the most of it">most at</th>
		</tr>
	</thead>
	<tbody>
		{#each rows as row (row.label)}
			<tr>
				<th scope="row">{row.label} <small>{row.unit}</small></th>
				{#each row.cells as cell (cell.id)}
					<td title={cell.unit}
						>{short(cell.a)}{#if both}<small>{short(cell.b)}</small>{/if}</td
					>
				{/each}
				<td title="Hz"
					>{short(row.hertz.a)}{row.hertz.a === null ? '' : ' Hz'}{#if both}<small
							>{short(row.hertz.b)}{row.hertz.b === null ? '' : ' Hz'}</small
						>{/if}</td
				>
			</tr>
		{/each}
	</tbody>
</table>
{#if both}<p>Above A, below B.</p>{/if}

<style>
	table {
		border-collapse: collapse;
		width: 100%;
		font-size: 12.5px;
	}
	th {
		font-weight: 500;
		text-align: left;
		color: var(--ink-2);
	}
	tbody th {
		color: var(--ink);
		font-weight: 400;
	}
	th,
	td {
		padding: 2px 6px;
		border-bottom: 1px solid var(--rule);
		white-space: nowrap;
	}
	td,
	thead th:not(:first-child) {
		text-align: right;
		font-variant-numeric: tabular-nums;
	}
	td small {
		display: block;
		font-size: 12px;
		color: var(--ink-pitch);
	}
	th small {
		color: var(--ink-2);
	}
	p {
		margin: 4px 0 0;
		font-size: 12px;
		color: var(--ink-2);
	}
</style>
