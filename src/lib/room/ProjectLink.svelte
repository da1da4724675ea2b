<script lang="ts">
	/** The project's name in a room's head: it leads to the shelf. */
	import type { ProjectSession } from '$lib/session/session.svelte';

	let { session }: { session: ProjectSession } = $props();
</script>

<a href="/projects" title="All projects">{session.project.name}</a>

<style>
	a {
		color: inherit;
		text-decoration: underline;
		text-decoration-color: var(--rule-strong);
		text-underline-offset: 3px;
	}
	a:hover {
		color: var(--ink);
		text-decoration-color: var(--lamp);
	}
</style>
