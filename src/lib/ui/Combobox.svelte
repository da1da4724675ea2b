<script lang="ts" module>
	export interface Pickable {
		readonly id: string;
		readonly label: string;
		/** Shown small. */
		readonly about?: string;
		/** A key that does the same, as it is written. */
		readonly key?: string;
	}
	export interface Pickables<E extends Pickable = Pickable> {
		readonly title?: string;
		readonly entries: readonly E[];
		/** How many more there are that are not listed. */
		readonly more?: number;
		/** Shown when the group has none at all. */
		readonly none?: string;
	}
</script>

<script lang="ts" generics="E extends Pickable">
	/**
	 * A field with the list of what it finds under it: the field keeps the focus, arrows, Home and End of the list go through it, Enter takes the
	 * match. Without the field the list has the focus, and letters find an entry.
	 */
	import { rove, TypeAhead } from './roving';

	interface Props {
		label: string;
		placeholder?: string;
		/** What is found, by group. */
		groups: readonly Pickables<E>[];
		/** What is typed. */
		typed?: string;
		/** Without a field. */
		few?: boolean;
		/** The entry that is taken now. */
		here?: string;
		/** Several may be taken: these are. */
		taken?: ReadonlySet<string>;
		large?: boolean;
		onpick: (entry: E, group: number) => void;
	}
	let {
		label,
		placeholder = label,
		groups,
		typed = $bindable(''),
		few = false,
		here = '',
		taken,
		large = false,
		onpick
	}: Props = $props();

	let pointed = $state(-1);
	const id = $props.id();
	const ahead = new TypeAhead();

	/** All that is listed, each with its group: what the arrows go through. */
	const flat = $derived(groups.flatMap(({ entries }, group) => entries.map((entry) => ({ entry, group }))));
	const chosen = $derived(
		pointed >= 0
			? Math.min(pointed, flat.length - 1)
			: typed.trim() !== '' || large
				? flat.length > 0
					? 0
					: -1
				: flat.findIndex(({ entry }) => entry.id === here)
	);
	const placeOf = (group: number, i: number): number =>
		groups.slice(0, group).reduce((sum, { entries }) => sum + entries.length, 0) + i;

	function go(to: number) {
		pointed = to;
		document.getElementById(`${id}-${to}`)?.scrollIntoView?.({ block: 'nearest' });
	}
	function keys(event: KeyboardEvent) {
		// In a field Home and End are the text's.
		const to =
			!few && (event.key === 'Home' || event.key === 'End') ? null : rove(event.key, chosen, flat.length, 'down');
		const match = flat[chosen];
		const letter =
			few && to === null
				? ahead.to(
						event,
						flat.map(({ entry }) => entry.label),
						chosen
					)
				: null;
		if (to !== null) go(to);
		else if (letter !== null) go(letter);
		else if (match && (event.key === 'Enter' || (few && event.key === ' '))) onpick(match.entry, match.group);
		else if (event.key !== 'Enter') return;
		event.preventDefault();
	}
	const more = $derived(groups.reduce((sum, group) => sum + (group.more ?? 0), 0));
	const active = $derived(chosen >= 0 ? `${id}-${chosen}` : undefined);
	const focused = (element: HTMLElement) => element.focus({ preventScroll: true });
</script>

<div class="pick" class:large>
	{#if !few}
		<!-- svelte-ignore a11y_autofocus -->
		<input
			class="search"
			autofocus
			{placeholder}
			aria-label={label}
			role="combobox"
			aria-expanded="true"
			aria-controls="{id}-list"
			aria-activedescendant={active}
			autocomplete="off"
			spellcheck="false"
			bind:value={typed}
			oninput={() => (pointed = -1)}
			onkeydown={keys}
		/>
	{/if}
	<div
		class="list"
		id="{id}-list"
		role="listbox"
		aria-label={label}
		aria-multiselectable={taken ? 'true' : undefined}
		tabindex={few ? 0 : undefined}
		aria-activedescendant={few ? active : undefined}
		onkeydown={few ? keys : undefined}
		{@attach few ? focused : () => undefined}
	>
		{#each groups as group, g (g)}
			{#if group.entries.length > 0}
				<div role="group" aria-label={group.title ?? label}>
					{#if group.title}<p class="title" aria-hidden="true">{group.title}</p>{/if}
					{#each group.entries as entry, i (entry.id)}
						{@const place = placeOf(g, i)}
						<!-- svelte-ignore a11y_click_events_have_key_events -->
						<div
							class="entry"
							class:pointed={place === chosen}
							id="{id}-{place}"
							role="option"
							tabindex="-1"
							aria-selected={taken ? taken.has(entry.id) : place === chosen}
							aria-current={entry.id === here ? 'true' : undefined}
							onpointermove={() => (pointed = place)}
							onclick={() => onpick(entry, g)}
						>
							{#if taken}<i aria-hidden="true">{taken.has(entry.id) ? '✓' : ''}</i>{/if}
							<span>{entry.label}</span><small>{entry.about ?? ''}</small><kbd>{entry.key ?? ''}</kbd>
						</div>
					{/each}
				</div>
			{/if}
		{/each}
	</div>
	{#if more > 0}<p class="none" role="status">and {more} more: type to find them</p>{/if}
	{#if flat.length === 0 && typed.trim() !== ''}<p class="none" role="status">Nothing here is called so.</p>{:else}
		{#each groups as group, g (g)}
			{#if group.entries.length === 0 && group.none}<p class="none">{group.none}</p>{/if}
		{/each}
	{/if}
</div>

<style>
	.pick {
		display: grid;
		grid-template-columns: minmax(0, 1fr);
		gap: 6px;
	}
	.search {
		border: 1px solid var(--rule-strong);
		border-radius: 6px;
		background: var(--field);
		padding: 4px 8px;
		min-width: 0;
		color: var(--ink);
	}
	/* Inside: the list around it would cut a ring outside. */
	.search:focus-visible {
		outline-offset: -2px;
	}
	.large .search {
		border: 0;
		border-bottom: 2px solid var(--lamp);
		border-radius: 0;
		background: none;
		padding: 8px 10px;
		font-size: 16px;
		outline: none;
	}
	.large .list {
		max-height: 46vh;
		overflow: auto;
	}
	.list:focus {
		outline: none;
	}
	.title {
		margin: 6px 0 2px 6px;
		font-size: 12px;
		color: var(--ink-2);
	}
	.entry {
		display: flex;
		gap: 10px;
		align-items: baseline;
		border-radius: 6px;
		padding: 4px 8px;
		min-height: 26px;
		cursor: pointer;
	}
	.pointed {
		background: var(--lamp-wash);
	}
	.entry[aria-current] {
		box-shadow: inset 3px 0 0 var(--lamp);
		font-weight: 600;
	}
	span {
		flex: 1;
		min-width: 0;
		overflow: hidden;
		text-overflow: ellipsis;
		white-space: nowrap;
	}
	i {
		width: 1em;
		font-style: normal;
		color: var(--lamp-text);
	}
	kbd,
	small {
		font: inherit;
		font-size: 12px;
		font-weight: 400;
		color: var(--ink-2);
		white-space: nowrap;
		overflow: hidden;
		text-overflow: ellipsis;
		max-width: 55%;
	}
	kbd:not(:empty) {
		min-width: 1.2em;
		text-align: right;
		color: var(--lamp-text);
	}
	.large kbd {
		min-width: 5rem;
	}
	.none {
		padding: 4px 8px;
		margin: 0;
		color: var(--ink-2);
	}
</style>
