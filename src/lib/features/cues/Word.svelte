<script lang="ts" generics="T extends string">
	/** A word of a sentence that is one of several: press it and choose another. */
	import { arrowsIn } from '$lib/ui/arrows';
	import Popover from '$lib/ui/Popover.svelte';

	interface Props {
		/** What is chosen, for the word's name. */
		label: string;
		value: T;
		options: readonly { readonly value: T; readonly label: string; readonly about?: string }[];
		tone?: 'event' | 'preset' | 'plain';
		onchange: (value: T) => void;
	}
	let { label, value, options, tone = 'plain', onchange }: Props = $props();
	/** A list of so many needs no field to find in. */
	const FEW = 8;
	let search = $state('');
	const shown = $derived(options.find((o) => o.value === value)?.label ?? value);
	const found = $derived(
		options.filter((o) => o.label.toLowerCase().includes(search.trim().toLowerCase())).slice(0, 60)
	);
</script>

<Popover label="{label}: {shown}" onopen={() => (search = '')}>
	{#snippet button()}<span class="word {tone}" class:gone={!options.some((o) => o.value === value)}>{shown}</span
		>{/snippet}
	{#snippet children(close)}
		<!-- svelte-ignore a11y_no_static_element_interactions -->
		<div class="list" onkeydown={arrowsIn}>
			{#if options.length > FEW}
				<!-- svelte-ignore a11y_autofocus -->
				<input
					autofocus
					placeholder="Find"
					aria-label="Find"
					bind:value={search}
					onkeydown={(e) => {
						if (e.key !== 'Enter' || !found[0]) return;
						close();
						onchange(found[0].value);
					}}
				/>
			{/if}
			{#each found as option (option.value)}
				<!-- svelte-ignore a11y_autofocus -->
				<button
					autofocus={options.length <= FEW && option.value === value}
					aria-current={option.value === value}
					onclick={() => {
						close();
						onchange(option.value);
					}}
					>{option.label}{#if option.about}<small>{option.about}</small>{/if}</button
				>
			{/each}
		</div>
	{/snippet}
</Popover>

<style>
	.word {
		font-weight: 600;
		border-radius: 4px;
		padding: 0 4px;
		cursor: pointer;
		white-space: nowrap;
	}
	.word.plain {
		border-bottom: 1px solid var(--rule-strong);
		border-radius: 0;
		padding: 0 1px;
	}
	.word.event {
		background: var(--word-event);
		color: var(--ink-x);
	}
	.word.preset {
		background: var(--word-preset);
		color: var(--ink-yaw);
	}
	.word:hover {
		background: var(--lamp-wash);
	}
	.word.gone {
		text-decoration: line-through;
		color: var(--danger);
	}
	.list {
		display: grid;
		min-width: 13rem;
	}
	.list button {
		display: flex;
		justify-content: space-between;
		gap: 12px;
		border: 0;
		border-radius: 5px;
		background: none;
		text-align: left;
		padding: 4px 8px;
		cursor: pointer;
	}
	.list button:hover {
		background: var(--lamp-wash);
	}
	.list button[aria-current='true'] {
		box-shadow: inset 3px 0 0 var(--lamp);
		font-weight: 600;
	}
	small {
		color: var(--ink-2);
	}
	input {
		border: 1px solid var(--rule-strong);
		border-radius: 6px;
		background: var(--field);
		padding: 3px 8px;
		margin-bottom: 4px;
	}
</style>
