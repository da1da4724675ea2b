<script lang="ts">
	/** What was handed over before: made again with one press, with what changed since. */
	import { sayKitDifference, type DocumentDifference } from '$lib/handover';
	import Button from '$lib/ui/Button.svelte';
	import Frame from '$lib/ui/Frame.svelte';
	import type { HandoverState } from './handover.svelte';
	import type { Kept } from './targets';

	let { desk }: { desk: HandoverState } = $props();

	const date = new Intl.DateTimeFormat(undefined, { dateStyle: 'medium', timeStyle: 'short' });
	const MOST = 40;
	let shown = $state('');
	const told = (kept: Kept): string => {
		const list = desk.since(kept);
		if (!list) return 'what it was made of cannot be read any more';
		if (list.length === 0) return 'nothing changed since';
		const of = (standing: DocumentDifference['standing']): number => list.filter((d) => d.standing === standing).length;
		return (['changed', 'new', 'gone'] as const)
			.filter((standing) => of(standing) > 0)
			.map((standing) => `${of(standing)} ${standing}`)
			.join(', ');
	};
</script>

<Frame label="Made before" title="Made before" flow="rows">
	{#each desk.kept as kept (kept.name)}
		<div class="row">
			<div>
				<b>{kept.name}</b>
				<small>{date.format(new Date(kept.made))}, {told(kept)}</small>
			</div>
			<Button onclick={() => desk.again(kept)} title="Everything set as it was then">Again</Button>
			<Button aria-expanded={shown === kept.name} onclick={() => (shown = shown === kept.name ? '' : kept.name)}
				>since then</Button
			>
			<Button aria-label="Forget {kept.name}" onclick={() => desk.forget(kept)}>×</Button>
		</div>
		{#if shown === kept.name}
			{@const list = desk.since(kept) ?? []}
			{@const lines = sayKitDifference(list)}
			<ul>
				{#each lines.slice(0, MOST) as line, i (i)}<li class:field={line.startsWith(' ')}>{line.trim()}</li>{:else}<li>
						Nothing changed of what goes out.
					</li>{/each}
				{#if lines.length > MOST}<li>and {lines.length - MOST} more</li>{/if}
			</ul>
		{/if}
	{:else}
		<p>Nothing yet. What is saved or copied is remembered here, to be made again with one press.</p>
	{/each}
</Frame>

<style>
	.row {
		display: flex;
		align-items: center;
		gap: 5px;
	}
	.row div {
		flex: 1;
		min-width: 0;
		display: grid;
		font-size: 13px;
	}
	.row > :global(button) {
		min-height: 26px;
		padding: 1px 8px;
		font-size: 12px;
		white-space: nowrap;
	}
	b {
		overflow: hidden;
		text-overflow: ellipsis;
		white-space: nowrap;
		font-weight: 600;
	}
	small,
	p {
		margin: 0;
		font-size: 12px;
		color: var(--ink-2);
	}
	ul {
		margin: 0;
		padding: 4px 8px;
		list-style: none;
		border-left: 3px solid var(--rule-strong);
		font-size: 12px;
	}
	.field {
		padding-left: 14px;
		color: var(--ink-2);
	}
</style>
