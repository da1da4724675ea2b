<script lang="ts">
	/** A and B of a head bob or a lag: the version that is tuned, and one held beside it that walks in step. */
	import ChevronDown from '@lucide/svelte/icons/chevron-down';
	import PickList from '$lib/ui/PickList.svelte';
	import Popover from '$lib/ui/Popover.svelte';
	import Segments from '$lib/ui/Segments.svelte';
	import type { BodyState } from './bodies.svelte';

	let { desk }: { desk: BodyState } = $props();

	interface Act {
		readonly id: string;
		readonly label: string;
		readonly about: string;
		readonly run: () => void;
	}
	const acts = $derived<readonly Act[]>([
		{ id: 'hold', label: 'Hold A as B', about: 'what is on the sheet now', run: () => desk.hold() },
		...(desk.beside
			? [
					{ id: 'swap', label: 'Swap A and B', about: 'tune the other one', run: () => desk.swap() },
					{ id: 'take', label: 'Take B into A', about: 'undo brings A back', run: () => desk.takeOther() },
					{ id: 'drop', label: 'Let B go', about: '', run: () => (desk.beside = null) }
				]
			: [])
	]);
	const others = $derived(
		desk.session.bobsAndLags
			.filter((p) => p.family === desk.preset?.family && p.id !== desk.id && p.view === desk.preset.view)
			.map((p) => ({ id: p.id, label: p.name, words: p.tags.join(' ') }))
	);
</script>

<div class="pair">
	<Segments
		label="Which version is shown"
		value={desk.beside ? 'split' : 'a'}
		options={[
			{ value: 'a', label: 'A', title: 'The version that is tuned, alone (Q)' },
			{
				value: 'split',
				label: 'A | B',
				title: desk.beside ? 'Both, side by side (Q)' : 'Hold the present version as B and go on tuning A (Q)'
			}
		]}
		onchange={() => desk.toggleBeside()}
	/>
	<Popover label="A and B" align="right" look="icon" title="Hold, swap, take">
		{#snippet button()}<ChevronDown size={15} />{/snippet}
		{#snippet children(close)}
			<div class="body">
				<PickList
					label="What to do, or another one as B"
					groups={[{ entries: acts }, { title: 'Another one as B', entries: others }]}
					onpick={(id, group) => {
						close();
						if (group === 0) acts.find((act) => act.id === id)?.run();
						else desk.hold(desk.session.bobsAndLags.find((p) => p.id === id));
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
		gap: 2px;
	}
	.body {
		width: 18rem;
		padding: 4px;
	}
</style>
