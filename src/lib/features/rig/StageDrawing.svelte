<script lang="ts">
	/** The drawing of the stage that is chosen; what is drawn is taken by the hand. */
	import type { Rig } from 'dinesis-runtime';
	import { viewOf, type LagAxisName } from 'dinesis-runtime/tools';
	import BobDrawing from '$lib/stages/BobDrawing.svelte';
	import LagDrawing from '$lib/stages/LagDrawing.svelte';
	import LeanChart from '$lib/stages/LeanChart.svelte';
	import LevelChart from '$lib/stages/LevelChart.svelte';
	import type { Now } from '$lib/stages/now.svelte';
	import RigMap from '$lib/stages/RigMap.svelte';
	import Frame from '$lib/ui/Frame.svelte';
	import type { RigState } from './rig.svelte';
	import ShakesPanel from './ShakesPanel.svelte';

	interface Props {
		desk: RigState;
		rig: Rig;
		axis: LagAxisName;
		now: Now;
	}
	let { desk, rig, axis, now }: Props = $props();

	const part = $derived(desk.part);
	const view = $derived(viewOf(rig.view.kind));
	const way = $derived(
		desk.onTreadmill
			? []
			: desk.course.trace
				? Array.from({ length: Math.floor(desk.course.trace.poses.length / 75) }, (_, i): [number, number] => [
						desk.course.trace!.poses[i * 75]!,
						desk.course.trace!.poses[i * 75 + 2]!
					])
				: desk.course.path.map((p): [number, number] => [p.x, p.z])
	);
</script>

<Frame label="Drawing of the stage" flow="fill">
	{#if part === 'lag'}
		<LagDrawing trial={desk} {axis} />
	{:else if part === 'bob'}
		<BobDrawing trial={desk} />
	{:else if part === 'lean'}
		{#if rig.lean}<LeanChart lean={rig.lean} unit={view === 'flat' ? 'px' : 'm'} />{:else}<p class="empty">
				Without a lean the horizon stays level, however fast one turns.
			</p>{/if}
	{:else if part === 'shakes'}
		<ShakesPanel session={desk.session} {rig} playing={now.playing} />
	{:else if part === 'ceiling'}
		<LevelChart
			before={now.before}
			after={now.after}
			beat={desk.beat}
			ceiling={rig.ceiling}
			{view}
			on={!rig.bypass.includes('ceiling')}
		/>
	{:else}
		<RigMap
			{way}
			body={now.body}
			camera={now.camera}
			view={rig.view}
			limits={rig.bypass.includes('limits') ? null : rig.limits}
			takes={part === 'limits' ? 'limits' : 'view'}
			onlimits={(limits, mark, done) => desk.change('Limits', { limits }, mark, done)}
			onview={(part, mark, done) => desk.change('View', { view: { ...rig.view, ...part } }, mark, done)}
		/>
	{/if}
</Frame>

<style>
	.empty {
		align-self: center;
		text-align: center;
		color: var(--ink-2);
	}
</style>
