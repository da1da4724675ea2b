<script lang="ts">
	/** A round area: which state is on within it, and where it is. */
	import Trash from '@lucide/svelte/icons/trash-2';
	import { courseShape, rangeOf, type CourseArea, type Range } from '$lib/documents';
	import FindingLines from '$lib/room/FindingLines.svelte';
	import Button from '$lib/ui/Button.svelte';
	import NumberField from '$lib/ui/NumberField.svelte';
	import { clean, type CourseState } from './course.svelte';

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

<h2>Area</h2>
<FindingLines list={desk.found(`areas[${i}].`)} />
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
	<Button onclick={() => desk.removeChosen()} title="Take it out (Delete)"><Trash size={14} /> Take out</Button>
</div>
