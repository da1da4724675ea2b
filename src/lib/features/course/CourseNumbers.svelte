<script lang="ts">
	/** The course itself: its name, what it is for, how long it is, who walks. */
	import { pathSeconds } from '$lib/course';
	import { courseShape, newCourse, rangeOf } from '$lib/documents';
	import FindingLines from '$lib/room/FindingLines.svelte';
	import Button from '$lib/ui/Button.svelte';
	import NumberField from '$lib/ui/NumberField.svelte';
	import { clean, type CourseState } from './course.svelte';
	import RigPicker from './RigPicker.svelte';

	let { desk }: { desk: CourseState } = $props();

	const course = $derived(desk.course!);
	const states = $derived(desk.session.wiring.events.filter((e) => e.kind === 'state'));
	const lasting = (spans: readonly (readonly [number, number])[] | undefined): number =>
		(spans ?? []).reduce((sum, [from, until]) => sum + until - from, 0);
	const climbed = $derived(lasting(course.trace?.climbs));
	const carried = $derived(lasting(course.trace?.rides));
	const takes = $derived(course.trace !== null);
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
	<NumberField
		label="length"
		unit="s"
		value={course.seconds}
		{...rangeOf(courseShape, 'seconds')}
		reset={whole}
		step={0.1}
		onchange={setSeconds}
	/>
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
<FindingLines list={desk.found('')} most={3} onfix={(finding) => desk.fix(finding)} />
<p class="said">
	{#if takes}recorded, {(course.trace!.poses.length / 5).toFixed(0)} moments{climbed > 0
			? `, climbs ${climbed.toFixed(1)} s`
			: ''}{carried > 0 ? `, is carried ${carried.toFixed(1)} s` : ''}{course.things
			? `, ${course.things.length} ${course.things.length === 1 ? 'thing moves' : 'things move'} too`
			: ''}
	{:else if course.path.length === 0}no way yet: double click on the map
	{:else}{course.path.length} places, walked in {walked.toFixed(1)} s{#if walked > course.seconds}
			· <button class="link" onclick={() => setSeconds(Math.ceil(walked), true)}>make it that long</button>{/if}{/if}
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
	><input type="checkbox" checked={course.second !== null} onchange={(e) => setSecond(e.currentTarget.checked)} /> two players
	on one screen</label
>
<div class="acts">
	<Button onclick={addArea} disabled={states.length === 0} title="A round area whose state is on while one is within"
		>Add an area</Button
	>
</div>
