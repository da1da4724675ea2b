<script lang="ts">
	import { goto } from '$app/navigation';
	import { page } from '$app/state';
	import Cues from '$lib/features/cues/Cues.svelte';
	import { useSession } from '$lib/session/session.svelte';

	const session = useSession();
	const id = $derived(page.params.cue ?? '');
	const open = (cue: string): void =>
		void goto(`${session.home}/cues/${encodeURIComponent(cue)}`, {
			replaceState: true,
			keepFocus: true,
			noScroll: true
		});
</script>

<svelte:head><title>Cues · {session.project.name}</title></svelte:head>
<Cues {session} {id} onopen={open} />
