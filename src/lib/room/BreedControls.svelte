<script lang="ts" generics="Part extends string">
	/** What neighbours are bred by: which parts may vary, how far away they are, six others, and six around what is there now. */
	import Dices from '@lucide/svelte/icons/dices';
	import Sprout from '@lucide/svelte/icons/sprout';
	import NumberField from '$lib/ui/NumberField.svelte';

	interface Props {
		may: readonly { readonly part: Part; readonly label: string; readonly about: string }[];
		free: Readonly<Record<Part, boolean>>;
		/** How many times as far or as fast, all six alike. */
		factor: number;
		/** What that is set back to. */
		usual: number;
		/** What they are, in a word: preset, bob. */
		word: string;
		busy?: boolean;
		onfree: (free: Record<Part, boolean>) => void;
		/** `done` when the gesture is over. */
		onfactor: (factor: number, done: boolean) => void;
		onothers: () => void;
		onbreed: () => void;
	}
	let { may, free, factor, usual, word, busy = false, onfree, onfactor, onothers, onbreed }: Props = $props();
</script>

<div class="may">
	<span>may vary</span>
	{#each may as { part, label, about } (part)}
		<button
			aria-pressed={free[part]}
			title="{free[part] ? 'Varies' : 'Locked'}: {about}"
			onclick={() => onfree({ ...free, [part]: !free[part] })}>{label}</button
		>
	{/each}
</div>
<div class="acts">
	<NumberField
		look="inline"
		label="all"
		unit="× away"
		value={factor}
		min={1.05}
		max={4}
		step={0.01}
		reset={usual}
		hint="How many times as strong or as fast, all six alike"
		onchange={onfactor}
	/>
	<button onclick={onothers} title="Six others around the same {word}"><Dices size={14} /> six others</button>
	<button onclick={onbreed} title="Six around the {word} as it is now"><Sprout size={14} /> breed</button>
	<em>{busy ? 'measuring…' : ''}</em>
</div>

<style>
	.may,
	.acts {
		display: flex;
		gap: 5px;
		align-items: center;
		white-space: nowrap;
		font-size: 12.5px;
	}
	.acts {
		gap: 10px;
	}
	.may {
		flex-wrap: wrap;
	}
	.may span {
		color: var(--ink-2);
	}
	button {
		min-height: 24px;
		border: 1px solid var(--rule-strong);
		border-radius: 6px;
		background: var(--field);
		padding: 1px 7px;
		cursor: pointer;
		font-size: 12px;
	}
	.may button {
		text-decoration: line-through;
		color: var(--ink-2);
	}
	.may button[aria-pressed='true'] {
		text-decoration: none;
		border-color: var(--lamp);
		background: var(--lamp-wash);
		color: var(--ink);
	}
	.acts button {
		display: flex;
		align-items: center;
		gap: 4px;
	}
	em {
		color: var(--lamp-text);
	}
</style>
