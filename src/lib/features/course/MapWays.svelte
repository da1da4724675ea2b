<script lang="ts">
	/** The ways of a course on its map, and the places that a hand moves. */
	import type { Course, Way } from '$lib/documents';
	import type { Paper } from '$lib/world/map-view';
	import type { Chosen, CourseState } from './course.svelte';

	interface Props {
		desk: CourseState;
		course: Course;
		paper: Paper;
		/** Where a way leads along, x and z. */
		placesOf: (way: Way | null | undefined) => readonly (readonly [number, number])[];
		ontake: (event: PointerEvent, what: Chosen) => void;
		onkeys: (event: KeyboardEvent, what: Chosen, x: number, z: number) => void;
	}
	let { desk, course, paper, placesOf, ontake, onkeys }: Props = $props();

	const { px, pz } = $derived(paper);
	const line = (way: Way | null | undefined): string =>
		placesOf(way)
			.map(([x, z]) => `${px(x).toFixed(1)},${pz(z).toFixed(1)}`)
			.join(' ');
</script>

{#each [course.second, course] as way, w (w)}
	{#if way}<polyline class="way" class:second={w === 0} points={line(way)} />{/if}
{/each}
{#each [0, 1] as const as w (w)}
	{@const way = w === 0 ? course : course.second}
	{#if way && !way.trace}
		{#each way.path as place, i (i)}
			{@const what = { kind: 'place', way: w, i } as const}
			<circle
				class="place"
				class:second={w === 1}
				class:chosen={desk.chosen?.kind === 'place' && desk.chosen.way === w && desk.chosen.i === i}
				cx={px(place.x)}
				cy={pz(place.z)}
				r={i === 0 ? 6.5 : 5}
				role="button"
				tabindex="0"
				aria-label="Place {i + 1}{w === 1 ? ' of the second player' : ''}"
				onpointerdown={(e) => ontake(e, what)}
				onkeydown={(e) => onkeys(e, what, place.x, place.z)}
			/>
		{/each}
	{/if}
{/each}

<style>
	.way {
		fill: none;
		stroke: var(--lamp);
		stroke-width: 2;
		stroke-linejoin: round;
	}
	.way.second {
		stroke: var(--ink-x);
		stroke-dasharray: 5 3;
	}
	.place {
		fill: var(--field);
		stroke: var(--lamp);
		stroke-width: 2;
		cursor: move;
	}
	.place.second {
		stroke: var(--ink-x);
	}
	.place.chosen {
		fill: var(--lamp-light);
	}
</style>
