<script lang="ts">
	/** How many cues answer an event, and a list of presets to answer it with: one more cue, made at once. */
	import type { GameEvent } from 'dinesis-runtime';
	import PickList from '$lib/ui/PickList.svelte';
	import Popover from '$lib/ui/Popover.svelte';
	import type { CuesState } from './cues.svelte';

	let { desk, event, count }: { desk: CuesState; event: GameEvent; count: number } = $props();

	const entries = $derived(desk.session.presets.map((p) => ({ id: p.id, label: p.name, words: p.tags.join(' ') })));
</script>

{count}
<Popover label="Answer {event.name} with a preset" title="Make a cue that answers it">
	{#snippet button()}<span>+ cue</span>{/snippet}
	{#snippet children(close)}
		<div>
			<PickList
				label="Find a preset"
				groups={[{ entries, none: 'No preset yet.' }]}
				onpick={(id) => {
					close();
					desk.answer(event, id);
				}}
			/>
		</div>
	{/snippet}
</Popover>

<style>
	span {
		display: inline-flex;
		align-items: center;
		min-height: 24px;
		white-space: nowrap;
		color: var(--lamp-text);
		cursor: pointer;
	}
	div {
		width: 17rem;
		padding: 4px;
	}
</style>
