<script lang="ts">
	/** A point of a game value: when, and how much. */
	import { courseShape, rangeOf, type CourseValue, type Range } from '$lib/documents';
	import CourseNumber from './CourseNumber.svelte';
	import { clean, type CourseState } from './course.svelte';
	import TakeOut from './TakeOut.svelte';

	/** `v`: the place of the game value in the course, `i` of the point in it. */
	let { desk, value, v, i }: { desk: CourseState; value: CourseValue; v: number; i: number } = $props();

	const course = $derived(desk.course!);
	const point = $derived(value.points[i]!);
	const parameter = $derived(desk.session.wiring.parameters.find((p) => p.id === value.parameter));
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

<h2>{parameter?.name ?? value.parameter}</h2>
<div class="tiles">
	<CourseNumber
		label="at"
		unit="s"
		value={point.at}
		range={{ min: 0, max: course.seconds }}
		step={0.01}
		onchange={(at, done) => setPoint({ at }, done)}
	/>
	<CourseNumber
		label="value"
		value={point.value}
		range={parameter
			? { min: parameter.min, max: parameter.max, reset: parameter.rest }
			: of('values', 'points', 'value')}
		step={((parameter?.max ?? 1) - (parameter?.min ?? 0)) / 200}
		onchange={(v, done) => setPoint({ value: v }, done)}
	/>
</div>
<div class="acts">
	<TakeOut {desk} />
</div>
