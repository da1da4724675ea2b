<script lang="ts">
	/**
	 * Values that were not taken because somebody else changed the same field first. Each is a small note at its field, or in the corner where
	 * the field is not on the page: it takes no focus and no key, says both values, and waits for a press. The work goes on meanwhile.
	 */
	import type { ProjectSession, Refused } from '$lib/session/session.svelte';
	import { keepBeside } from '$lib/ui/beside';
	import Button from '$lib/ui/Button.svelte';

	let { session }: { session: ProjectSession } = $props();

	const clock = new Intl.DateTimeFormat(undefined, { hour: '2-digit', minute: '2-digit' });
	const at = ({ savedAt }: Refused): string => (savedAt ? `, at ${clock.format(new Date(savedAt))}` : '');

	function show(value: unknown): string {
		if (value === undefined) return 'not there';
		if (value === null) return 'none';
		if (typeof value === 'number') return String(Number(value.toPrecision(6)));
		if (typeof value === 'string') return value === '' ? 'empty' : value.length > 40 ? `${value.slice(0, 39)}…` : value;
		if (typeof value === 'boolean') return value ? 'on' : 'off';
		if (Array.isArray(value)) return `${value.length} entries`;
		const named = (value as { name?: unknown; id?: unknown }).name ?? (value as { id?: unknown }).id;
		return typeof named === 'string' ? `“${named}”` : 'several values';
	}

	/** Keeps a note beside its field, as long as that is on the page. */
	function beside(note: HTMLElement, refused: Refused) {
		const name = session.waiting.controlOf(refused);
		const control = name && document.querySelector(`.page [aria-label="${CSS.escape(name)}"]`);
		if (!control) return;
		note.classList.add('beside');
		return { destroy: keepBeside(control, note, { gap: 4 }) };
	}
</script>

<div class="notes">
	{#each session.waiting.list as refused (refused.id)}
		{@const standing = session.waiting.standing(refused)}
		<section class="note" aria-label="Not taken: {standing.field} of {standing.name}" use:beside={refused}>
			<p role="status">
				<b>{standing.field}</b> of “{standing.name}”:
				{#if refused.reason === 'changed'}
					{refused.who || 'somebody else'} made it <output>{show(standing.theirs)}</output> first{at(refused)}. Yours,
					<output>{show(refused.mine)}</output>, waits here.
				{:else}
					yours, <output>{show(refused.mine)}</output>, was not taken. {refused.message}
				{/if}
			</p>
			<div>
				<Button onclick={() => session.waiting.take(refused.id)}>Take mine</Button>
				<Button onclick={() => session.waiting.drop(refused.id)}>Drop mine</Button>
			</div>
		</section>
	{/each}
</div>

<style>
	.notes {
		position: fixed;
		right: 14px;
		bottom: 14px;
		z-index: 6;
		display: grid;
		gap: 8px;
		max-height: calc(100vh - 100px);
		overflow: auto;
	}
	.note {
		width: 286px;
		border: 1px solid var(--rule-strong);
		border-left: 3px solid var(--lamp);
		border-radius: 7px;
		background: var(--sheet);
		box-shadow: var(--shadow);
		padding: 6px 10px;
		font-size: 12.5px;
		pointer-events: none;
		/* It comes under a pointer that may be about to press something else: for a moment it cannot be pressed. */
		animation: settle 0.7s forwards;
	}
	.note:global(.beside) {
		position: fixed;
	}
	@keyframes settle {
		99% {
			pointer-events: none;
		}
		100% {
			pointer-events: auto;
		}
	}
	p {
		margin: 0 0 5px;
		color: var(--ink-2);
	}
	b,
	output {
		color: var(--ink);
		font-weight: 600;
	}
	section > div {
		display: flex;
		gap: 6px;
	}
</style>
