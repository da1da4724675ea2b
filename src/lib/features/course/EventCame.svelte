<script lang="ts">
	/** What an event of the course came to when it was last surveyed. */
	import type { CourseEvent } from '$lib/documents';
	import type { CourseState } from './course.svelte';
	import { decidedOf } from './decided';
	import DecisionLines from './DecisionLines.svelte';

	let { desk, event }: { desk: CourseState; event: CourseEvent } = $props();

	/** More than these are not read. */
	const MOST_SAID = 8;
	const came = $derived.by(() => {
		const own = desk.session.wiring.cues.filter((cue) => cue.event === event.event);
		const cues = new Map(own.map((cue) => [cue.id, [...new Set(cue.actions.map(({ delay }) => delay))]]));
		return decidedOf(desk.survey?.decisions ?? [], event.at, cues).slice(0, MOST_SAID);
	});
</script>

{#if came.length > 0}
	<div>
		<span>it came to</span>
		<DecisionLines label="What it came to" decisions={came} presetName={(id) => desk.session.preset(id)?.name ?? id} />
	</div>
{/if}

<style>
	div {
		display: grid;
		gap: 3px;
		color: var(--ink-2);
	}
</style>
