<script lang="ts">
	/** Beside the ruler: snapping, zoom, and what can be put on the timeline. */
	import Magnet from '@lucide/svelte/icons/magnet';
	import ZoomIn from '@lucide/svelte/icons/zoom-in';
	import ZoomOut from '@lucide/svelte/icons/zoom-out';
	import Menu from '$lib/ui/Menu.svelte';
	import type { CourseState } from './course.svelte';

	/** `lanes`: ids of the events that have one. */
	let { desk, lanes }: { desk: CourseState; lanes: readonly string[] } = $props();

	const course = $derived(desk.course!);
	const wiring = $derived(desk.session.wiring);
	const absent = $derived(wiring.events.filter((e) => !lanes.includes(e.id)));
	const freeValues = $derived(
		wiring.parameters.filter((p) => !course.values.some((value) => value.parameter === p.id))
	);
	function addValue(id: string) {
		const parameter = wiring.parameters.find((p) => p.id === id)!;
		const points = [
			{ at: 0, value: parameter.rest },
			{ at: course.seconds, value: parameter.max }
		];
		desk.change('Add a game value', (c) => ({ ...c, values: [...c.values, { parameter: id, points }] }));
		desk.done();
	}
	const groups = $derived([
		{
			title: 'Events',
			items: absent.map((event) => ({
				label: event.name,
				about: event.kind,
				run: () => desk.addEvent(event.id, desk.time)
			}))
		},
		{
			title: 'Game values',
			items: freeValues.map((parameter) => ({
				label: parameter.name,
				about: 'game value',
				run: () => addValue(parameter.id)
			}))
		}
	]);
	const none = $derived(
		wiring.events.length === 0
			? 'No event is declared yet: the Cues room does that, or the table beside a free run.'
			: 'Every event and game value has its lane.'
	);
</script>

<div class="corner">
	<button
		class:on={desk.snaps}
		aria-pressed={desk.snaps}
		title="Snap to other events and the playhead; Alt while dragging does the other thing"
		aria-label="Snap"
		onclick={() => (desk.snaps = !desk.snaps)}><Magnet size={14} /></button
	>
	<button title="Show less of the course (+)" aria-label="Zoom in" onclick={() => desk.zoom(0.5, desk.time)}
		><ZoomIn size={14} /></button
	>
	<button title="Show more of the course (−)" aria-label="Zoom out" onclick={() => desk.zoom(2, desk.time)}
		><ZoomOut size={14} /></button
	>
	<span class="add">
		<Menu label="Add a lane" title="An event or a game value to put on the timeline" {groups} {none}>
			{#snippet button()}+ lane{/snippet}
		</Menu>
	</span>
</div>

<style>
	.corner {
		display: flex;
		gap: 1px;
		padding: 1px 4px;
		border-bottom: 1px solid var(--rule);
	}
	.corner button {
		display: grid;
		place-items: center;
		width: 26px;
		border: 0;
		border-radius: 4px;
		background: none;
		color: var(--ink-2);
		cursor: pointer;
	}
	.corner button.on {
		background: var(--lamp-wash);
		color: var(--lamp-text);
	}
	.add {
		margin-left: auto;
		font-size: 12px;
	}
</style>
