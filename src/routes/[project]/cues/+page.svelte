<script lang="ts">
	import Cues from '$lib/features/cues/Cues.svelte';
	import { useSession } from '$lib/session/session.svelte';

	const session = useSession();
</script>

<svelte:head><title>Cues · {session.project.name}</title></svelte:head>
<Cues {session} />
