<script lang="ts">
	/** A place of a way: how fast one goes from there, how long one stands there, where it is. */
	import { gaitOf } from 'dinesis-runtime/tools';
	import { courseShape, rangeOf, type Range, type Waypoint } from '$lib/documents';
	import Button from '$lib/ui/Button.svelte';
	import CourseNumber from './CourseNumber.svelte';
	import { clean, type CourseState } from './course.svelte';
	import TakeOut from './TakeOut.svelte';

	let { desk, place, way, i }: { desk: CourseState; place: Waypoint; way: 0 | 1; i: number } = $props();

	const of = (...path: string[]): Range => rangeOf(courseShape, ...path);
	const setPlace = (part: Partial<Waypoint>, done: boolean): void => {
		desk.changePlace(way, i, 'Change a place', part, `place ${way} ${i}`);
		if (done) desk.done();
	};
</script>

<h2>Place {i + 1}{way === 1 ? ' · second player' : ''}</h2>
<div class="tiles">
	<CourseNumber
		label="speed from here"
		unit="m/s"
		value={place.speed}
		range={of('path', 'speed')}
		onchange={(speed, done) => setPlace({ speed }, done)}
	/>
	<CourseNumber
		label="stands here"
		unit="s"
		value={place.pause}
		range={of('path', 'pause')}
		onchange={(pause, done) => setPlace({ pause }, done)}
	/>
</div>
<p class="said">{gaitOf(place.speed)} to the next place</p>
<div class="tiles three">
	{#each ['x', 'y', 'z'] as const as axis (axis)}
		<CourseNumber
			label={axis === 'y' ? 'ground y' : axis}
			unit="m"
			value={place[axis]}
			range={of('path', axis)}
			onchange={(v, done) => setPlace({ [axis]: v }, done)}
		/>
	{/each}
</div>
<div class="acts">
	<Button onclick={() => desk.addPlace(way, { x: clean(place.x + 1), y: place.y, z: clean(place.z - 1) })}
		>Add one behind it</Button
	>
	<TakeOut {desk} />
</div>
