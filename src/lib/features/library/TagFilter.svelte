<script lang="ts">
	import Popover from '$lib/ui/Popover.svelte';
	import type { LibraryState } from './library.svelte';

	let { library }: { library: LibraryState } = $props();
	const chosen = $derived([...library.filter.tags]);
</script>

<Popover label="Tags" look="chip" title="Only presets that have all of these tags">
	{#snippet button()}{chosen.length > 0 ? `tagged ${chosen.join(' + ')}` : 'tags'}{/snippet}
	<div class="tags">
		{#each library.tags.slice(0, 80) as [tag, count] (tag)}
			<button aria-pressed={library.filter.tags.has(tag)} onclick={() => library.toggleTag(tag)}
				>{tag} <small>{count}</small></button
			>
		{:else}
			<p>No preset has a tag yet.</p>
		{/each}
	</div>
</Popover>

<style>
	.tags {
		display: flex;
		flex-wrap: wrap;
		gap: 5px;
		width: 20rem;
		padding: 4px;
	}
	button {
		border: 1px solid var(--rule-strong);
		border-radius: 999px;
		background: var(--field);
		padding: 1px 9px;
		cursor: pointer;
	}
	button[aria-pressed='true'] {
		border-color: var(--lamp);
		background: var(--lamp-wash);
	}
	small {
		color: var(--ink-2);
	}
</style>
