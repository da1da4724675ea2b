<script lang="ts">
	/** Among the plays of a course: what was asked for and is not felt. */
	import { isFelt } from '$lib/documents';
	import type { CourseState } from './course.svelte';
	import { decidedWords } from './decided';

	interface Props {
		desk: CourseState;
		/** Where a time is, in pixels. */
		x: (time: number) => number;
		presetName: (id: string) => string;
	}
	let { desk, x, presetName }: Props = $props();
	const unfelt = $derived(desk.survey?.decisions.filter((decision) => !isFelt(decision)) ?? []);
</script>

{#each unfelt as decision, i (i)}
	<i title="{decision.at.toFixed(2)} s: {decidedWords(decision, presetName)}" style:left="{x(decision.at)}px"></i>
{/each}

<style>
	i {
		position: absolute;
		top: 2px;
		bottom: 2px;
		width: 5px;
		margin-left: -2px;
		background: repeating-linear-gradient(var(--ink-2) 0 2px, transparent 2px 4px) center / 1px 100% no-repeat;
	}
</style>
