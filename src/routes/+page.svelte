<script lang="ts">
	import { goto } from '$app/navigation';
	import { createProject } from '$lib/session/api';

	let name = $state('');
	let trouble = $state('');

	async function make(event: SubmitEvent) {
		event.preventDefault();
		const made = await createProject(name);
		if (made.ok) await goto(`/${made.value.slug}/bench`);
		else trouble = made.message;
	}
</script>

<svelte:head><title>Dinesis</title></svelte:head>

<main>
	<h1>Begin with a game</h1>
	<p>A project holds the motion of one game’s cameras: its presets, and later the events that set them off.</p>
	<form onsubmit={make}>
		<label for="name">What is the game called?</label>
		<input id="name" bind:value={name} required maxlength="120" />
		{#if trouble}<p role="alert">{trouble}</p>{/if}
		<button>Make the project</button>
	</form>
</main>

<style>
	main {
		max-width: 30rem;
		margin: 12vh auto;
		padding: 1.5rem;
	}
	form {
		display: grid;
		gap: 0.75rem;
		margin-top: 1.5rem;
	}
	input,
	button {
		font: inherit;
		padding: 0.6rem 0.8rem;
		border: 1px solid var(--rule-strong);
		border-radius: 6px;
		background: var(--sheet);
		color: var(--ink);
	}
	button {
		background: var(--ink);
		color: var(--sheet);
		cursor: pointer;
	}
</style>
