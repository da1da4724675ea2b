<script lang="ts">
	import { goto } from '$app/navigation';
	import Handover from '$lib/features/handover/Handover.svelte';
	import { useSession } from '$lib/session/session.svelte';

	const session = useSession();
</script>

<svelte:head><title>Handover · {session.project.name}</title></svelte:head>
<Handover {session} ongo={(address) => void goto(address)} />
