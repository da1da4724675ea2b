<script lang="ts">
	/** The drawing of the stage that is chosen; what is drawn is taken by the hand. */
	import { onMount } from 'svelte';
	import type { Rig } from 'dinesis-runtime';
	import { viewOf, type LagAxisName } from 'dinesis-runtime/tools';
	import LagDrawing from '$lib/stages/LagDrawing.svelte';
	import type { Now } from '$lib/stages/now.svelte';
	import { fetchAfterPaint } from '$lib/ui/after-paint';
	import Frame from '$lib/ui/Frame.svelte';
	import type { RigState } from './rig.svelte';

	interface Props {
		desk: RigState;
		rig: Rig;
		axis: LagAxisName;
		now: Now;
	}
	let { desk, rig, axis, now }: Props = $props();

	/** The first that is seen is the lag's; the others come right after the first paint. */
	const drawings = {
		bob: () => import('$lib/stages/BobDrawing.svelte'),
		lean: () => import('$lib/stages/LeanChart.svelte'),
		level: () => import('$lib/stages/LevelChart.svelte'),
		map: () => import('$lib/stages/RigMap.svelte'),
		shakes: () => import('./ShakesPanel.svelte')
	};
	onMount(() => fetchAfterPaint(...Object.values(drawings)));

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
		{#await drawings.bob() then { default: BobDrawing }}<BobDrawing trial={desk} />{/await}
	{:else if part === 'lean'}
		{#if rig.lean}{#await drawings.lean() then { default: LeanChart }}<LeanChart
					lean={rig.lean}
					unit={view === 'flat' ? 'px' : 'm'}
				/>{/await}{:else}<p class="empty">Without a lean the horizon stays level, however fast one turns.</p>{/if}
	{:else if part === 'shakes'}
		{#await drawings.shakes() then { default: ShakesPanel }}<ShakesPanel
				session={desk.session}
				{rig}
				playing={now.playing}
			/>{/await}
	{:else if part === 'ceiling'}
		{#await drawings.level() then { default: LevelChart }}<LevelChart
				before={now.before}
				after={now.after}
				beat={desk.beat}
				ceiling={rig.ceiling}
				{view}
				on={!rig.bypass.includes('ceiling')}
			/>{/await}
	{:else}
		{#await drawings.map() then { default: RigMap }}<RigMap
				{way}
				body={now.body}
				camera={now.camera}
				view={rig.view}
				limits={rig.bypass.includes('limits') ? null : rig.limits}
				takes={part === 'limits' ? 'limits' : 'view'}
				onlimits={(limits, mark, done) => desk.change('Limits', { limits }, mark, done)}
				onview={(part, mark, done) => desk.change('View', { view: { ...rig.view, ...part } }, mark, done)}
			/>{/await}
	{/if}
</Frame>

<style>
	.empty {
		align-self: center;
		text-align: center;
		color: var(--ink-2);
	}
</style>
