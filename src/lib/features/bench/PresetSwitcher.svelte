<script lang="ts">
	import ChevronDown from '@lucide/svelte/icons/chevron-down';
	import Copy from '@lucide/svelte/icons/copy';
	import Plus from '@lucide/svelte/icons/plus';
	import Archive from '@lucide/svelte/icons/archive';
	import type { ShakePreset } from 'dinesis-runtime';
	import type { ProjectSession } from '$lib/session/session.svelte';
	import PickList from '$lib/ui/PickList.svelte';
	import Popover from '$lib/ui/Popover.svelte';

	interface Props {
		session: ProjectSession;
		preset: ShakePreset;
		onopen: (key: string) => void;
	}
	let { session, preset, onopen }: Props = $props();

	const entries = $derived(
		session.presets.map((p, i) => ({
			id: p.id,
			label: p.name,
			about: lengthOf(p),
			words: p.tags.join(' '),
			key: i < 9 ? String(i + 1) : ''
		}))
	);
	const lengthOf = (p: ShakePreset): string =>
		p.timing.mode === 'burst' ? `${Number(p.timing.duration.toFixed(2))} s` : 'until stopped';

	async function openMade(made: Promise<string | null>, close: () => void) {
		const key = await made;
		close();
		if (key) onopen(key);
	}
	async function retire(close: () => void) {
		if (await session.acts.retire(preset.id)) close();
	}
</script>

<Popover label="Choose a preset" look="heading">
	{#snippet button()}
		<span class="name"
			><h1>{preset.name}</h1>
			<ChevronDown size={17} /></span
		>
	{/snippet}
	{#snippet children(close)}
		<div class="body">
			<label class="rename"
				><span>name</span><input
					value={preset.name}
					maxlength="120"
					onchange={(e) => {
						const name = e.currentTarget.value.trim();
						if (name) session.change(preset.id, 'Name', (p) => void (p.name = name));
						else e.currentTarget.value = preset.name;
					}}
				/></label
			>
			<div class="acts">
				<button onclick={() => openMade(session.acts.addNew(), close)}><Plus size={14} /> New</button>
				<button onclick={() => openMade(session.acts.copy(preset.id), close)}><Copy size={14} /> Copy this</button>
				<button onclick={() => retire(close)} disabled={session.order.length < 2}><Archive size={14} /> Retire</button>
			</div>
			<PickList
				label="Find by name or tag"
				groups={[{ entries, none: 'No preset yet. “New” makes one.' }]}
				here={preset.id}
				onpick={(id) => {
					close();
					onopen(id);
				}}
			/>
		</div>
	{/snippet}
</Popover>

<style>
	.name {
		display: flex;
		align-items: center;
		gap: 4px;
		min-width: 0;
	}
	h1 {
		white-space: nowrap;
		overflow: hidden;
		text-overflow: ellipsis;
		max-width: min(26rem, 34vw);
	}
	.body {
		width: 22rem;
		display: grid;
		gap: 8px;
		padding: 4px;
	}
	.rename {
		display: grid;
		grid-template-columns: auto 1fr;
		align-items: center;
		gap: 8px;
		color: var(--ink-2);
	}
	input {
		border: 1px solid var(--rule-strong);
		border-radius: 6px;
		background: var(--field);
		padding: 4px 8px;
		min-width: 0;
		color: var(--ink);
	}
	.acts {
		display: flex;
		gap: 6px;
	}
	.acts button {
		display: flex;
		align-items: center;
		gap: 5px;
		border: 1px solid var(--rule-strong);
		border-radius: 6px;
		background: var(--field);
		padding: 3px 9px;
		cursor: pointer;
	}
	.acts button:hover:not(:disabled) {
		border-color: var(--lamp);
	}
	.acts button:disabled {
		opacity: 0.45;
	}
</style>
