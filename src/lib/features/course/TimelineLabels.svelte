<script lang="ts">
	/** Beside the tracks: what each lane is, with what it comes to; lanes of events and values can be taken out. */
	import X from '@lucide/svelte/icons/x';
	import type { CourseState } from './course.svelte';

	interface Props {
		desk: CourseState;
		/** Ids of the events that have a lane. */
		lanes: readonly string[];
		/** Lengths are pixels. */
		flat: boolean;
		/** The farthest that each player's camera moves. */
		felt: readonly { readonly metres: number; readonly degrees: number }[] | null;
		/** The fastest that is walked, in metres a second. */
		most: number;
		/** Of the first lanes, in pixels. */
		high: { readonly pace: number; readonly felt: number; readonly plays: number };
	}
	let { desk, lanes, flat, felt, most, high }: Props = $props();

	const course = $derived(desk.course!);
	const wiring = $derived(desk.session.wiring);
	const removeLane = (id: string): void => {
		desk.chosen = null;
		desk.change('Take a lane out', (c) => ({ ...c, events: c.events.filter((e) => e.event !== id) }));
		desk.done();
	};
	const removeValue = (i: number): void => {
		desk.chosen = null;
		desk.change('Take a game value out', (c) => ({ ...c, values: c.values.filter((_, k) => k !== i) }));
		desk.done();
	};
</script>

<div class="labels">
	<span style:height="{high.pace}px" class="two">movement<small>at most {most.toFixed(1)} m/s</small></span>
	{#each felt ?? [] as f, who (who)}
		<span style:height="{high.felt}px" class="two"
			>felt{felt && felt.length > 1 ? ` · ${who + 1}` : ''}<small
				>{flat ? `${f.metres.toFixed(1)} px` : `${(f.metres * 100).toFixed(1)} cm`} · {f.degrees.toFixed(2)}°</small
			></span
		>
	{/each}
	<span style:height="{high.plays}px">plays</span>
	{#each lanes as id (id)}
		{@const event = wiring.events.find((e) => e.id === id)}
		<span class="lane" class:gone={!event}
			><em title={event?.name ?? 'There is no such event any more'}>{event?.name ?? id}</em><button
				aria-label="Take the lane {event?.name ?? id} out"
				onclick={() => removeLane(id)}><X size={12} /></button
			></span
		>
	{/each}
	{#each course.values as value, i (value.parameter)}
		{@const parameter = wiring.parameters.find((p) => p.id === value.parameter)}
		<span class="lane value" class:gone={!parameter}
			><em>{parameter?.name ?? value.parameter}</em><button
				aria-label="Take {parameter?.name ?? value.parameter} out"
				onclick={() => removeValue(i)}><X size={12} /></button
			></span
		>
	{/each}
</div>

<style>
	.labels {
		display: grid;
		min-height: 100%;
		align-content: start;
		border-right: 1px solid var(--rule);
	}
	.labels small {
		color: var(--ink-2);
		font-size: 11px;
	}
	.lane {
		height: 24px;
		justify-content: space-between;
	}
	.lane em {
		font-style: normal;
		overflow: hidden;
		text-overflow: ellipsis;
	}
	.lane button {
		display: grid;
		place-items: center;
		flex: none;
		border: 0;
		background: none;
		color: var(--ink-2);
		cursor: pointer;
		opacity: 0;
		padding: 3px;
	}
	.lane:hover button,
	.lane button:focus-visible {
		opacity: 1;
	}
	.lane.value {
		height: 44px;
	}
	.two {
		flex-direction: column;
		align-items: flex-start !important;
		justify-content: center;
		gap: 0 !important;
		line-height: 1.2;
	}
	.labels > span {
		display: flex;
		align-items: center;
		gap: 4px;
		padding: 0 4px 0 10px;
		font-size: 12px;
		border-bottom: 1px solid var(--rule);
		overflow: hidden;
		white-space: nowrap;
	}
	.lane.gone em {
		color: var(--danger);
		text-decoration: line-through;
	}
</style>
