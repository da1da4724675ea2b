<script lang="ts">
	/** Where there is no course yet: what one is, and two ways to the first. */
	interface Props {
		/** Whether there are any is not known yet. */
		arriving: boolean;
		onfree: () => void;
		onnew: () => void;
	}
	let { arriving, onfree, onnew }: Props = $props();
</script>

<section class="first">
	{#if arriving}
		<p>The courses are on their way …</p>
	{:else}
		<h2>Try it in play</h2>
		<p>
			A course is a made-up stretch of gameplay that is the same each time: a way on the map, events and game values on
			a timeline.
		</p>
		<p>Walk a free run first and keep it as a take; or begin with an empty course.</p>
		<button class="go" onclick={onfree}>Free run</button>
		<button onclick={onnew}>New course</button>
	{/if}
</section>

<style>
	.first {
		display: grid;
		align-content: start;
		gap: 8px;
		border: 1px solid var(--rule-strong);
		border-radius: var(--radius);
		background: var(--sheet);
		padding: 12px;
	}
	.first p {
		margin: 0;
	}
	.first h2 {
		font-size: 16px;
	}
	.first button {
		border: 1px solid var(--rule-strong);
		border-radius: 6px;
		background: var(--field);
		padding: 4px 10px;
		cursor: pointer;
	}
	.first .go {
		background: var(--lamp-light);
		border-color: var(--lamp);
		color: var(--on-lamp);
		font-weight: 600;
	}
</style>
