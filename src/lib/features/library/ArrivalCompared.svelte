<script lang="ts">
	/** One thing of a kit beside what stands here under its name: what to do with it, field by field what differs. */
	import {
		choicesOf,
		differences,
		KINDS,
		nameOfArrival,
		treeOf,
		type Arrival,
		type Choice,
		type Held
	} from '$lib/documents';
	import FieldsCompared from '$lib/room/FieldsCompared.svelte';
	import Segments from '$lib/ui/Segments.svelte';

	interface Props {
		arrival: Arrival;
		/** What stands here under its id; undefined: nothing. */
		here: Held | undefined;
		choice: Choice;
		/** The choices in words. */
		choices: Readonly<Record<Choice, { readonly label: string; readonly title: string }>>;
		onchoice: (choice: Choice) => void;
	}
	let { arrival, here, choice, choices, onchoice }: Props = $props();

	const options = $derived(choicesOf(arrival, here));
	const lines = $derived(
		!here || here.kind !== arrival.kind
			? []
			: differences(arrival.kind, here.body, treeOf(arrival.kind, arrival.document))
	);
</script>

<h3>{nameOfArrival(arrival)} <small>{KINDS[arrival.kind].word} {arrival.document.id}</small></h3>
{#if options.length > 0}
	<Segments
		small
		label="What to do with {nameOfArrival(arrival)}"
		value={choice}
		options={options.map((value) => ({ value, ...choices[value] }))}
		onchange={(choice: Choice) => onchoice(choice)}
	/>
{/if}
{#if arrival.standing === 'new'}<p>Not here yet.</p>
{:else if arrival.standing === 'same'}<p>Here already, to the letter.</p>
{:else if lines.length === 0}<p>A {KINDS[here!.kind].word} has this id.</p>
{:else}
	<FieldsCompared heads={['here', 'in the kit']} {lines} />
{/if}

<style>
	h3 {
		margin: 0 0 6px;
		font-size: 14px;
	}
	small {
		font-weight: 400;
		color: var(--ink-2);
	}
</style>
