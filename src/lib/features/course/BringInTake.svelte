<script lang="ts">
	/** A game's log of events, or a sound, as a take. Nothing happens before the last button. */
	import { freeId, newCourse, sayProblem, type Course } from '$lib/documents';
	import {
		eventOfLog,
		MOST_WAV_BYTES as MOST_TAKE_BYTES,
		namesIn,
		withMeanings,
		type EventLog,
		type Meanings
	} from '$lib/formats';
	import { soundToTake } from '$lib/course';
	import type { GameEvent } from 'dinesis-runtime';
	import { type Onsets } from '$lib/analysis';
	import type { ProjectSession } from '$lib/session/session.svelte';
	import Select from '$lib/ui/Select.svelte';
	import Dialog from '$lib/ui/Dialog.svelte';
	import FileDrop from '$lib/ui/FileDrop.svelte';
	import NumberField from '$lib/ui/NumberField.svelte';
	import type { CourseWorker } from '$lib/workers/course';
	import LogExample from './LogExample.svelte';
	import { rememberedMeanings, rememberMeanings } from './log-meanings';

	interface Props {
		session: ProjectSession;
		worker: CourseWorker;
		onclose: () => void;
		onmade: (id: string) => void;
	}
	let { session, worker, onclose, onmade }: Props = $props();

	/** No event has this id: a new one is declared. */
	const DECLARE = '*declare';
	/** After the last event of a log the course goes on so long. */
	const AFTER = 3;
	let name = $state('');
	let trouble = $state.raw<readonly string[]>([]);
	let log = $state.raw<EventLog | null>(null);
	let sound = $state.raw<ArrayBuffer | null>(null);
	let heard = $state.raw<Onsets | null>(null);
	let sensitivity = $state(0.6);
	let onsetIs = $state('');
	let loudnessIs = $state('');
	const wiring = $derived(session.wiring);
	/** What somebody said here that a name of the log means. */
	let said = $state.raw<Meanings>({});
	const names = $derived(log ? namesIn(log, wiring.events, rememberedMeanings(session.project.slug)) : []);
	/** What each name means: an event's id, a new one, or nothing. What was said holds, whatever comes to the project meanwhile. */
	const meant = $derived<Meanings>({
		...Object.fromEntries(names.map(({ name, means }) => [name, means ?? DECLARE])),
		...said
	});
	const asked = $derived(names.filter(({ name, means }) => means !== name));
	const choicesOf = (there: readonly { readonly id: string; readonly name: string }[]) => [
		{ value: '', label: 'nothing' },
		...there.map(({ id, name }) => ({ value: id, label: name }))
	];
	const ready = $derived(log !== null || (heard !== null && (onsetIs !== '' || loudnessIs !== '')));

	function refuse(lines: readonly string[]) {
		log = sound = heard = null;
		said = {};
		trouble = lines;
	}
	async function read(file: { readonly name: string; readonly bytes: Uint8Array<ArrayBuffer> }) {
		refuse([]);
		name = file.name;
		if (/\.wav$/i.test(file.name)) {
			sound = file.bytes.buffer;
			onsetIs ||= wiring.events.find((e) => e.kind === 'moment')?.id ?? '';
			await listen();
			return;
		}
		const found = await worker.readLog(file.bytes);
		if (found.ok) log = found.value;
		else refuse(found.problems.slice(0, 8).map(sayProblem));
	}
	async function listen() {
		if (!sound) return;
		const found = await worker.detectOnsets(sound, sensitivity);
		if (found.ok) heard = found.value;
		else refuse(found.problems.map(sayProblem));
	}
	async function make() {
		const title = name.replace(/\.[^.]*$/, '').slice(0, 120) || 'Take';
		let take: Course;
		if (log) {
			const found = log;
			const made: GameEvent[] = [];
			const ids: Record<string, string> = {};
			for (const { name } of names.filter(({ name }) => meant[name] === DECLARE)) {
				const taken = [...wiring.events, ...made].map(({ id }) => id);
				const event = eventOfLog(name, found, taken);
				made.push(event);
				ids[name] = event.id;
			}
			if (made.length > 0) {
				session.rewire(`Declare events of ${title}`, (w) => ({ ...w, events: [...w.events, ...made] }));
				session.seal();
			}
			const meanings = Object.fromEntries(names.map(({ name }) => [name, ids[name] ?? meant[name] ?? '']));
			rememberMeanings(session.project.slug, meanings);
			const base = newCourse(freeId(title, []), title);
			take = {
				...base,
				about: `From ${name}.`,
				steps: false,
				seconds: Math.min(3600, found.seconds + AFTER),
				events: withMeanings(found, [...wiring.events, ...made], meanings)
			};
		} else {
			const event = wiring.events.find((e) => e.id === onsetIs) ?? null;
			const parameter = wiring.parameters.find((p) => p.id === loudnessIs) ?? null;
			take = { ...soundToTake(title, heard!, { event, parameter }), about: `From the sound ${name}.` };
		}
		const id = await session.courses.add(take, `from ${name}`.slice(0, 200));
		if (id === null) return;
		onclose();
		onmade(id);
	}
