<script lang="ts">
	import ArrowDown from '@lucide/svelte/icons/arrow-down';
	import ArrowUp from '@lucide/svelte/icons/arrow-up';
	import { VList, type VListHandle } from 'virtua/svelte';
	import type { ShakePreset } from 'dinesis-runtime';
	import Outline from '$lib/plots/Outline.svelte';
	import type { LibraryState } from './library.svelte';
	import type { Column } from './list';

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
			by: 'strength',
			label: 'strength',
			about: 'Farthest picture movement, % of its height: median and worst of 32 plays'
		},
		{ by: 'pace', label: 'pace', about: 'Zero crossings a second, halved' },
		{ by: 'length', label: 'length', about: 'Of the whole burst' },
		{ by: 'tags', label: 'tags', about: 'Press a tag in a row to filter by it' }
	];
	let list: VListHandle | undefined = $state();
	let table: HTMLElement;
	let renaming = $state('');

	const percent = (value: number): string => (value < 9.95 ? value.toFixed(1) : value.toFixed(0));
	const lengthOf = (p: ShakePreset): string =>
		p.timing.mode === 'burst' ? `${Number((p.timing.delay + p.timing.duration).toFixed(2))} s` : 'until stopped';

	/** Moves the pointed row with the arrows; it plays as it goes. */
	function keys(event: KeyboardEvent) {
		if (renaming) return;
		const at = rows.findIndex((p) => p.id === library.pointed);
		const by = { ArrowDown: 1, ArrowUp: -1, PageDown: 10, PageUp: -10 }[event.key];
		const here = rows[at];
		if (by !== undefined) {
			const next = rows[Math.max(0, Math.min(rows.length - 1, at < 0 ? 0 : at + by))];
			if (next) {
				onpoint(next);
				list?.scrollToIndex(rows.indexOf(next), { align: 'nearest' });
			}
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
				{@const card = library.card(preset)}
				{@const key = library.session.order.indexOf(preset.id) + 1}
				<!-- svelte-ignore a11y_click_events_have_key_events, a11y_interactive_supports_focus -->
				<div
					class="row"
					role="row"
					aria-rowindex={i + 2}
					class:pointed={library.pointed === preset.id}
					class:chosen={library.chosen.has(preset.id)}
					{@attach () => library.want(preset)}
					onpointerenter={() => onpoint(preset)}
					onclick={(e) => (e.ctrlKey || e.metaKey || e.shiftKey) && library.choose(preset.id, e.shiftKey)}
					ondblclick={() => onopen(preset.id)}
				>
					<span role="cell"
						><input
							type="checkbox"
							tabindex="-1"
							aria-label="Choose {preset.name}"
							checked={library.chosen.has(preset.id)}
							onclick={(e) => {
								e.stopPropagation();
								library.choose(preset.id, e.shiftKey);
							}}
						/></span
					>
					<span role="cell" class="name">
						{#if renaming === preset.id}
							<input
								class="rename"
								aria-label="New name"
								value={preset.name}
								maxlength="120"
								{@attach (field: HTMLInputElement) => field.select()}
								onkeydown={(e) => {
									e.stopPropagation();
									if (e.key === 'Enter') rename(preset.id, e.currentTarget.value);
									if (e.key === 'Escape') rename(preset.id, '');
								}}
								onblur={(e) => renaming === preset.id && rename(preset.id, e.currentTarget.value)}
							/>
						{:else}
							<button
								class="open"
								tabindex="-1"
								title="Tune it on the Bench (Enter); F2 renames it"
								onclick={() => onopen(preset.id)}>{preset.name}</button
							>
						{/if}
						<small>{preset.about}</small>
					</span>
					<span role="cell" class="order">
						{#if card}<Outline lines={card.outline} />{/if}
						{#if key > 0 && key <= 9}<kbd title="On key {key} of the Bench">{key}</kbd>{/if}
					</span>
					<span role="cell" class="strength">
						{#if card}<b>{percent(card.measure.strength)}</b> <small>–{percent(card.measure.worst)} %</small>{:else}<i
							></i>{/if}
					</span>
					<span role="cell" class="pace">
						{#if card}<b>{percent(card.measure.pace)}</b> <small>Hz</small>{:else}<i></i>{/if}
					</span>
					<span role="cell" class="length">{lengthOf(preset)}</span>
					<span role="cell" class="tags">
						{#each preset.tags.slice(0, 4) as tag (tag)}
							<button
								tabindex="-1"
								class:on={library.filter.tags.has(tag)}
								onclick={(e) => {
									e.stopPropagation();
									library.toggleTag(tag);
								}}>{tag}</button
							>
						{/each}
					</span>
				</div>
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
	.row {
		display: grid;
		grid-template-columns: 30px minmax(150px, 1fr) 132px 92px 66px 84px minmax(90px, 0.55fr);
		align-items: center;
		height: 46px;
		border-bottom: 1px solid var(--rule);
		padding-right: 8px;
		cursor: default;
	}
	.head {
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
	.row > span {
		min-width: 0;
		padding-left: 8px;
	}
	.pointed {
		background: var(--lamp-wash);
	}
	.chosen {
		box-shadow: inset 4px 0 0 var(--lamp);
	}
	.name {
		display: grid;
	}
	.name small {
		overflow: hidden;
		text-overflow: ellipsis;
		white-space: nowrap;
		color: var(--ink-2);
		font-size: 11.5px;
	}
	.open {
		border: 0;
		background: none;
		padding: 0;
		font-weight: 600;
		text-align: left;
		cursor: pointer;
		overflow: hidden;
		text-overflow: ellipsis;
		white-space: nowrap;
	}
	.open:hover {
		color: var(--lamp-text);
		text-decoration: underline;
	}
	.rename {
		border: 1px solid var(--lamp);
		border-radius: 4px;
		background: var(--field);
		padding: 0 4px;
		font-weight: 600;
		min-width: 0;
	}
	.order {
		display: flex;
		align-items: center;
		gap: 6px;
	}
	kbd {
		font: inherit;
		font-size: 11px;
		border: 1px solid var(--brass);
		border-bottom-width: 2px;
		border-radius: 4px;
		padding: 0 4px;
		background: var(--cap-top);
	}
	.strength,
	.pace,
	.length {
		text-align: right;
		white-space: nowrap;
	}
	.head .strength button,
	.head .pace button,
	.head .length button {
		margin-left: auto;
	}
	.length {
		color: var(--ink-2);
		font-size: 12.5px;
	}
	.row small {
		font-size: 11.5px;
		color: var(--ink-2);
	}
	i {
		display: inline-block;
		width: 34px;
		height: 8px;
		border-radius: 4px;
		background: var(--rule);
	}
	.tags {
		display: flex;
		gap: 4px;
		overflow: hidden;
	}
	.row:not(.head) .tags button {
		flex: none;
		border: 1px solid var(--rule);
		border-radius: 999px;
		background: none;
		padding: 0 7px;
		font-size: 11.5px;
		color: var(--ink-2);
		cursor: pointer;
	}
	.row:not(.head) .tags button:hover,
	.tags button.on {
		border-color: var(--lamp);
		background: var(--lamp-wash);
		color: var(--ink);
	}
	input[type='checkbox'] {
		accent-color: var(--lamp);
		margin: 0;
	}
	@media (max-width: 1180px) {
		.row {
			grid-template-columns: 28px minmax(120px, 1fr) 128px 84px 60px 80px 0;
		}
		.tags {
			visibility: hidden;
		}
	}
</style>
