<script lang="ts">
	import { onMount, untrack, type Snippet } from 'svelte';
	import { page } from '$app/state';
	import Toasts from '$lib/ui/Toasts.svelte';
	import { provideSession, ProjectSession } from '$lib/session/session.svelte';
	import type { LayoutData } from './$types';

	let { data, children }: { data: LayoutData; children: Snippet } = $props();

	const session = untrack(() => new ProjectSession(data.project, data.presets));
	provideSession(session);
	onMount(() => session.open());

	const rooms = [{ path: 'bench', label: 'Bench' }];
</script>

<div class="book">
	<nav aria-label="Rooms">
		{#each rooms as room (room.path)}
			{@const here = page.url.pathname.startsWith(`/${session.project.slug}/${room.path}`)}
			<a href="/{session.project.slug}/{room.path}" aria-current={here ? 'page' : undefined}>{room.label}</a>
		{/each}
	</nav>
	<div class="leaf">{@render children()}</div>
</div>
<Toasts list={session.notices} />

<style>
	.book {
		display: grid;
		grid-template-columns: 40px minmax(0, 1fr);
		height: 100vh;
		min-width: 1000px;
	}
	nav {
		background: var(--paper-3);
		border-right: 1px solid var(--rule-strong);
		padding-top: 52px;
		display: flex;
		flex-direction: column;
		gap: 4px;
	}
	a {
		writing-mode: vertical-rl;
		transform: rotate(180deg);
		padding: 20px 10px;
		text-align: center;
		text-decoration: none;
		font-weight: 600;
		color: var(--ink-2);
		border-radius: 0 9px 9px 0;
		margin: 0 0 0 -1px;
		width: 40px;
	}
	a[aria-current='page'] {
		background: var(--paper);
		color: var(--ink);
		border-right: 3px solid var(--lamp);
		border-top: 1px solid var(--rule-strong);
		border-bottom: 1px solid var(--rule-strong);
	}
	.leaf {
		min-width: 0;
	}
</style>
