<script lang="ts">
	/** What it was then beside what it is now: every field with both values, each taken back by itself, or all of it. */
	import { onMount } from 'svelte';
	import { documentOf, type Scope, type ToldStretch } from '$lib/documents';
	import type { Then } from '$lib/session/api';
	import { sinceThen, wayBack } from '$lib/session/histories';
	import type { ProjectSession } from '$lib/session/session.svelte';
	import Button from '$lib/ui/Button.svelte';
	import Dialog from '$lib/ui/Dialog.svelte';
	import FieldsCompared from './FieldsCompared.svelte';
	import { momentOf, PLAYED, titleOf, type PlayBeside } from './history';

	interface Props {
		session: ProjectSession;
		scope: Scope;
		stretch: ToldStretch;
		onbeside?: PlayBeside;
		/** With true where what it stands before is wanted: it went back, or plays. */
		onclose: (left: boolean) => void;
	}
	let { session, scope, stretch, onbeside, onclose }: Props = $props();

	let list = $state.raw<readonly Then[] | null>(null);
	onMount(
		() => void session.histories.then(scope, stretch.last).then((then) => (then ? (list = then) : onclose(false)))
	);

	/** As they stand this moment: what is taken back is gone from the list. */
	const standing = $derived(
		(list ?? []).flatMap(({ now, was }) => {
			const held = session.histories.held(now.uuid) ?? now;
			if (wayBack(held, was).length === 0) return [];
			const name = (documentOf(held.kind, held.body) as { name?: string }).name ?? '';
			const title = titleOf(session, { uuid: held.uuid, kind: held.kind, id: held.id, name });
			return [{ then: { now: held, was }, title, lines: was ? sinceThen(held, was) : [] }];
		})
	);
	const used = (was: boolean, now: boolean): string =>
		was === now ? '' : was ? 'was out of use then' : 'is out of use now';
</script>

<Dialog wide open title="{momentOf(stretch)} and now" onclose={() => onclose(false)}>
	<div class="body">
		{#if list && standing.length === 0}<p>It is as it was then.</p>{/if}
		{#each standing as { then, title, lines } (then.now.uuid)}
			<section aria-label={title}>
				<h3>
					{title}
					{#if !then.was}<small>was not made yet</small>
					{:else}<small>{used(then.was.retired, then.now.retired)}</small>{/if}
					{#if onbeside && then.was && PLAYED.includes(then.now.kind)}
						<Button
							onclick={() => {
								onbeside(documentOf(then.now.kind, then.was!.body), then.now.kind, momentOf(stretch));
								onclose(true);
							}}>Play beside now</Button
						>
					{/if}
				</h3>
				{#if lines.length > 0}
					<FieldsCompared
						heads={['then', 'now']}
						{lines}
						act={{
							label: 'take back',
							name: ({ label }) => `Take ${label} back`,
							run: (line) => session.histories.takeBack(then, line)
						}}
					/>
				{/if}
			</section>
		{/each}
	</div>
	<footer>
		<Button
			disabled={standing.length === 0}
			onclick={() => {
				session.histories.goBack(momentOf(stretch), list!);
				onclose(true);
			}}>Go back to all of it</Button
		>
		<span>What is there now stays in the history; undo brings it back.</span>
	</footer>
</Dialog>

<style>
	.body {
		max-height: 60vh;
		overflow: auto;
	}
	h3 {
		display: flex;
		align-items: baseline;
		gap: 10px;
		margin: 10px 0 4px;
		font-size: 14px;
	}
	small {
		font-weight: 400;
		color: var(--ink-2);
	}
	h3 :global(button) {
		margin-left: auto;
		font-weight: 400;
	}
	footer {
		display: flex;
		align-items: center;
		gap: 12px;
		margin-top: 14px;
		color: var(--ink-2);
		font-size: 12.5px;
	}
</style>
