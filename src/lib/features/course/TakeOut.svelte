<script lang="ts">
	/** Takes what is chosen out of the course. */
	import Trash from '@lucide/svelte/icons/trash-2';
	import Button from '$lib/ui/Button.svelte';
	import type { CourseState } from './course.svelte';

	let { desk }: { desk: CourseState } = $props();
</script>

<Button onclick={() => desk.removeChosen()} title="Take it out (Delete)"><Trash size={14} /> Take out</Button>
