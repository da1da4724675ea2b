<script lang="ts">
	/** Where there is no cue yet: what is missing to the first one, and the way there. */
	import Plus from '@lucide/svelte/icons/plus';
	import Begin from '$lib/room/Begin.svelte';
	import type { ProjectSession } from '$lib/session/session.svelte';
	import Button from '$lib/ui/Button.svelte';

	interface Props {
		session: ProjectSession;
		onevents: () => void;
		oncue: () => void;
	}
	let { session, onevents, oncue }: Props = $props();
	const events = $derived(session.wiring.events);
	const presets = $derived(session.order.length + session.missing);
</script>

{#if events.length === 0}
	<Begin
		{session}
		title="What happens in the game?"
		says="A cue says what motion an event sets off: “When the door shuts, play thud at 1.2”. First write down what happens: a landing, a blow, a storm that lasts."
	>
		<Button strong onclick={onevents}><Plus size={14} /> The first event</Button>
	</Begin>
{:else if presets === 0}
	<Begin
		{session}
		title="Something to play"
		says="{events.length === 1
			? 'An event is'
			: `${events.length} events are`} there; a cue plays a preset when one comes. Make the first preset and come back."
	>
		<a class="go" href="{session.home}/bench">Go to the Bench</a>
		<Button onclick={onevents}>Events and values</Button>
	</Begin>
{:else}
	<Begin
		{session}
		title="The first cue"
		says="“When {events[0]!.name} {events[0]!.kind === 'state'
			? 'lasts'
			: 'happens'}, play …”: a sentence whose words are changed in place. Its key fires it as the game would."
	>
		<Button strong onclick={oncue}><Plus size={14} /> New cue</Button>
		<Button onclick={onevents}>Events and values</Button>
	</Begin>
{/if}

<style>
	.go {
		border: 1px solid var(--lamp);
		border-radius: 6px;
		background: var(--lamp-light);
		color: var(--on-lamp);
		font-weight: 600;
		text-decoration: none;
	}
</style>
