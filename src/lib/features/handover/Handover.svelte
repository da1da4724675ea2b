<script lang="ts">
	/** What leaves the tool: which part, as what, what the game then writes, and what changed since it was made last. */
	import { onMount, untrack } from 'svelte';
	import RoomHead from '$lib/room/RoomHead.svelte';
	import type { ProjectSession } from '$lib/session/session.svelte';
	import Segments from '$lib/ui/Segments.svelte';
	import AsWhat from './AsWhat.svelte';
	import { DifferenceState } from './difference.svelte';
	import { HandoverState, isCurves, isSheet } from './handover.svelte';
	import Made from './Made.svelte';
	import Sends from './Sends.svelte';
	import TextPreview from './TextPreview.svelte';
	import WhatGoes from './WhatGoes.svelte';

	let { session, ongo }: { session: ProjectSession; ongo: (address: string) => void } = $props();
	const desk = untrack(() => new HandoverState(session));
	const difference = untrack(() => new DifferenceState(session));
	let shown = $state<'out' | 'difference'>('out');

	onMount(() => {
		session.look('');
		desk.open();
		void session.courses.fetch();
	});
</script>

<div class="handover">
	<RoomHead {session} name="Handover">
		{#snippet where()}what the game plays: files, names, calls{/snippet}
		<Segments
			label="What is shown"
			value={shown}
			options={[
				{ value: 'out', label: 'Hand over' },
				{
					value: 'difference',
					label: 'Difference',
					title: 'A kit, or the project as it was, held against what is here'
				}
			]}
			onchange={(now: 'out' | 'difference') => (shown = now)}
		/>
	</RoomHead>
	{#if shown === 'difference'}
		{#await import('./Difference.svelte') then { default: Difference }}<Difference desk={difference} {ongo} />{/await}
	{:else if desk.kit}
		<main>
			<WhatGoes {desk} />
			<AsWhat {desk} />
			<div class="made">
				{#if isCurves(desk.target)}
					{#await import('./CurvesPreview.svelte') then { default: CurvesPreview }}<CurvesPreview {desk} />{/await}
				{:else if isSheet(desk.target)}
					{#await import('./SheetPreview.svelte') then { default: SheetPreview }}<SheetPreview {desk} />{/await}
				{:else if desk.target === 'runtime'}
					{#await import('./RuntimePreview.svelte') then { default: RuntimePreview }}<RuntimePreview {desk} />{/await}
				{:else}
					<TextPreview {desk} text={desk.text} />
				{/if}
				<div class="below">
					<Sends {desk} />
					<Made {desk} />
				</div>
			</div>
		</main>
	{:else}
		<p class="late">The project is on its way …</p>
	{/if}
</div>

<style>
	.handover {
		height: 100%;
		display: grid;
		grid-template-rows: 48px minmax(0, 1fr);
	}
	main {
		display: grid;
		grid-template-columns: 270px 300px minmax(0, 1fr);
		gap: 10px;
		min-height: 0;
		padding: 10px 14px 12px;
	}
	.made {
		display: grid;
		grid-template-rows: minmax(0, 1fr) minmax(150px, 32%);
		gap: 10px;
		min-height: 0;
		min-width: 0;
	}
	.below {
		display: grid;
		grid-template-columns: minmax(0, 1fr) minmax(0, 1fr);
		gap: 10px;
		min-height: 0;
	}
	.late {
		margin: 24px;
		color: var(--ink-2);
	}
	@media (max-width: 1180px) {
		main {
			grid-template-columns: 230px 270px minmax(0, 1fr);
			gap: 8px;
		}
	}
</style>
