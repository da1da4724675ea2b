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
		pointer-events: none;
		z-index: 60;
	}
	p {
		margin: 0;
		padding: 1px 12px 2px;
		border-top: 2px solid var(--danger);
		background: var(--sheet);
		color: var(--ink);
		font-size: 13px;
		text-align: center;
	}
</style>
