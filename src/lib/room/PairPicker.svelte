<script lang="ts" generics="Shown extends string">
	/** A and B: which of both is shown; what is done with them; another one as B. */
	import ChevronDown from '@lucide/svelte/icons/chevron-down';
	import PickList, { type PickEntry } from '$lib/ui/PickList.svelte';
	import Popover from '$lib/ui/Popover.svelte';
	import Segments from '$lib/ui/Segments.svelte';

	interface Act {
		readonly id: string;
		readonly label: string;
		readonly about: string;
		readonly run: () => void;
	}
	interface Props {
		shown: Shown;
		options: readonly { readonly value: Shown; readonly label: string; readonly title: string }[];
		/** What holding a version means, in a sentence. */
		note: string;
		/** What the others are, in words: “another preset”. */
		another: string;
		acts: readonly Act[];
		others: readonly PickEntry[];
		onshow: (shown: Shown) => void;
		/** Holds another one as B. */
		onother: (id: string) => void;
	}
	let { shown, options, note, another, acts, others, onshow, onother }: Props = $props();
</script>

<div class="pair">
	<Segments label="Which version is shown" value={shown} {options} onchange={onshow} />
	<Popover label="A and B" align="right" look="icon" title="Hold, swap, take">
		{#snippet button()}<ChevronDown size={15} />{/snippet}
		{#snippet children(close)}
			<div class="body">
				<p>{note}</p>
				<PickList
					label="What to do, or {another} as B"
					groups={[
						{ entries: acts },
						{ title: `${another[0]!.toUpperCase()}${another.slice(1)} as B`, entries: others }
					]}
					onpick={(id, group) => {
						close();
						if (group === 0) acts.find((act) => act.id === id)?.run();
						else onother(id);
					}}
				/>
			</div>
		{/snippet}
	</Popover>
</div>

<style>
	.pair {
		display: flex;
		align-items: center;
	}
	.body {
		width: 17rem;
		display: grid;
		gap: 4px;
		padding: 4px;
	}
	p {
		margin: 0 2px 4px;
		color: var(--ink-2);
		font-size: 12.5px;
	}
</style>
