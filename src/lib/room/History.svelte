<script lang="ts">
	/** What was done, by day and stretch of work, the newest first: named, marked, compared with now, gone back to. */
	import Star from '@lucide/svelte/icons/star';
	import { onMount } from 'svelte';
	import type { Scope, ToldStretch } from '$lib/documents';
	import type { ProjectSession } from '$lib/session/session.svelte';
	import Button from '$lib/ui/Button.svelte';
	import CompareVersions from './CompareVersions.svelte';
	import { dayOf, linesOf, momentOf, spanOf, titleOf, type PlayBeside } from './history';

	interface Props {
		session: ProjectSession;
		scope: Scope;
		onbeside?: PlayBeside;
		/** It went back, or plays: the panel is in the way. */
		onleave: () => void;
	}
	let { session, scope, onbeside, onleave }: Props = $props();

	/** Lines of a stretch that are shown at once. */
	const SHORT = 4;
	let stretches = $state.raw<readonly ToldStretch[] | null>(null);
	let before = $state<number | null>(null);
	let trouble = $state('');
	/** By the number of their last change. */
	let opened = $state.raw<Readonly<Record<number, readonly ToldStretch[]>>>({});
	let whole = $state.raw<ReadonlySet<number>>(new Set());
	let compared = $state.raw<ToldStretch | null>(null);
	const several = $derived((scope.uuids?.length ?? 2) > 1);
	const newest = $derived(stretches?.[0]?.last);

	async function load(from?: number) {
		// Of nothing there is no history; asked for without names it would be everything's.
		if (scope.uuids?.length === 0) return void (stretches = []);
		const answer = await session.histories.list(scope, from);
		if (!answer.ok) return void (trouble = answer.message);
		trouble = '';
		stretches = [...(from ? (stretches ?? []) : []), ...answer.value.stretches];
		before = answer.value.before;
	}
	onMount(() => void load());

	async function openUp(stretch: ToldStretch) {
		const { [stretch.last]: shown, ...rest } = opened;
		if (shown) return void (opened = rest);
		const answer = await session.histories.single(scope, stretch);
		if (!answer.ok) return void (trouble = answer.message);
		opened = { ...opened, [stretch.last]: answer.value.stretches };
	}
	async function goBack(stretch: ToldStretch) {
		const then = await session.histories.then(scope, stretch.last);
		if (!then) return;
		session.histories.goBack(momentOf(stretch), then);
		onleave();
	}
	async function mark(stretch: ToldStretch, part: { name?: string; starred?: boolean }) {
		const { name, starred } = { ...stretch, ...part };
		if (!(await session.histories.mark(stretch.last, { name: name.trim(), starred }))) return;
		const put = (list: readonly ToldStretch[]) =>
			list.map((one) => (one.last === stretch.last ? { ...one, name: name.trim(), starred } : one));
		stretches = put(stretches ?? []);
		opened = Object.fromEntries(Object.entries(opened).map(([last, list]) => [last, put(list)]));
	}
	const isNewDay = (i: number): boolean => i === 0 || dayOf(stretches![i - 1]!.until) !== dayOf(stretches![i]!.until);
</script>

