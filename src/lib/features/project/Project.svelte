<script lang="ts">
	/** The project itself: what the game is called, who works on it, what its keys fire, who may read it, its backups. */
	import { onMount, untrack } from 'svelte';
	import RoomHead from '$lib/room/RoomHead.svelte';
	import type { ProjectSession } from '$lib/session/session.svelte';
	import BackupsCard from './BackupsCard.svelte';
	import GameCard from './GameCard.svelte';
	import KeysCard from './KeysCard.svelte';
	import PeopleCard from './PeopleCard.svelte';
	import { ProjectPage } from './project.svelte';
	import PlayersCard from './PlayersCard.svelte';
	import ShareCard from './ShareCard.svelte';
	import { firstSteps } from './steps';

	let { session }: { session: ProjectSession } = $props();
	const page = untrack(() => new ProjectPage(session));
	const steps = $derived(firstSteps(session));
	/** The last step never counts as done: a kit is sent out again and again. */
	const begun = $derived(steps.slice(0, -1).every(({ done }) => done));
	const next = $derived(steps.find(({ done }) => !done));

	onMount(() => {
		session.look('');
		void page.open();
		void session.courses.fetch();
	});
</script>

<div class="project">
	<RoomHead {session} name="Project">
		{#snippet where()}settings, keys, people, players, backups{/snippet}
	</RoomHead>
	<main>
		{#if !begun}
			<ol aria-label="First steps">
				{#each steps as step (step.says)}
					<li class:done={step.done} class:next={step === next}>
						<a href="{session.home}/{step.room}">{step.says}</a>
						<small>{step.why}</small>
					</li>
				{/each}
			</ol>
		{/if}
		<div class="cards">
			<div><GameCard {page} /><PeopleCard {page} /><ShareCard {page} /></div>
			<div><KeysCard {session} /><PlayersCard {session} /><BackupsCard {page} /></div>
		</div>
	</main>
</div>

<style>
	.project {
		height: 100%;
		display: grid;
		grid-template-rows: 48px minmax(0, 1fr);
	}
	main {
		overflow: auto;
		padding: 14px 18px 24px;
	}
	.cards {
		display: grid;
		grid-template-columns: minmax(0, 1fr) minmax(0, 1fr);
		gap: 14px;
		max-width: 1400px;
	}
	.cards > div {
		display: grid;
		gap: 14px;
		align-content: start;
		min-width: 0;
	}
	ol {
		display: grid;
		grid-template-columns: repeat(6, minmax(0, 1fr));
		gap: 10px;
		margin: 0 0 14px;
		padding: 0;
		list-style: none;
		counter-reset: step;
		max-width: 1400px;
	}
	li {
		counter-increment: step;
		border-top: 3px solid var(--rule-strong);
		padding: 6px 2px 0;
	}
	li.done {
		border-color: var(--ink-2);
	}
	li.next {
		border-color: var(--lamp);
	}
	li a {
		display: block;
		font-weight: 600;
		color: var(--ink);
	}
	li a::before {
		content: counter(step) ' ';
		color: var(--ink-2);
	}
	li.done a {
		color: var(--ink-2);
		text-decoration-line: line-through;
	}
	li.next a {
		color: var(--lamp-text);
	}
	small {
		font-size: 12px;
		color: var(--ink-2);
	}
</style>
