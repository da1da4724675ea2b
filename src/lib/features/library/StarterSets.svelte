<script lang="ts">
	/** The starter sets: chosen by set or found by words, heard as one goes through them, taken singly or a set at a time. */
	import { untrack } from 'svelte';
	import Plus from '@lucide/svelte/icons/plus';
	import { isBob } from 'dinesis-runtime/tools';
	import type { ProjectSession } from '$lib/session/session.svelte';
	import type { Starter } from '$lib/starter/sets';
	import type { Near } from '$lib/workers/protocol';
	import Button from '$lib/ui/Button.svelte';
	import { Audition } from './audition.svelte';
	import { BodyAudition } from './body-audition.svelte';
	import { rowAfter } from './row-keys';
	import StarterHeard from './StarterHeard.svelte';
	import StarterRow from './StarterRow.svelte';
	import { asBody, asRig, asShake, idOf, Starters } from './starters.svelte';

	interface Props {
		session: ProjectSession;
		/** What fits the search, best first; null: nothing is searched. */
		found: readonly Near[] | null;
		/** The words that are searched. */
		typed: string;
		/** Goes to where a document is worked on. */
		ongo: (address: string) => void;
	}
	let { session, found, typed, ongo }: Props = $props();

	const starters = untrack(() => new Starters(session, () => found?.map(({ id }) => id) ?? null));
	const audition = new Audition();
	const bodies = new BodyAudition();
	let table: HTMLElement;
	const show = (starter: Starter): void =>
		table.querySelector(`[data-id="${idOf(starter)}"]`)?.scrollIntoView({ block: 'nearest' });
	const listed = $derived(starters.list);
	const counts = $derived(starters.counts);
	const total = $derived([...counts.values()].reduce((a, b) => a + b, 0));
	const addressOf = (starter: Starter): string => session.addressOf(starter.kind, idOf(starter));

	function point(starter: Starter) {
		if (starters.pointed === idOf(starter) && (!asShake(starter) || audition.player.plays.length > 0)) return;
		starters.pointed = idOf(starter);
		starters.want(starter, true);
		const [shake, body, rig] = [asShake(starter), asBody(starter), asRig(starter)];
		if (shake) return audition.start(shake);
		audition.stop();
		if (body) return bodies.start(body);
		const [lag, bob] = [rig?.lag, rig?.bob].map((id) => (id ? asBody(starters.get(id)!) : null));
		if (lag) bodies.start(lag, bob && isBob(bob) ? bob : null);
		else if (bob) bodies.start(bob);
	}
	async function tune(starter: Starter) {
		if (starters.isHere(starter)) return ongo(addressOf(starter));
		const taken = await starters.take([starter], starter.document.name!);
		if (taken?.[0]) ongo(session.addressOf(starter.kind, taken[0]));
	}
	const take = (starter: Starter) => void starters.take([starter], starter.document.name!);
	function takeSet(name: string) {
		const set = starters.sets.find((one) => one.name === name);
		if (set) void starters.take(set.members, `“${set.name}”`);
	}
	function keys(event: KeyboardEvent) {
		if (event.target !== event.currentTarget) return;
		const at = listed.findIndex(({ starter }) => idOf(starter) === starters.pointed);
		const to = rowAfter(event.key, at, listed.length);
		const here = listed[at]?.starter;
		if (to !== null) {
			point(listed[to]!.starter);
			show(listed[to]!.starter);
		} else if (event.key === ' ' && here) {
			starters.pointed = '';
			point(here);
		} else if (event.key === 'Enter' && here) void tune(here);
		else return;
		event.preventDefault();
		event.stopPropagation();
	}
</script>

<div class="sets">
	<nav aria-label="Starter sets">
		<button class:on={starters.set === ''} aria-pressed={starters.set === ''} onclick={() => (starters.set = '')}
			>all <small>{total}</small></button
		>
		{#each starters.sets as { name, about } (name)}
			{@const count = counts.get(name) ?? 0}
			<button
				class:on={starters.set === name}
				class:empty={count === 0}
				aria-pressed={starters.set === name}
				title={about}
				onclick={() => (starters.set = starters.set === name ? '' : name)}>{name} <small>{count}</small></button
			>
		{/each}
	</nav>
	<!-- svelte-ignore a11y_no_noninteractive_tabindex, a11y_no_noninteractive_element_interactions -->
	<div class="table" role="table" aria-label="Starter motions" tabindex="0" bind:this={table} onkeydown={keys}>
		{#each listed as { heading, starter } (idOf(starter))}
			{#if heading}
				<div class="heading" role="row">
					<span role="columnheader"
						><b>{heading}</b><small>{starters.sets.find(({ name }) => name === heading)?.about}</small></span
					>
					<span role="cell"
						><Button title="Take the whole set, with what it needs" onclick={() => takeSet(heading)}
							><Plus size={13} /> Take all {counts.get(heading)}</Button
						></span
					>
				</div>
			{/if}
			<StarterRow
				{starters}
				{starter}
				onpoint={() => point(starter)}
				ontake={() => take(starter)}
				address={starters.isHere(starter) ? addressOf(starter) : null}
			/>
		{:else}
			<p>
				{starters.set && total > 0
					? `Nothing in ${starters.set} fits “${typed.trim()}”; other sets have ${total}.`
					: `Nothing fits “${typed.trim()}”. Another word may: what it is, what does it, or how it feels.`}
			</p>
		{/each}
	</div>
	<StarterHeard
		{starters}
		{audition}
		{bodies}
		onpoint={(starter) => point(starter)}
		onchoose={(starter) => show(starter)}
		ontake={() => starters.here && take(starters.here)}
		ontune={() => starters.here && void tune(starters.here)}
	/>
</div>

<style>
	.sets {
		grid-column: 1 / -1;
		display: grid;
		grid-template-columns: 176px minmax(0, 1fr) clamp(340px, 28vw, 620px);
		gap: 12px;
		min-height: 0;
	}
	nav {
		display: flex;
		flex-direction: column;
		gap: 1px;
		overflow: auto;
	}
	nav button {
		display: flex;
		justify-content: space-between;
		align-items: center;
		gap: 8px;
		flex: none;
		min-height: 28px;
		border: 0;
		border-left: 3px solid transparent;
		background: none;
		padding: 3px 6px 3px 9px;
		text-align: left;
		cursor: pointer;
	}
	nav button:hover {
		background: var(--paper-2);
	}
	nav .on {
		border-left-color: var(--lamp);
		background: var(--lamp-wash);
		font-weight: 600;
	}
	nav .empty {
		color: var(--ink-2);
	}
	nav small,
	.heading small {
		font-weight: 400;
		font-size: 12px;
		color: var(--ink-2);
	}
	.table {
		overflow: auto;
		border: 1px solid var(--rule-strong);
		border-radius: var(--radius);
		background: var(--sheet);
	}
	.table:focus-visible {
		outline-offset: -2px;
	}
	.heading {
		display: flex;
		justify-content: space-between;
		align-items: center;
		gap: 10px;
		position: sticky;
		top: 0;
		z-index: 1;
		min-height: 40px;
		padding: 3px 10px;
		background: var(--paper-2);
		border-bottom: 1px solid var(--rule-strong);
	}
	.heading span {
		display: grid;
		min-width: 0;
	}
	.heading small {
		overflow: hidden;
		text-overflow: ellipsis;
		white-space: nowrap;
	}
	p {
		padding: 24px;
		text-align: center;
		color: var(--ink-2);
	}
	@media (max-width: 1180px) {
		.sets {
			grid-template-columns: 140px minmax(0, 1fr) 300px;
		}
	}
</style>
