<script lang="ts">
	/** Figures, a row each: A, B, which is milder; what passes its limit stands out. */
	import NumberField from '$lib/ui/NumberField.svelte';
	import { plain as short, type Row } from './figures-told';

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

<table aria-label={label}>
	<thead>
		<tr>
			<th scope="col">{label}</th>
			<th scope="col">A</th>
			{#if both}<th scope="col">B</th><th scope="col">milder</th>{/if}
			{#if limited}<th scope="col">limit</th>{/if}
			<th scope="col"><span class="sr">unit</span></th>
		</tr>
	</thead>
	<tbody>
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
	</tbody>
</table>

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
		padding: 0 6px;
		border-bottom: 1px solid var(--rule);
		white-space: nowrap;
	}
	td,
	thead th:not(:first-child) {
		text-align: right;
		font-variant-numeric: tabular-nums;
	}
	.unit,
	.limit {
		color: var(--ink-2);
	}
	td.unit {
		text-align: left;
	}
	.milder {
		font-weight: 700;
		color: var(--lamp-text);
	}
	.over {
		color: var(--danger);
		font-weight: 700;
	}
	.picked {
		background: var(--lamp-wash);
	}
	button {
		border: 0;
		background: none;
		padding: 0;
		min-height: 24px;
		color: inherit;
		cursor: pointer;
		text-decoration: underline dotted var(--rule-strong);
		text-underline-offset: 3px;
	}
	button:hover {
		text-decoration-color: var(--lamp);
	}
	.sr {
		position: absolute;
		clip-path: inset(50%);
		width: 1px;
		height: 1px;
		overflow: hidden;
	}
</style>
