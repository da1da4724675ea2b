<script lang="ts">
	/** Figures, a row each: A, B, which is milder; what passes its limit stands out. */
	import NumberField from '$lib/ui/NumberField.svelte';
	import { plain as short, type Row } from './figures-told';
	import NumbersTable from './NumbersTable.svelte';

	interface Props {
		label: string;
		rows: readonly Row[];
		both: boolean;
		/** Chooses a figure to see how it is spread; left out: none is. */
		onpick?: (id: string) => void;
		picked?: string;
		/** Sets what is too much; null: as it is where nobody said anything. Left out: limits are only read. */
		onlimit?: (row: Row, most: number | null, done: boolean) => void;
	}
	let { label, rows, both, onpick, picked, onlimit }: Props = $props();
	const limited = $derived(rows.some(({ limit }) => limit !== null));
	const passes = (value: number | null, limit: number | null): boolean =>
		value !== null && limit !== null && Math.abs(value) > limit;
</script>

<NumbersTable {label}>
	{#snippet head()}
		<th scope="col">{label}</th>
		<th scope="col">A</th>
		{#if both}<th scope="col">B</th><th scope="col">milder</th>{/if}
		{#if limited}<th scope="col">limit</th>{/if}
		<th scope="col"><span class="sr">unit</span></th>
	{/snippet}

	{#each rows as row (row.id)}
		<tr class:picked={row.id === picked} title="{row.label}: {row.says}">
			<th scope="row"
				>{#if onpick}<button onclick={() => onpick(row.id)}>{row.label}</button>{:else}{row.label}{/if}</th
			>
			<td class:over={passes(row.a, row.limit)}>{short(row.a)}</td>
			{#if both}
				<td class:over={passes(row.b, row.limit)}>{short(row.b)}</td>
				<td class="milder">{row.milder === null ? '' : row.milder.toUpperCase()}</td>
			{/if}
			{#if limited}
				<td class="limit"
					>{#if row.limit === null}{:else if onlimit && row.usual !== null}<NumberField
							label="Limit of {row.label}"
							look="cell"
							value={row.limit}
							min={0}
							max={1e6}
							step={row.usual >= 20 ? 1 : 0.1}
							digits={row.usual >= 20 ? 0 : 1}
							reset={row.usual}
							hint="What is too much, for the whole project; Delete sets it back to {short(row.usual)}"
							onchange={(most, done) => onlimit(row, most === row.usual ? null : most, done)}
						/>{:else}{short(row.limit)}{/if}</td
				>
			{/if}
			<td class="unit">{row.unit}</td>
		</tr>
	{/each}
</NumbersTable>

<style>
	.limit {
		color: var(--ink-2);
	}
</style>
