<script lang="ts">
	/** Copies of the whole project: made, listed, brought back. */
	import Download from '@lucide/svelte/icons/download';
	import RotateCcw from '@lucide/svelte/icons/rotate-ccw';
	import { MOST_BYTES } from '$lib/documents';
	import { backupAddress, type Backup } from '$lib/session/project-api';
	import Button from '$lib/ui/Button.svelte';
	import FileDrop from '$lib/ui/FileDrop.svelte';
	import { since } from '$lib/ui/since';
	import TextField from '$lib/ui/TextField.svelte';
	import Card from './Card.svelte';
	import type { ProjectPage } from './project.svelte';

	let { page }: { page: ProjectPage } = $props();
	const { session } = $derived(page);
	let name = $state('');
	const full = new Intl.DateTimeFormat(undefined, { dateStyle: 'medium', timeStyle: 'short' });
	const named = (backup: Backup): string => backup.name || `the backup of ${full.format(new Date(backup.savedAt))}`;

	async function make(event: SubmitEvent) {
		event.preventDefault();
		if (await page.makeBackup(name)) name = '';
	}
</script>

<Card
	title="Backups"
	says="Copies of the whole project as it is. One that is brought back is one step: undo takes it back, and what was there before is kept as well."
>
	<form onsubmit={make}>
		<TextField
			aria-label="What the backup is called"
			placeholder="what for? (may stay empty)"
			maxlength={120}
			bind:value={name}
		/>
		<button class="main" disabled={page.busy}>Make a backup</button>
	</form>
	{#if page.trouble}<p class="trouble" role="alert">{page.trouble}</p>{/if}
	<ul>
		{#each page.backups ?? [] as backup (backup.id)}
			<li>
				<span
					><b>{backup.name || 'Backup'}</b>
					<small title={full.format(new Date(backup.savedAt))}
						>{since(new Date(backup.savedAt), new Date())}{backup.who ? `, ${backup.who}` : ''} · {Math.ceil(
							backup.bytes / 1024
						)} kB</small
					></span
				>
				<Button aria-label="Bring back {named(backup)}" onclick={() => page.bringBack(backup, named(backup))}
					><RotateCcw size={14} /> Bring back</Button
				>
				<a
					href={backupAddress(session.project.slug, backup.id)}
					download
					data-sveltekit-reload
					aria-label="Save {named(backup)} as a file"
					title="Save it as a file"><Download size={15} /></a
				>
			</li>
		{:else}
			<li class="none">{page.backups === null ? 'They are on their way …' : 'None yet.'}</li>
		{/each}
	</ul>
	<FileDrop
		label="A backup’s file to bring back"
		accept=".json,application/json"
		most={MOST_BYTES}
		onfile={({ name: file, bytes }) => page.returnTo(bytes, file)}
		ontrouble={(message) => (page.trouble = message)}
	>
		<span>or of a file that was saved: choose one, or drop it here</span>
	</FileDrop>
	<p class="foot">Besides, Dinesis keeps all projects once a day: <code>./dinesis restore --list</code>.</p>
</Card>

<style>
	form {
		display: flex;
		gap: 8px;
	}
	form > :global(input) {
		flex: 1;
	}
	.main {
		border: 1px solid var(--ink);
		border-radius: 6px;
		background: var(--ink);
		color: var(--sheet);
		padding: 4px 12px;
		cursor: pointer;
	}
	.trouble {
		margin: 8px 0 0;
		border-left: 4px solid var(--danger);
		padding: 2px 10px;
	}
	ul {
		list-style: none;
		margin: 8px 0;
		padding: 0;
		max-height: 220px;
		overflow: auto;
		border-top: 1px solid var(--rule);
	}
	li {
		display: grid;
		grid-template-columns: minmax(0, 1fr) max-content 28px;
		gap: 8px;
		align-items: center;
		padding: 4px 0;
		border-bottom: 1px solid var(--rule);
	}
	li span {
		min-width: 0;
		display: grid;
	}
	b {
		overflow: hidden;
		text-overflow: ellipsis;
		white-space: nowrap;
		font-weight: 600;
	}
	small,
	.none,
	.foot {
		font-size: 12px;
		color: var(--ink-2);
	}
	.foot {
		margin: 8px 0 0;
	}
	a {
		display: grid;
		place-items: center;
		width: 28px;
		height: 28px;
		border-radius: 6px;
		color: var(--ink-2);
	}
	a:hover {
		background: var(--lamp-wash);
		color: var(--ink);
	}
	code {
		font-family: inherit;
		font-weight: 600;
	}
</style>
