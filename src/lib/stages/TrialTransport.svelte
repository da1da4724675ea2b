<script lang="ts">
	/** Time in a trial: from the beginning, play, what it is tried on, where on it, how fast. */
	import Select from '$lib/ui/Select.svelte';
	import PlayButtons from '$lib/room/PlayButtons.svelte';
	import { LOOP, TREADMILL } from './loop';
	import type { Trial } from './trial.svelte';

	interface Props {
		trial: Trial;
		/** Whether there are steps to be tried on the spot. */
		onTheSpot: boolean;
	}
	let { trial, onTheSpot }: Props = $props();
</script>

<div class="transport">
	<PlayButtons
		playing={trial.playing}
		onbegin={() => trial.scrub(0)}
		onplay={() => (trial.playing = !trial.playing)}
		speed={trial.speed}
		speeds={[0.25, 1]}
		onspeed={(v) => (trial.speed = v)}
	>
		<Select
			label="Tried on"
			value={trial.onTreadmill ? TREADMILL : trial.course.id === 'loop' ? LOOP : trial.course.id}
			choices={[
				...(onTheSpot ? [{ value: TREADMILL, label: 'on the spot' }] : []),
				{ value: LOOP, label: 'a loop' },
				...trial.courses.map(({ id, name }) => ({ value: id, label: name }))
			]}
			onchange={(on) => {
				trial.tried = on;
				trial.scrub(0);
			}}
		/>
		{#if !trial.onTreadmill}
			<input
				type="range"
				aria-label="Time on the course"
				min="0"
				max={trial.course.seconds}
				step="0.01"
				value={trial.time}
				oninput={(e) => trial.scrub(Number(e.currentTarget.value))}
			/>
			<output>{trial.time.toFixed(1)} s</output>
		{:else}<span class="push"></span>{/if}
	</PlayButtons>
</div>

<style>
	.transport {
		display: flex;
		align-items: center;
		gap: 6px;
		min-width: 0;
	}
	input {
		flex: 1;
		min-width: 40px;
		accent-color: var(--lamp);
	}
	output {
		font-size: 12px;
		min-width: 40px;
		text-align: right;
	}
	.push {
		flex: 1;
	}
	.transport :global(select) {
		max-width: 130px;
	}
	@media (max-width: 1180px) {
		.transport :global(select) {
			max-width: 96px;
		}
	}
</style>
