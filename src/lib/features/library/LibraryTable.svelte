<script lang="ts">
	import ArrowDown from '@lucide/svelte/icons/arrow-down';
	import ArrowUp from '@lucide/svelte/icons/arrow-up';
	import { VList, type VListHandle } from 'virtua/svelte';
	import type { ShakePreset } from 'dinesis-runtime';
	import type { LibraryState } from './library.svelte';
	import LibraryRow from './LibraryRow.svelte';
	import type { Column } from './list';
	import { rowAfter } from './row-keys';

	interface Props {
		library: LibraryState;
		rows: readonly ShakePreset[];
		onpoint: (preset: ShakePreset) => void;
		onopen: (key: string) => void;
		onrename: (key: string, name: string) => void;
	}
	let { library, rows, onpoint, onopen, onrename }: Props = $props();

	const HEADS: readonly { by: Column; label: string; about: string }[] = [
		{ by: 'name', label: 'name', about: 'Its name and what it is for' },
		{ by: 'order', label: 'motion', about: 'In the project’s order; the first nine are on the keys' },
		{
			by: 'size',
			label: 'size',
			about: 'Farthest picture movement, % of its height: median and worst of 32 plays'
		},
		{ by: 'pace', label: 'pace', about: 'Zero crossings a second, halved' },
		{ by: 'length', label: 'length', about: 'Of the whole burst' },
		{ by: 'tags', label: 'tags', about: 'Press a tag in a row to filter by it' }
	];
	let list: VListHandle | undefined = $state();
	let table: HTMLElement;
	let renaming = $state('');

	/** Moves the pointed row with the arrows; it plays as it goes. */
	function keys(event: KeyboardEvent) {
		if (renaming) return;
		const at = rows.findIndex((p) => p.id === library.pointed);
		const to = rowAfter(event.key, at, rows.length);
		const here = rows[at];
		if (to !== null) {
			onpoint(rows[to]!);
			list?.scrollToIndex(to, { align: 'nearest' });
		} else if (event.key === ' ' && here) onpoint(here);
		else if (event.key === 'Enter' && here) onopen(here.id);
		else if (event.key === 'F2' && here) renaming = here.id;
		else if (event.key.toLowerCase() === 'x' && here && !event.ctrlKey) library.choose(here.id, event.shiftKey);
		else if (event.key.toLowerCase() === 'a' && (event.ctrlKey || event.metaKey)) library.chooseAll();
		else return;
		event.preventDefault();
		event.stopPropagation();
	}
	function rename(key: string, name: string) {
		renaming = '';
		if (name.trim()) onrename(key, name.trim());
		table.focus();
	}
	export function show(key: string): void {
		const at = rows.findIndex((p) => p.id === key);
		if (at >= 0) list?.scrollToIndex(at, { align: 'center' });
	}
</script>

<!-- svelte-ignore a11y_no_noninteractive_tabindex, a11y_no_noninteractive_element_interactions -->
<div
	class="table"
	role="table"
	aria-label="Presets"
	aria-rowcount={rows.length + 1}
	tabindex="0"
	bind:this={table}
	onkeydown={keys}
>
	<div class="row head" role="row">
		<span role="columnheader"
			><input
				type="checkbox"
				aria-label="Choose all"
				checked={rows.length > 0 && library.chosen.size >= rows.length}
				indeterminate={library.chosen.size > 0 && library.chosen.size < rows.length}
				onchange={() => library.chooseAll()}
			/></span
		>
		{#each HEADS as { by, label, about } (by)}
			{@const on = library.sort.by === by}
			<span role="columnheader" aria-sort={on ? (library.sort.down ? 'descending' : 'ascending') : 'none'} class={by}
				><button title={about} onclick={() => library.sortBy(by)}
					>{label}{#if on}{#if library.sort.down}<ArrowDown size={12} />{:else}<ArrowUp size={12} />{/if}{/if}</button
				></span
			>
		{/each}
	</div>
	{#if rows.length > 0}
		<VList
			bind:this={list}
			data={rows}
			getKey={(p) => p.id}
			itemSize={46}
			role="rowgroup"
			tabindex={0}
			style="flex: 1; min-height: 0; height: auto"
		>
			{#snippet children(preset, i)}
				<LibraryRow
					{library}
					{preset}
					at={i}
					renaming={renaming === preset.id}
					{onpoint}
					{onopen}
					onrename={(name) => rename(preset.id, name)}
				/>
			{/snippet}
		</VList>
	{/if}
</div>

<style>
	.table {
		display: flex;
		flex-direction: column;
		min-height: 0;
		height: 100%;
		background: var(--sheet);
		border: 1px solid var(--rule-strong);
		border-radius: var(--radius);
		overflow: hidden;
	}
	.table:focus-visible {
		outline-offset: -2px;
	}
	.table :global(.row) {
		display: grid;
		grid-template-columns: 30px minmax(150px, 1fr) 132px 92px 66px 84px minmax(90px, 0.55fr);
		align-items: center;
		height: 46px;
		border-bottom: 1px solid var(--rule);
		padding-right: 8px;
		cursor: default;
	}
	.table .head {
		height: 30px;
		background: var(--paper-2);
		border-bottom-color: var(--rule-strong);
		flex: none;
		/* As wide as the rows beside their scroll bar. */
		padding-right: 22px;
	}
	.head button {
		display: inline-flex;
		align-items: center;
		gap: 3px;
		border: 0;
		background: none;
		color: var(--ink-2);
		font-size: 12px;
		cursor: pointer;
		padding: 2px 0;
	}
	.head button:hover {
		color: var(--ink);
	}
	.table :global(.row > span) {
		min-width: 0;
		padding-left: 8px;
	}
	.table :global(:is(.size, .pace, .length)) {
		text-align: right;
		white-space: nowrap;
	}
	.head .size button,
	.head .pace button,
	.head .length button {
		margin-left: auto;
	}
	.table :global(.length) {
		color: var(--ink-2);
		font-size: 12.5px;
	}
	input[type='checkbox'] {
		accent-color: var(--lamp);
		margin: 0;
	}
	@media (max-width: 1180px) {
		.table :global(.row) {
			grid-template-columns: 28px minmax(120px, 1fr) 128px 84px 60px 80px 0;
		}
		.table :global(.tags) {
			visibility: hidden;
		}
	}
</style>
