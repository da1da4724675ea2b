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
		/** Gives what is open another name; left out: it cannot be named here. */
		onname?: (name: string) => void;
		/** The entry that was just made and waits for its name; empty: none. */
		fresh?: string;
		/** It has its name, or keeps the one it came with. */
		onnamed?: () => void;
		/** What can be done with it, above the list. */
		acts: Snippet<[close: () => void]>;
	}
	let { label, find, name, groups, here, onpick, onname, fresh = '', onnamed, acts }: Props = $props();

	/** Just made: it is named before anything else. */
	const naming = $derived(onname !== undefined && fresh !== '' && fresh === here);

	const selected = (field: HTMLInputElement): void => {
		field.focus();
		field.select();
	};
	function take(field: HTMLInputElement): void {
		const wish = field.value.trim();
		if (wish === '') field.value = name;
		else if (wish !== name) onname?.(wish);
	}
	function named(event: { currentTarget: HTMLInputElement }): void {
		if (!naming) return;
		take(event.currentTarget);
		onnamed?.();
	}
</script>

{#if naming}
	<input
		class="naming"
		aria-label="Name it"
		title="What is it called? Enter keeps it"
		maxlength="120"
		value={name}
		onkeydown={(event) => {
			event.stopPropagation();
			if (event.key === 'Enter') named(event);
			if (event.key === 'Escape') onnamed?.();
		}}
		onblur={named}
		{@attach selected}
	/>
{:else}
	<Popover {label} look="heading">
		{#snippet button()}<span class="name"
				><h1>{name}</h1>
				<ChevronDown size={17} /></span
			>{/snippet}
		{#snippet children(close)}
			<div class="body">
				{#if onname && here}
					<label class="rename"
						><span>name</span><input value={name} maxlength="120" onchange={(e) => take(e.currentTarget)} /></label
					>
				{/if}
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
{/if}

<style>
	.naming {
		width: 16rem;
		font-family: inherit;
		font-size: 18px;
		font-weight: 700;
		border: 1px solid var(--lamp);
		border-radius: 6px;
		background: var(--field);
		color: var(--ink);
		padding: 2px 8px;
	}
	.rename {
		display: grid;
		grid-template-columns: auto 1fr;
		align-items: center;
		gap: 8px;
		color: var(--ink-2);
	}
	.rename input {
		border: 1px solid var(--rule-strong);
		border-radius: 6px;
		background: var(--field);
		padding: 4px 8px;
		min-width: 0;
		color: var(--ink);
	}
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
