<script lang="ts">
	/** The name of what is open, as the heading of a room; pressed, it leads to another one. */
	import type { Snippet } from 'svelte';
	import ChevronDown from '@lucide/svelte/icons/chevron-down';
	import PickList, { type PickGroup } from '$lib/ui/PickList.svelte';
	import Popover from '$lib/ui/Popover.svelte';

	interface Props {
		/** What the button does: “Choose a preset”. */
		label: string;
		/** What the field asks for. */
		find: string;
		name: string;
		groups: readonly PickGroup[];
		here?: string;
		onpick: (id: string, group: number) => void;
		/** What can be done with it, above the list. */
		acts: Snippet<[close: () => void]>;
	}
	let { label, find, name, groups, here, onpick, acts }: Props = $props();
</script>

<Popover {label} look="heading">
	{#snippet button()}<span class="name"
			><h1>{name}</h1>
			<ChevronDown size={17} /></span
		>{/snippet}
	{#snippet children(close)}
		<div class="body">
			{@render acts(close)}
			<PickList
				label={find}
				{groups}
				{here}
				onpick={(id, group) => {
					close();
					onpick(id, group);
				}}
			/>
		</div>
	{/snippet}
</Popover>

<style>
	.name {
		display: flex;
		align-items: center;
		gap: 5px;
		min-width: 0;
	}
	h1 {
		white-space: nowrap;
		overflow: hidden;
		text-overflow: ellipsis;
		max-width: min(26rem, 30vw);
	}
	.body {
		width: 22rem;
		display: grid;
		gap: 8px;
		padding: 4px;
	}
	.body :global(.acts) {
		display: flex;
		gap: 6px;
	}
	@media (max-width: 1180px) {
		h1 {
			max-width: 170px;
		}
	}
</style>