{#snippet one(stretch: ToldStretch, single: boolean)}
	{@const all = whole.has(stretch.last)}
	{@const lines = stretch.documents.flatMap((told) => {
		const title = several ? titleOf(session, told) : '';
		return linesOf(told).map((text, k) => ({ title: k === 0 ? title : '', text }));
	})}
	<li class:single data-last={stretch.last}>
		<div class="head">
			<strong title={new Date(stretch.until).toLocaleString()}>{spanOf(stretch)}</strong>
			<span class="by"
				>{[
					stretch.changes > 1 ? `${stretch.changes} changes` : '',
					stretch.who.join(', '),
					...stretch.notes.filter((note) => note !== 'made new' || stretch.documents.every((d) => d.became !== 'made'))
				]
					.filter(Boolean)
					.join(' · ')}</span
			>
			<input
				class="name"
				class:empty={stretch.name === ''}
				aria-label="Name of {spanOf(stretch)}"
				placeholder="name it"
				maxlength="120"
				value={stretch.name}
				onchange={(e) => void mark(stretch, { name: e.currentTarget.value })}
				onkeydown={(e) => e.key === 'Enter' && e.currentTarget.blur()}
			/>
			<button
				class="star"
				class:on={stretch.starred}
				aria-pressed={stretch.starred}
				aria-label="Mark {spanOf(stretch)}"
				title={stretch.starred ? 'Marked' : 'Mark it'}
				onclick={() => void mark(stretch, { starred: !stretch.starred })}
				><Star size={13} fill={stretch.starred ? 'currentColor' : 'none'} /></button
			>
		</div>
		<ul class="lines">
			{#each all ? lines : lines.slice(0, SHORT) as line, k (k)}
				<li>
					{#if line.title}<b>{line.title}</b>{/if}
					{line.text}
				</li>
			{/each}
			{#if lines.length > SHORT && !all}
				<li>
					<button class="link" onclick={() => (whole = new Set([...whole, stretch.last]))}
						>{lines.length - SHORT} more lines</button
					>
				</li>
			{/if}
			{#if stretch.more > 0}<li class="quiet">and {stretch.more} more documents</li>{/if}
		</ul>
		<div class="acts">
			{#if stretch.last === newest}
				<em>now</em>
			{:else}
				<Button onclick={() => (compared = stretch)}>Compare</Button>
				<Button onclick={() => void goBack(stretch)}>Go back</Button>
			{/if}
			{#if !single && stretch.changes > 1}
				<button class="link" aria-expanded={stretch.last in opened} onclick={() => void openUp(stretch)}
					>{stretch.last in opened ? 'as one' : 'change by change'}</button
				>
			{/if}
		</div>
		{#if !single && opened[stretch.last]}
			<ol aria-label="Change by change">
				{#each opened[stretch.last]! as each (each.last)}{@render one(each, true)}{/each}
			</ol>
		{/if}
	</li>
{/snippet}

{#if trouble}<p role="alert">{trouble} <button class="link" onclick={() => void load()}>Try again</button></p>{/if}
{#if stretches?.length === 0}<p class="quiet">Nothing was done yet.</p>{/if}
<ol aria-label="What was done">
	{#each stretches ?? [] as stretch, i (stretch.last)}
		{#if isNewDay(i)}<li class="day"><h3>{dayOf(stretch.until)}</h3></li>{/if}
		{@render one(stretch, false)}
	{/each}
</ol>
{#if before !== null}<Button onclick={() => void load(before!)}>Earlier</Button>{/if}
{#if compared}
	<CompareVersions
		{session}
		{scope}
		stretch={compared}
		{onbeside}
		onclose={(left) => {
			compared = null;
			if (left) onleave();
		}}
	/>
{/if}

<style>
	ol,
	ul {
		list-style: none;
		margin: 0;
		padding: 0;
	}
	ol > li:not(.day) {
		padding: 6px 0 7px;
		border-top: 1px solid var(--rule);
	}
	ol > li.day + li {
		border-top: 0;
	}
	.single {
		margin-left: 14px;
	}
	h3 {
		margin: 8px 0 0;
		font-size: 12px;
		font-weight: 600;
		color: var(--lamp-text);
	}
	.head {
		display: flex;
		align-items: baseline;
		gap: 8px;
		min-width: 0;
	}
	.head strong {
		font-variant-numeric: tabular-nums;
		white-space: nowrap;
	}
	.by {
		color: var(--ink-2);
		font-size: 12.5px;
		white-space: nowrap;
		overflow: hidden;
		text-overflow: ellipsis;
	}
	.name {
		margin-left: auto;
		width: 10rem;
		min-width: 4rem;
		border: 1px solid transparent;
		border-radius: 5px;
		background: none;
		padding: 0 5px;
		font-weight: 600;
		text-align: right;
	}
	.name.empty {
		opacity: 0;
	}
	li:hover > .head > .name.empty,
	.name:focus {
		opacity: 1;
	}
	.name:hover,
	.name:focus {
		border-color: var(--rule-strong);
		background: var(--field);
	}
	.star {
		border: 0;
		background: none;
		padding: 2px;
		color: var(--ink-2);
		cursor: pointer;
		align-self: center;
		line-height: 0;
	}
	.star.on {
		color: var(--lamp-text);
	}
	.lines li {
		padding: 0;
		border: 0;
		font-size: 12.5px;
		overflow-wrap: anywhere;
	}
	.lines b {
		font-weight: 600;
	}
	.lines li:has(b):not(:first-child) {
		margin-top: 3px;
	}
	.quiet {
		color: var(--ink-2);
	}
	.acts {
		display: flex;
		align-items: center;
		gap: 8px;
		margin-top: 5px;
		font-size: 12.5px;
	}
	em {
		font-style: normal;
		color: var(--lamp-text);
		font-weight: 600;
	}
	.link {
		border: 0;
		background: none;
		padding: 0;
		color: var(--ink-2);
		text-decoration: underline;
		text-underline-offset: 3px;
		cursor: pointer;
	}
	p {
		margin: 4px 0;
	}
</style>
