<script lang="ts">
	/** What goes out: everything, or what is chosen with what it needs; and what is found wrong in it, before it leaves. */
	import { standingOf } from '$lib/handover';
	import Button from '$lib/ui/Button.svelte';
	import Frame from '$lib/ui/Frame.svelte';
	import Segments from '$lib/ui/Segments.svelte';
	import TextField from '$lib/ui/TextField.svelte';
	import { GROUPS, type HandoverState } from './handover.svelte';

	let { desk }: { desk: HandoverState } = $props();

	let typed = $state('');
	/** So many of a kind are listed; one types. */
	const MOST = 120;
	const MOST_FOUND = 4;
	const words = $derived(typed.trim().toLowerCase().split(/\s+/).filter(Boolean));
	const groups = $derived(
		GROUPS.map(([kind, title]) => {
			const all = desk.entries.filter((entry) => entry.picked.kind === kind);
			const found = all.filter((entry) =>
				words.every((word) => `${entry.name} ${entry.words}`.toLowerCase().includes(word))
			);
			return { kind, title, all: all.length, found, shown: found.slice(0, MOST) };
		}).filter(({ all }) => all > 0)
	);
	const counts = $derived.by(() => {
		const { kit } = desk;
		if (!kit) return '';
		const list: readonly (readonly [number, string, string])[] = [
			[kit.presets.length, 'preset', 'presets'],
			[kit.events.length, 'event', 'events'],
			[kit.cues.length, 'cue', 'cues'],
			[kit.rigs.length, 'rig', 'rigs'],
			[kit.parameters.length, 'game value', 'game values'],
			[kit.courses.length, 'course', 'courses']
		];
		return list
			.filter(([count]) => count > 0)
			.map(([count, one, many]) => `${count} ${count === 1 ? one : many}`)
			.join(', ');
	});
	const needed = $derived(desk.drawn?.needed.size ?? 0);
</script>

<Frame label="What goes out" title="What goes out" flow="rows">
	<div class="scope">
		<Segments
			small
			label="How much"
			value={desk.scope}
			options={[
				{ value: 'all', label: 'everything' },
				{ value: 'part', label: 'what is chosen', title: 'With what it needs, drawn in by itself' }
			]}
			onchange={(scope: 'all' | 'part') => (desk.scope = scope)}
		/>
	</div>
	<p role="status">
		{counts || 'Nothing yet: choose below.'}{needed > 0 ? `; ${needed} of them drawn in by the others` : ''}
	</p>
	{#if desk.scope === 'part'}
		<TextField aria-label="Find by name, id or tag" placeholder="find by name, id or tag" bind:value={typed} />
		<div class="list">
			{#each groups as { kind, title, found, shown, all } (kind)}
				<h3>
					{title} <span>{found.length === all ? all : `${found.length} of ${all}`}</span>
					<Button
						aria-label="Choose all {title.toLowerCase()} that are listed"
						onclick={() => {
							const keys = found.map(({ key }) => key);
							desk.chooseTagged(keys, !keys.every((key) => desk.chosen.has(key)));
						}}>all</Button
					>
				</h3>
				{#each shown as { key, picked, name } (key)}
					{@const standing = desk.drawn ? standingOf(desk.drawn, picked.kind, picked.id) : null}
					<label
						><input type="checkbox" checked={desk.chosen.has(key)} onchange={() => desk.toggle(key)} />
						<span class="name">{name}</span>{#if standing === 'needed'}<em>drawn in</em>{/if}</label
					>
				{/each}
				{#if found.length > MOST}<small>and {found.length - MOST} more; type to find them</small>{/if}
			{/each}
		</div>
	{/if}
	{#if desk.findings.length > 0}
		<div class="found">
			{#each desk.findings.slice(0, MOST_FOUND) as { kind, document, finding }, i (i)}
				<p class={finding.level}>
					<a href={desk.session.addressOf(kind, document.id)}>{document.name ?? document.id}</a>: {finding.sentence}
				</p>
			{/each}
			{#if desk.findings.length > MOST_FOUND}<p>and {desk.findings.length - MOST_FOUND} more</p>{/if}
		</div>
	{:else}<p>Nothing is found wrong in it.</p>{/if}
</Frame>

<style>
	p {
		margin: 0;
		font-size: 12.5px;
		color: var(--ink-2);
	}
	.scope {
		justify-self: start;
	}
	.list {
		display: grid;
		align-content: start;
		gap: 1px;
		min-height: 120px;
		max-height: 46vh;
		overflow: auto;
		padding-right: 4px;
	}
	h3 {
		display: flex;
		align-items: center;
		gap: 6px;
		margin: 6px 0 2px;
		font: 600 12.5px var(--text);
	}
	h3 span {
		flex: 1;
		font-weight: 400;
		color: var(--ink-2);
	}
	h3 > :global(button) {
		min-height: 24px;
		padding: 0 8px;
		font-size: 12px;
	}
	label {
		display: flex;
		align-items: center;
		gap: 6px;
		min-height: 24px;
		font-size: 13px;
	}
	.name {
		overflow: hidden;
		text-overflow: ellipsis;
		white-space: nowrap;
	}
	input {
		accent-color: var(--lamp);
		flex: none;
	}
	em,
	small {
		font-style: normal;
		font-size: 11.5px;
		color: var(--ink-2);
		white-space: nowrap;
	}
	.found {
		display: grid;
		gap: 4px;
	}
	.found p {
		padding-left: 8px;
		border-left: 3px solid var(--rule-strong);
	}
	.found .warning {
		border-color: var(--lamp);
		color: var(--ink);
	}
	.found .error {
		border-color: var(--danger);
		color: var(--danger);
	}
</style>
