<script lang="ts" generics="T extends string">
	/** A word of a sentence that is one of several: press it and choose another. */
	import PickList from '$lib/ui/PickList.svelte';
	import Popover from '$lib/ui/Popover.svelte';

	interface Props {
		/** What is chosen, for the word's name. */
		label: string;
		value: T;
		options: readonly { readonly value: T; readonly label: string; readonly about?: string }[];
		tone?: 'event' | 'preset' | 'plain';
		/** What is asked where nothing was chosen yet; empty: it was. */
		asked?: string;
		onchange: (value: T) => void;
		/** Makes one of the name that was typed, and says it. */
		onmake?: (name: string) => void;
	}
	let { label, value, options, tone = 'plain', asked = '', onchange, onmake }: Props = $props();
	/** A list of so many needs no field to find in. */
	const FEW = 8;
	const shown = $derived(asked || (options.find((o) => o.value === value)?.label ?? value));
	const entries = $derived(options.map((o) => ({ id: o.value, label: o.label, about: o.about })));
</script>

<Popover label="{label}: {shown}" holds="listbox">
	{#snippet button()}<span
			class="word {tone}"
			class:asked={asked !== ''}
			class:gone={!options.some((o) => o.value === value)}>{shown}</span
		>{/snippet}
	{#snippet children(close)}
		<PickList
			{label}
			groups={[{ entries }]}
			here={asked === '' ? value : ''}
			few={FEW}
			onmake={onmake &&
				((name) => {
					close();
					onmake(name);
				})}
			onpick={(id) => {
				close();
				onchange(id as T);
			}}
		/>
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
	.word.asked {
		background: var(--lamp-wash);
		color: var(--lamp-text);
		outline: 1px dashed var(--lamp);
	}
	.word:hover {
		background: var(--lamp-wash);
	}
	.word.gone {
		text-decoration: line-through;
		color: var(--danger);
	}
</style>
