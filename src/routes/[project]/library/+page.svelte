<script lang="ts">
	import { goto } from '$app/navigation';
	import Library from '$lib/features/library/Library.svelte';
	import { useSession } from '$lib/session/session.svelte';

	const session = useSession();
</script>

<svelte:head><title>Library · {session.project.name}</title></svelte:head>
<Library {session} onopen={(key) => goto(`${session.home}/bench/${key}`)} />
