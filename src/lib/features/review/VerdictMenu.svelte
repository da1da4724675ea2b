<script lang="ts">
	/** The verdict to send: what is looked at, or all of it, as a page that prints or as JSON. */
	import Download from '@lucide/svelte/icons/download';
	import { onDestroy } from 'svelte';
	import { isPlayable, type ReviewState } from './review.svelte';
	import { verdictInWorker, type Making } from '$lib/workers/review';
	import Button from '$lib/ui/Button.svelte';
	import Popover from '$lib/ui/Popover.svelte';
	import { fileName, saveText } from '$lib/ui/save-text';

	let { desk }: { desk: ReviewState } = $props();

	const SEEDS = 200;
	let progress = $state<number | null>(null);
	let trouble = $state('');
	let making: Making<{ readonly json: string; readonly html: string }> | null = null;
	onDestroy(() => making?.cancel());

	async function make(as: 'html' | 'json', close: () => void) {
		const { kit, subject, other } = desk;
		if (!kit) return;
		making?.cancel();
		progress = 0;
		trouble = '';
		const subjects = subject ? [subject] : desk.subjects.flatMap(({ list }) => list).filter(isPlayable);
		const against = other?.of === 'kit' ? { name: other.name, kit: other.kit } : null;
		const day = new Intl.DateTimeFormat(undefined, { dateStyle: 'long' }).format(new Date());
		const going = (making = verdictInWorker(
			kit,
			{ subjects, seeds: subject ? SEEDS : SEEDS / 4, against, day },
			(part) => (progress = part)
		));
		try {
			const made = await going.done;
			if (making !== going || !made) return;
			const name = fileName(subject ? desk.nameOf(subject) : kit.name);
			saveText(`${name}.review.${as}`, made[as], as === 'html' ? 'text/html' : 'application/json');
			close();
		} catch (error) {
			if (making === going) trouble = error instanceof Error ? error.message : String(error);
		} finally {
			if (making === going) progress = null;
		}
	}
</script>

<Popover label="Verdict" look="chip" align="right" title="The review as a page to print, or as JSON">
	{#snippet button()}<Download size={13} /> Verdict{/snippet}
	{#snippet children(close)}
		<div class="body">
			<p>
				{desk.subject ? `“${desk.nameOf(desk.subject)}”` : 'All that moves'}: figures over many plays, what passes a
				limit, what was found{desk.other?.of === 'kit' ? `, against ${desk.other.name}` : ''}.
			</p>
			{#if progress !== null}
				<p>
					<progress max="1" value={progress} aria-label="How much is played"></progress>
					<Button
						onclick={() => {
							making?.cancel();
							making = null;
							progress = null;
						}}>Stop</Button
					>
				</p>
			{:else}
				<p>
					<Button strong onclick={() => make('html', close)}>A page to print</Button>
					<Button onclick={() => make('json', close)}>JSON</Button>
				</p>
				<p class="hint">
					In a pipeline: <code>./dinesis review KIT --comfort --json</code> fails where a limit is passed.
				</p>
			{/if}
			{#if trouble}<p role="alert" class="wrong">{trouble}</p>{/if}
		</div>
	{/snippet}
</Popover>

<style>
	.body {
		width: 20rem;
		display: grid;
		gap: 8px;
		padding: 6px;
	}
	p {
		margin: 0;
		display: flex;
		gap: 6px;
		align-items: center;
		flex-wrap: wrap;
		font-size: 12.5px;
	}
	progress {
		flex: 1;
	}
	.hint {
		color: var(--ink-2);
	}
	.wrong {
		color: var(--danger);
	}
</style>
