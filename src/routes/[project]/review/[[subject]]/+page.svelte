<script lang="ts">
	import { goto } from '$app/navigation';
	import { page } from '$app/state';
	import Review from '$lib/features/review/Review.svelte';
	import { useSession } from '$lib/session/session.svelte';

	const session = useSession();
	const key = $derived(page.params.subject ?? '');
</script>

<svelte:head><title>Review · {session.project.name}</title></svelte:head>
<Review
	{session}
	{key}
	againstBench={page.url.searchParams.get('against') === 'bench'}
	onopen={(subject) => goto(`${session.home}/review${subject ? `/${encodeURIComponent(subject)}` : ''}`)}
	ongo={(address) => goto(address)}
/>
