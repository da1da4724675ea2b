<script lang="ts">
	/** Above the Library's list: whose motions, which family, and what they are narrowed down to; what is done with those chosen. */
	import type { ProjectSession } from '$lib/session/session.svelte';
	import Segments from '$lib/ui/Segments.svelte';
	import type { Family, LibraryState, Source } from './library.svelte';
	import TagFilter from './TagFilter.svelte';

	interface Props {
		session: ProjectSession;
		library: LibraryState;
		source: Source;
		family: Family;
		/** How many head bobs or lags are listed, and how many shakes. */
		bodies: number;
		shown: number;
		onsource: (source: Source) => void;
		onfamily: (family: Family) => void;
	}
	let { session, library, source, family, bodies, shown, onsource, onfamily }: Props = $props();
	const acted = $derived(library.acted);
	const near = $derived(library.starters?.length ?? null);
</script>

<div class="bar">
	<Segments
		small
		label="Whose motions"
		value={source}
		options={[
			{ value: 'yours', label: 'yours' },
			{
				value: 'starter',
				label: near === null ? 'starter sets' : `starter sets · ${near}`,
				title: 'Motions that belong to no game, to begin from'
			}
		]}
		onchange={onsource}
	/>
	{#if source === 'yours'}
		<Segments
			small
			label="Family"
			value={family}
			options={[
				{ value: 'shake', label: 'shakes' },
				{ value: 'bob', label: 'head bobs' },
				{ value: 'lag', label: 'lags' }
			]}
			onchange={onfamily}
		/>
		{#if family !== 'shake'}
			<span class="count">{bodies}</span>
		{:else if acted.length > 0}
			{#await import('./ChosenBar.svelte') then { default: ChosenBar }}<ChosenBar {session} {library} />{/await}
		{:else}
			<Segments
				small
				label="Kind"
				value={library.filter.suits ?? 'all'}
				options={[
					{ value: 'all', label: 'all' },
					{ value: 'burst', label: 'bursts' },
					{ value: 'continuous', label: 'until stopped' }
				]}
				onchange={(v) =>
					(library.filter = { ...library.filter, suits: v === 'all' ? null : (v as 'burst' | 'continuous') })}
			/>
			<Segments
				small
				label="View"
				value={library.filter.view ?? 'all'}
				options={[
					{ value: 'all', label: 'any view' },
					{ value: 'space', label: 'in depth' },
					{ value: 'flat', label: 'flat' }
				]}
				onchange={(v) => (library.filter = { ...library.filter, view: v === 'all' ? null : (v as 'space' | 'flat') })}
			/>
			<TagFilter {library} />
			<span class="count">{shown < library.all.length ? `${shown} of ${library.all.length}` : ''}</span>
		{/if}
	{/if}
</div>

<style>
	.bar {
		display: flex;
		align-items: center;
		gap: 10px;
	}
	.count {
		margin-left: auto;
		color: var(--ink-2);
	}
</style>
