<script lang="ts">
	/** The presets that a cue chooses from, with their weights. */
	import { cue as cueShape, type PlayAction } from 'dinesis-runtime/tools';
	import { rangeOf } from '$lib/documents';
	import NumberField from '$lib/ui/NumberField.svelte';
	import { arrowsIn } from '$lib/ui/arrows';
	import Popover from '$lib/ui/Popover.svelte';
	import type { CuesState } from './cues.svelte';

	interface Props {
		desk: CuesState;
		pick: PlayAction['pick'];
		onchange: (pick: PlayAction['pick'], label: string) => void;
	}
	let { desk, pick, onchange }: Props = $props();
	let search = $state('');
	const nameOf = (id: string): string => desk.preset(id)?.name ?? id;
	const found = $derived(
		desk.session.presets
			.filter((p) => `${p.name} ${p.tags.join(' ')}`.toLowerCase().includes(search.trim().toLowerCase()))
			.slice(0, 40)
	);
	function toggle(id: string) {
		const has = pick.some((p) => p.preset === id);
		if (has && pick.length === 1) return;
		onchange(has ? pick.filter((p) => p.preset !== id) : [...pick, { preset: id, weight: 1 }], 'Presets');
	}
</script>

<Popover label="Presets: {pick.map((p) => nameOf(p.preset)).join(', ')}" onopen={() => (search = '')}>
	{#snippet button()}
		<span class="word"
			>{#each pick as p, i (p.preset)}{i > 0 ? ' · ' : ''}<span class:gone={!desk.preset(p.preset)}
					>{nameOf(p.preset)}</span
				>{/each}</span
		>
	{/snippet}
	{#snippet children(close)}
		<!-- svelte-ignore a11y_no_static_element_interactions -->
		<div class="list" onkeydown={arrowsIn}>
			{#if pick.length > 1}
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
			<!-- svelte-ignore a11y_autofocus -->
			<input
				autofocus
				placeholder="Find a preset"
				aria-label="Find a preset"
				bind:value={search}
				onkeydown={(e) => {
					if (e.key !== 'Enter' || !found[0] || search.trim() === '') return;
					onchange([{ preset: found[0].id, weight: 1 }], 'Preset');
					close();
				}}
			/>
			{#each found as p (p.id)}
				<div class="row" class:here={pick.some((q) => q.preset === p.id)}>
					<button
						onclick={() => {
							onchange([{ preset: p.id, weight: 1 }], 'Preset');
							close();
						}}>{p.name}</button
					>
					<button class="also" title="One of several" aria-label="Also {p.name}" onclick={() => toggle(p.id)}
						>{pick.some((q) => q.preset === p.id) ? '−' : '+ also'}</button
					>
				</div>
			{/each}
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
	.gone {
		text-decoration: line-through;
		color: var(--danger);
	}
	.list {
		width: 19rem;
		display: grid;
	}
	.row,
	.weight {
		display: grid;
		grid-template-columns: 1fr auto auto;
		gap: 8px;
		align-items: center;
		padding: 0 4px;
	}
	.row.here {
		box-shadow: inset 3px 0 0 var(--lamp);
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
	.also {
		color: var(--lamp-text);
		font-size: 12px;
	}
	input {
		border: 1px solid var(--rule-strong);
		border-radius: 6px;
		background: var(--field);
		padding: 3px 8px;
		margin: 4px 0;
	}
</style>
