<script lang="ts">
	import { page } from '$app/state';
</script>

<svelte:head><title>{page.status} · Dinesis</title></svelte:head>

<main>
	<h1>{page.status === 404 ? 'Nothing here' : 'Something went wrong'}</h1>
	<p>{page.error?.message}</p>
	<p><a href="/" data-sveltekit-reload>Go to the first project</a></p>
</main>

<style>
	main {
		max-width: 34rem;
		margin: 14vh auto;
		padding: 1.5rem;
	}
</style>
