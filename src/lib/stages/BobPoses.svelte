<script lang="ts">
	/** The poses of a gait's channels, as a curve over one cycle and as numbers: a sheet of frames is pasted there too. */
	import type { BobGait, Channel, Key, View } from 'dinesis-runtime/tools';
	import { channelsOf, cyclesOf } from 'dinesis-runtime/tools';
	import { inkOf } from '$lib/plots/inks';
	import Segments from '$lib/ui/Segments.svelte';

	interface Props {
		gait: BobGait;
		view: View;
		onchange: (channel: Channel, keys: Key[], what: string, done: boolean) => void;
	}
	let { gait, view, onchange }: Props = $props();

	const posed = $derived(channelsOf(view).filter((name) => gait.channels[name]?.shape === 'keys'));
	let wanted = $state<Channel | null>(null);
	const name = $derived(wanted && posed.includes(wanted) ? wanted : posed[0]);
	const channel = $derived(name && gait.channels[name]);
	/** Seconds of one cycle at the gait's own speed. */
	const cycle = $derived(name ? 2 / gait.steps / cyclesOf(name, channel?.every) : 1);
</script>

{#if name && channel}
	<div class="poses" role="group" aria-label="Poses">
		{#if posed.length > 1}
			<Segments
				small
				label="Whose poses"
				value={name}
				options={posed.map((one) => ({ value: one, label: one, title: inkOf(one, view).label }))}
				onchange={(one: Channel) => (wanted = one)}
			/>
		{/if}
		{#await import('$lib/plots/KeysEditor.svelte') then { default: KeysEditor }}
			<KeysEditor
				channel={name}
				{view}
				keys={channel.keys ?? []}
				loop
				{cycle}
				onchange={(keys, what, done) => onchange(name, keys, what, done)}
			/>
		{/await}
	</div>
{/if}

<style>
	.poses {
		display: grid;
		grid-template-columns: minmax(0, 1fr);
		gap: 5px;
		min-width: 0;
	}
</style>
