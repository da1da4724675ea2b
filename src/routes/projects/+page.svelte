<script lang="ts">
	import { onMount } from 'svelte';
	import { goto } from '$app/navigation';
	import Shelf from '$lib/features/shelf/Shelf.svelte';
	import { theme } from '$lib/ui/theme.svelte';
	import type { PageData } from './$types';

	let { data }: { data: PageData } = $props();

	onMount(() => theme.recall());
	$effect(() => {
		document.documentElement.dataset.theme = theme.now;
	});
</script>

<svelte:head><title>Projects · Dinesis</title></svelte:head>
<Shelf first={data.shelf} demo={data.demo} onopen={(slug) => goto(`/${encodeURIComponent(slug)}`)} />
