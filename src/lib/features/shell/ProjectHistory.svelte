<script lang="ts">
	/** What was done in the whole project, by day. */
	import History from '$lib/room/History.svelte';
	import type { ProjectSession } from '$lib/session/session.svelte';
	import Dialog from '$lib/ui/Dialog.svelte';

	let { session, onclose }: { session: ProjectSession; onclose: () => void } = $props();
</script>

<Dialog wide open title="What was done in {session.project.name}" {onclose}>
	<div><History {session} scope={{}} onleave={onclose} /></div>
</Dialog>

<style>
	div {
		max-height: 68vh;
		overflow: auto;
	}
</style>
