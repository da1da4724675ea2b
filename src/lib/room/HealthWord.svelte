<script lang="ts">
	/** A word at the foot of every page while the server or its database is not well; where the access key is asked for, it is entered there. */
	import { onMount } from 'svelte';
	import { Health } from '$lib/session/health.svelte';

	const health = new Health();
	let key = $state('');
	let wrong = $state('');
	onMount(() => health.watch());

	async function enter(event: SubmitEvent) {
		event.preventDefault();
		wrong = await health.enter(key);
		if (wrong === '') key = '';
	}
</script>

<div class="word" role="status">
	{#if health.message !== ''}
		<div class="said">
			<p>{health.message}</p>
			{#if health.keyAsked}
				<form onsubmit={enter}>
					<input
						type="password"
						aria-label="Access key"
						placeholder="access key"
						autocomplete="current-password"
						maxlength="200"
						required
						bind:value={key}
					/>
					<button>Enter</button>
					{#if wrong}<span role="alert">{wrong}</span>{/if}
				</form>
			{/if}
		</div>
	{/if}
</div>

<style>
	.word {
		position: fixed;
		inset: auto 0 0;
		pointer-events: none;
		z-index: 60;
	}
	.said {
		display: flex;
		justify-content: center;
		align-items: center;
		gap: 10px;
		padding: 1px 12px 2px;
		border-top: 2px solid var(--danger);
		background: var(--sheet);
		color: var(--ink);
		font-size: 13px;
	}
	p {
		margin: 0;
	}
	form {
		display: flex;
		align-items: center;
		gap: 6px;
		pointer-events: auto;
	}
	input,
	button {
		border: 1px solid var(--rule-strong);
		border-radius: 6px;
		background: var(--field);
		color: inherit;
		padding: 2px 8px;
	}
	button {
		cursor: pointer;
	}
</style>
