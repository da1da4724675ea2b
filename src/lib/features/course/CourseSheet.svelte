<script lang="ts">
	/** The numbers of what is chosen; of the course itself while nothing is. */
	import AreaNumbers from './AreaNumbers.svelte';
	import type { CourseState } from './course.svelte';
	import CourseNumbers from './CourseNumbers.svelte';
	import EventNumbers from './EventNumbers.svelte';
	import PlaceNumbers from './PlaceNumbers.svelte';
	import PointNumbers from './PointNumbers.svelte';
	import Frame from '$lib/ui/Frame.svelte';

	let { desk }: { desk: CourseState } = $props();

	const course = $derived(desk.course!);
	const chosen = $derived(desk.chosen);
	const event = $derived(chosen?.kind === 'event' ? course.events[chosen.i] : undefined);
	const area = $derived(chosen?.kind === 'area' ? course.areas[chosen.i] : undefined);
	const place = $derived(chosen?.kind === 'place' ? desk.pathOf(chosen.way)[chosen.i] : undefined);
	const value = $derived(chosen?.kind === 'point' ? course.values[chosen.value] : undefined);
</script>

<Frame label="What is chosen" flow="rows">
	<div class="inside">
		{#if event && chosen?.kind === 'event'}
			<EventNumbers {desk} {event} i={chosen.i} />
		{:else if place && chosen?.kind === 'place'}
			<PlaceNumbers {desk} {place} way={chosen.way} i={chosen.i} />
		{:else if area && chosen?.kind === 'area'}
			<AreaNumbers {desk} {area} i={chosen.i} />
		{:else if value && chosen?.kind === 'point' && value.points[chosen.i]}
			<PointNumbers {desk} {value} v={chosen.value} i={chosen.i} />
		{:else}
			<CourseNumbers {desk} />
		{/if}
	</div>
</Frame>

<style>
	/* It has no shape of its own: what is in it stands in the frame. */
	.inside {
		display: contents;
	}
	.inside > :global(h2) {
		font-size: 15px;
	}
	.inside > :global(label) {
		display: grid;
		gap: 2px;
		font-size: 11.5px;
		color: var(--ink-2);
	}
	.inside > :global(label.check) {
		display: flex;
		flex-wrap: wrap;
		align-items: center;
		gap: 6px;
		color: var(--ink);
		font-size: 13px;
	}
	.inside > :global(.check small) {
		color: var(--ink-2);
	}
	.inside > :global(label > input:not([type])),
	.inside > :global(label > textarea) {
		border: 1px solid var(--rule-strong);
		border-radius: 5px;
		background: var(--field);
		color: var(--ink);
		padding: 3px 6px;
		font-size: 13px;
		resize: none;
		min-width: 0;
	}
	/* One line while it is read, room to write in. */
	.inside > :global(label > textarea) {
		height: 27px;
		white-space: nowrap;
		overflow: hidden;
		text-overflow: ellipsis;
	}
	.inside > :global(label > textarea:focus) {
		height: 84px;
		white-space: normal;
		overflow: auto;
	}
	.inside > :global(label > input[type='checkbox']) {
		accent-color: var(--lamp);
	}
	.inside > :global(.tiles) {
		display: grid;
		grid-template-columns: repeat(2, minmax(0, 1fr));
		gap: 6px;
	}
	.inside > :global(.tiles.three) {
		grid-template-columns: repeat(3, minmax(0, 1fr));
	}
	.inside > :global(.said) {
		margin: 0;
		font-size: 12px;
		color: var(--ink-2);
	}
	.inside > :global(.acts) {
		display: flex;
		flex-wrap: wrap;
		gap: 6px;
	}
	.inside > :global(.said > .link) {
		border: 0;
		padding: 0;
		background: none;
		color: var(--lamp-text);
		text-decoration: underline;
		cursor: pointer;
	}
</style>
