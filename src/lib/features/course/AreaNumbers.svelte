<script lang="ts">
	/** A round area: which state is on within it, and where it is. */
	import { courseShape, rangeOf, type CourseArea, type Range } from '$lib/documents';
	import FindingLines from '$lib/room/FindingLines.svelte';
	import Select from '$lib/ui/Select.svelte';
	import CourseNumber from './CourseNumber.svelte';
	import type { CourseState } from './course.svelte';
	import TakeOut from './TakeOut.svelte';

	let { desk, area, i }: { desk: CourseState; area: CourseArea; i: number } = $props();

	const states = $derived(desk.session.wiring.events.filter((e) => e.kind === 'state'));
	const of = (...path: string[]): Range => rangeOf(courseShape, ...path);
	const setArea = (part: Partial<CourseArea>, done: boolean): void => {
		desk.change(
			'Change an area',
			(c) => ({ ...c, areas: c.areas.map((a, k) => (k === i ? { ...a, ...part } : a)) }),
			`area ${i}`
		);
		if (done) desk.done();
	};
</script>

<h2>Area</h2>
<FindingLines list={desk.found(`areas[${i}].`)} />
<label
	>while within, on is <Select
		value={area.event}
		choices={states.map(({ id, name }) => ({ value: id, label: name }))}
		onchange={(event) => setArea({ event }, true)}
	/></label
>
<div class="tiles three">
	{#each ['x', 'z', 'radius'] as const as name (name)}
		<CourseNumber
			label={name}
			unit="m"
			value={area[name]}
			range={of('areas', name)}
			onchange={(v, done) => setArea({ [name]: v }, done)}
		/>
	{/each}
</div>
<div class="acts">
	<TakeOut {desk} />
</div>
