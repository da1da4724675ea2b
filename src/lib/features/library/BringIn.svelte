<script lang="ts">
	/** A kit comes in: each thing of it chosen singly, marked new, the same, changed or clashing, and one step. Nothing happens before the last button. */
	import {
		choicesOf,
		KINDS,
		MOST_BYTES,
		nameOfArrival,
		sayProblem,
		wantedBy,
		type Arrival,
		type Choice,
		type Held,
		type KindName
	} from '$lib/documents';
	import type { ProjectSession } from '$lib/session/session.svelte';
	import { readArrivals, type Reading } from '$lib/workers/kit';
	import Button from '$lib/ui/Button.svelte';
	import type { TreeGroup } from '$lib/ui/check-tree';
	import CheckTree from '$lib/ui/CheckTree.svelte';
	import Dialog from '$lib/ui/Dialog.svelte';
	import FileDrop from '$lib/ui/FileDrop.svelte';
	import ArrivalCompared from './ArrivalCompared.svelte';

	let { session, open, onclose }: { session: ProjectSession; open: boolean; onclose: () => void } = $props();

	const CHOICES: Readonly<Record<Choice, { label: string; title: string }>> = {
		keep: { label: 'keep', title: 'Leave what is here' },
		replace: { label: 'replace', title: 'Put the new one in its place; what is here stays in its history' },
		both: { label: 'both', title: 'Bring it in beside the one that is here, under another id' }
	};
	const SAID = { new: '', same: 'the same', changed: 'changed', clashing: 'clashing' } as const;
	const ORDER: readonly Arrival['standing'][] = ['clashing', 'changed', 'new', 'same'];
	const MOST_NAMED = 6;

	let name = $state('');
	let trouble = $state.raw<readonly string[]>([]);
	let list = $state.raw<readonly Arrival[]>([]);
	let held = $state.raw<readonly Held[]>([]);
	let chosen = $state.raw<ReadonlySet<string>>(new Set());
	let choices = $state.raw<ReadonlyMap<string, Choice>>(new Map());
	let here = $state('');
	let progress = $state.raw<{ readonly part: number; readonly of: string } | null>(null);
	let reading: Reading | null = null;

	const keyOf = ({ kind, document }: Pick<Arrival, 'kind' | 'document'>): string => `${kind} ${document.id}`;
	const byKey = $derived(new Map(list.map((arrival) => [keyOf(arrival), arrival])));
	const heldBy = $derived(
		new Map(held.filter((one) => !one.retired).map((one) => [`${KINDS[one.kind].space} ${one.id}`, one]))
	);
	const standing = (arrival: Arrival): Held | undefined =>
		heldBy.get(`${KINDS[arrival.kind].space} ${arrival.document.id}`);
	const choiceOf = (arrival: Arrival): Choice =>
		choices.get(keyOf(arrival)) ?? choicesOf(arrival, standing(arrival))[0] ?? 'keep';
	const count = (what: Arrival['standing']): number => list.filter((arrival) => arrival.standing === what).length;
	const capital = (text: string): string => text[0]!.toUpperCase() + text.slice(1);
	const groups = $derived.by((): TreeGroup[] => {
		const kinds = [...new Set(list.map(({ kind }) => kind))] as KindName[];
		return kinds.map((kind) => ({
			id: kind,
			label: kind === 'project' ? 'The game' : capital(KINDS[kind].words),
			entries: list
				.filter((arrival) => arrival.kind === kind)
				// What asks for a look first; otherwise in the order of the kit.
				.sort((a, b) => ORDER.indexOf(a.standing) - ORDER.indexOf(b.standing))
				.map((arrival) => ({
					id: keyOf(arrival),
					label: nameOfArrival(arrival),
					about: SAID[arrival.standing],
					fixed: arrival.standing === 'same'
				}))
		}));
	});
	const coming = $derived(list.filter((arrival) => chosen.has(keyOf(arrival))));
	const wanted = $derived(coming.length === list.length ? [] : wantedBy(coming, list, held));
	const shown = $derived(byKey.get(here));
	const taken = $derived(list.filter((arrival) => choicesOf(arrival, standing(arrival)).length > 0));

	$effect(() => {
		if (open) return;
		reading?.cancel();
		name = here = '';
		trouble = list = held = [];
		chosen = new Set();
		choices = new Map();
	});

	async function read(file: { readonly name: string; readonly bytes: Uint8Array<ArrayBuffer> }) {
		reading?.cancel();
		name = file.name;
		list = trouble = [];
		const present = async () => {
			const all = await session.bringing.everything();
			held = all ?? [];
			return all;
		};
		const mine = (reading = readArrivals(file.bytes, present, (part, of) => (progress = { part, of })));
		const read = await mine.done;
		if (mine !== reading) return;
		reading = progress = null;
		if (!read) return;
		if (!read.ok) return void (trouble = read.problems.slice(0, 8).map(sayProblem));
		if (read.value.length === 0) return void (trouble = ['There is nothing in this kit.']);
		list = read.value;
		chosen = new Set(list.filter((arrival) => arrival.standing !== 'same').map(keyOf));
		here = list[0]!.kind;
	}
	function choose(ids: readonly string[], on: boolean) {
		const next = new Set(chosen);
		for (const id of ids) {
			if (on) next.add(id);
			else next.delete(id);
		}
		chosen = next;
	}
	const put = (arrivals: readonly Arrival[], choice: Choice): void => {
		const next = new Map(choices);
		for (const arrival of arrivals)
			if (choicesOf(arrival, standing(arrival)).includes(choice)) next.set(keyOf(arrival), choice);
		choices = next;
	};
	function bringIn() {
		const all = list.filter((arrival) => chosen.has(keyOf(arrival)) || arrival.standing === 'same');
		const said = session.bringing.bring(
			all.map((arrival) => ({ arrival, choice: choiceOf(arrival) })),
			name
		);
		session.say(`From ${name}: ${said}.`);
		onclose();
	}
