<script lang="ts">
	/** The grounds from above: the ways with their places, areas, where events happen, and where everybody is. */
	import { onMount } from 'svelte';
	import { TRACE_NUMBERS } from '$lib/course';
	import { type Way } from '$lib/documents';
	import { groundAt } from '$lib/world/grounds';
	import { clean, type Chosen, type CourseState } from './course.svelte';
	import GroundsMap from '$lib/room/GroundsMap.svelte';
	import { viewOf, type MapView } from '$lib/world/map-view';
	import MapAreas from './MapAreas.svelte';
	import MapWays from './MapWays.svelte';

	interface Props {
		desk: CourseState;
		/** Poses of everybody, read in every frame of the display. */
		bodies: () => readonly { readonly pose: Float64Array }[];
		/** Only looked at: a free run goes on. */
		still: boolean;
	}
	let { desk, bodies, still }: Props = $props();

	let width = $state(300);
	let height = $state(340);
	let view = $state.raw<MapView>({ x: 2, z: 0, half: 16 });
	let arrows = $state.raw<readonly { x: number; z: number; turn: number }[]>([]);
	let held: Chosen | 'radius' | 'event place' | null = null;
	const course = $derived(desk.course);
	const event = $derived(desk.chosen?.kind === 'event' ? course?.events[desk.chosen.i] : undefined);
	const eventName = (id: string): string => desk.session.wiring.events.find((e) => e.id === id)?.name ?? id;

	const tracePlaces = (way: Way): [number, number][] => {
		const { poses } = way.trace!;
		const every = Math.max(1, Math.floor(poses.length / TRACE_NUMBERS / 400)) * TRACE_NUMBERS;
		const out: [number, number][] = [];
		for (let i = 0; i + 2 < poses.length; i += every) out.push([poses[i]!, poses[i + 2]!]);
		return out;
	};
	const placesOf = (way: Way | null | undefined): [number, number][] =>
		!way ? [] : way.trace ? tracePlaces(way) : way.path.map((p) => [p.x, p.z]);

	export function fit() {
		view = viewOf(
			[
				...placesOf(course),
				...placesOf(course?.second),
				...(course?.areas ?? []).map((a): [number, number] => [a.x, a.z])
			],
			width / height
		);
	}
	let fitted = '';
	$effect(() => {
		if (!course || fitted === course.id) return;
		fitted = course.id;
		fit();
	});

	function take(event: PointerEvent, what: Chosen | 'radius' | 'event place') {
		if (event.button !== 0) return;
		event.stopPropagation();
		held = what;
		(event.currentTarget as Element).setPointerCapture(event.pointerId);
		if (typeof what === 'object') desk.chosen = what;
	}
	function drag([px, pz]: readonly [number, number]) {
		if (!held) return;
		const [x, z] = [clean(px), clean(pz)];
		if (held === 'event place') moveEvent(x, z);
		else if (held === 'radius') {
			const { chosen } = desk;
			if (chosen?.kind !== 'area') return;
			const area = course!.areas[chosen.i]!;
			changeArea(chosen.i, { radius: clean(Math.max(0.2, Math.hypot(x - area.x, z - area.z))) });
		} else move(held, x, z);
	}
	function move(what: Chosen, x: number, z: number) {
		if (what.kind === 'place') {
			const y = clean(groundAt(x, z, desk.pathOf(what.way)[what.i]!.y));
			desk.changePlace(what.way, what.i, 'Move a place', { x, y, z }, `place ${what.way} ${what.i}`);
		} else if (what.kind === 'area') changeArea(what.i, { x, z });
	}
	function changeArea(i: number, part: { x?: number; z?: number; radius?: number }) {
		desk.change(
			'Move an area',
			(c) => ({ ...c, areas: c.areas.map((a, j) => (j === i ? { ...a, ...part } : a)) }),
			`area ${i}`
		);
	}
	function moveEvent(x: number, z: number) {
		const { chosen } = desk;
		if (chosen?.kind !== 'event' || !event?.place) return;
		const y = event.place[1];
		desk.changeEvent(chosen.i, 'Move where it happens', { place: [x, y, z] }, `event place ${chosen.i}`);
	}
	function drop() {
		if (held) desk.done();
		held = null;
	}
	function addHere([px, pz]: readonly [number, number]) {
		if (still || course?.trace) return;
		const [x, z] = [clean(px), clean(pz)];
		const way = desk.chosen?.kind === 'place' ? desk.chosen.way : 0;
		const near = desk.pathOf(way).at(-1)?.y ?? 0;
		desk.addPlace(way, { x, y: clean(groundAt(x, z, near)), z });
	}
	function keys(event: KeyboardEvent, what: Chosen, x: number, z: number) {
		const by = event.shiftKey ? 1 : 0.1;
		const dx = event.key === 'ArrowRight' ? by : event.key === 'ArrowLeft' ? -by : 0;
		const dz = event.key === 'ArrowDown' ? by : event.key === 'ArrowUp' ? -by : 0;
		if (!dx && !dz) return;
		event.preventDefault();
		event.stopPropagation();
		desk.chosen = what;
		move(what, clean(x + dx), clean(z + dz));
		desk.done();
	}

	/** Where one walks off the map it goes along. */
	function follow() {
		const [me] = arrows;
		if (!me) return;
		const room = 0.82;
		const wide = view.half * (width / Math.max(1, height)) * room;
		const tall = view.half * room;
		const x = Math.min(me.x + wide, Math.max(me.x - wide, view.x));
		const z = Math.min(me.z + tall, Math.max(me.z - tall, view.z));
		if (x !== view.x || z !== view.z) view = { ...view, x, z };
	}

	onMount(() => {
		let request = 0;
		const next = (): void => {
			request = requestAnimationFrame(next);
			arrows = bodies().map(({ pose }) => ({
				x: pose[0]!,
				z: pose[2]!,
				// Yaw is positive to the left, the picture's turns are positive to the right.
				turn: -pose[3]!
			}));
			if (still) follow();
		};
		request = requestAnimationFrame(next);
		return () => cancelAnimationFrame(request);
	});
