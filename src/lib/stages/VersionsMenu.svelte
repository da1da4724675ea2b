<script lang="ts">
	/** Every version of a preset that was kept, and back to any of them. */
	import type { VersionEntry } from '$lib/session/api';
	import type { ProjectSession } from '$lib/session/session.svelte';
	import Popover from '$lib/ui/Popover.svelte';

	interface Props {
		session: ProjectSession;
		preset: { readonly id: string };
		/** What else belongs to it. */
		of?: string;
	}
	let { session, preset, of = '' }: Props = $props();

	let versions = $state.raw<readonly VersionEntry[] | null>(null);
	let trouble = $state('');

	const saved = $derived(session.savedOf(preset.id));
	const keeping = $derived(session.keepingOf(preset.id));
	const clock = new Intl.DateTimeFormat(undefined, { hour: '2-digit', minute: '2-digit' });
	const full = new Intl.DateTimeFormat(undefined, {
		day: 'numeric',
		month: 'short',
		hour: '2-digit',
		minute: '2-digit',
		second: '2-digit'
	});
	const words = $derived(
		{
			kept: saved ? `kept ${clock.format(new Date(saved.savedAt))}` : '',
			changed: 'changed',
			saving: 'keeping …',
			away: 'server away, held here',
			refused: 'one value waits'
		}[keeping]
	);

	async function load() {
		versions = null;
		trouble = '';
		const answer = await session.versions(preset.id);
		if (answer.ok) versions = answer.value;
		else trouble = answer.message;
	}
</script>

<span class:warn={keeping === 'away' || keeping === 'refused'}>
	<Popover label="Versions" look="chip" onopen={load} title="All versions; go back to any of them">
		{#snippet button()}version {saved?.version ?? '–'} · <span data-testid="keeping">{words}</span>{/snippet}
		{#snippet children(close)}
			<div class="body">
				<p>Every change that was kept. {of} Going back makes a new version; nothing is lost.</p>
				{#if trouble}<p role="alert">{trouble} Close and open this list to try again.</p>{/if}
				<ol>
					{#each versions ?? [] as entry (entry.version)}
						<li>
							<strong>{entry.version}</strong>
							<span>{full.format(new Date(entry.savedAt))}{entry.note ? ` · ${entry.note}` : ''}</span>
							{#if entry.version === saved?.version}
								<em>now</em>
							{:else}
								<button
									onclick={async () => {
										await session.restore(preset.id, entry.version);
										close();
									}}>Go back</button
								>
							{/if}
						</li>
					{/each}
				</ol>
			</div>
		{/snippet}
	</Popover>
</span>

<style>
	.warn :global(button.chip) {
		background: var(--lamp-wash);
		border-color: var(--lamp);
		color: var(--lamp-text);
	}
	.body {
		width: 23rem;
		padding: 4px 6px;
	}
	p {
		margin: 0 0 8px;
		color: var(--ink-2);
	}
	ol {
		list-style: none;
		margin: 0;
		padding: 0;
	}
	li {
		display: grid;
		grid-template-columns: 32px 1fr auto;
		gap: 8px;
		align-items: center;
		padding: 4px 0;
		border-top: 1px solid var(--rule);
	}
	em {
		font-style: normal;
		color: var(--lamp-text);
		font-weight: 600;
	}
	li button {
		border: 1px solid var(--rule-strong);
		border-radius: 6px;
		background: var(--field);
		padding: 1px 9px;
		cursor: pointer;
	}
	li button:hover {
		border-color: var(--lamp);
	}
</style>
