<script lang="ts">
	/** A game's log of events, or a sound, as a take. Nothing happens before the last button. */
	import { freeId, newCourse, sayProblem, type Course } from '$lib/documents';
	import { MOST_WAV_BYTES as MOST_TAKE_BYTES, type EventLog } from '$lib/formats';
	import { soundToTake } from '$lib/course';
	import type { GameEvent } from 'dinesis-runtime';
	import { type Onsets } from '$lib/analysis';
	import type { ProjectSession } from '$lib/session/session.svelte';
	import Select from '$lib/ui/Select.svelte';
	import Dialog from '$lib/ui/Dialog.svelte';
	import FileDrop from '$lib/ui/FileDrop.svelte';
	import NumberField from '$lib/ui/NumberField.svelte';
	import type { CourseWorker } from '$lib/workers/course';

	interface Props {
		session: ProjectSession;
		worker: CourseWorker;
		onclose: () => void;
		onmade: (id: string) => void;
	}
	let { session, worker, onclose, onmade }: Props = $props();

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
	let declare = $state(true);
	const wiring = $derived(session.wiring);
	const unknown = $derived(
		log ? [...new Set(log.events.map((e) => e.event))].filter((id) => !wiring.events.some((e) => e.id === id)) : []
	);
	const choicesOf = (there: readonly { readonly id: string; readonly name: string }[]) => [
		{ value: '', label: 'nothing' },
		...there.map(({ id, name }) => ({ value: id, label: name }))
	];
	const ready = $derived(log !== null || (heard !== null && (onsetIs !== '' || loudnessIs !== '')));

	function refuse(lines: readonly string[]) {
		log = sound = heard = null;
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
	/** What the log shows of an event: its numbers with the range that came, whether it lasts, whether it has places. */
	function declared(id: string, { events }: EventLog): GameEvent {
		const mine = events.filter((e) => e.event === id);
		const numbers = [...new Set(mine.flatMap((e) => Object.keys(e.values)))].slice(0, 16);
		return {
			id,
			name: id.charAt(0).toUpperCase() + id.slice(1).replaceAll('-', ' '),
			kind: mine.some((e) => e.length !== null) ? 'state' : 'moment',
			placed: mine.some((e) => e.place !== null),
			tags: [],
			values: numbers.map((number) => {
				const came = mine.flatMap((e) => (e.values[number] === undefined ? [] : [e.values[number]]));
				const [min, max] = [Math.min(0, ...came), Math.max(...came)];
				return { id: number, unit: '', min, max: max > min ? max : min + 1 };
			})
		};
	}
	async function make() {
		const title = name.replace(/\.[^.]*$/, '').slice(0, 120) || 'Take';
		let take: Course;
		if (log) {
			const found = log;
			if (declare && unknown.length > 0) {
				session.rewire(`Declare events of ${title}`, (w) => ({
					...w,
					events: [...w.events, ...unknown.map((id) => declared(id, found))]
				}));
				session.seal();
			}
			const base = newCourse(freeId(title, []), title);
			take = {
				...base,
				about: `From ${name}.`,
				steps: false,
				seconds: Math.min(3600, found.seconds + AFTER),
				events: found.events
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
			{#if unknown.length > 0}Not declared here yet: {unknown.slice(0, 8).join(', ')}{unknown.length > 8
					? ' …'
					: ''}.{/if}
		</p>
		{#if unknown.length > 0}
			<label class="line"
				><input type="checkbox" bind:checked={declare} /> declare {unknown.length === 1 ? 'it' : 'them'}, with the
				numbers that came</label
			>
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
