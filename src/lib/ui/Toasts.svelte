<script lang="ts">
	interface Notice {
		readonly id: number;
		readonly text: string;
		readonly action?: { readonly label: string; readonly run: () => void };
	}
	let { list }: { list: readonly Notice[] } = $props();
</script>

<div class="toasts" role="status" aria-live="polite">
	{#each list as notice (notice.id)}
		<p>
			{notice.text}
			{#if notice.action}<button onclick={notice.action.run}>{notice.action.label}</button>{/if}
		</p>
	{/each}
</div>

<style>
	.toasts {
		position: fixed;
		left: 50%;
		bottom: 112px;
		transform: translateX(-50%);
		display: grid;
		gap: 6px;
		z-index: 40;
		pointer-events: none;
	}
	p {
		margin: 0;
		padding: 8px 14px;
		border-radius: var(--radius);
		background: var(--ink);
		color: var(--sheet);
		box-shadow: var(--shadow);
		pointer-events: auto;
		max-width: 34rem;
	}
	button {
		margin-left: 10px;
		border: 0;
		background: none;
		color: var(--lamp-light);
		font-weight: 600;
		cursor: pointer;
		text-decoration: underline;
	}
</style>
