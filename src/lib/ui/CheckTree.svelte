<script lang="ts">
	/**
	 * Groups of things that are chosen singly or by the group. The tree has the focus; the keys are those of the WAI-ARIA pattern: arrows,
	 * Home, End, Space, and the first letters of a name.
	 */
	import ChevronDown from '@lucide/svelte/icons/chevron-down';
	import ChevronRight from '@lucide/svelte/icons/chevron-right';
	import { VList, type VListHandle } from 'virtua/svelte';
	import { checkOf, moveIn, rowsOf, type Row, type TreeGroup } from './check-tree';
	import { TypeAhead } from './roving';

	interface Props {
		label: string;
		groups: readonly TreeGroup[];
		chosen: ReadonlySet<string>;
		/** Where one is: the id of an entry or of a group. */
		here: string;
		onhere: (id: string) => void;
		onchoose: (ids: readonly string[], on: boolean) => void;
	}
	let { label, groups, chosen, here, onhere, onchoose }: Props = $props();

	const uid = $props.id();
	let list: VListHandle | undefined = $state();
	let closed = $state.raw<ReadonlySet<string>>(new Set());
	const ahead = new TypeAhead();
	const rows = $derived(rowsOf(groups, closed));
	const at = $derived(
		Math.max(
			0,
			rows.findIndex(({ id }) => id === here)
		)
	);
	const idOf = (row: Row): string => `${uid}-${row.id}`;

	function fold(id: string, shut: boolean) {
		const next = new Set(closed);
		if (shut) next.add(id);
		else next.delete(id);
		closed = next;
	}
	function toggle(row: Row) {
		const ids = row.entries.filter(({ fixed }) => !fixed).map(({ id }) => id);
		onchoose(ids, checkOf(row, chosen) !== 'true');
	}
	function go(to: number) {
		const row = rows[to];
		if (!row) return;
		onhere(row.id);
		list?.scrollToIndex(to, { align: 'nearest' });
	}
	function keys(event: KeyboardEvent) {
		const row = rows[at];
		if (!row || event.ctrlKey || event.metaKey || event.altKey) return;
		const move = moveIn(rows, at, event.key, closed);
		if (event.key === ' ' || event.key === 'Enter') toggle(row);
		else if (move?.fold !== undefined) fold(row.id, move.fold);
		else if (move) go(move.to);
		else {
			const labels = rows.map(({ label }) => label);
			const to = ahead.to(event, labels, at);
			if (to === null) return;
			go(to);
		}
		event.preventDefault();
		event.stopPropagation();
	}
</script>

<div
	class="tree"
	role="tree"
	aria-label={label}
	aria-multiselectable="true"
	tabindex="0"
	aria-activedescendant={rows[at] && idOf(rows[at])}
	onkeydown={keys}
>
	<VList bind:this={list} data={rows} getKey={(row: Row) => row.id} style="height: 100%;">
		{#snippet children(row: Row, i: number)}
			{@const check = checkOf(row, chosen)}
			<!-- svelte-ignore a11y_click_events_have_key_events -->
			<div
				id={idOf(row)}
				class="row"
				class:group={row.level === 1}
				class:here={i === at}
				role="treeitem"
				tabindex="-1"
				aria-level={row.level}
				aria-setsize={row.of}
				aria-posinset={row.place}
				aria-expanded={row.level === 1 ? !closed.has(row.id) : undefined}
				aria-checked={check}
				aria-selected={i === at}
				aria-label={row.label}
				aria-disabled={row.fixed || undefined}
				onclick={() => onhere(row.id)}
			>
				{#if row.level === 1}
					<!-- svelte-ignore a11y_no_static_element_interactions -->
					<span class="fold" onclick={() => fold(row.id, !closed.has(row.id))}
						>{#if closed.has(row.id)}<ChevronRight size={14} />{:else}<ChevronDown size={14} />{/if}</span
					>
				{/if}
				<!-- svelte-ignore a11y_no_static_element_interactions -->
				<span class="box {check}" class:fixed={row.fixed} onclick={() => toggle(row)} data-box></span>
				<span class="name">{row.label}</span>
				{#if row.about}<small>{row.about}</small>{/if}
			</div>
		{/snippet}
	</VList>
</div>

<style>
	.tree {
		height: 100%;
		min-height: 0;
		border: 1px solid var(--rule-strong);
		border-radius: 7px;
		background: var(--field);
		overflow: hidden;
	}
	.tree:focus {
		outline: none;
	}
	.tree:focus-visible {
		outline: 2px solid var(--focus);
		outline-offset: 1px;
	}
	.row {
		display: flex;
		align-items: center;
		gap: 7px;
		height: 27px;
		padding: 0 10px 0 30px;
		cursor: default;
		white-space: nowrap;
	}
	.row.group {
		padding-left: 8px;
		font-weight: 600;
	}
	.row.here {
		background: var(--lamp-wash);
	}
	.fold {
		display: grid;
		place-items: center;
		cursor: pointer;
		color: var(--ink-2);
	}
	.box {
		flex: none;
		width: 14px;
		height: 14px;
		border: 1px solid var(--ink-2);
		border-radius: 3px;
		background: var(--sheet);
		cursor: pointer;
	}
	.box.true {
		background: var(--lamp);
		border-color: var(--lamp);
		clip-path: none;
		box-shadow: inset 0 0 0 2px var(--sheet);
	}
	.box.mixed {
		background: linear-gradient(var(--lamp), var(--lamp)) center / 8px 2px no-repeat var(--sheet);
	}
	.box.fixed {
		opacity: 0.35;
		cursor: default;
	}
	.name {
		overflow: hidden;
		text-overflow: ellipsis;
	}
	small {
		margin-left: auto;
		color: var(--ink-2);
	}
</style>
