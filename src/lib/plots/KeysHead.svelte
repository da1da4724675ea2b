<script lang="ts">
	/** Over the paper of the poses: the way from the chosen one to the next, and what changes the whole shape. */
	import type { Key } from 'dinesis-runtime/tools';
	import EasePicker from '$lib/plots/EasePicker.svelte';
	import Button from '$lib/ui/Button.svelte';
	import { led, scaled } from './key-poses';

	interface Props {
		keys: readonly Key[];
		chosen: number;
		/** What the channel is called. */
		label: string;
		onchange: (keys: Key[], label: string, done: boolean) => void;
	}
	let { keys, chosen, label, onchange }: Props = $props();

	const key = $derived(keys[chosen]);
	const lead = (ease: Key['ease'], done: boolean): void =>
		onchange(led(keys, chosen, ease), 'Way to the next pose', done);
</script>

<div class="head">
	<span title="Drag a pose; double-click the paper for a new one; Delete takes one out; Alt lets it go free of the grid"
		>{label}: double-click for a new pose</span
	>
	{#if key}
		<Button
			aria-pressed={key.ease === undefined}
			title="To the next pose: a curve with the slopes of the poses, or an ease"
			onclick={() => lead(key.ease === undefined ? 'smooth' : undefined, true)}
			>{key.ease === undefined ? 'curve' : 'ease'}</Button
		>
		{#if key.ease !== undefined}
			<EasePicker label="way to the next pose" wild ease={key.ease} onchange={lead} />
		{/if}
	{/if}
	<Button title="All poses flatter" onclick={() => onchange(scaled(keys, 0.8), 'Flatten', true)}>flatter</Button>
	<Button title="All poses higher" onclick={() => onchange(scaled(keys, 1.25), 'Raise', true)}>higher</Button>
	<Button title="All poses the other way" onclick={() => onchange(scaled(keys, -1), 'Turn around', true)}>turn</Button>
</div>

<style>
	.head {
		display: flex;
		flex-wrap: wrap;
		gap: 5px;
		align-items: center;
		font-size: 12px;
		color: var(--ink-2);
	}
	.head > :global(button) {
		padding: 0 7px;
		min-height: 24px;
	}
	.head > :global(button[aria-pressed='true']) {
		border-color: var(--lamp);
	}
	span {
		flex: 1;
		white-space: nowrap;
		overflow: hidden;
		text-overflow: ellipsis;
	}
</style>
