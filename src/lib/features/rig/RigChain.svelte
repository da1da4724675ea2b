<script lang="ts">
	/** The chain as cards, in its order, and what is said of it. */
	import { tick } from 'svelte';
	import type { Rig } from 'dinesis-runtime';
	import { RIG_STAGES, type RigStage } from 'dinesis-runtime/tools';
	import type { Finding } from '$lib/documents';
	import type { Part } from '$lib/stages/trial.svelte';
	import type { RigState } from './rig.svelte';
	import StageCard from './StageCard.svelte';
	import { aboutStage, aboutView, DOES, TITLES } from '$lib/stages/stage-words';

	interface Props {
		desk: RigState;
		rig: Rig;
		findings: readonly Finding<Rig>[];
		unit: 'm' | 'px';
		/** Of the body, in metres a second. */
		speed: number;
		/** How many shakes play. */
		playing: number;
		/** The id that was asked for and is not there; empty: none was. */
		unknown: string;
		nameOf: (preset: string) => string | undefined;
	}
	let { desk, rig, findings, unit, speed, playing, unknown, nameOf }: Props = $props();

	const told = $derived(findings.filter((f) => f.place !== 'bypass'));
	/** What stands at a stage: the place in the order, or its own field. */
	const warnsAt = (stage: RigStage): string =>
		told
			.filter(
				(f) =>
					f.place === stage ||
					(stage === 'shakes' && /^(motion|lets)\b/.test(f.place)) ||
					f.place === `order[${rig.order.indexOf(stage)}]`
			)
			.map((f) => f.sentence)
			.join(' ');
	const inUsualOrder = $derived(rig.order.every((s, i) => s === RIG_STAGES[i]));

	let chain: HTMLElement | undefined = $state();
	async function moveStage(stage: RigStage, by: -1 | 1) {
		desk.move(stage, by);
		await tick();
		// A card that is put elsewhere loses the keyboard.
		chain?.querySelector<HTMLElement>(`[data-stage='${stage}'] .face`)?.focus();
	}
	const choose = (part: Part): void => {
		desk.part = part;
	};
</script>

<div class="chain" bind:this={chain} role="group" aria-label="The chain, from the body to the picture">
	<StageCard
		title="Body"
		about={aboutView(rig.view)}
		meter={null}
		head={0}
		beat={0}
		does=""
		{unit}
		on
		fixed
		chosen={desk.part === 'view'}
		warns=""
		note="{speed.toFixed(1)} m/s"
		onchoose={() => choose('view')}
	/>
	{#each rig.order as stage (stage)}
		<i class="wire" aria-hidden="true"></i>
		<StageCard
			{stage}
			title={TITLES[stage]}
			about={aboutStage(rig, stage, nameOf, playing)}
			meter={desk.meters[stage]}
			head={desk.head}
			beat={desk.beat}
			does={DOES[stage]}
			unit={stage === 'limits' ? 'm' : unit}
			on={!rig.bypass.includes(stage)}
			chosen={desk.part === stage}
			warns={warnsAt(stage)}
			onchoose={() => choose(stage)}
			ontoggle={() => desk.toggle(stage)}
			onmove={(by) => void moveStage(stage, by)}
		/>
	{/each}
</div>
<div class="told" role="status">
	{#if unknown !== ''}<p>There is no rig “{unknown}” in this project; the first one is shown.</p>{/if}
	{#each told.slice(0, 2) as f, i (i)}
		<p>{f.sentence}</p>
	{:else}
		{#if inUsualOrder}<p class="fine">
				The order takes nothing away: what is added last is neither followed nor clamped.
			</p>{/if}
	{/each}
	{#if !inUsualOrder}
		<button onclick={() => desk.change('Usual order', { order: [...RIG_STAGES] })}>Put them in the usual order</button>
	{/if}
</div>

<style>
	.chain {
		display: grid;
		grid-template-columns: minmax(0, 1fr) repeat(6, 12px minmax(0, 1fr));
		align-items: stretch;
		padding: 10px 14px 4px;
	}
	.wire {
		align-self: center;
		height: 2px;
		background: var(--ink-2);
	}
	.told {
		display: flex;
		align-items: center;
		gap: 10px;
		min-height: 30px;
		padding: 3px 14px 0;
		font-size: 12.5px;
	}
	.told p {
		margin: 0;
		background: var(--lamp-wash);
		border-left: 3px solid var(--lamp);
		padding: 2px 9px;
	}
	.told .fine {
		background: none;
		border-color: var(--rule-strong);
		color: var(--ink-2);
	}
	.told button {
		border: 1px solid var(--rule-strong);
		border-radius: 6px;
		background: var(--field);
		padding: 2px 9px;
		cursor: pointer;
		white-space: nowrap;
	}
</style>
