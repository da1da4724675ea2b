<script lang="ts">
	/** The thumb tabs on the left edge: the rooms in the order of the work; the project itself, who is here, day and night below. */
	import type { Snippet } from 'svelte';
	import BookOpen from '@lucide/svelte/icons/book-open';
	import Moon from '@lucide/svelte/icons/moon';
	import Sun from '@lucide/svelte/icons/sun';
	import type { ProjectSession } from '$lib/session/session.svelte';
	import { theme } from '$lib/ui/theme.svelte';
	import { ROOMS } from './rooms';

	interface Props {
		session: ProjectSession;
		/** Where each room was left. */
		tabs: Readonly<Record<string, string>>;
		addressOf: (room: string) => string;
		/** The page's address. */
		here: string;
		/** Who is here. */
		children: Snippet;
	}
	let { session, tabs, addressOf, here, children }: Props = $props();
</script>

<nav aria-label="Rooms">
	{#each ROOMS as room (room.path)}
		{@const isHere = here.startsWith(`${session.home}/${room.path}`)}
		<a
			href={isHere ? here : (tabs[room.path] ?? addressOf(room.path))}
			aria-current={isHere ? 'page' : undefined}
			title="{room.about} (G {room.letter.toUpperCase()})">{room.label}</a
		>
	{/each}
	<a
		class="own"
		href="{session.home}/project"
		aria-label="Project"
		aria-current={here === `${session.home}/project` ? 'page' : undefined}
		title="The project: settings, keys, people, backups (G S)"><BookOpen size={17} /></a
	>
	<span class="people">{@render children()}</span>
	<button
		class="lamp"
		title="{theme.now === 'day' ? 'Night theme' : 'Day theme'} (N)"
		aria-label={theme.now === 'day' ? 'Night theme' : 'Day theme'}
		onclick={() => theme.turn()}
	>
		{#if theme.now === 'day'}<Moon size={16} />{:else}<Sun size={16} />{/if}
	</button>
</nav>

<style>
	nav {
		background: var(--paper-3);
		border-right: 1px solid var(--rule-strong);
		padding-top: 52px;
		display: flex;
		flex-direction: column;
		gap: 4px;
	}
	nav a:not(.own) {
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
	nav a:hover {
		color: var(--ink);
	}
	nav a:not(.own)[aria-current='page'] {
		background: var(--paper);
		color: var(--ink);
		border-right: 3px solid var(--lamp);
		border-top: 1px solid var(--rule-strong);
		border-bottom: 1px solid var(--rule-strong);
	}
	.own {
		margin: auto auto 4px;
		display: grid;
		place-items: center;
		width: 30px;
		height: 30px;
		border-radius: 50%;
		color: var(--ink-2);
	}
	.own:hover,
	.own[aria-current='page'] {
		background: var(--lamp-wash);
		color: var(--ink);
	}
	.people {
		min-height: 30px;
		margin: 0 auto 6px;
	}
	.lamp {
		margin: 0 auto 12px;
		display: grid;
		place-items: center;
		width: 30px;
		height: 30px;
		border: 0;
		border-radius: 50%;
		background: none;
		color: var(--ink-2);
		cursor: pointer;
	}
	.lamp:hover {
		background: var(--lamp-wash);
		color: var(--ink);
	}
</style>
