<script lang="ts">
	/** One preset of the Library: its drawing, its figures, its tags; pointed at it plays. */
	import type { ShakePreset } from 'dinesis-runtime';
	import Outline from '$lib/plots/Outline.svelte';
	import { hand } from '$lib/ui/hand';
	import type { LibraryState } from './library.svelte';

	interface Props {
		library: LibraryState;
		preset: ShakePreset;
		/** Its place in the list, from 0. */
		at: number;
		/** Its name is being typed. */
		renaming: boolean;
		onpoint: (preset: ShakePreset) => void;
		onopen: (key: string) => void;
		/** The name that was typed; empty: as it was. */
		onrename: (name: string) => void;
	}
	let { library, preset, at, renaming, onpoint, onopen, onrename }: Props = $props();

	const card = $derived(library.card(preset));
	const key = $derived(library.session.order.indexOf(preset.id) + 1);
	const percent = (value: number): string => (value < 9.95 ? value.toFixed(1) : value.toFixed(0));
	const lengthOf = (p: ShakePreset): string =>
		p.timing.mode === 'burst' ? `${Number((p.timing.delay + p.timing.duration).toFixed(2))} s` : 'until stopped';
</script>

<!-- svelte-ignore a11y_click_events_have_key_events, a11y_interactive_supports_focus -->
<div
	class="row"
	role="row"
	aria-rowindex={at + 2}
	class:pointed={library.pointed === preset.id}
	class:chosen={library.chosen.has(preset.id)}
	{@attach () => library.want(preset)}
	onpointerenter={(e) => hand.cameHere(e) && onpoint(preset)}
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
		{#if renaming}
			<input
				class="rename"
				aria-label="New name"
				value={preset.name}
				maxlength="120"
				{@attach (field: HTMLInputElement) => field.select()}
				onkeydown={(e) => {
					e.stopPropagation();
					if (e.key === 'Enter') onrename(e.currentTarget.value);
					if (e.key === 'Escape') onrename('');
				}}
				onblur={(e) => renaming && onrename(e.currentTarget.value)}
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
	<span role="cell" class="size">
		{#if card}<b>{percent(card.measure.size)}</b> <small>–{percent(card.measure.worst)} %</small>{:else}<i></i>{/if}
	</span>
	<span role="cell" class="pace">
		{#if card}<b>{percent(card.measure.pace)}</b> <small>Hz</small>{:else}<i></i>{/if}
	</span>
	<span role="cell" class="length">{lengthOf(preset)}</span>
	<span role="cell" class="tags" title={preset.tags.join(', ')}>
		{#each preset.tags as tag (tag)}
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

<style>
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
	small {
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
	.tags button {
		flex: none;
		border: 1px solid var(--rule);
		border-radius: 999px;
		background: none;
		padding: 0 7px;
		font-size: 11.5px;
		color: var(--ink-2);
		cursor: pointer;
	}
	.tags button:hover,
	.tags button.on {
		border-color: var(--lamp);
		background: var(--lamp-wash);
		color: var(--ink);
	}
	.tags {
		display: flex;
		gap: 4px;
		/* One line: a tag that does not fit goes to the next one, out of sight, whole. */
		flex-wrap: wrap;
		height: 22px;
		overflow: hidden;
	}
	input[type='checkbox'] {
		accent-color: var(--lamp);
		margin: 0;
	}
</style>
