<script lang="ts">
	/** How strength answers to a number that the event carries; below, the last ones that it was tried with. */
	import type { Cue } from 'dinesis-runtime';
	import type { CueAction, PlayAction } from 'dinesis-runtime/tools';
	import CurveEditor from '$lib/plots/CurveEditor.svelte';
	import NumberField from '$lib/ui/NumberField.svelte';
	import Frame from '$lib/ui/Frame.svelte';
	import { LENGTH, type CuesState } from './cues.svelte';

	let { desk, cue }: { desk: CuesState; cue: Cue } = $props();

	const event = $derived(desk.event(cue.event));
	const at = $derived(cue.actions.findIndex((a) => a.kind === 'play' && typeof a.strength !== 'number'));
	const play = $derived(cue.actions[at] as PlayAction | undefined);
	const strength = $derived(play && typeof play.strength !== 'number' ? play.strength : null);
	const value = $derived(event?.values.find((v) => v.id === strength?.by));
	const top = $derived(strength ? Math.max(2, ...strength.curve.map((p) => p.value)) : 2);
	const seen = $derived(event && value ? desk.lastTried(event.id, value.id) : []);
	const part = (given: number): number =>
		value && value.max > value.min ? (given - value.min) / (value.max - value.min) : 0;
</script>

<Frame label="How strong it is" title={value ? `Strength by ${value.id}` : 'How strong it is'} flow="plain">
	{#snippet side()}
		{#if value}<span>marks: what it was last tried with</span>{/if}
	{/snippet}
	{#if strength && value && event}
		<div class="curve">
			<CurveEditor
				label="Strength by {value.id}"
				points={strength.curve}
				{top}
				ends={[`${value.min} ${value.unit}`, `${value.max} ${value.unit}`]}
				whole={{ from: value.min, to: value.max, unit: value.unit }}
				onchange={(curve, what, done) =>
					desk.change(
						cue.id,
						what,
						(q) => ({
							...q,
							actions: q.actions.map((a, i) =>
								i === at ? ({ ...a, strength: { ...strength, curve } } as CueAction) : a
							)
						}),
						'response',
						done
					)}
			/>
			{#each seen as given, i (i)}
				<i style:left="calc(9px + (100% - 18px) * {part(given)})" style:opacity={1 - i * 0.1}></i>
			{/each}
		</div>
	{:else}
		<p>
			{event && event.values.length > 0
				? `The same every time. Press + at the end of the sentence and choose “strength by ${event.values[0]!.id}” to let it follow the event.`
				: 'The same every time: this event carries no number to follow.'}
		</p>
	{/if}
	{#if event}
		<div class="tries">
			{#each event.values as v (v.id)}
				<NumberField
					look="inline"
					label="try with {v.id}"
					unit={v.unit}
					value={desk.tried(event, v.id)}
					min={v.min}
					max={v.max}
					step={(v.max - v.min) / 400}
					onchange={(given) => desk.tryWith(event.id, v.id, given)}
				/>
			{/each}
			{#if event.mayCarry?.length}
				<span role="group" aria-label="Try with tags"
					>carrying
					{#each event.mayCarry as tag (tag)}
						<label
							><input
								type="checkbox"
								checked={desk.triedTags(event).includes(tag)}
								onchange={() => desk.carry(event, tag)}
							/>
							{tag}</label
						>
					{/each}</span
				>
			{/if}
			{#if desk.asksLength(event)}
				<NumberField
					look="inline"
					label="lasting"
					unit="s"
					value={desk.triedLength(event)}
					min={0.01}
					max={600}
					step={0.01}
					reset={3}
					onchange={(given) => desk.tryWith(event.id, LENGTH, given)}
				/>
			{/if}
		</div>
	{/if}
</Frame>

<style>
	.curve {
		position: relative;
	}
	i {
		position: absolute;
		top: 97px;
		width: 7px;
		height: 7px;
		margin-left: -3.5px;
		border-radius: 50%;
		background: var(--ink-x);
		pointer-events: none;
	}
	p {
		margin: 2px 0;
		color: var(--ink-2);
		font-size: 12.5px;
	}
	.tries {
		display: flex;
		flex-wrap: wrap;
		gap: 2px 14px;
		margin-top: 7px;
		color: var(--ink-2);
		font-size: 12.5px;
	}
</style>
