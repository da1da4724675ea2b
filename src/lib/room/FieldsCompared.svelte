<script lang="ts">
	/** Field by field what differs between two states of a document, both values, perhaps with something to do with each. */
	import type { Difference } from '$lib/documents';
	import Button from '$lib/ui/Button.svelte';

	interface Props {
		/** What both states are called: of the values that were, and of those that are. */
		heads: readonly [string, string];
		lines: readonly Difference[];
		/** What can be done with a field; `name` is what a screen reader calls it. */
		act?: {
			readonly label: string;
			readonly name: (line: Difference) => string;
			readonly run: (line: Difference) => void;
		};
	}
	let { heads, lines, act }: Props = $props();

	const SIDES = {
		added: ['–', 'there'],
		gone: ['there', '–'],
		moved: ['elsewhere', 'here']
	} as const;
	const shown = (value: string, unit: string): string => (value ? `${value} ${unit}` : '–');
</script>

<table>
	<thead
		><tr
			><th>what</th><th>{heads[0]}</th><th>{heads[1]}</th>{#if act}<td></td>{/if}</tr
		></thead
	>
	<tbody>
		{#each lines as line (line.path.join('.'))}
			<tr>
				<td>{line.label}</td>
				{#if line.entry}
					<td>{SIDES[line.entry][0]}</td>
					<td>{SIDES[line.entry][1]}</td>
				{:else}
					<td>{shown(line.was, line.unit)}</td>
					<td>{shown(line.is, line.unit)}</td>
				{/if}
				{#if act}
					<td class="act"><Button aria-label={act.name(line)} onclick={() => act.run(line)}>{act.label}</Button></td>
				{/if}
			</tr>
		{/each}
	</tbody>
</table>

<style>
	table {
		width: 100%;
		border-collapse: collapse;
		font-size: 13px;
	}
	th {
		text-align: left;
		font-weight: 400;
		font-size: 12px;
		color: var(--ink-2);
	}
	td {
		padding: 3px 8px 3px 0;
		border-top: 1px solid var(--rule);
		font-variant-numeric: tabular-nums;
		overflow-wrap: anywhere;
	}
	.act {
		text-align: right;
		padding-right: 0;
		white-space: nowrap;
	}
</style>
