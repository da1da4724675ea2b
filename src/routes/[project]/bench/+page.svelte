<script lang="ts">
	import { goto } from '$app/navigation';
	import FirstPreset from '$lib/features/bench/FirstPreset.svelte';
	import { useSession } from '$lib/session/session.svelte';

	const session = useSession();
</script>

<svelte:head><title>Bench · {session.project.name}</title></svelte:head>
<FirstPreset {session} onmade={(key) => goto(`${session.home}/bench/${key}`)} />
