<script lang="ts">
	/** What plays while one looks through a rig: continuous shakes, each with its strength. */
	import X from '@lucide/svelte/icons/x';
	import type { Rig } from 'dinesis-runtime';
	import { rig as shape, viewOf, type RigMotion } from 'dinesis-runtime/tools';
	import { freeId, rangeOf } from '$lib/documents';
	import type { ProjectSession } from '$lib/session/session.svelte';
	import NumberField from '$lib/ui/NumberField.svelte';
	import PickList from '$lib/ui/PickList.svelte';
	import Popover from '$lib/ui/Popover.svelte';
	import StageSheet from './StageSheet.svelte';

	interface Props {
		session: ProjectSession;
		rig: Rig;
		onchange: (motion: readonly RigMotion[], label: string, mark: string | null, done: boolean) => void;
	}
	let { session, rig, onchange }: Props = $props();

	const view = $derived(viewOf(rig.view.kind));
	const entries = $derived(
		session.presets
			.filter((p) => p.timing.mode === 'continuous' && p.view === view)
			.map((p) => ({ id: p.id, label: p.name, about: p.tags.slice(0, 2).join(', '), words: p.tags.join(' ') }))
	);
	const MOST = 16;

	function add(preset: string) {
		const id = freeId(
			preset,
			rig.motion.map((entry) => entry.id)
		);
		onchange([...rig.motion, { id, preset, strength: 1 }], 'Own motion', null, true);
	}
	async function make(name: string) {
		const id = await session.acts.newContinuous(name, view);
		if (id !== null) add(id);
	}
</script>

<StageSheet
	title="Its own motion"
	about="Plays as long as one looks through it, and comes and goes with the camera: a hand that holds it, wind, an engine."
>
	{#each rig.motion as entry (entry.id)}
		{@const preset = session.preset(entry.preset)}
		<div class="row">
			{#if preset}<a href="{session.home}/bench/{entry.preset}" title="Tune it on the Bench">{preset.name}</a>
			{:else}<span class="gone">{entry.preset}</span>{/if}
			<NumberField
				look="cell"
				label="strength"
				name="Strength of {preset?.name ?? entry.preset}"
				unit="×"
				value={entry.strength}
				{...rangeOf(shape, 'motion', 'strength')}
				step={0.01}
				reset={1}
				onchange={(strength, done) =>
					onchange(
						rig.motion.map((m) => (m.id === entry.id ? { ...m, strength } : m)),
						'Strength of its own motion',
						`motion ${entry.id}`,
						done
					)}
			/>
			<button
				aria-label="Take {preset?.name ?? entry.preset} out"
				onclick={() =>
					onchange(
						rig.motion.filter((m) => m.id !== entry.id),
						'Own motion',
						null,
						true
					)}><X size={14} /></button
			>
		</div>
	{:else}<p>Nothing: it stands as still as its body.</p>{/each}
	{#if rig.motion.length < MOST}
		<Popover label="Let something play in it" align="right">
			{#snippet button()}<span class="add">+ a continuous shake</span>{/snippet}
			{#snippet children(close)}
				<div class="list">
					<PickList
						label="Find a continuous shake"
						groups={[{ entries, none: 'None goes on by itself yet. Type a name to make one.' }]}
						onpick={(id) => {
							close();
							add(id);
						}}
						onmake={(name) => {
							close();
							void make(name);
						}}
					/>
				</div>
			{/snippet}
		</Popover>
	{/if}
</StageSheet>

<style>
	.row {
		display: grid;
		grid-template-columns: minmax(0, 1fr) 84px 26px;
		align-items: center;
		min-height: 28px;
		border-bottom: 1px solid var(--rule);
		font-size: 13px;
	}
	.row a,
	.row .gone {
		overflow: hidden;
		text-overflow: ellipsis;
		white-space: nowrap;
		line-height: 26px;
	}
	.gone {
		text-decoration: line-through;
		color: var(--danger);
	}
	.row button {
		display: grid;
		place-items: center;
		width: 26px;
		height: 26px;
		border: 0;
		background: none;
		color: var(--ink-2);
		cursor: pointer;
	}
	.row button:hover {
		color: var(--ink);
	}
	p {
		margin: 0;
		font-size: 12.5px;
		color: var(--ink-2);
	}
	.add {
		display: inline-flex;
		align-items: center;
		min-height: 26px;
		font-size: 13px;
		color: var(--lamp-text);
		cursor: pointer;
	}
	.list {
		width: 17rem;
		padding: 4px;
	}
</style>
