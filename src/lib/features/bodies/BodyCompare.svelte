<script lang="ts">
	/** A and B of a head bob or a lag: the version that is tuned, and one held beside it that walks in step. */
	import PairPicker from '$lib/room/PairPicker.svelte';
	import type { BodyState } from './bodies.svelte';

	let { desk }: { desk: BodyState } = $props();

	const others = $derived(
		desk.session.bobsAndLags
			.filter((p) => p.family === desk.preset?.family && p.id !== desk.id && p.view === desk.preset.view)
			.map((p) => ({ id: p.id, label: p.name, words: p.tags.join(' ') }))
	);
</script>

<PairPicker
	shown={desk.beside ? 'split' : 'a'}
	options={[
		{ value: 'a', label: 'A', title: 'The version that is tuned, alone (Q)' },
		{
			value: 'split',
			label: 'A | B',
			title: desk.beside ? 'Both, side by side (Q)' : 'Hold the present version as B and go on tuning A (Q)'
		}
	]}
	note={desk.beside
		? 'B goes in step with A. The sheet tunes A.'
		: 'Hold a version as B, and both set out together, side by side.'}
	another="another one"
	acts={[
		{ id: 'hold', label: 'Hold A as B', about: 'what is on the sheet now', run: () => desk.hold() },
		...(desk.beside
			? [
					{ id: 'swap', label: 'Swap A and B', about: 'tune the other one', run: () => desk.swap() },
					{ id: 'take', label: 'Take B into A', about: 'undo brings A back', run: () => desk.takeOther() },
					{ id: 'drop', label: 'Let B go', about: '', run: () => (desk.beside = null) }
				]
			: [])
	]}
	{others}
	onshow={() => desk.toggleBeside()}
	onother={(id) => desk.hold(desk.session.bobsAndLags.find((p) => p.id === id))}
/>
