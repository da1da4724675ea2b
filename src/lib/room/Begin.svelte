<script lang="ts">
	/** Where there is nothing yet: what this room is for, the next step, and the way to all of them. */
	import type { Snippet } from 'svelte';
	import type { ProjectSession } from '$lib/session/session.svelte';

	interface Props {
		session: ProjectSession;
		title: string;
		says: string;
		/** What can be done here and now. */
		children?: Snippet;
	}
	let { session, title, says, children }: Props = $props();
</script>

<section>
	<h2>{title}</h2>
	<p>{says}</p>
	<div>{@render children?.()}</div>
	<p class="all"><a href="{session.home}/project">All first steps</a>, from here to a game that plays it</p>
</section>

<style>
	section {
		max-width: 34rem;
		border: 1px solid var(--rule-strong);
		border-radius: 9px;
		background: var(--sheet);
		padding: 18px 22px;
		white-space: normal;
		text-align: left;
	}
	h2 {
		font-size: 19px;
	}
	p {
		margin: 6px 0 12px;
	}
	div {
		display: flex;
		flex-wrap: wrap;
		gap: 8px;
	}
	div > :global(button),
	div > :global(a) {
		padding: 5px 14px;
	}
	.all {
		margin: 14px 0 0;
		font-size: 12.5px;
		color: var(--ink-2);
	}
	.all a {
		color: var(--lamp-text);
	}
</style>
