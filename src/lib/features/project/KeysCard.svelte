<script lang="ts">
	/** The eighteen keys and what each fires. */
	import { KEY_IDS } from '$lib/documents';
	import { capOf, writtenKey } from '$lib/room/key-board';
	import KeyTarget from '$lib/room/KeyTarget.svelte';
	import type { ProjectSession } from '$lib/session/session.svelte';
	import Card from './Card.svelte';

	let { session }: { session: ProjectSession } = $props();
</script>

<Card
	title="Keys"
	says="What 1–9 and Shift 1–9 fire on the Bench. Those without a mark stand in the order of the project; press one to give it something."
>
	<ul>
		{#each KEY_IDS as id (id)}
			{@const cap = capOf(session, id)}
			<li>
				<KeyTarget {session} {id}>
					{#snippet button()}
						<span class="cap"
							><kbd>{writtenKey(id)}</kbd>
							<span class:given={cap?.given} class:none={!cap}>{cap?.name ?? 'nothing yet'}</span>
							{#if cap?.given}<small>{cap.kind === 'event' ? 'event' : 'given'}</small>{/if}</span
						>
					{/snippet}
				</KeyTarget>
			</li>
		{/each}
	</ul>
</Card>

<style>
	ul {
		list-style: none;
		margin: 0;
		padding: 0;
		display: grid;
		grid-template-rows: repeat(9, auto);
		grid-auto-flow: column;
		grid-template-columns: minmax(0, 1fr) minmax(0, 1fr);
		gap: 2px 14px;
	}
	li {
		min-width: 0;
		border-bottom: 1px solid var(--rule);
	}
	li :global(.root),
	li :global(.root > button) {
		width: 100%;
		min-width: 0;
		text-align: left;
	}
	.cap {
		display: grid;
		grid-template-columns: 26px minmax(0, 1fr) max-content;
		gap: 8px;
		align-items: baseline;
		padding: 2px 0;
	}
	.cap > span {
		overflow: hidden;
		text-overflow: ellipsis;
		white-space: nowrap;
	}
	kbd {
		font: inherit;
		font-weight: 600;
		text-align: center;
		border: 1px solid var(--brass);
		border-bottom-width: 2px;
		border-radius: 5px;
		background: linear-gradient(var(--cap-top), var(--cap-foot));
	}
	.given {
		font-weight: 600;
	}
	.none,
	small {
		color: var(--ink-2);
	}
	small {
		font-size: 11.5px;
	}
</style>
