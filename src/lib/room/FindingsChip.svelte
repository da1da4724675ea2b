<script lang="ts">
	/** How many errors and warnings there are in the project, and all of them, notes too. */
	import type { ProjectSession } from '$lib/session/session.svelte';
	import Popover from '$lib/ui/Popover.svelte';
	import type { Cue } from 'dinesis-runtime';
	import { cueTitle, titleOf } from './history';

	let { session }: { session: ProjectSession } = $props();

	const findings = $derived(session.findings);
	const errors = $derived(findings.list.filter(({ finding }) => finding.level === 'error').length);
	const SHOWN = 200;
	const many = (count: number, word: string): string => `${count} ${word}${count === 1 ? '' : 's'}`;
	const said = $derived(
		[errors > 0 ? many(errors, 'error') : '', findings.count > errors ? many(findings.count - errors, 'warning') : '']
			.filter(Boolean)
			.join(', ')
	);
</script>

{#if findings.count > 0}
	<span class:grave={errors > 0}>
		<Popover label="Findings" look="chip" title="What looks wrong in the project">
			{#snippet button()}{said}{/snippet}
			{#snippet children(close)}
				<ul aria-label="What was found">
					{#each findings.list.slice(0, SHOWN) as told (told.kind + told.document.id + told.finding.check + told.finding.place + told.finding.sentence)}
						{@const { kind, document, finding } = told}
						<li class={finding.level}>
							<a href={session.addressOf(kind, document.id)} onclick={close}
								>{kind === 'cue'
									? cueTitle(session, document as Cue)
									: titleOf(session, { uuid: '', kind, id: document.id, name: document.name ?? '' })}</a
							>
							<small>{finding.level}</small>
							<p>
								{finding.sentence}
								{#if finding.fix}<button onclick={() => session.fix(told)}>{finding.fix.label}</button>{/if}
							</p>
						</li>
					{/each}
					{#if findings.list.length > SHOWN}<li>and {findings.list.length - SHOWN} more</li>{/if}
				</ul>
			{/snippet}
		</Popover>
	</span>
{/if}

<style>
	span :global(button.chip) {
		background: var(--lamp-wash);
		border-color: var(--lamp);
		color: var(--lamp-text);
	}
	.grave :global(button.chip) {
		border-color: var(--danger);
		color: var(--danger);
	}
	ul {
		list-style: none;
		margin: 0;
		padding: 4px 6px;
		width: min(28rem, 88vw);
	}
	li {
		padding: 5px 0 6px 9px;
		margin-bottom: 5px;
		border-left: 3px solid var(--rule-strong);
	}
	li.warning {
		border-color: var(--lamp);
	}
	li.error {
		border-color: var(--danger);
	}
	a {
		font-weight: 600;
		color: inherit;
	}
	small {
		color: var(--ink-2);
		margin-left: 6px;
	}
	p {
		margin: 1px 0 0;
		font-size: 12.5px;
	}
	li button {
		border: 1px solid var(--rule-strong);
		border-radius: 6px;
		background: var(--field);
		padding: 0 8px;
		cursor: pointer;
	}
	li button:hover {
		border-color: var(--lamp);
	}
</style>
