<script lang="ts" module>
	export interface PickEntry {
		readonly id: string;
		readonly label: string;
		/** Shown small, and looked in as well. */
		readonly about?: string;
		/** Words that find it and are not shown. */
		readonly words?: string;
		/** The key that fires it, where there is one. */
		readonly key?: string;
	}
	export interface PickGroup {
		readonly title?: string;
		readonly entries: readonly PickEntry[];
		/** Shown when the group has none at all. */
		readonly none?: string;
	}
</script>

<script lang="ts">
	/** A list that one finds something in: type, arrows, Enter. The field has the focus when it opens. */
	interface Props {
		label: string;
		groups: readonly PickGroup[];
		/** The entry that is open now. */
		here?: string;
		onpick: (id: string, group: number) => void;
	}
	let { label, groups, here = '', onpick }: Props = $props();

	let typed = $state('');
	let pointed = $state(-1);
	let list: HTMLElement | undefined = $state();
	const id = $props.id();

	const words = $derived(typed.trim().toLowerCase().split(/\s+/).filter(Boolean));
	const fits = (entry: PickEntry): boolean => {
		const text = `${entry.label} ${entry.about ?? ''} ${entry.words ?? ''}`.toLowerCase();
		return words.every((word) => text.includes(word));
	};
	const found = $derived(groups.map(({ entries }) => (words.length === 0 ? entries : entries.filter(fits))));
	/** All that is listed, each with its group: what the arrows go through. */
	const flat = $derived(found.flatMap((entries, group) => entries.map((entry) => ({ entry, group }))));
	const chosen = $derived(
		pointed >= 0
			? Math.min(pointed, flat.length - 1)
			: words.length > 0
				? 0
				: flat.findIndex((f) => f.entry.id === here)
	);
	const placeOf = (group: number, i: number): number =>
		found.slice(0, group).reduce((sum, entries) => sum + entries.length, 0) + i;

	function keys(event: KeyboardEvent) {
		const by = event.key === 'ArrowDown' ? 1 : event.key === 'ArrowUp' ? -1 : 0;
		if (by !== 0 && flat.length > 0) {
			event.preventDefault();
			pointed = (chosen + by + flat.length) % flat.length;
			list?.querySelector(`#${CSS.escape(`${id}-${pointed}`)}`)?.scrollIntoView?.({ block: 'nearest' });
		} else if (event.key === 'Enter') {
			event.preventDefault();
			const match = flat[chosen];
			if (match) onpick(match.entry.id, match.group);
		}
	}
</script>

<div class="pick">
	<!-- svelte-ignore a11y_autofocus -->
	<input
		class="search"
		autofocus
		placeholder={label}
		aria-label={label}
		role="combobox"
		aria-expanded="true"
		aria-controls="{id}-list"
		aria-activedescendant={chosen >= 0 ? `${id}-${chosen}` : undefined}
		autocomplete="off"
		spellcheck="false"
		bind:value={typed}
		oninput={() => (pointed = -1)}
		onkeydown={keys}
	/>
	<div class="list" id="{id}-list" role="listbox" aria-label={label} bind:this={list}>
		{#each groups as group, g (g)}
			<div role="group" aria-label={group.title ?? label}>
				{#if group.title}<p class="title" aria-hidden="true">{group.title}</p>{/if}
				{#each found[g]! as entry, i (entry.id)}
					{@const place = placeOf(g, i)}
					<!-- svelte-ignore a11y_click_events_have_key_events -->
					<div
						class="entry"
						id="{id}-{place}"
						role="option"
						tabindex="-1"
						aria-selected={place === chosen}
						aria-current={entry.id === here ? 'true' : undefined}
						onclick={() => onpick(entry.id, g)}
					>
						<kbd>{entry.key ?? ''}</kbd><span>{entry.label}</span><small>{entry.about ?? ''}</small>
					</div>
				{/each}
			</div>
			{#if group.entries.length === 0 && group.none}<p class="none" role="presentation">{group.none}</p>{/if}
		{/each}
	</div>
	{#if words.length > 0 && flat.length === 0}<p class="none">Nothing here is called so.</p>{/if}
</div>

<style>
	.pick {
		display: grid;
		gap: 8px;
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
	.title {
		margin: 6px 0 2px;
		font-size: 13px;
		color: var(--ink-2);
	}
	.entry {
		display: grid;
		grid-template-columns: auto 1fr auto;
		gap: 6px;
		align-items: baseline;
		border-radius: 6px;
		padding: 5px 6px;
		cursor: pointer;
	}
	.entry:hover,
	.entry[aria-selected='true'] {
		background: var(--lamp-wash);
	}
	.entry[aria-current] {
		box-shadow: inset 3px 0 0 var(--lamp);
		font-weight: 600;
	}
	span {
		overflow: hidden;
		text-overflow: ellipsis;
		white-space: nowrap;
	}
	kbd:not(:empty) {
		width: 18px;
	}
	kbd,
	small {
		font: inherit;
		font-size: 12px;
		font-weight: 400;
		color: var(--ink-2);
	}
	.none {
		padding: 6px;
		margin: 0;
		color: var(--ink-2);
	}
</style>
