<script lang="ts">
	/** Time, which play, at how many pictures a second. */
	import PlayButtons from '$lib/room/PlayButtons.svelte';
	import Button from '$lib/ui/Button.svelte';
	import NumberField from '$lib/ui/NumberField.svelte';
	import Segments from '$lib/ui/Segments.svelte';
	import type { ReviewState } from './review.svelte';

	let { desk }: { desk: ReviewState } = $props();
	/** As many as the display has. */
	const ALL = 0;
</script>

<div class="transport">
	<PlayButtons
		playing={desk.playing}
		onbegin={() => desk.begin()}
		onplay={() => (desk.playing = !desk.playing)}
		onstep={() => desk.scrub(desk.time + 1 / 60)}
		speed={desk.speed}
		speeds={[0.1, 0.25, 1]}
		onspeed={(speed) => (desk.speed = speed)}
	>
		<output>{Math.min(desk.time, desk.seconds).toFixed(2)} <small>of {desk.seconds.toFixed(2)} s</small></output>
	</PlayButtons>
	<span class="push"></span>
	{#if desk.subject?.kind === 'shake' || desk.subject?.kind === 'cue'}
		<NumberField
			label="strength"
			value={desk.strength}
			unit="×"
			min={0}
			max={desk.subject.kind === 'cue' ? 1 : 10}
			step={0.01}
			digits={2}
			reset={1}
			look="inline"
			hint={desk.subject.kind === 'cue'
				? 'Where in their ranges the numbers of its event are, 0 to 1'
				: 'What both sides are multiplied by'}
			onchange={(value) => (desk.strength = value)}
		/>
	{/if}
	<span class="seed">
		<NumberField
			label="seed"
			value={desk.seed}
			min={1}
			max={100000}
			step={1}
			digits={0}
			look="inline"
			hint="Which play: the same one on both sides"
			onchange={(value) => (desk.seed = Math.round(value))}
		/>
		<Button title="Another play (S)" onclick={() => ((desk.seed += 1), desk.begin())}>next</Button>
	</span>
	<Segments
		small
		label="Pictures a second"
		value={desk.pictures ?? ALL}
		options={[
			{ value: ALL, label: 'all', title: 'As many pictures as the display has' },
			...[30, 60, 120].map((value) => ({ value, label: String(value), title: `As it would be seen at ${value}` }))
		]}
		onchange={(value: number) => (desk.pictures = value === ALL ? null : value)}
	/>
</div>

<style>
	.transport {
		display: flex;
		align-items: center;
		gap: 6px;
		flex-wrap: wrap;
		font-size: 12.5px;
	}
	.push {
		flex: 1;
	}
	.seed {
		display: inline-flex;
		align-items: center;
		gap: 4px;
	}
	output {
		font-variant-numeric: tabular-nums;
		min-width: 7.5em;
	}
	small {
		color: var(--ink-2);
	}
</style>
