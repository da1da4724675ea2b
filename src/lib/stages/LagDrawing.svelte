<script lang="ts">
	/** The answer of the lag that is tried; without one it says what that means. */
	import type { LagPreset } from 'dinesis-runtime';
	import type { LagAxis, LagAxisName } from 'dinesis-runtime/tools';
	import { withLagAxis } from './body-changes';
	import type { Trial } from './trial.svelte';

	let { trial, axis }: { trial: Trial; axis: LagAxisName } = $props();

	const { session } = $derived(trial);
	const lag = $derived(session.lags.find((l) => l.id === trial.rig?.lag));

	function change(part: Partial<LagAxis>, mark: string, done: boolean) {
		if (lag && Object.keys(part).length > 0)
			session.changeBody(lag.id, 'Lag', (l) => withLagAxis(l as LagPreset, axis, part), `${axis} ${mark}`);
		if (done) session.seal();
	}
</script>

{#if lag}
	{#await import('./LagChart.svelte') then { default: LagChart }}
		<LagChart
			{lag}
			{axis}
			way={trial.onTreadmill ? null : () => ({ poses: trial.wayFrom(0), from: 0 })}
			wayName={trial.course.name}
			onaxis={change}
		/>
	{/await}
{:else}<p>Without a lag the camera is where the body is, in the same moment.</p>{/if}

<style>
	p {
		align-self: center;
		text-align: center;
		color: var(--ink-2);
	}
</style>
