<script lang="ts">
	/** A kit, or the project as it was, held against what is here: what is new, gone and changed; both played; taken over singly. */
	import { onMount } from 'svelte';
	import { documentOf, KINDS, MOST_BYTES } from '$lib/documents';
	import FieldsCompared from '$lib/room/FieldsCompared.svelte';
	import { aboutMoment, cueTitle, sayMoment } from '$lib/room/history';
	import type { Apart, Parted } from '$lib/session/against';
	import Button from '$lib/ui/Button.svelte';
	import FileDrop from '$lib/ui/FileDrop.svelte';
	import Frame from '$lib/ui/Frame.svelte';
	import PickList from '$lib/ui/PickList.svelte';
	import Popover from '$lib/ui/Popover.svelte';
	import type { Cue } from 'dinesis-runtime';
	import type { DifferenceState } from './difference.svelte';

	let { desk, ongo }: { desk: DifferenceState; ongo: (address: string) => void } = $props();
	onMount(() => void desk.open());

	const MOST = 200;
	const SAID: Readonly<Record<Apart, string>> = {
		changed: 'changed',
		there: 'only there',
		here: 'only here'
	};
	const groups = $derived(
		(['changed', 'there', 'here'] as const)
			.map((apart) => ({ apart, rows: desk.rows.filter((row) => row.apart === apart) }))
			.filter(({ rows }) => rows.length > 0)
	);
	function nameOf({ kind, name, held, was }: Parted): string {
		if (kind !== 'cue') return name;
		return cueTitle(desk.session, documentOf<Cue>(kind, (was ?? held!).body)).replace(/^cue: /, '');
	}
	const TAKEN: Readonly<Record<Apart, string>> = {
		changed: 'Take all of it over',
		there: 'Bring it in',
		here: 'Take it out of use'
	};
	function play(row: Parted) {
		const address = desk.playBoth(row);
		if (address) ongo(address);
	}
</script>

