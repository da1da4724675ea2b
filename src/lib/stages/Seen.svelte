<script lang="ts">
	/** A trial as it is seen: the picture, what the tuned stage did in the last seconds, time. */
	import { viewOf } from 'dinesis-runtime/tools';
	import RunWindow from '$lib/viewport/RunWindow.svelte';
	import type { Now } from './now.svelte';
	import { TITLES } from './stage-words';
	import StageTrace from './StageTrace.svelte';
	import type { Trial } from './trial.svelte';
	import TrialTransport from './TrialTransport.svelte';

	let { trial, now }: { trial: Trial; now: Now } = $props();

	const { session } = $derived(trial);
	const rig = $derived(trial.rig);
	const view = $derived(viewOf(rig?.view.kind ?? 'eyes'));
	const steps = $derived(session.bobs.some((b) => b.id === rig?.bob));
	const marks = $derived(
		trial.onTreadmill || !trial.course.path.length ? [] : [trial.course.path.flatMap((p) => [p.x, p.y, p.z])]
	);
	const caption = $derived(
		trial.onTreadmill
			? `on the spot, ${trial.walks.toFixed(2)} m/s`
			: now.playing.length > 0
				? now.playing
						.slice(0, 3)
						.map((p) => session.preset(p.id)?.name ?? p.id)
						.join(' · ')
				: `${now.speed.toFixed(1)} m/s`
	);
</script>

<div class="seen">
	<RunWindow frame={now.frame} ways={marks} viewers={1} {caption} steered={false} onlook={() => undefined} />
	{#if trial.part !== 'view'}
		<StageTrace
			trace={trial.meters[trial.part].channels}
			head={trial.head}
			beat={trial.beat}
			{view}
			metres={trial.part === 'limits' || (trial.part === 'lag' && view === 'space')}
			title={TITLES[trial.part]}
		/>
	{:else}<p class="hint">
			The body is what the game moves. Each stage after it says what it adds; what the game put there is never written
			over.
		</p>{/if}
	<TrialTransport {trial} onTheSpot={steps} />
</div>

<style>
	.seen {
		display: grid;
		grid-template-rows: minmax(0, 1.5fr) minmax(0, 1fr) auto;
		gap: 6px;
		min-height: 0;
	}
	.hint {
		align-self: center;
		margin: 0 10px;
		font-size: 12.5px;
		color: var(--ink-2);
		text-align: center;
	}
</style>
