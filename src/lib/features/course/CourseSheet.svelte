<script lang="ts">
	/** The numbers of what is chosen; of the course itself while nothing is. */
	import ClipboardPaste from '@lucide/svelte/icons/clipboard-paste';
	import Copy from '@lucide/svelte/icons/copy';
	import Trash from '@lucide/svelte/icons/trash-2';
	import { gaitOf } from 'dinesis-runtime/tools';
	import {
		checkCourse,
		courseShape,
		newCourse,
		rangeOf,
		type CourseArea,
		type CourseEvent,
		type Range,
		type Waypoint
	} from '$lib/documents';
	import { pathSeconds } from '$lib/course';
	import FindingLines from '$lib/room/FindingLines.svelte';
	import NumberField from '$lib/ui/NumberField.svelte';
	import Segments from '$lib/ui/Segments.svelte';
	import { clean, type CourseState } from './course.svelte';
	import RigPicker from './RigPicker.svelte';

	let { desk }: { desk: CourseState } = $props();

	const course = $derived(desk.course!);
	const wiring = $derived(desk.session.wiring);
	const chosen = $derived(desk.chosen);
	const event = $derived(chosen?.kind === 'event' ? course.events[chosen.i] : undefined);
	const declared = $derived(event && wiring.events.find((e) => e.id === event.event));
	const area = $derived(chosen?.kind === 'area' ? course.areas[chosen.i] : undefined);
	const place = $derived(chosen?.kind === 'place' ? desk.pathOf(chosen.way)[chosen.i] : undefined);
	const value = $derived(chosen?.kind === 'point' ? course.values[chosen.value] : undefined);
	const point = $derived(chosen?.kind === 'point' ? value?.points[chosen.i] : undefined);
	const parameter = $derived(value && wiring.parameters.find((p) => p.id === value.parameter));
	const states = $derived(wiring.events.filter((e) => e.kind === 'state'));
	const of = (...path: string[]): Range => rangeOf(courseShape, ...path);
	const within = $derived({ min: 0, max: course.seconds });
	const found = $derived(checkCourse(course, desk.session.played));
	const takes = $derived(course.trace !== null);

	const setEvent = (part: Partial<CourseEvent>, mark: string, done: boolean): void => {
		if (chosen?.kind !== 'event') return;
		desk.changeEvent(chosen.i, 'Change an event', part, `${mark} ${chosen.i}`);
		if (done) desk.settle();
	};
	const setArea = (part: Partial<CourseArea>, done: boolean): void => {
		if (chosen?.kind !== 'area') return;
		const { i } = chosen;
		desk.change(
			'Change an area',
			(c) => ({ ...c, areas: c.areas.map((a, k) => (k === i ? { ...a, ...part } : a)) }),
			`area ${i}`
		);
		if (done) desk.done();
	};
	const setPlace = (part: Partial<Waypoint>, done: boolean): void => {
		if (chosen?.kind !== 'place') return;
		desk.changePlace(chosen.way, chosen.i, 'Change a place', part, `place ${chosen.way} ${chosen.i}`);
		if (done) desk.done();
	};
	const setPoint = (part: { at?: number; value?: number }, done: boolean): void => {
		if (chosen?.kind !== 'point' || !value) return;
		const { i, value: v } = chosen;
		const [before, after] = [value.points[i - 1], value.points[i + 1]];
		const at =
			part.at === undefined
				? undefined
				: clean(Math.min((after?.at ?? Infinity) - 0.01, Math.max((before?.at ?? -0.01) + 0.01, part.at)));
		const points = value.points.map((p, k) => (k === i ? { ...p, ...part, ...(at === undefined ? {} : { at }) } : p));
		desk.change(
			'Change a point',
			(c) => ({ ...c, values: c.values.map((w, k) => (k === v ? { ...w, points } : w)) }),
			`value ${v} ${i}`
		);
		if (done) desk.done();
	};
	function setSeconds(seconds: number, done: boolean) {
		desk.change('Length of the course', (c) => ({ ...c, seconds: clean(seconds) }), 'seconds');
		if (done) desk.done();
	}
	function addArea() {
		const state = states[0];
		if (!state) return;
		const [first] = course.path;
		const i = course.areas.length;
		const made = { event: state.id, x: first?.x ?? 0, z: first?.z ?? 0, radius: 2 };
		desk.change('Add an area', (c) => ({ ...c, areas: [...c.areas, made] }));
		desk.chosen = { kind: 'area', i };
		desk.done();
	}
	function setSecond(on: boolean) {
		const path = course.path.slice(0, 1).map((p) => ({ ...p, x: clean(p.x + 1.2), pause: 0 }));
		desk.chosen = null;
		desk.change(on ? 'A second player' : 'One player', (c) => ({ ...c, second: on ? { path, trace: null } : null }));
		desk.done();
	}
	const whole = $derived(newCourse('', '').seconds);
	const walked = $derived(takes ? course.seconds : pathSeconds(course));