<main>
	<Frame label="Held against" title="Held against what is here" flow="rows">
		<FileDrop
			label="A kit to hold against the project"
			accept=".json,application/json"
			most={MOST_BYTES}
			onfile={(file) => desk.read(file)}
			ontrouble={(message) => (desk.trouble = [message])}
		>
			<span>{desk.other?.of === 'kit' ? desk.other.name : 'Choose a kit (JSON), or drop one here'}</span>
		</FileDrop>
		<Popover label="The project as it was" look="chip" title="The project as it was">
			{#snippet button()}{desk.other?.of === 'version' ? desk.other.name : 'or the project as it was …'}{/snippet}
			{#snippet children(close)}
				<div class="moments">
					<PickList
						label="A moment of the project"
						groups={[
							{
								entries: desk.moments.map((moment) => ({
									id: String(moment.last),
									label: sayMoment(moment),
									about: aboutMoment(moment)
								}))
							}
						]}
						onpick={(id) => {
							close();
							const moment = desk.moments.find(({ last }) => String(last) === id);
							if (moment) void desk.holdVersion(moment);
						}}
					/>
				</div>
			{/snippet}
		</Popover>
		{#if desk.progress !== null}
			<p>
				<progress max="1" value={desk.progress} aria-label="How much is read"></progress>
				<Button onclick={() => desk.leave()}>Cancel</Button>
			</p>
		{/if}
		{#if desk.trouble.length > 0}
			<div class="trouble" role="alert">
				<p>It cannot be held against what is here. Nothing was changed.</p>
				<ul>
					{#each desk.trouble as line (line)}<li>{line}</li>{/each}
				</ul>
			</div>
		{/if}
		{#if desk.other}
			<p role="status">
				{#if desk.rows.length === 0}
					{desk.other.of === 'kit' ? 'All of it is here, to the letter.' : 'It is as it was then.'}
				{:else}
					{groups.map(({ apart, rows }) => `${rows.length} ${SAID[apart]}`).join(', ')}.
				{/if}
			</p>
			<div class="list" role="group" aria-label="What stands apart">
				{#each groups as { apart, rows } (apart)}
					<h3>{SAID[apart]}</h3>
					{#each rows.slice(0, MOST) as row (row.key)}
						<button
							aria-current={desk.shown?.key === row.key}
							class:here={desk.shown?.key === row.key}
							onclick={() => (desk.at = row.key)}>{nameOf(row)} <small>{KINDS[row.kind].word}</small></button
						>
					{/each}
					{#if rows.length > MOST}<small>and {rows.length - MOST} more</small>{/if}
				{/each}
			</div>
			{#if desk.rows.filter(({ apart }) => apart === 'changed').length > 1}
				<p>
					<Button title="What is only there or only here stays as it is" onclick={() => desk.takeChanged()}
						>Take all that is changed over</Button
					>
				</p>
			{/if}
		{/if}
	</Frame>
	<Frame label="What differs" flow="rows">
		{#if desk.shown}
			{@const row = desk.shown}
			<div class="head">
				<h2>{nameOf(row)}</h2>
				<code>{row.id}</code>
				<span></span>
				{#if desk.canPlay(row)}
					<Button title="Left as it is here, right as it is there, in step" onclick={() => play(row)}>Play both</Button>
				{/if}
				<Button onclick={() => desk.take(row)}>{TAKEN[row.apart]}</Button>
			</div>
			{#if desk.lines.length > 0}
				<FieldsCompared
					heads={['there', 'here']}
					lines={desk.lines}
					act={{
						label: 'take over',
						name: ({ label }) => `Take ${label} over`,
						run: (line) => desk.takeField(row, line)
					}}
				/>
			{:else if row.apart === 'changed'}
				<p>Its values are the same; it stands elsewhere in the order.</p>
			{:else if row.apart === 'there'}
				<p>
					It is not here{row.held ? ' any more; it comes back with its history' : ''}. What it points at and is not here
					either comes along.
				</p>
			{:else}
				<p>It is not there. Out of use it keeps its history, and what plays it says so.</p>
			{/if}
		{:else if desk.other}
			<p>Nothing stands apart.</p>
		{:else}
			<p>
				A kit that a game has, one that somebody sent, or the project as it was at any moment: what is new, gone and
				changed, field by field with both values. Both are played in step, and each thing is taken over singly. Nothing
				is changed before you say so, and undo takes it back.
			</p>
		{/if}
	</Frame>
</main>

<style>
	main {
		display: grid;
		grid-template-columns: 380px minmax(0, 1fr);
		gap: 10px;
		min-height: 0;
		padding: 10px 14px 12px;
	}
	p {
		margin: 0;
		font-size: 13px;
		color: var(--ink-2);
	}
	progress {
		accent-color: var(--lamp);
	}
	.moments {
		width: 20rem;
		padding: 4px;
	}
	.list {
		display: grid;
		align-content: start;
		gap: 1px;
	}
	h3 {
		margin: 8px 0 2px;
		font: 600 12.5px var(--text);
	}
	.list button {
		display: flex;
		align-items: baseline;
		justify-content: space-between;
		gap: 8px;
		min-height: 26px;
		border: 0;
		border-left: 3px solid transparent;
		background: none;
		padding: 2px 8px;
		text-align: left;
		font: 13px var(--text);
		color: inherit;
		cursor: pointer;
	}
	.list button:hover {
		background: var(--paper);
	}
	.list button.here {
		border-left-color: var(--lamp);
		background: var(--lamp-wash);
	}
	small {
		color: var(--ink-2);
		font-size: 11.5px;
		white-space: nowrap;
	}
	.head {
		display: flex;
		align-items: baseline;
		gap: 10px;
	}
	.head span {
		flex: 1;
	}
	h2 {
		margin: 0;
		font: 600 15px var(--text);
	}
	code {
		font:
			12px ui-monospace,
			monospace;
		color: var(--ink-2);
	}
	.trouble {
		border-left: 4px solid var(--danger);
		padding: 2px 10px;
	}
	ul {
		margin: 6px 0;
		padding-left: 16px;
		font-size: 13px;
	}
</style>
