<script lang="ts">
	/** Who is who: the names that changes bear, and what each of them does. */
	import X from '@lucide/svelte/icons/x';
	import { since } from '$lib/ui/since';
	import TextField from '$lib/ui/TextField.svelte';
	import Card from './Card.svelte';
	import type { ProjectPage } from './project.svelte';

	let { page }: { page: ProjectPage } = $props();
	const { session } = $derived(page);
	const id = $props.id();
	let name = $state('');

	function add(event: SubmitEvent) {
		event.preventDefault();
		page.addPerson(name);
		name = '';
	}
</script>

<Card title="Who is who" says="The names that changes bear in the history, and what each does, for the others to know.">
	<div class="self">
		<label for="{id}self">your own name to the others</label>
		<TextField
			id="{id}self"
			maxlength={40}
			placeholder="somebody"
			autocomplete="nickname"
			value={session.people.name}
			onchange={(e) => session.people.call(e.currentTarget.value)}
		/>
	</div>
	{#if page.people.length > 0}
		<ul>
			{#each page.people as person (person.name)}
				<li>
					<b
						>{person.name}{#if person.here}<i title="is here">●</i>{/if}</b
					>
					<TextField
						aria-label="What {person.name} does"
						placeholder="does what?"
						maxlength={120}
						value={person.does}
						onchange={(e) => page.describe(person.name, e.currentTarget.value)}
					/>
					<small
						>{person.changes === 0
							? 'no change yet'
							: `${person.changes} ${person.changes === 1 ? 'change' : 'changes'}, ${since(new Date(person.lastAt), new Date())}`}</small
					>
					{#if person.changes === 0}
						<button aria-label="Take {person.name} off the list" onclick={() => page.removePerson(person.name)}
							><X size={13} /></button
						>
					{/if}
				</li>
			{/each}
		</ul>
	{/if}
	{#if page.nameless > 0}
		<p>{page.nameless} {page.nameless === 1 ? 'change bears' : 'changes bear'} no name.</p>
	{/if}
	<form onsubmit={add}>
		<TextField aria-label="Somebody else’s name" placeholder="somebody else’s name" maxlength={40} bind:value={name} />
		<button class="add" disabled={name.trim() === ''}>Write down</button>
	</form>
</Card>

<style>
	.self {
		display: grid;
		grid-template-columns: minmax(0, 1fr) 11rem;
		align-items: center;
		gap: 12px;
	}
	.self label,
	p,
	small {
		color: var(--ink-2);
	}
	p,
	small {
		font-size: 12px;
		margin: 4px 0;
	}
	ul {
		list-style: none;
		margin: 8px 0;
		padding: 0;
		max-height: 190px;
		overflow: auto;
		border-top: 1px solid var(--rule);
	}
	li {
		display: grid;
		grid-template-columns: 8rem minmax(0, 1fr) max-content 24px;
		gap: 8px;
		align-items: center;
		padding: 3px 0;
		border-bottom: 1px solid var(--rule);
	}
	b {
		overflow: hidden;
		text-overflow: ellipsis;
		white-space: nowrap;
	}
	i {
		margin-left: 5px;
		font-style: normal;
		font-size: 10px;
		color: var(--lamp);
	}
	li button {
		display: grid;
		place-items: center;
		width: 24px;
		height: 24px;
		border: 0;
		border-radius: 5px;
		background: none;
		color: var(--ink-2);
		cursor: pointer;
	}
	form {
		display: flex;
		gap: 8px;
		margin-top: 8px;
	}
	form > :global(input) {
		flex: 1;
	}
	.add {
		border: 1px solid var(--rule-strong);
		border-radius: 6px;
		background: var(--field);
		padding: 3px 10px;
		cursor: pointer;
	}
</style>
