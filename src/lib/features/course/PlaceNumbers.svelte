<script lang="ts">
	/** A place of a way: how fast one goes from there, how long one stands there, where it is. */
	import Trash from '@lucide/svelte/icons/trash-2';
	import { gaitOf } from 'dinesis-runtime/tools';
	import { courseShape, rangeOf, type Range, type Waypoint } from '$lib/documents';
	import Button from '$lib/ui/Button.svelte';
	import NumberField from '$lib/ui/NumberField.svelte';
	import { clean, type CourseState } from './course.svelte';

	let { desk, place, way, i }: { desk: CourseState; place: Waypoint; way: 0 | 1; i: number } = $props();

	const of = (...path: string[]): Range => rangeOf(courseShape, ...path);
	const setPlace = (part: Partial<Waypoint>, done: boolean): void => {
		desk.changePlace(way, i, 'Change a place', part, `place ${way} ${i}`);
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

<h2>Place {i + 1}{way === 1 ? ' · second player' : ''}</h2>
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
	<Button onclick={() => desk.addPlace(way, { x: clean(place.x + 1), y: place.y, z: clean(place.z - 1) })}
		>Add one behind it</Button
	>
	<Button onclick={() => desk.removeChosen()} title="Take it out (Delete)"><Trash size={14} /> Take out</Button>
</div>
