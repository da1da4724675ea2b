<script lang="ts">
	/** Areas of a course on its map; the chosen one has a grip for its size. */
	import type { Course } from '$lib/documents';
	import type { Paper } from '$lib/world/map-view';
	import type { Chosen, CourseState } from './course.svelte';

	interface Props {
		desk: CourseState;
		course: Course;
		paper: Paper;
		eventName: (id: string) => string;
		ontake: (event: PointerEvent, what: Chosen | 'radius') => void;
		onkeys: (event: KeyboardEvent, what: Chosen, x: number, z: number) => void;
	}
	let { desk, course, paper, eventName, ontake, onkeys }: Props = $props();

	const { px, pz, k } = $derived(paper);
</script>

{#each course.areas as area, i (i)}
	{@const what = { kind: 'area', i } as const}
	{@const chosen = desk.chosen?.kind === 'area' && desk.chosen.i === i}
	<circle
		class="area"
		class:chosen
		cx={px(area.x)}
		cy={pz(area.z)}
		r={area.radius * k}
		role="button"
		tabindex="0"
		aria-label="Area: {eventName(area.event)}"
		onpointerdown={(e) => ontake(e, what)}
		onkeydown={(e) => onkeys(e, what, area.x, area.z)}
	/>
	<text class="said" x={px(area.x)} y={pz(area.z) - area.radius * k - 4}>{eventName(area.event)}</text>
	{#if chosen}
		<circle
			class="grip taken"
			cx={px(area.x + area.radius)}
			cy={pz(area.z)}
			r="5"
			role="presentation"
			onpointerdown={(e) => ontake(e, 'radius')}
		/>
	{/if}
{/each}

<style>
	.area {
		fill: var(--lamp-wash);
		fill-opacity: 0.45;
		stroke: var(--lamp);
		stroke-dasharray: 4 3;
		cursor: move;
	}
	.area.chosen {
		fill-opacity: 0.75;
		stroke-width: 2;
	}
	.grip {
		fill: var(--field);
		stroke: var(--lamp);
		stroke-width: 2;
		cursor: ew-resize;
	}
	.said {
		text-anchor: middle;
		font-size: 11px;
		fill: var(--lamp-text);
		pointer-events: none;
	}
</style>
