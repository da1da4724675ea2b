<script lang="ts">
	import type { ShakePreset } from 'dinesis-runtime';
	import PlayButtons from '$lib/room/PlayButtons.svelte';
	import RoomHead from '$lib/room/RoomHead.svelte';
	import type { ProjectSession } from '$lib/session/session.svelte';
	import Segments from '$lib/ui/Segments.svelte';
	import type { BenchState } from './bench.svelte';
	import ComparePicker from './ComparePicker.svelte';
	import PresetSwitcher from './PresetSwitcher.svelte';

	interface Props {
		session: ProjectSession;
		bench: BenchState;
		preset: ShakePreset;
		onopen: (key: string) => void;
		/** Shows A and B in the Review. */
		onreview: () => void;
	}
	let { session, bench, preset, onopen, onreview }: Props = $props();

	const uses = $derived(session.usesOf(preset.id));
	const used = $derived(uses.length === 1 ? 'in one cue' : `in ${uses.length} cues`);
</script>

<RoomHead {session} of={preset.id} onbeside={(was) => bench.hold(was as ShakePreset)}>
	{#snippet picker()}<PresetSwitcher {session} {preset} {onopen} />{/snippet}
	{#snippet where()}shake, {preset.timing.mode === 'burst' ? 'burst' : 'until stopped'}
		·
		{#await import('$lib/room/SetOff.svelte')}{#if uses.length > 0}<a href="{session.home}/cues">{used}</a
				>{/if}{:then { default: SetOff }}<SetOff {session} {preset} />{/await}{/snippet}
	<Segments
		small
		label="Pictures a second"
		value={bench.pictureRate}
		options={[
			{ value: 0, label: 'free', title: 'As many pictures a second as the display shows' },
			{ value: 30, label: '30', title: '30 pictures a second, also marked on the strip' },
			{ value: 60, label: '60', title: '60 pictures a second, also marked on the strip' },
			{ value: 120, label: '120', title: '120 pictures a second, also marked on the strip' }
		]}
		onchange={(rate) => (bench.pictureRate = rate)}
	/>
	<PlayButtons
		playing={!bench.paused}
		keyName="P"
		onplay={() => (bench.paused ? bench.goOn() : (bench.paused = true))}
		onstep={() => {
			bench.paused = true;
			bench.step(1 / (bench.pictureRate || 60));
		}}
		speed={bench.speed}
		speeds={[0.1, 0.25, 1]}
		onspeed={(speed) => (bench.speed = speed)}
	/>
	<ComparePicker {session} {bench} {preset} {onreview} />
</RoomHead>
