<script lang="ts">
	/** Who else has the project open, quietly, and the name that one has to them. */
	import Users from '@lucide/svelte/icons/users';
	import type { ProjectSession } from '$lib/session/session.svelte';
	import Popover from '$lib/ui/Popover.svelte';

	let { session }: { session: ProjectSession } = $props();
	const { people } = $derived(session);
	const others = $derived(people.others);
</script>

<span class="people" class:some={others.length > 0}>
	<Popover
		label={others.length === 0 ? 'Who is here: nobody else' : `Who is here: ${others.length} more`}
		look="icon"
		title="Who else has this project open"
	>
		{#snippet button()}<Users size={17} />{#if others.length > 0}<i>{others.length}</i>{/if}{/snippet}
		<div class="body">
			<ul>
				{#each others as other (other.browser)}
					<li><b>{other.who || 'Somebody'}</b> {session.standing.placeName(other.document)}</li>
				{:else}
					<li>Nobody else has this project open.</li>
				{/each}
			</ul>
			<label
				>your name to others
				<input
					maxlength="40"
					placeholder="somebody"
					autocomplete="nickname"
					value={people.name}
					onchange={(e) => people.call(e.currentTarget.value)}
				/></label
			>
		</div>
	</Popover>
</span>

<style>
	.people {
		position: relative;
	}
	i {
		position: absolute;
		left: 18px;
		top: -5px;
		min-width: 14px;
		border-radius: 8px;
		background: var(--lamp-light);
		color: var(--on-lamp);
		font-size: 10px;
		font-style: normal;
		font-weight: 600;
		line-height: 14px;
		pointer-events: none;
		text-align: center;
	}
	.body {
		display: grid;
		gap: 8px;
		width: 220px;
		padding: 10px 12px;
	}
	ul {
		list-style: none;
		margin: 0;
		padding: 0;
	}
	label {
		display: grid;
		gap: 2px;
		font-size: 12px;
		color: var(--ink-2);
	}
	input {
		border: 1px solid var(--rule-strong);
		border-radius: 6px;
		background: var(--field);
		color: var(--ink);
		padding: 3px 8px;
	}
</style>