</script>

<section class="map" aria-label="Map">
	<GroundsMap
		label="The grounds from above"
		{view}
		onview={(next) => (view = next)}
		onpointermove={drag}
		onpointerup={drop}
		onnothing={() => (desk.chosen = null)}
		ondblclick={addHere}
		bind:width
		bind:height
		blank={course?.recording !== undefined && !still}
	>
		{#snippet children(paper)}
			{@const { px, pz } = paper}
			{#if course}
				<MapAreas {desk} {course} {paper} {eventName} ontake={take} onkeys={keys} />
				<MapWays {desk} {course} {paper} {placesOf} ontake={take} onkeys={keys} />
				{#each course.events as e, i (i)}
					{#if e.place}
						{@const mine = desk.chosen?.kind === 'event' && desk.chosen.i === i}
						<path
							class="pin taken"
							class:chosen={mine}
							d="M{px(e.place[0])} {pz(e.place[2])}l-5 -7a6 6 0 1 1 10 0z"
							role="presentation"
							onpointerdown={(p) => {
								desk.chosen = { kind: 'event', i };
								take(p, 'event place');
							}}
						/>
					{/if}
				{/each}
			{/if}
			{#each arrows as arrow, i (i)}
				<path
					class="body"
					class:second={i === 1}
					d="M0 -9l6.5 15l-6.5 -4l-6.5 4z"
					transform="translate({px(arrow.x)} {pz(arrow.z)}) rotate({arrow.turn})"
				/>
			{/each}
			<text class="scale" x="8" y={height - 8}>
				{#if still}free run{:else if course?.trace}recorded way · drag pans, wheel zooms{:else}double click adds a place
					· drag, wheel{/if}
			</text>
		{/snippet}
	</GroundsMap>
	<button class="fit" onclick={fit} title="Show the whole course">whole</button>
</section>

<style>
	.map {
		position: relative;
		min-width: 0;
		min-height: 0;
		overflow: hidden;
		border: 1px solid var(--rule-strong);
		border-radius: var(--radius);
	}
	.pin {
		fill: var(--ink-2);
		fill-opacity: 0.45;
		stroke: var(--field);
		cursor: pointer;
	}
	.pin.chosen {
		fill: var(--lamp);
		fill-opacity: 1;
		cursor: move;
	}
	.body {
		fill: var(--ink);
		stroke: var(--field);
		stroke-width: 1.5;
		pointer-events: none;
	}
	.body.second {
		fill: var(--ink-x);
	}
	.scale {
		font-size: 11px;
		fill: var(--ink-2);
		pointer-events: none;
	}
	.fit {
		position: absolute;
		right: 7px;
		top: 7px;
		border: 1px solid var(--rule-strong);
		border-radius: 5px;
		background: var(--field);
		font-size: 11.5px;
		padding: 1px 8px;
		cursor: pointer;
	}
</style>
