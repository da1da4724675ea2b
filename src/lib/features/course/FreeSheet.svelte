<script lang="ts">
	/** Beside a free run: the keys, what the world raised, and the end of it. */
	import type { ProjectSession } from '$lib/session/session.svelte';
	import PadNote from '$lib/room/PadNote.svelte';
	import Frame from '$lib/ui/Frame.svelte';
	import { clockOf } from './lanes';
	import RunHead from './RunHead.svelte';
	import type { FreePlay } from './free.svelte';
	import WorldTable from './WorldTable.svelte';

	interface Props {
		session: ProjectSession;
		free: FreePlay;
		onend: (keep: boolean) => void;
	}
	let { session, free, onend }: Props = $props();
	/** What one is seen through just now, whichever cue says so; its stages can be left out while one walks. */
	const rig = $derived(session.wiring.rigs.find((r) => r.id === free.seenThrough));
</script>

<Frame label="Free run" flow="rows" tuned>
	<div class="inside">
		<RunHead
			name="Free run"
			clock={free.phase === 'loading' ? 'getting ready …' : `${clockOf(free.seconds, 0.1)} s`}
			records
		/>
		<p>
			<kbd>W A S D</kbd> walk, row, steer · <kbd>Shift</kbd> run · <kbd>C</kbd> creep · <kbd>Space</kbd> jump ·
			<kbd>E</kbd> hold on · <kbd>F</kbd> use ·
			{#if free.wishes && free.eyes().length > 1}<kbd>arrows</kbd> second player ·
			{/if}<kbd>Esc</kbd> lets the mouse go, then ends
		</p>
		<PadNote says="sticks walk and look; south jumps, west uses; triggers hold on and run" />
		{#if free.near}<p class="near" role="status"><kbd>F</kbd> {free.offer}</p>{/if}
		<div class="acts">
			<button class="keep" disabled={free.phase !== 'going'} onclick={() => onend(true)}>Keep as a take</button>
			<button disabled={free.phase !== 'going'} onclick={() => onend(false)}>Throw away</button>
		</div>
		{#if rig}
			<p class="through">
				<b>{rig.name}</b> <kbd>1 … 6</kbd>
				{#each rig.order as stage (stage)}
					{@const on = !rig.bypass.includes(stage)}
					<button
						aria-pressed={on}
						title="Press to {on ? 'leave it out' : 'take it in'}"
						onclick={() => free.toggle(stage)}>{stage}</button
					>
				{/each}
			</p>
		{/if}
		{#if free.came.length > 0}
			{#await import('./DecisionLines.svelte') then { default: DecisionLines }}
				<DecisionLines
					label="What cues came to"
					decisions={free.came}
					presetName={(id) => session.preset(id)?.name ?? id}
				/>
			{/await}
		{/if}
		<WorldTable {session} counted={free.counted} />
	</div>
</Frame>

<style>
	/* It has no shape of its own: what is in it stands in the frame. */
	.inside {
		display: contents;
	}
	p {
		margin: 0;
		font-size: 12px;
		color: var(--ink-2);
	}
	.through {
		display: flex;
		flex-wrap: wrap;
		align-items: center;
		gap: 3px;
	}
	.through button {
		border: 1px solid var(--rule-strong);
		border-radius: 5px;
		background: var(--field);
		padding: 0 6px;
		font-size: 12px;
		text-decoration: line-through;
		color: var(--ink-2);
		cursor: pointer;
	}
	.through button[aria-pressed='true'] {
		background: var(--lamp-wash);
		color: var(--lamp-text);
		text-decoration: none;
		font-weight: 600;
	}
	.near {
		background: var(--lamp-wash);
		border-left: 3px solid var(--lamp);
		padding: 2px 8px;
		color: var(--ink);
	}
	kbd {
		font: inherit;
		font-weight: 600;
		color: var(--ink);
	}
	.acts {
		display: flex;
		gap: 6px;
	}
	button {
		border: 1px solid var(--rule-strong);
		border-radius: 6px;
		background: var(--field);
		padding: 2px 8px;
		cursor: pointer;
	}
	.keep {
		background: var(--lamp-light);
		border-color: var(--lamp);
		color: var(--on-lamp);
		font-weight: 600;
	}
</style>
