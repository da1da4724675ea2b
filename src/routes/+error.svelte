<script lang="ts">
	import { page } from '$app/state';
</script>

<svelte:head><title>{page.status} · Dinesis</title></svelte:head>

<main>
	<h1>{page.status === 404 ? 'Nothing here' : page.status === 410 ? 'Retired' : 'Something went wrong'}</h1>
	<p>{page.error?.message}</p>
	<p><a href="/projects" data-sveltekit-reload>All projects</a></p>
</main>

<style>
	main {
		max-width: 34rem;
		margin: 14vh auto;
		padding: 1.5rem;
	}
</style>