</script>

<Dialog title="Bring in a kit" {open} {onclose} wide>
	<FileDrop
		label="A kit file"
		accept=".json,application/json"
		most={MOST_BYTES}
		onfile={read}
		ontrouble={(message) => (trouble = [message])}
	>
		<span>{name ? name : 'Choose a kit (JSON), or drop one here'}</span>
	</FileDrop>
	{#if progress}
		<p class="busy">
			<progress max="1" value={progress.part} aria-label="How much is read"></progress>
			{progress.of} …
			<Button
				onclick={() => {
					reading?.cancel();
					reading = progress = null;
					name = '';
				}}>Cancel</Button
			>
		</p>
	{/if}
	{#if trouble.length > 0}
		<div class="trouble" role="alert">
			<p>Nothing was brought in.</p>
			<ul>
				{#each trouble as line (line)}<li>{line}</li>{/each}
			</ul>
		</div>
	{/if}
	{#if list.length > 0}
		<p data-testid="counted">
			<b>{list.length}</b> in it: <b>{count('new')}</b> new, <b>{count('changed')}</b> changed,
			<b>{count('clashing')}</b> clashing, <b>{count('same')}</b> here already.
		</p>
		<div class="two">
			<CheckTree label="What is in the kit" {groups} {chosen} {here} onhere={(id) => (here = id)} onchoose={choose} />
			<section aria-label="What is chosen">
				{#if shown}
					<ArrivalCompared
						arrival={shown}
						here={standing(shown)}
						choice={choiceOf(shown)}
						choices={CHOICES}
						onchoice={(choice) => put([shown], choice)}
					/>
				{:else}
					<p class="said">
						The arrows go through the list, the space bar takes one in or leaves it out. What is changed or clashing
						shows both here.
					</p>
				{/if}
				{#if taken.length > 0}
					<p class="all">
						all {taken.length} that are taken:
						{#each ['keep', 'replace', 'both'] as const as choice (choice)}
							<Button title={CHOICES[choice].title} onclick={() => put(taken, choice)}>{CHOICES[choice].label}</Button>
						{/each}
					</p>
				{/if}
			</section>
		</div>
		{#if wanted.length > 0}
			<p class="left" data-testid="wanted">
				What comes points at {wanted.slice(0, MOST_NAMED).map(nameOfArrival).join(', ')}{wanted.length > MOST_NAMED
					? ` and ${wanted.length - MOST_NAMED} more`
					: ''}, which would not come along.
				<Button onclick={() => choose(wanted.map(keyOf), true)}>Take {wanted.length === 1 ? 'it' : 'them'} along</Button
				>
			</p>
		{/if}
		<button class="main" disabled={coming.length === 0} onclick={bringIn}>Bring in</button>
	{/if}
</Dialog>

<style>
	.two {
		display: grid;
		grid-template-columns: minmax(0, 1fr) minmax(0, 1fr);
		gap: 14px;
		height: min(22rem, 44vh);
	}
	section {
		min-height: 0;
		overflow: auto;
	}
	.said,
	.busy {
		font-weight: 400;
		color: var(--ink-2);
	}
	.busy {
		display: flex;
		align-items: center;
		gap: 10px;
	}
	progress {
		accent-color: var(--lamp);
	}
	.all {
		display: flex;
		align-items: center;
		gap: 6px;
		font-size: 12.5px;
		color: var(--ink-2);
	}
	.left {
		border-left: 4px solid var(--lamp);
		padding-left: 12px;
	}
	.trouble {
		border-left: 4px solid var(--danger);
		padding: 2px 12px;
		margin-top: 10px;
	}
	ul {
		margin: 6px 0;
		padding-left: 16px;
	}
	.main {
		border: 1px solid var(--rule-strong);
		border-radius: 6px;
		margin-top: 10px;
		padding: 6px 16px;
		background: var(--ink);
		color: var(--sheet);
		cursor: pointer;
	}
	.main:disabled {
		opacity: 0.45;
	}
</style>
