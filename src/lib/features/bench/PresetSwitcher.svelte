<script lang="ts">
	import ChevronDown from '@lucide/svelte/icons/chevron-down';
	import Copy from '@lucide/svelte/icons/copy';
	import Plus from '@lucide/svelte/icons/plus';
	import Archive from '@lucide/svelte/icons/archive';
	import type { ShakePreset } from '$lib/core';
	import type { ProjectSession } from '$lib/session/session.svelte';
	import Popover from '$lib/ui/Popover.svelte';

	interface Props {
		session: ProjectSession;
		preset: ShakePreset;
		onopen: (key: string) => void;
	}
	let { session, preset, onopen }: Props = $props();
	let search = $state('');

	const found = $derived(
		session.presets.filter((p) => `${p.name} ${p.tags.join(' ')}`.toLowerCase().includes(search.trim().toLowerCase()))
	);
	const lengthOf = (p: ShakePreset): string =>
		p.timing.mode === 'burst' ? `${Number(p.timing.duration.toFixed(2))} s` : 'until stopped';

	async function openMade(made: Promise<string | null>, close: () => void) {
		const key = await made;
		close();
		if (key) onopen(key);
	}
	async function retire(close: () => void) {
		if (await session.retire(preset.id)) close();
	}
</script>

<Popover label="Choose a preset" look="heading" onopen={() => (search = '')}>
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
				<button onclick={() => openMade(session.addNew(), close)}><Plus size={14} /> New</button>
				<button onclick={() => openMade(session.copy(preset.id), close)}><Copy size={14} /> Copy this</button>
				<button onclick={() => retire(close)} disabled={session.order.length < 2}><Archive size={14} /> Retire</button>
			</div>
			<input class="search" placeholder="Find by name or tag" aria-label="Find by name or tag" bind:value={search} />
			<ul>
				{#each found as p (p.id)}
					{@const key = session.order.indexOf(p.id) + 1}
					<li>
						<button
							class:here={p.id === preset.id}
							aria-current={p.id === preset.id}
							onclick={() => {
								close();
								onopen(p.id);
							}}
						>
							<kbd>{key <= 9 ? key : ''}</kbd><span class="title">{p.name}</span><small>{lengthOf(p)}</small>
						</button>
					</li>
				{:else}
					<li class="none">No preset is called or tagged so. “New” makes one.</li>
				{/each}
			</ul>
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
	ul {
		list-style: none;
		margin: 0;
		padding: 0;
	}
	li button {
		display: grid;
		grid-template-columns: 22px 1fr auto;
		gap: 6px;
		align-items: baseline;
		width: 100%;
		border: 0;
		border-radius: 6px;
		background: none;
		padding: 5px 6px;
		text-align: left;
		cursor: pointer;
	}
	li button:hover {
		background: var(--lamp-wash);
	}
	li button.here {
		box-shadow: inset 3px 0 0 var(--lamp);
		font-weight: 600;
	}
	.title {
		overflow: hidden;
		text-overflow: ellipsis;
		white-space: nowrap;
	}
	kbd,
	small {
		font: inherit;
		font-size: 12px;
		color: var(--ink-2);
	}
	.none {
		padding: 8px;
		color: var(--ink-2);
	}
</style>
