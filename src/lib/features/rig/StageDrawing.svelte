<script lang="ts">
	/** The drawing of the stage that is chosen; what is drawn is taken by the hand. */
	import type { BobPreset, LagPreset, Rig } from 'dinesis-runtime';
	import { viewOf, type Channel, type LagAxis, type LagAxisName } from 'dinesis-runtime/tools';
	import LagChart from '$lib/stages/LagChart.svelte';
	import LeanChart from '$lib/stages/LeanChart.svelte';
	import LevelChart from '$lib/stages/LevelChart.svelte';
	import RigMap from '$lib/stages/RigMap.svelte';
	import SpeedChart from '$lib/stages/SpeedChart.svelte';
	import StrideCircle from '$lib/stages/StrideCircle.svelte';
	import { nearestGait, turned, withGaitSpeed, withLagAxis } from './body-changes';
	import { TREADMILL } from './loop';
	import type { RigState } from './rig.svelte';
	import ShakesPanel from './ShakesPanel.svelte';

	type Place = readonly [x: number, z: number, yaw: number];
	interface Props {
		desk: RigState;
		rig: Rig;
		axis: LagAxisName;
		/** Shakes that play now. */
		playing: readonly { readonly id: string; readonly level: number }[];
		/** What the channels came to before the ceiling and after it; written in every frame. */
		level: { readonly before: Float64Array; readonly after: Float64Array };
		places: { readonly way: [number, number][]; readonly body: Place; readonly camera: Place };
	}
	let { desk, rig, axis, playing, level, places }: Props = $props();

	const session = $derived(desk.session);
	const part = $derived(desk.part);
	const view = $derived(viewOf(rig.view.kind));
	const unit = $derived(view === 'flat' ? 'px' : 'm');
	const bob = $derived(session.bobs.find((b) => b.id === rig.bob));
	const lag = $derived(session.lags.find((l) => l.id === rig.lag));

	function changeLag(change: Partial<LagAxis>, mark: string, done: boolean) {
		if (lag && Object.keys(change).length > 0)
			session.changeBody(lag.id, 'Lag', (l) => withLagAxis(l as LagPreset, axis, change), `${axis} ${mark}`);
		if (done) session.seal();
	}
	function turnChannel(channel: Channel, by: number, done: boolean) {
		const gait = bob && nearestGait(bob, desk.walks);
		if (bob && gait?.channels[channel] && by !== 0)
			session.changeBody(
				bob.id,
				'Place in the stride',
				(b) => turned(b as BobPreset, gait.id, channel, by),
				`${gait.id} ${channel} turn`
			);
		if (done) session.seal();
	}
	function setGaitSpeed(gait: string, speed: number, done: boolean) {
		if (bob)
			session.changeBody(bob.id, 'Gait', (b) => withGaitSpeed(b as BobPreset, gait, speed), `gait ${gait} speed`);
		if (done) session.seal();
	}
</script>

<section class="chart" aria-label="Drawing of the stage">
	{#if part === 'lag'}
		{#if lag}
			<LagChart
				{lag}
				{axis}
				way={desk.onTreadmill ? null : () => ({ poses: desk.wayFrom(0), from: 0 })}
				wayName={desk.course.name}
				onaxis={changeLag}
			/>
		{:else}<p class="empty">Without a lag the camera is where the body is, in the same moment.</p>{/if}
	{:else if part === 'bob'}
		{#if bob}
			<div class="steps">
				<StrideCircle
					{bob}
					speed={desk.onTreadmill ? desk.walks : Math.max(0.05, nearestGait(bob, desk.walks)?.speed ?? desk.walks)}
					phase={desk.playing ? desk.phase : null}
					onturn={turnChannel}
				/>
				<div class="speeds">
					<SpeedChart
						{bob}
						speed={desk.walks}
						onspeed={(v) => {
							desk.sweeps = null;
							desk.walks = v;
							desk.tried = TREADMILL;
						}}
						ongait={(g, v, done) => setGaitSpeed(g.id, v, done)}
					/>
					<button
						class="plain"
						aria-pressed={desk.sweeps !== null}
						onclick={() => {
							desk.tried = TREADMILL;
							desk.playing = true;
							desk.sweeps = desk.sweeps === null ? 0 : null;
						}}>{desk.sweeps === null ? 'Sweep from standing to sprint and back' : 'Stop the sweep'}</button
					>
				</div>
			</div>
		{:else}<p class="empty">Without a head bob the eye glides: it knows nothing of steps.</p>{/if}
	{:else if part === 'lean'}
		{#if rig.lean}<LeanChart lean={rig.lean} {unit} />{:else}<p class="empty">
				Without a lean the horizon stays level, however fast one turns.
			</p>{/if}
	{:else if part === 'shakes'}
		<ShakesPanel {session} {rig} {playing} />
	{:else if part === 'ceiling'}
		<LevelChart
			before={level.before}
			after={level.after}
			beat={desk.beat}
			ceiling={rig.ceiling}
			{view}
			on={!rig.bypass.includes('ceiling')}
		/>
	{:else}
		<RigMap
			way={places.way}
			body={places.body}
			camera={places.camera}
			view={rig.view}
			limits={rig.bypass.includes('limits') ? null : rig.limits}
			takes={part === 'limits' ? 'limits' : 'view'}
			onlimits={(limits, mark, done) => desk.change('Limits', { limits }, mark, done)}
			onview={(part, mark, done) => desk.change('View', { view: { ...rig.view, ...part } }, mark, done)}
		/>
	{/if}
</section>

<style>
	.plain {
		border: 1px solid var(--rule-strong);
		border-radius: 6px;
		background: var(--field);
		padding: 2px 9px;
		cursor: pointer;
		white-space: nowrap;
	}
	.plain[aria-pressed='true'] {
		background: var(--lamp-wash);
		border-color: var(--lamp);
	}
	.chart {
		display: grid;
		grid-template-rows: minmax(0, 1fr);
		min-height: 0;
		min-width: 0;
		border: 1px solid var(--rule-strong);
		border-radius: var(--radius);
		background: var(--sheet);
		padding: 8px 10px;
	}
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
	.empty {
		align-self: center;
		text-align: center;
		color: var(--ink-2);
	}
</style>
