<script lang="ts">
	import { onMount } from 'svelte';
	import { Health } from '$lib/session/health.svelte';

	const health = new Health();
	onMount(() => health.watch());
</script>

<div class="word" role="status">
	{#if health.message !== ''}<p>{health.message}</p>{/if}
</div>

<style>
	.word {
		position: fixed;
		inset: auto 0 0;
		display: flex;
		justify-content: center;
		pointer-events: none;
		z-index: 60;
	}
	p {
		margin: 0 0 0.6rem;
		padding: 0.4rem 0.9rem;
		max-width: 46rem;
		border: 1px solid var(--danger);
		border-radius: 6px;
		background: var(--sheet);
		color: var(--ink);
	}
</style>
