<script lang="ts">
	/** Each channel that moves in numbers: how far, how fast, how hard, where most of it is. */
	import { CHANNEL_HEADS, short, type ChannelRow } from './figures-told';
	import NumbersTable from './NumbersTable.svelte';

	let { rows, both }: { rows: readonly ChannelRow[]; both: boolean } = $props();
</script>

<NumbersTable label="Channels">
	{#snippet head()}
		<th scope="col">channel</th>
		{#each CHANNEL_HEADS as head (head)}<th scope="col">{head}</th>{/each}
		<th scope="col" title="The frequency with the most of it">most at</th>
	{/snippet}

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
</NumbersTable>
{#if both}<p>Above A, below B.</p>{/if}

<style>
	td small {
		display: block;
		font-size: 12px;
		color: var(--ink-pitch);
	}
	p {
		margin: 4px 0 0;
		font-size: 12px;
		color: var(--ink-2);
	}
</style>
