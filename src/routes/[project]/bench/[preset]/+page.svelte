<script lang="ts">
	import { goto } from '$app/navigation';
	import Bench from '$lib/features/bench/Bench.svelte';
	import { useSession } from '$lib/session/session.svelte';
	import type { PageData } from './$types';

	let { data }: { data: PageData } = $props();
	const session = useSession();
	const preset = $derived(session.preset(data.key));
</script>

<svelte:head><title>{preset?.name ?? 'Bench'} · {session.project.name}</title></svelte:head>
<Bench {session} presetKey={data.key} onopen={(key) => goto(`/${session.project.slug}/bench/${key}`)} />
