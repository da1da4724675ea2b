<script lang="ts">
	/** A and B: the version that is tuned, and one held beside it in the same moments with the same seeds. */
	import type { ShakePreset } from 'dinesis-runtime';
	import PairPicker from '$lib/room/PairPicker.svelte';
	import type { ProjectSession } from '$lib/session/session.svelte';
	import type { BenchState, Compare } from './bench.svelte';

	interface Props {
		session: ProjectSession;
		bench: BenchState;
		preset: ShakePreset;
		/** Shows both in the Review. */
		onreview: () => void;
	}
	let { session, bench, preset, onreview }: Props = $props();

	const others = $derived(
		session.presets
			.filter((p) => p.id !== preset.id && p.view === preset.view)
			.map((p) => ({ id: p.id, label: p.name, words: p.tags.join(' ') }))
	);
	function choose(compare: Compare) {
		if (!bench.other) bench.hold(preset, compare);
		else bench.compare = compare;
	}
</script>

<PairPicker
	shown={bench.compare}
	options={[
		{ value: 'a', label: 'A', title: 'The version that is tuned (Q)' },
		{
			value: 'split',
			label: 'A | B',
			title: bench.other ? 'Both, with a seam (Q)' : 'Hold the present version as B and go on tuning A (Q)'
		},
		{
			value: 'b',
			label: 'B',
			title: bench.other ? 'The version held beside it (Q)' : 'Hold the present version as B'
		}
	]}
	note={bench.other
		? 'B plays in the same moments and with the same seeds as A. The sheet tunes A.'
		: 'Hold a version as B, and both play in the same moments with the same seeds.'}
	another="another preset"
	acts={[
		{ id: 'hold', label: 'Hold A as B', about: 'what is on the sheet now', run: () => bench.hold(preset) },
		...(bench.other
			? [
					{ id: 'review', label: 'Both in the Review', about: 'in figures', run: onreview },
					{ id: 'swap', label: 'Swap A and B', about: 'tune the other one', run: () => bench.swap() },
					{ id: 'take', label: 'Take B into A', about: 'undo brings A back', run: () => bench.takeOther() },
					{ id: 'drop', label: 'Let B go', about: '', run: () => bench.hold(null) }
				]
			: [])
	]}
	{others}
	onshow={choose}
	onother={(id) => bench.hold(session.preset(id) ?? null)}
/>