</script>

{#snippet told(at: string)}
	<FindingLines
		list={found.filter(({ place }) => place.startsWith(at))}
		most={at === '' ? 3 : 9}
		onfix={(finding) => desk.session.fix({ kind: 'course', document: course, finding })}
	/>
{/snippet}

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

<section aria-label="What is chosen">
	{#if event && chosen?.kind === 'event'}
		<h2>{declared?.name ?? event.event}</h2>
		{@render told(`events[${chosen.i}].`)}
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
			<button onclick={() => desk.copyChosen()} title="Copy (Ctrl+C)"><Copy size={14} /> Copy</button>
			<button onclick={() => desk.paste()} title="Paste at the playhead (Ctrl+V)"
				><ClipboardPaste size={14} /> Paste</button
			>
			<button onclick={() => desk.removeChosen()} title="Take it out (Delete)"><Trash size={14} /> Take out</button>
		</div>
	{:else if place && chosen?.kind === 'place'}
		<h2>Place {chosen.i + 1}{chosen.way === 1 ? ' · second player' : ''}</h2>
		<div class="tiles">
			{@render number('speed from here', 'm/s', place.speed, of('path', 'speed'), 0.05, (speed, done) =>
				setPlace({ speed: clean(speed) }, done)
			)}
			{@render number('stands here', 's', place.pause, of('path', 'pause'), 0.05, (pause, done) =>
				setPlace({ pause: clean(pause) }, done)
			)}
		</div>
		<p class="said">{gaitOf(place.speed)} to the next place</p>
		<div class="tiles three">
			{@render number('x', 'm', place.x, of('path', 'x'), 0.05, (x, done) => setPlace({ x: clean(x) }, done))}
			{@render number('ground y', 'm', place.y, of('path', 'y'), 0.05, (y, done) => setPlace({ y: clean(y) }, done))}
			{@render number('z', 'm', place.z, of('path', 'z'), 0.05, (z, done) => setPlace({ z: clean(z) }, done))}
		</div>
		<div class="acts">
			<button onclick={() => desk.addPlace(chosen.way, { x: clean(place.x + 1), y: place.y, z: clean(place.z - 1) })}
				>Add one behind it</button
			>
			<button onclick={() => desk.removeChosen()} title="Take it out (Delete)"><Trash size={14} /> Take out</button>
		</div>
	{:else if area && chosen?.kind === 'area'}
		<h2>Area</h2>
		<label
			>while within, on is <select value={area.event} onchange={(e) => setArea({ event: e.currentTarget.value }, true)}>
				{#if !states.some((s) => s.id === area.event)}<option value={area.event}>{area.event}</option>{/if}
				{#each states as s (s.id)}<option value={s.id}>{s.name}</option>{/each}
			</select></label
		>
		<div class="tiles three">
			{@render number('x', 'm', area.x, of('areas', 'x'), 0.05, (x, done) => setArea({ x: clean(x) }, done))}
			{@render number('z', 'm', area.z, of('areas', 'z'), 0.05, (z, done) => setArea({ z: clean(z) }, done))}
			{@render number('radius', 'm', area.radius, of('areas', 'radius'), 0.05, (radius, done) =>
				setArea({ radius: clean(radius) }, done)
			)}
		</div>
		<div class="acts">
			<button onclick={() => desk.removeChosen()} title="Take it out (Delete)"><Trash size={14} /> Take out</button>
		</div>
	{:else if point && value}
		<h2>{parameter?.name ?? value.parameter}</h2>
		<div class="tiles">
			{@render number('at', 's', point.at, within, 0.01, (at, done) => setPoint({ at }, done))}
			{@render number(
				'value',
				'',
				point.value,
				parameter ? { min: parameter.min, max: parameter.max, reset: parameter.rest } : of('values', 'points', 'value'),
				((parameter?.max ?? 1) - (parameter?.min ?? 0)) / 200,
				(v, done) => setPoint({ value: clean(v) }, done)
			)}
		</div>
		<div class="acts">
			<button onclick={() => desk.removeChosen()} title="Take it out (Delete)"><Trash size={14} /> Take out</button>
		</div>
	{:else}
		<h2>{takes ? 'Take' : 'Course'}</h2>
		<label
			>name <input
				value={course.name}
				maxlength="120"
				onchange={(e) => {
					const name = e.currentTarget.value.trim();
					if (name) desk.change('Name', (c) => ({ ...c, name }));
					else e.currentTarget.value = course.name;
					desk.done();
				}}
			/></label
		>
		<label
			>what for <textarea
				rows="1"
				maxlength="4000"
				value={course.about}
				onchange={(e) => {
					const about = e.currentTarget.value;
					desk.change('Description', (c) => ({ ...c, about }));
					desk.done();
				}}></textarea></label
		>
		<div class="tiles">
			{@render number('length', 's', course.seconds, { ...of('seconds'), reset: whole }, 0.1, setSeconds)}
			<NumberField
				label="seed"
				value={desk.seed}
				min={1}
				max={9999}
				step={1}
				digits={0}
				reset={1}
				hint="Another seed is another play of the same course"
				onchange={(seed) => (desk.seed = Math.round(seed))}
			/>
		</div>
		<RigPicker {desk} />
		{@render told('')}
		<p class="said">
			{#if takes}recorded, {(course.trace!.poses.length / 5).toFixed(0)} moments
			{:else if course.path.length === 0}no way yet: double click on the map
			{:else}{course.path.length} places, walked in {walked.toFixed(1)} s{#if walked > course.seconds}
					· <button class="link" onclick={() => setSeconds(Math.ceil(walked), true)}>make it that long</button
					>{/if}{/if}
		</p>
		{#if !takes}
			<label class="check"
				><input
					type="checkbox"
					checked={course.steps}
					onchange={(e) => {
						const steps = e.currentTarget.checked;
						desk.change('Footfalls', (c) => ({ ...c, steps }));
						desk.done();
					}}
				/> feet fall on the way</label
			>
		{/if}
		<label class="check"
			><input type="checkbox" checked={course.second !== null} onchange={(e) => setSecond(e.currentTarget.checked)} /> two
			players on one screen</label
		>
		<div class="acts">
			<button
				onclick={addArea}
				disabled={states.length === 0}
				title="A round area whose state is on while one is within">Add an area</button
			>
		</div>
	{/if}
</section>

<style>
	section {
		display: grid;
		align-content: start;
		gap: 6px;
		min-height: 0;
		overflow: auto;
		border: 1px solid var(--rule-strong);
		border-radius: var(--radius);
		background: var(--sheet);
		padding: 8px 10px;
	}
	h2 {
		font-size: 15px;
	}
	label {
		display: grid;
		gap: 2px;
		font-size: 11.5px;
		color: var(--ink-2);
	}
	label.check {
		display: flex;
		flex-wrap: wrap;
		align-items: center;
		gap: 6px;
		color: var(--ink);
		font-size: 13px;
	}
	.check small {
		color: var(--ink-2);
	}
	input:not([type]),
	textarea,
	select {
		border: 1px solid var(--rule-strong);
		border-radius: 5px;
		background: var(--field);
		color: var(--ink);
		padding: 3px 6px;
		font-size: 13px;
		resize: none;
		min-width: 0;
	}
	/* One line while it is read, room to write in. */
	textarea {
		height: 27px;
		white-space: nowrap;
		overflow: hidden;
		text-overflow: ellipsis;
	}
	textarea:focus {
		height: 84px;
		white-space: normal;
		overflow: auto;
	}
	input[type='checkbox'] {
		accent-color: var(--lamp);
	}
	.tiles {
		display: grid;
		grid-template-columns: repeat(2, minmax(0, 1fr));
		gap: 6px;
	}
	.tiles.three {
		grid-template-columns: repeat(3, minmax(0, 1fr));
	}
	.said {
		margin: 0;
		font-size: 12px;
		color: var(--ink-2);
	}
	.acts {
		display: flex;
		flex-wrap: wrap;
		gap: 6px;
	}
	.acts button {
		display: inline-flex;
		align-items: center;
		gap: 4px;
		border: 1px solid var(--rule-strong);
		border-radius: 6px;
		background: var(--field);
		padding: 2px 8px;
		cursor: pointer;
	}
	.acts button:disabled {
		opacity: 0.45;
		cursor: default;
	}
	.link {
		border: 0;
		padding: 0;
		background: none;
		color: var(--lamp-text);
		text-decoration: underline;
		cursor: pointer;
	}
</style>
