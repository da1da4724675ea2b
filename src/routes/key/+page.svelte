<script lang="ts">
	import type { ActionData } from './$types';
	let { form }: { form: ActionData } = $props();
</script>

<svelte:head><title>Access key · Dinesis</title></svelte:head>

<main>
	<h1>Access key</h1>
	<form method="post">
		<label for="key">Whoever started this Dinesis set a key. Ask them for it.</label>
		<input id="key" name="key" type="password" autocomplete="current-password" required maxlength="200" />
		{#if form?.wrong}<p role="alert">That is not the key. Nothing else was changed; try again.</p>{/if}
		<button>Enter</button>
	</form>
</main>

<style>
	main {
		max-width: 26rem;
		margin: 12vh auto;
		padding: 1.5rem;
	}
	form {
		display: grid;
		gap: 0.75rem;
	}
	input,
	button {
		font: inherit;
		padding: 0.5rem 0.75rem;
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
	p {
		color: var(--danger);
		margin: 0;
	}
</style>
