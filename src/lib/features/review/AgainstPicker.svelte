<script lang="ts">
	/** What A is held against: nothing, another one, the same as it was at a moment, or as a kit has it. */
	import ChevronDown from '@lucide/svelte/icons/chevron-down';
	import { KINDS, kitOfDocuments, MOST_BYTES, sayProblem, type ToldStretch } from '$lib/documents';
	import { aboutMoment, sayMoment } from '$lib/room/history';
	import { kitThen } from '$lib/session/against';
	import { readArrivals } from '$lib/workers/kit';
	import FileDrop from '$lib/ui/FileDrop.svelte';
	import PickList from '$lib/ui/PickList.svelte';
	import Popover from '$lib/ui/Popover.svelte';
	import { BENCH_B, subjectKey, subjectOf, titled, type ReviewState } from './review.svelte';

	let { desk }: { desk: ReviewState } = $props();

	const session = $derived(desk.session);
	const [NONE, BENCH] = ['*none', '*bench'];
	/** Asked for as the list opens: the Bench keeps it in the browser. */
	let benchB = $state(false);
	let moments = $state.raw<readonly ToldStretch[]>([]);
	let trouble = $state.raw<readonly string[]>([]);

	async function open() {
		trouble = [];
		benchB = desk.benchB !== null;
		moments = await session.histories.moments();
	}
	async function pickMoment(last: string) {
		const moment = moments.find((one) => String(one.last) === last);
		if (!moment) return;
		const list = await session.histories.then({}, moment.last);
		if (list) desk.holdKit(sayMoment(moment), kitThen(session.project.name, session.bringing.here, list));
	}
	async function readFile(file: { readonly name: string; readonly bytes: Uint8Array }, close: () => void) {
		const read = await readArrivals(
			file.bytes,
			() => Promise.resolve([]),
			() => undefined
		).done;
		if (!read) return;
		if (!read.ok) trouble = read.problems.slice(0, 6).map(sayProblem);
		else {
			desk.holdKit(file.name, kitOfDocuments(file.name, read.value));
			close();
		}
	}
	const said = $derived(desk.b?.name ?? 'nothing');
	const others = $derived(
		desk.subjects
			.filter(({ list }) => list.length > 0)
			.map(({ kind, list }) => ({
				title: titled(KINDS[kind].words),
				entries: list.map((subject) => ({ id: subjectKey(subject), label: desk.nameOf(subject) }))
			}))
	);
</script>

<span class="against">
	<span aria-hidden="true">against</span>
	<Popover label="Held against" look="chip" title="Hold it against another one, as it was, or a kit" onopen={open}>
		{#snippet button()}{said} <ChevronDown size={13} />{/snippet}
		{#snippet children(close)}
			<div class="body">
				<FileDrop
					label="A kit to hold it against"
					accept=".json,application/json"
					most={MOST_BYTES}
					onfile={(file) => readFile(file, close)}
					ontrouble={(message) => (trouble = [message])}
				>
					<span>as a kit has it (JSON) …</span>
				</FileDrop>
				{#if trouble.length > 0}
					<ul role="alert">
						{#each trouble as line (line)}<li>{line}</li>{/each}
					</ul>
				{/if}
				<PickList
					label="What it is held against"
					groups={[
						{
							entries: [
								{ id: NONE, label: 'nothing' },
								...(benchB ? [{ id: BENCH, label: BENCH_B, about: 'held beside it there' }] : [])
							]
						},
						{
							title: 'The same, as it was',
							entries: moments.map((moment) => ({
								id: String(moment.last),
								label: sayMoment(moment),
								about: aboutMoment(moment)
							})),
							none: 'nothing was changed yet'
						},
						...others
					]}
					onpick={(id, group) => {
						close();
						if (id === NONE) desk.other = null;
						else if (id === BENCH) desk.holdBenchB();
						else if (group === 1) void pickMoment(id);
						else {
							const subject = subjectOf(id);
							if (subject) desk.other = { of: 'subject', subject };
						}
					}}
				/>
			</div>
		{/snippet}
	</Popover>
</span>

<style>
	.against {
		display: inline-flex;
		align-items: center;
		gap: 6px;
		color: var(--ink-2);
	}
	.body {
		width: 21rem;
		display: grid;
		grid-template-columns: minmax(0, 1fr);
		gap: 8px;
		padding: 4px;
	}
	ul {
		margin: 0;
		padding-left: 1.2em;
		color: var(--danger);
		font-size: 12.5px;
	}
</style>
