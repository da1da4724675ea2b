<script lang="ts">
	/** Time in the Rig room: from the beginning, play, what the chain is tried on, where on it, how fast. */
	import PlayButtons from '$lib/room/PlayButtons.svelte';
	import Segments from '$lib/ui/Segments.svelte';
	import { LOOP, TREADMILL } from './loop';
	import type { RigState } from './rig.svelte';

	interface Props {
		desk: RigState;
		/** Whether there are steps to be tried on the spot. */
		onTheSpot: boolean;
	}
	let { desk, onTheSpot }: Props = $props();
</script>

<div class="transport">
	<PlayButtons playing={desk.playing} onbegin={() => desk.scrub(0)} onplay={() => (desk.playing = !desk.playing)} />
	<select
		aria-label="Tried on"
		value={desk.onTreadmill ? TREADMILL : desk.course.id === 'loop' ? LOOP : desk.course.id}
		onchange={(e) => {
			desk.tried = e.currentTarget.value;
			desk.scrub(0);
		}}
	>
		{#if onTheSpot}<option value={TREADMILL}>on the spot</option>{/if}
		<option value={LOOP}>a loop</option>
		{#each desk.courses as c (c.id)}<option value={c.id}>{c.name}</option>{/each}
	</select>
	{#if !desk.onTreadmill}
		<input
			type="range"
			aria-label="Time on the course"
			min="0"
			max={desk.course.seconds}
			step="0.01"
			value={desk.time}
			oninput={(e) => desk.scrub(Number(e.currentTarget.value))}
		/>
		<output>{desk.time.toFixed(1)} s</output>
	{:else}<span class="push"></span>{/if}
	<Segments
		small
		label="Speed of time"
		value={desk.speed}
		options={[
			{ value: 0.25, label: '¼' },
			{ value: 1, label: '1×' }
		]}
		onchange={(v) => (desk.speed = v)}
	/>
</div>

<style>
	.transport {
		display: flex;
		align-items: center;
		gap: 6px;
		min-width: 0;
	}
	.transport select {
		max-width: 130px;
	}
	.transport input {
		flex: 1;
		min-width: 40px;
		accent-color: var(--lamp);
	}
	.transport output {
		font-size: 12px;
		min-width: 40px;
		text-align: right;
	}
	.push {
		flex: 1;
	}
	select {
		border: 1px solid var(--rule-strong);
		border-radius: 5px;
		background: var(--field);
		color: var(--ink);
		padding: 3px 6px;
		font-size: 13px;
		min-width: 0;
	}
	@media (max-width: 1180px) {
		.transport select {
			max-width: 96px;
		}
	}
</style>
