<script lang="ts">
	/** The presets that a cue chooses from, with their weights. */
	import { cue as cueShape, type Picks, type PlayAction } from 'dinesis-runtime/tools';
	import { rangeOf } from '$lib/documents';
	import NumberField from '$lib/ui/NumberField.svelte';
	import PickList from '$lib/ui/PickList.svelte';
	import Popover from '$lib/ui/Popover.svelte';
	import Segments from '$lib/ui/Segments.svelte';
	import type { CuesState } from './cues.svelte';

	interface Props {
		desk: CuesState;
		pick: PlayAction['pick'];
		/** What is asked where nothing was chosen yet; empty: it was. */
		asked?: string;
		/** How one of several is picked. */
		picks: Picks;
		onpicks: (picks: Picks) => void;
		/** Makes a preset of this name, to be chosen. */
		onmake: (name: string) => void;
		onchange: (pick: PlayAction['pick'], label: string) => void;
	}
	let { desk, pick, picks, asked = '', onpicks, onmake, onchange }: Props = $props();
	/** Whether a press adds to those that are there, or takes one for all of them. */
	let several = $state(false);
	const nameOf = (id: string): string => desk.preset(id)?.name ?? id;
	const entries = $derived(
		desk.session.presets.map((p) => ({
			id: p.id,
			label: p.name,
			about: p.tags.slice(0, 2).join(', '),
			words: p.tags.join(' ')
		}))
	);
	const taken = $derived(new Set(pick.map((p) => p.preset)));
	function toggle(id: string) {
		const has = taken.has(id);
		if (has && pick.length === 1) return;
		onchange(has ? pick.filter((p) => p.preset !== id) : [...pick, { preset: id, weight: 1 }], 'Presets');
	}
</script>

<Popover
	label="Presets: {asked || pick.map((p) => nameOf(p.preset)).join(', ')}"
	onopen={() => (several = pick.length > 1)}
>
	{#snippet button()}
		<span class="word" class:asked
			>{#if asked}{asked}{:else}{#each pick as p, i (p.preset)}{i > 0 ? ' · ' : ''}<span
						class:gone={!desk.preset(p.preset)}>{nameOf(p.preset)}</span
					>{/each}{/if}</span
		>
	{/snippet}
	{#snippet children(close)}
		<div class="list">
			{#if pick.length > 1}
				<Segments
					small
					label="How it is picked"
					value={picks}
					options={[
						{ value: 'no-repeat', label: 'by chance, none twice', title: 'By weight; never the same twice running' },
						{ value: 'any', label: 'by chance', title: 'By weight alone' },
						{ value: 'in-turn', label: 'in turn', title: 'One after the other, as they stand here' }
					]}
					onchange={onpicks}
				/>
				{#each pick as p (p.preset)}
					<div class="weight">
						<span>{nameOf(p.preset)}</span>
						<NumberField
							look="inline"
							label="weight"
							value={p.weight}
							{...rangeOf(cueShape, 'actions', 'pick', 'weight')}
							step={0.02}
							onchange={(weight) =>
								onchange(
									pick.map((q) => (q.preset === p.preset ? { ...q, weight } : q)),
									'Weight'
								)}
						/>
						<button aria-label="Take {nameOf(p.preset)} out" onclick={() => toggle(p.preset)}>×</button>
					</div>
				{/each}
			{/if}
			<label class="several"><input type="checkbox" bind:checked={several} /> one of several</label>
			<PickList
				label="Find a preset"
				groups={[{ entries, none: 'No preset yet.' }]}
				here={several || asked ? '' : pick[0]?.preset}
				taken={several ? taken : undefined}
				onmake={(name) => {
					close();
					onmake(name);
				}}
				onpick={(id) => {
					if (several) return toggle(id);
					close();
					onchange([{ preset: id, weight: 1 }], 'Preset');
				}}
			/>
		</div>
	{/snippet}
</Popover>

<style>
	.word {
		font-weight: 600;
		border-radius: 4px;
		padding: 0 4px;
		cursor: pointer;
		background: var(--word-preset);
		color: var(--ink-yaw);
	}
	.word.asked {
		background: var(--lamp-wash);
		color: var(--lamp-text);
		outline: 1px dashed var(--lamp);
	}
	.gone {
		text-decoration: line-through;
		color: var(--danger);
	}
	.list {
		width: 21rem;
		display: grid;
		gap: 4px;
		padding: 4px;
	}
	.several {
		display: flex;
		align-items: center;
		gap: 6px;
		font-size: 12.5px;
		color: var(--ink-2);
	}
	.weight {
		display: grid;
		grid-template-columns: 1fr auto auto;
		gap: 8px;
		align-items: center;
		padding: 0 4px;
	}
	button {
		border: 0;
		border-radius: 5px;
		background: none;
		text-align: left;
		padding: 3px 6px;
		cursor: pointer;
	}
	button:hover {
		background: var(--lamp-wash);
	}
</style>
