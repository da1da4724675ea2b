<script lang="ts">
	/** What was found, why it matters, its fix; what is left alone, and for which reason. */
	import { KINDS, type AnyDocument, type Told } from '$lib/documents';
	import type { Cue } from 'dinesis-runtime';
	import { cueTitle } from '$lib/room/history';
	import type { ProjectSession } from '$lib/session/session.svelte';
	import Button from '$lib/ui/Button.svelte';
	import TextField from '$lib/ui/TextField.svelte';

	interface Props {
		session: ProjectSession;
		/** Of one document; left out: of all. */
		of?: { readonly kind: string; readonly id: string };
	}
	let { session, of }: Props = $props();

	const findings = $derived(session.findings);
	const isOf = ({ kind, document }: Told): boolean => !of || (kind === of.kind && document.id === of.id);
	const list = $derived(findings.list.filter(isOf));
	/** Something is still to be looked at. */
	const looks = $derived(of ? findings.looks && !findings.knows(of) : findings.looks);
	const alone = $derived(findings.leftAlone.filter(({ told }) => isOf(told)));
	/** Which one is about to be left alone. */
	let asked = $state('');
	let reason = $state<string>('');

	const keyOf = (told: Told): string =>
		`${told.kind} ${told.document.id} ${told.finding.check} ${told.finding.place} ${told.finding.sentence}`;
	const nameOf = ({ kind, document }: Told): string =>
		kind === 'cue'
			? cueTitle(session, document as AnyDocument & Cue).replace(/^cue: /, '')
			: (document.name ?? document.id);
	function leave({ kind, document, finding }: Told) {
		session.settings.leaveAlone({ kind, of: document.id, check: finding.check, reason });
		asked = reason = '';
	}
	const again = ({ kind, document, finding }: Told): void =>
		session.settings.leaveAlone({ kind, of: document.id, check: finding.check, reason: '' });
</script>

<div class="found">
	<p role="status">
		{#if list.length === 0}{looks ? 'Looking …' : 'Nothing is found.'}
		{:else}{list.length} found{looks ? ', still looking …' : '.'}{/if}
	</p>
	<ul aria-label="What was found">
		{#each list as told (keyOf(told))}
			{@const { finding } = told}
			<li class={finding.level}>
				{#if !of}<a href={session.addressOf(told.kind, told.document.id)}
						>{nameOf(told)} <small>{KINDS[told.kind].word}</small></a
					>{/if}
				<p>{finding.sentence}</p>
				{#if finding.why}<p class="why">{finding.why}</p>{/if}
				{#if asked === keyOf(told)}
					<form
						onsubmit={(event) => {
							event.preventDefault();
							if (reason.trim()) leave(told);
						}}
					>
						<TextField
							bind:value={reason}
							aria-label="Why it is meant so"
							placeholder="Why it is meant so"
							maxlength={400}
						/>
						<Button strong type="submit" disabled={!reason.trim()}>Leave it alone</Button>
						<Button type="button" onclick={() => (asked = reason = '')}>Cancel</Button>
					</form>
				{:else}
					<p class="acts">
						{#if finding.fix}<Button strong onclick={() => session.fix(told)}>{finding.fix.label}</Button>{/if}
						<Button
							title="It is not told any more, anywhere, and why is kept"
							onclick={() => {
								asked = keyOf(told);
								reason = '';
							}}>It is meant so …</Button
						>
					</p>
				{/if}
			</li>
		{/each}
	</ul>
	{#if alone.length > 0}
		<h3>Left alone</h3>
		<ul aria-label="What is left alone">
			{#each alone as { told, why } (keyOf(told))}
				<li>
					{#if !of}<a href={session.addressOf(told.kind, told.document.id)}
							>{nameOf(told)} <small>{KINDS[told.kind].word}</small></a
						>{/if}
					<p>{told.finding.sentence}</p>
					<p class="why">Meant so: {why.reason}</p>
					<p class="acts"><Button onclick={() => again(told)}>Tell it again</Button></p>
				</li>
			{/each}
		</ul>
	{/if}
</div>

<style>
	.found {
		display: grid;
		gap: 8px;
		align-content: start;
	}
	ul {
		list-style: none;
		margin: 0;
		padding: 0;
		display: grid;
		gap: 8px;
	}
	li {
		padding: 2px 0 4px 10px;
		border-left: 3px solid var(--rule-strong);
	}
	.warning {
		border-color: var(--lamp);
	}
	.error {
		border-color: var(--danger);
	}
	a {
		font-weight: 600;
		color: inherit;
	}
	small {
		color: var(--ink-2);
		font-weight: 400;
	}
	p {
		margin: 2px 0;
		font-size: 13px;
	}
	.why {
		color: var(--ink-2);
		font-size: 12.5px;
	}
	.acts,
	form {
		display: flex;
		gap: 6px;
		align-items: end;
		flex-wrap: wrap;
	}
	h3 {
		margin: 8px 0 0;
		font-size: 14px;
	}
</style>
