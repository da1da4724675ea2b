<script lang="ts">
	import Project from '$lib/features/project/Project.svelte';
	import { useSession } from '$lib/session/session.svelte';

	const session = useSession();
</script>

<svelte:head><title>Project · {session.project.name}</title></svelte:head>
<Project {session} />
