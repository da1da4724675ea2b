<script lang="ts">
	/** What a number key fires: pressed, another preset or event is found for it. */
	import type { Snippet } from 'svelte';
	import type { KeyTarget } from '$lib/documents';
	import type { ProjectSession } from '$lib/session/session.svelte';
	import PickList from '$lib/ui/PickList.svelte';
	import Popover from '$lib/ui/Popover.svelte';
	import { capOf, writtenKey } from './key-board';

	interface Props {
		session: ProjectSession;
		/** `1` … `9`, `shift-1` … `shift-9`. */
		id: string;
		look?: 'plain' | 'icon';
		align?: 'left' | 'right';
		button: Snippet;
	}
	let { session, id, look = 'plain', align, button }: Props = $props();

	const cap = $derived(capOf(session, id));
	const groups = $derived([
		{
			title: 'Presets',
			entries: session.presets.map((p) => ({ id: p.id, label: p.name, about: p.tags.slice(0, 2).join(', ') })),
			none: 'No preset yet.'
		},
		{
			title: 'Events, with all that answers them',
			entries: session.wiring.events.map((event) => ({ id: event.id, label: event.name, about: `a ${event.kind}` })),
			none: 'No event yet.'
		}
	]);
	function take(target: KeyTarget): void {
		const list = target.kind === 'preset' ? session.presets : session.wiring.events;
		session.settings.setKey(id, target, `“${list.find((one) => one.id === target.of)?.name ?? target.of}”`);
	}
</script>

<Popover label="Key {writtenKey(id)}: {cap?.name ?? 'nothing'}. Give it something else" {look} {align} {button}>
	{#snippet children(close)}
		<div class="body">
			<p>
				What key <b>{writtenKey(id)}</b> fires, for everybody on the project.
				{#if cap?.given}<button
						onclick={() => {
							close();
							session.settings.setKey(id, null, '');
						}}>By its place again</button
					>{/if}
			</p>
			<PickList
				label="Find a preset or an event"
				{groups}
				here={cap?.of}
				onpick={(of, group) => {
					close();
					take({ kind: group === 0 ? 'preset' : 'event', of });
				}}
			/>
		</div>
	{/snippet}
</Popover>

<style>
	.body {
		width: 20rem;
		padding: 6px 8px;
		display: grid;
		gap: 4px;
	}
	p {
		margin: 0;
		font-size: 12.5px;
		color: var(--ink-2);
	}
	button {
		border: 0;
		background: none;
		padding: 0;
		color: var(--lamp-text);
		text-decoration: underline;
		cursor: pointer;
	}
</style>
