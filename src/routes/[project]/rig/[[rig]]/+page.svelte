<script lang="ts">
	import { goto } from '$app/navigation';
	import { page } from '$app/state';
	import Rig from '$lib/features/rig/Rig.svelte';
	import { useSession } from '$lib/session/session.svelte';

	const session = useSession();
	const id = $derived(page.params.rig ?? '');
	const here = $derived(session.home);
	const name = $derived(session.wiring.rigs.find((rig) => rig.id === id)?.name);
</script>

<svelte:head><title>{name ?? 'Rig'} · {session.project.name}</title></svelte:head>
<Rig
	{session}
	{id}
	onopen={(rig) => void goto(`${here}/rig/${rig}`, { keepFocus: session.fresh !== '' })}
	onbench={(preset) => void goto(`${here}/bench/${preset}`, { keepFocus: session.fresh !== '' })}
/>