</script>

<Dialog title="Bring in a take" open {onclose} wide>
	<FileDrop
		label="A log or a sound"
		accept=".csv,.jsonl,.ndjson,.json,.txt,.wav,audio/wav"
		most={MOST_TAKE_BYTES}
		onfile={read}
		ontrouble={(message) => refuse([message])}
	>
		<b>{name || 'Choose a file, or drop it here'}</b>
		<span>A log of events (CSV or JSON lines: time, event, numbers, place), or a sound (WAV).</span>
	</FileDrop>
	{#if !log && !heard}<LogExample />{/if}
	{#if trouble.length > 0}
		<div role="alert">
			<p>This file cannot be read as it is; nothing was taken:</p>
			<ul>
				{#each trouble as line, i (i)}<li>{line}</li>{/each}
			</ul>
		</div>
	{/if}
	{#if log}
		<p>
			<b>{log.events.length}</b> events in <b>{log.seconds.toFixed(1)} s</b>.
			{#if log.open.length > 0}{log.open.join(', ')} never {log.open.length === 1 ? 'ends' : 'end'}: on to the take’s
				end.{/if}
		</p>
		{#if asked.length > 0}
			<table>
				<thead><tr><th>in the log</th><th>times</th><th>is</th></tr></thead>
				<tbody>
					{#each asked as { name, count } (name)}
						<tr>
							<td>{name}</td>
							<td class="count">{count}</td>
							<td
								><Select
									look="cell"
									label="What {name} is"
									value={meant[name] ?? DECLARE}
									choices={[
										{ value: DECLARE, label: 'a new event, with the numbers that came' },
										{ value: '', label: 'nothing: left out' },
										...wiring.events.map(({ id, name }) => ({ value: id, label: name }))
									]}
									onchange={(id) => (said = { ...said, [name]: id })}
								/></td
							>
						</tr>
					{/each}
				</tbody>
			</table>
		{/if}
	{/if}
	{#if heard}
		<p>
			<b>{heard.onsets.length}</b> onsets in <b>{heard.seconds.toFixed(1)} s</b>.
			<NumberField
				look="inline"
				label="sensitivity"
				value={sensitivity}
				min={0}
				max={1}
				step={0.01}
				reset={0.6}
				onchange={(v, done) => {
					sensitivity = v;
					if (done) void listen();
				}}
			/>
		</p>
		<label class="line"
			>an onset is <Select
				value={onsetIs}
				choices={choicesOf(wiring.events)}
				onchange={(id) => (onsetIs = id)}
			/></label
		>
		<label class="line"
			>loudness is <Select
				value={loudnessIs}
				choices={choicesOf(wiring.parameters)}
				onchange={(id) => (loudnessIs = id)}
			/></label
		>
		{#if wiring.events.length === 0}<p>No event is declared yet: the Cues room does that.</p>{/if}
	{/if}
	<div class="acts"><button class="go" disabled={!ready} onclick={make}>Make a take</button></div>
</Dialog>

<style>
	table {
		border-collapse: collapse;
		margin: 4px 0;
		font-weight: 400;
	}
	th {
		text-align: left;
		font-weight: 400;
		font-size: 12px;
		color: var(--ink-2);
	}
	th,
	td {
		padding: 2px 18px 2px 0;
		border-bottom: 1px solid var(--rule);
	}
	.count {
		text-align: right;
	}
	.line {
		display: flex;
		align-items: center;
		gap: 8px;
		margin: 4px 0;
	}
	.acts {
		display: flex;
		justify-content: flex-end;
		margin-top: 10px;
	}
	.go {
		border: 1px solid var(--lamp);
		border-radius: 6px;
		background: var(--lamp-light);
		color: var(--on-lamp);
		font-weight: 600;
		padding: 4px 14px;
		cursor: pointer;
	}
	.go:disabled {
		opacity: 0.45;
		cursor: default;
	}
</style>
