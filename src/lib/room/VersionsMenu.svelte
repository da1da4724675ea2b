<script lang="ts">
	/** How a document stands with the server, and its history. */
	import { onMount } from 'svelte';
	import type { ProjectSession } from '$lib/session/session.svelte';
	import { fetchAfterPaint } from '$lib/ui/after-paint';
	import Popover from '$lib/ui/Popover.svelte';
	import type { PlayBeside } from './history';

	interface Props {
		session: ProjectSession;
		/** The document's key. */
		of: string;
		/** What else belongs to it. */
		about?: string;
		onbeside?: PlayBeside;
	}
	let { session, of, about = '', onbeside }: Props = $props();

	onMount(() =>
		fetchAfterPaint(
			() => import('./History.svelte'),
			() => import('./FindingsChip.svelte')
		)
	);
	const saved = $derived(session.standing.savedOf(of));
	const keeping = $derived(session.standing.keepingOf(of));
	const clock = new Intl.DateTimeFormat(undefined, { hour: '2-digit', minute: '2-digit' });
	const words = $derived(
		{
			kept: saved ? `kept ${clock.format(new Date(saved.savedAt))}` : '',
			changed: 'changed',
			saving: 'keeping …',
			away: 'server away, held here',
			refused: 'one value waits'
		}[keeping]
	);
</script>

<span class:warn={keeping === 'away' || keeping === 'refused'}>
	<Popover label="Versions" look="chip" title="What was done, and back to any of it">
		{#snippet button()}version {saved?.version ?? '–'}
			<span class="how" class:calm={keeping === 'kept'}>· <span data-testid="keeping">{words}</span></span>{/snippet}
		{#snippet children(close)}
			<div class="body">
				{#if about}<p>{about}</p>{/if}
				{#await import('./History.svelte') then { default: History }}
					<History {session} scope={session.standing.scopeOf(of)} {onbeside} onleave={close} />
				{/await}
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
	/* On a narrow page only what asks for a look is said. */
	@media (max-width: 1180px) {
		.how.calm {
			position: absolute;
			clip-path: inset(50%);
		}
	}
	.body {
		width: min(31rem, 90vw);
		padding: 4px 6px;
	}
	p {
		margin: 0 0 4px;
		color: var(--ink-2);
		font-size: 12.5px;
	}
</style>
