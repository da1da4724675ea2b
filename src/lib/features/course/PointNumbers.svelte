<script lang="ts">
	/** A point of a game value: when, and how much. */
	import Trash from '@lucide/svelte/icons/trash-2';
	import { courseShape, rangeOf, type CourseValue, type Range } from '$lib/documents';
	import Button from '$lib/ui/Button.svelte';
	import NumberField from '$lib/ui/NumberField.svelte';
	import { clean, type CourseState } from './course.svelte';

	/** `v`: the place of the game value in the course, `i` of the point in it. */
	let { desk, value, v, i }: { desk: CourseState; value: CourseValue; v: number; i: number } = $props();

	const course = $derived(desk.course!);
	const point = $derived(value.points[i]!);
	const parameter = $derived(desk.session.wiring.parameters.find((p) => p.id === value.parameter));
	const within = $derived({ min: 0, max: course.seconds });
	const of = (...path: string[]): Range => rangeOf(courseShape, ...path);
	const setPoint = (part: { at?: number; value?: number }, done: boolean): void => {
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
	<Button onclick={() => desk.removeChosen()} title="Take it out (Delete)"><Trash size={14} /> Take out</Button>
</div>
