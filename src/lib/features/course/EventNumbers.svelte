<script lang="ts">
	/** What happens in a course: which event, when, with what, where, to whom. */
	import ClipboardPaste from '@lucide/svelte/icons/clipboard-paste';
	import Copy from '@lucide/svelte/icons/copy';
	import Trash from '@lucide/svelte/icons/trash-2';
	import { courseShape, rangeOf, type CourseEvent, type Range } from '$lib/documents';
	import FindingLines from '$lib/room/FindingLines.svelte';
	import Button from '$lib/ui/Button.svelte';
	import NumberField from '$lib/ui/NumberField.svelte';
	import Segments from '$lib/ui/Segments.svelte';
	import { clean, type CourseState } from './course.svelte';

	let { desk, event, i }: { desk: CourseState; event: CourseEvent; i: number } = $props();

	const course = $derived(desk.course!);
	const wiring = $derived(desk.session.wiring);
	const declared = $derived(wiring.events.find((e) => e.id === event.event));
	const within = $derived({ min: 0, max: course.seconds });
	const of = (...path: string[]): Range => rangeOf(courseShape, ...path);
	const setEvent = (part: Partial<CourseEvent>, mark: string, done: boolean): void => {
		desk.changeEvent(i, 'Change an event', part, `${mark} ${i}`);
		if (done) desk.settle();
	};
</script>

{#snippet number(
	label: string,
	unit: string,
	v: number,
	range: Range,
	step: number,
	set: (v: number, done: boolean) => void
)}
	<NumberField {label} {unit} value={v} {...range} {step} onchange={set} />
{/snippet}

<h2>{declared?.name ?? event.event}</h2>
<FindingLines list={desk.found(`events[${i}].`)} onfix={(finding) => desk.fix(finding)} />
<label
	>event <select
		value={event.event}
		onchange={(e) => {
			const next = wiring.events.find((w) => w.id === e.currentTarget.value);
			const length = next?.kind === 'state' ? (event.length ?? 3) : null;
			setEvent({ event: e.currentTarget.value, length, values: {} }, 'event', true);
		}}
	>
		{#if !declared}<option value={event.event}>{event.event}</option>{/if}
		{#each wiring.events as e (e.id)}<option value={e.id}>{e.name}</option>{/each}
	</select></label
>
<div class="tiles">
	{@render number('at', 's', event.at, within, 0.01, (at, done) => setEvent({ at: clean(at) }, 'at', done))}
	{#if event.length !== null}
		{@render number('lasts', 's', event.length, of('events', 'length'), 0.01, (v, done) =>
			setEvent({ length: clean(v) }, 'length', done)
		)}
	{/if}
	{#each declared?.values ?? [] as v (v.id)}
		{@render number(
			v.id,
			v.unit,
			event.values[v.id] ?? v.min,
			{ min: v.min, max: v.max },
			(v.max - v.min) / 200,
			(given, done) => setEvent({ values: { ...event.values, [v.id]: clean(given) } }, `value ${v.id}`, done)
		)}
	{/each}
</div>
{#if declared?.kind === 'moment'}
	<label class="check"
		><input
			type="checkbox"
			checked={event.length !== null}
			onchange={(e) => setEvent({ length: e.currentTarget.checked ? 1 : null }, 'length', true)}
		/> takes a while of its own</label
	>
{/if}
{#if declared?.placed}
	<label class="check"
		><input
			type="checkbox"
			checked={event.place !== null}
			onchange={(e) => {
				const { pose } = desk.frame(0)!.bodies[0]!;
				const here: [number, number, number] = [clean(pose[0]!), clean(pose[1]! + 1), clean(pose[2]! - 3)];
				setEvent({ place: e.currentTarget.checked ? here : null }, 'place', true);
			}}
		/>
		happens at a place of its own <small>drag its pin on the map</small></label
	>
	{#if event.place}
		{@const at = event.place}
		<div class="tiles three">
			{#each ['x', 'y', 'z'] as axis, k (axis)}
				{@render number(axis, 'm', at[k]!, of('events', 'place'), 0.05, (v, done) =>
					setEvent({ place: at.map((n, j) => (j === k ? clean(v) : n)) as [number, number, number] }, 'place', done)
				)}
			{/each}
		</div>
	{/if}
{/if}
{#if course.second}
	<Segments
		small
		label="Whom it happens to"
		value={event.who}
		options={[
			{ value: 0, label: 'first player' },
			{ value: 1, label: 'second player' }
		]}
		onchange={(who) => setEvent({ who }, 'who', true)}
	/>
{/if}
<div class="acts">
	<Button onclick={() => desk.copyChosen()} title="Copy (Ctrl+C)"><Copy size={14} /> Copy</Button>
	<Button onclick={() => desk.paste()} title="Paste at the playhead (Ctrl+V)"><ClipboardPaste size={14} /> Paste</Button
	>
	<Button onclick={() => desk.removeChosen()} title="Take it out (Delete)"><Trash size={14} /> Take out</Button>
</div>
