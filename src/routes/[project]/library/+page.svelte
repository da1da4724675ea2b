<script lang="ts">
	import { goto } from '$app/navigation';
	import { page } from '$app/state';
	import Library from '$lib/features/library/Library.svelte';
	import { useSession } from '$lib/session/session.svelte';

	const session = useSession();
</script>

<svelte:head><title>Library · {session.project.name}</title></svelte:head>
{#key page.url.hash === '#starter'}
	<Library
		{session}
		begin={page.url.hash === '#starter' ? 'starter' : 'yours'}
		onopen={(key) => goto(`${session.home}/bench/${key}`)}
		ongo={(address) => goto(address)}
	/>
{/key}
