<script lang="ts">
	/** The numbers of the stage that is chosen, and which head bob or lag stands there. */
	import { onMount } from 'svelte';
	import type { Rig } from 'dinesis-runtime';
	import { viewOf, type LagAxisName } from 'dinesis-runtime/tools';
	import FindingLines from '$lib/room/FindingLines.svelte';
	import BodySlot from '$lib/stages/BodySlot.svelte';
	import StageSheet from '$lib/stages/StageSheet.svelte';
	import { fetchAfterPaint } from '$lib/ui/after-paint';
	import type { RigState } from './rig.svelte';

	interface Props {
		desk: RigState;
		rig: Rig;
		/** The lag's axis that is shown. */
		axis: LagAxisName;
		onaxis: (axis: LagAxisName) => void;
		/** Where the camera is. */
		camera: () => readonly [number, number, number];
	}
	let { desk, rig, axis, onaxis, camera }: Props = $props();

	/** What is tuned stands beside the drawing: it comes with the rest, right after the first paint. */
	const sheets = {
		bob: () => import('$lib/stages/BobSheet.svelte'),
		lag: () => import('$lib/stages/LagSheet.svelte'),
		limits: () => import('$lib/stages/LimitsSheet.svelte'),
		lean: () => import('$lib/stages/LeanSheet.svelte'),
		ceiling: () => import('$lib/stages/CeilingSheet.svelte'),
		view: () => import('$lib/stages/ViewSheet.svelte'),
		motion: () => import('$lib/stages/MotionSheet.svelte'),
		lets: () => import('$lib/stages/LetsSheet.svelte')
	};
	onMount(() => fetchAfterPaint(...Object.values(sheets)));

	const session = $derived(desk.session);
	const view = $derived(viewOf(rig.view.kind));
	const bob = $derived(session.bobs.find((b) => b.id === rig.bob));
	const lag = $derived(session.lags.find((l) => l.id === rig.lag));
	/** The bob or the lag that is tuned here. */
	const tuned = $derived(desk.part === 'bob' ? bob : desk.part === 'lag' ? lag : undefined);
</script>

<div class="numbers">
	{#if desk.part === 'lag' || desk.part === 'bob'}
		{@const slot = desk.part}
		<label class="which"
			>{slot === 'bob' ? 'head bob' : 'lag'}
			<BodySlot {session} {rig} {slot} onchange={(label, part) => desk.change(label, part)} /></label
		>
	{/if}
	{#if tuned}
		<FindingLines
			list={session.findings.of(tuned.family, tuned.id).map(({ finding }) => finding)}
			onfix={(finding) => session.fix({ kind: tuned.family, document: tuned, finding })}
		/>
	{/if}
	{#if desk.part === 'lag'}
		{#if lag}{#await sheets.lag() then { default: LagSheet }}<LagSheet
					{session}
					{lag}
					{axis}
					{onaxis}
					drawn={false}
				/>{/await}{/if}
	{:else if desk.part === 'bob'}
		{#if bob}{#await sheets.bob() then { default: BobSheet }}<BobSheet {session} {bob} near={desk.walks} />{/await}{/if}
	{:else if desk.part === 'limits'}
		{#await sheets.limits() then { default: LimitsSheet }}<LimitsSheet
				limits={rig.limits}
				{camera}
				onchange={(limits, mark, done) => desk.change('Limits', { limits }, mark, done)}
			/>{/await}
	{:else if desk.part === 'lean'}
		{#await sheets.lean() then { default: LeanSheet }}<LeanSheet
				lean={rig.lean}
				{view}
				onchange={(lean, mark, done) => desk.change('Lean', { lean }, mark, done)}
			/>{/await}
	{:else if desk.part === 'ceiling'}
		{#await sheets.ceiling() then { default: CeilingSheet }}<CeilingSheet
				ceiling={rig.ceiling}
				{view}
				onchange={(ceiling, mark, done) => desk.change('Ceiling', { ceiling }, mark, done)}
			/>{/await}
	{:else if desk.part === 'view'}
		{#await sheets.view() then { default: ViewSheet }}<ViewSheet
				view={rig.view}
				onchange={(part, mark, done) => desk.change('View', { view: { ...rig.view, ...part } }, mark, done)}
			/>{/await}
	{/if}
	{#if desk.part === 'shakes'}
		{#await sheets.motion() then { default: MotionSheet }}<MotionSheet
				{session}
				{rig}
				onchange={(motion, label, mark, done) => desk.change(label, { motion }, mark, done)}
			/>{/await}
		{#await sheets.lets() then { default: LetsSheet }}<LetsSheet
				{session}
				{rig}
				onchange={(lets, mark, done) => desk.change('What it lets through', { lets }, `lets ${mark}`, done)}
			/>{/await}
	{/if}
	{#if desk.part === 'view'}
		<StageSheet title="The rig" about="What it is called, and what for.">
			<label class="pick"
				>name <input
					value={rig.name}
					maxlength="120"
					onchange={(e) => {
						const name = e.currentTarget.value.trim();
						if (name) desk.change('Name', { name });
						else e.currentTarget.value = rig.name;
					}}
				/></label
			>
			<label class="pick"
				>what for <textarea
					rows="4"
					value={rig.about}
					maxlength="4000"
					onchange={(e) => desk.change('Description', { about: e.currentTarget.value })}></textarea></label
			>
		</StageSheet>
	{/if}
</div>

<style>
	.numbers {
		display: flex;
		flex-direction: column;
		gap: 8px;
		min-height: 0;
		overflow: auto;
	}
	.numbers > :global(section) {
		flex: 0 1 auto;
	}
	.numbers > :global(section:last-child) {
		flex: 1 1 auto;
	}
	.which {
		display: flex;
		align-items: center;
		gap: 8px;
		font-size: 12px;
		color: var(--ink-2);
		white-space: nowrap;
	}
	.which :global(select) {
		flex: 1;
	}
	.numbers input,
	.numbers textarea {
		border: 1px solid var(--rule-strong);
		border-radius: 5px;
		background: var(--field);
		color: var(--ink);
		padding: 3px 6px;
		font: inherit;
		font-size: 13px;
		resize: vertical;
	}
</style>
