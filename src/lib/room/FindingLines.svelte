<script lang="ts">
	/** What was found in a document, at the place where one works on it, each with its fix. */
	import type { AnyDocument, Finding } from '$lib/documents';

	interface Props {
		list: readonly Finding<AnyDocument>[];
		/** Carries out a fix. Left out: it can only be read. */
		onfix?: (finding: Finding<AnyDocument>) => void;
		/** How many are shown; the others are counted. */
		most?: number;
	}
	let { list, onfix, most = 99 }: Props = $props();
</script>

{#each list.slice(0, most) as finding (finding.check + finding.place + finding.sentence)}
	<p class={finding.level} role={finding.level === 'note' ? undefined : 'status'}>
		{finding.sentence}
		{#if finding.fix && onfix}<button onclick={() => onfix(finding)}>{finding.fix.label}</button>{/if}
	</p>
{/each}
{#if list.length > most}<p class="note">and {list.length - most} more</p>{/if}

<style>
	p {
		margin: 0;
		padding-left: 8px;
		border-left: 3px solid var(--rule-strong);
		font-size: 12.5px;
		color: var(--ink-2);
	}
	.warning {
		border-color: var(--lamp);
		color: var(--ink);
	}
	.error {
		border-color: var(--danger);
		color: var(--danger);
	}
	button {
		margin-left: 4px;
		border: 1px solid var(--rule-strong);
		border-radius: 6px;
		background: var(--field);
		color: var(--ink);
		padding: 0 8px;
		cursor: pointer;
	}
	button:hover {
		border-color: var(--lamp);
	}
</style>
