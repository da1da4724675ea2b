<script lang="ts">
	/** What happens in a course: which event, when, with what, where, to whom. */
	import ClipboardPaste from '@lucide/svelte/icons/clipboard-paste';
	import Copy from '@lucide/svelte/icons/copy';
	import { courseShape, rangeOf, type CourseEvent, type Range } from '$lib/documents';
	import FindingLines from '$lib/room/FindingLines.svelte';
	import Button from '$lib/ui/Button.svelte';
	import Segments from '$lib/ui/Segments.svelte';
	import Select from '$lib/ui/Select.svelte';
	import CourseNumber from './CourseNumber.svelte';
	import { clean, type CourseState } from './course.svelte';
	import TakeOut from './TakeOut.svelte';

	let { desk, event, i }: { desk: CourseState; event: CourseEvent; i: number } = $props();

	const course = $derived(desk.course!);
	const wiring = $derived(desk.session.wiring);
	const declared = $derived(wiring.events.find((e) => e.id === event.event));
	const of = (...path: string[]): Range => rangeOf(courseShape, ...path);
	const setEvent = (part: Partial<CourseEvent>, mark: string, done: boolean): void => {
		desk.changeEvent(i, 'Change an event', part, `${mark} ${i}`);
		if (done) desk.settle();
	};
	function toggleTag(tag: string) {
		const now = event.tags ?? [];
		setEvent({ tags: now.includes(tag) ? now.filter((one) => one !== tag) : [...now, tag] }, 'tags', true);
	}
</script>

<h2>{declared?.name ?? event.event}</h2>
<FindingLines list={desk.found(`events[${i}].`)} onfix={(finding) => desk.fix(finding)} />
<label
	>event <Select
		value={event.event}
		choices={wiring.events.map(({ id, name }) => ({ value: id, label: name }))}
		onchange={(id) => {
			const next = wiring.events.find((w) => w.id === id);
			const length = next?.kind === 'state' ? (event.length ?? 3) : null;
			setEvent({ event: id, length, values: {}, tags: [] }, 'event', true);
		}}
	/></label
>
<div class="tiles">
	<CourseNumber
		label="at"
		unit="s"
		value={event.at}
		range={{ min: 0, max: course.seconds }}
		step={0.01}
		onchange={(at, done) => setEvent({ at }, 'at', done)}
	/>
	{#if event.length !== null}
		<CourseNumber
			label="lasts"
			unit="s"
			value={event.length}
			range={of('events', 'length')}
			step={0.01}
			onchange={(length, done) => setEvent({ length }, 'length', done)}
		/>
	{/if}
	{#each declared?.values ?? [] as v (v.id)}
		<CourseNumber
			label={v.id}
			unit={v.unit}
			value={event.values[v.id] ?? v.min}
			range={{ min: v.min, max: v.max }}
			step={(v.max - v.min) / 200}
			onchange={(given, done) => setEvent({ values: { ...event.values, [v.id]: given } }, `value ${v.id}`, done)}
		/>
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
				<CourseNumber
					label={axis}
					unit="m"
					value={at[k]!}
					range={of('events', 'place')}
					onchange={(v, done) =>
						setEvent({ place: at.map((n, j) => (j === k ? v : n)) as [number, number, number] }, 'place', done)}
				/>
			{/each}
		</div>
	{/if}
{/if}
{#if declared?.mayCarry?.length}
	<div class="carries" role="group" aria-label="What it carries">
		carrying
		{#each declared.mayCarry as tag (tag)}
			<label class="check"
				><input type="checkbox" checked={event.tags?.includes(tag) ?? false} onchange={() => toggleTag(tag)} />
				{tag}</label
			>
		{/each}
	</div>
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
{#await import('./EventCame.svelte') then { default: EventCame }}<EventCame {desk} {event} />{/await}
<div class="acts">
	<Button onclick={() => desk.copyChosen()} title="Copy (Ctrl+C)"><Copy size={14} /> Copy</Button>
	<Button onclick={() => desk.paste()} title="Paste at the playhead (Ctrl+V)"><ClipboardPaste size={14} /> Paste</Button
	>
	<TakeOut {desk} />
</div>

<style>
	.carries {
		display: flex;
		flex-wrap: wrap;
		gap: 2px 12px;
		color: var(--ink-2);
	}
</style>
