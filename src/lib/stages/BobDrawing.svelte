<script lang="ts">
	/** The stride of the head bob that is tried, and its gaits over speed; without one it says what that means. */
	import type { BobPreset } from 'dinesis-runtime';
	import type { Channel, Key } from 'dinesis-runtime/tools';
	import Button from '$lib/ui/Button.svelte';
	import { nearestGait, turned, withGaitSpeed, withPoses } from './body-changes';
	import { TREADMILL } from './loop';
	import SpeedChart from './SpeedChart.svelte';
	import StrideCircle from './StrideCircle.svelte';
	import type { Trial } from './trial.svelte';

	let { trial }: { trial: Trial } = $props();

	const { session } = $derived(trial);
	const bob = $derived(session.bobs.find((b) => b.id === trial.rig?.bob));

	function turnChannel(channel: Channel, by: number, done: boolean) {
		const gait = bob && nearestGait(bob, trial.walks);
		if (bob && gait?.channels[channel] && by !== 0)
			session.changeBody(
				bob.id,
				'Place in the stride',
				(b) => turned(b as BobPreset, gait.id, channel, by),
				`${gait.id} ${channel} turn`
			);
		if (done) session.seal();
	}
	function setKeys(channel: Channel, keys: Key[], what: string, done: boolean) {
		const gait = bob && nearestGait(bob, trial.walks);
		if (bob && gait)
			session.changeBody(
				bob.id,
				what,
				(b) => withPoses(b as BobPreset, gait.id, channel, keys),
				`gait ${gait.id} ${channel} poses`
			);
		if (done) session.seal();
	}
	function setGaitSpeed(gait: string, speed: number, done: boolean) {
		if (bob)
			session.changeBody(bob.id, 'Gait', (b) => withGaitSpeed(b as BobPreset, gait, speed), `gait ${gait} speed`);
		if (done) session.seal();
	}
</script>

{#if bob}
	<div class="steps">
		<StrideCircle
			{bob}
			speed={trial.onTreadmill ? trial.walks : Math.max(0.05, nearestGait(bob, trial.walks)?.speed ?? trial.walks)}
			phase={trial.playing ? trial.phase : null}
			onturn={turnChannel}
			onkeys={setKeys}
		/>
		<div class="speeds">
			<SpeedChart
				{bob}
				speed={trial.walks}
				onspeed={(v) => {
					trial.sweeps = null;
					trial.walks = v;
					trial.tried = TREADMILL;
				}}
				ongait={(g, v, done) => setGaitSpeed(g.id, v, done)}
			/>
			<Button
				aria-pressed={trial.sweeps !== null}
				onclick={() => {
					trial.tried = TREADMILL;
					trial.playing = true;
					trial.sweeps = trial.sweeps === null ? 0 : null;
				}}>{trial.sweeps === null ? 'Sweep from standing to sprint and back' : 'Stop the sweep'}</Button
			>
		</div>
	</div>
{:else}<p>Without a head bob the eye glides: it knows nothing of steps.</p>{/if}

<style>
	.steps {
		display: grid;
		grid-template-rows: minmax(0, 1fr) auto;
		gap: 4px;
		min-height: 0;
	}
	.speeds {
		display: grid;
		gap: 3px;
		justify-items: start;
	}
	.speeds > :global(figure) {
		width: 100%;
	}
	p {
		align-self: center;
		text-align: center;
		color: var(--ink-2);
	}
</style>
