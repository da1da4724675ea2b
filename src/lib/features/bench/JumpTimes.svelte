<script lang="ts">
	/** The random time between two jumps: its shortest and its longest. */
	import type { Layer } from 'dinesis-runtime/tools';
	import NumberField from '$lib/ui/NumberField.svelte';
	import { jumpTimesOf, withJumpTimes } from './jump-times';

	interface Props {
		layer: Layer;
		onchange: (label: string, recipe: (layer: Layer) => Layer, mark: string, done: boolean) => void;
	}
	let { layer, onchange }: Props = $props();
	const times = $derived(jumpTimesOf(layer));
	const LONGEST = 60;
	const SHORTEST = 0.001;
</script>

{#if times}
	{#each ['from', 'to'] as const as end (end)}
		<NumberField
			look="inline"
			label={end === 'from' ? 'one after' : 'to'}
			name={end === 'from' ? 'Shortest time between jumps' : 'Longest time between jumps'}
			unit="s"
			value={times[end]}
			min={end === 'from' ? SHORTEST : Math.max(SHORTEST, times.from)}
			max={end === 'from' ? times.to : LONGEST}
			step={0.01}
			hint="A new target comes after a time between these two; the channels’ frequencies follow"
			onchange={(v, done) => onchange('Time between jumps', (l) => withJumpTimes(l, { ...times, [end]: v }), end, done)}
		/>
	{/each}
{/if}
