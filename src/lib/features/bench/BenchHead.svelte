<script lang="ts">
	import Pause from '@lucide/svelte/icons/pause';
	import Play from '@lucide/svelte/icons/play';
	import StepForward from '@lucide/svelte/icons/step-forward';
	import type { ShakePreset } from 'dinesis-runtime';
	import type { ProjectSession } from '$lib/session/session.svelte';
	import FindingsChip from '$lib/room/FindingsChip.svelte';
	import ProjectLink from '$lib/room/ProjectLink.svelte';
	import UndoButtons from '$lib/room/UndoButtons.svelte';
	import Segments from '$lib/ui/Segments.svelte';
	import type { BenchState } from './bench.svelte';
	import ComparePicker from './ComparePicker.svelte';
	import PresetSwitcher from './PresetSwitcher.svelte';
	import VersionsMenu from '$lib/room/VersionsMenu.svelte';

	interface Props {
		session: ProjectSession;
		bench: BenchState;
		preset: ShakePreset;
		onopen: (key: string) => void;
	}
	let { session, bench, preset, onopen }: Props = $props();

	const uses = $derived(session.usesOf(preset.id));
	const said = $derived(`cue ${uses.join(', ')}`);
	const others = $derived(session.othersAt(preset.id));
	const people = $derived(session.people.at(preset.id));
</script>

<header>
	<PresetSwitcher {session} {preset} {onopen} />
	<VersionsMenu {session} of={preset.id} onbeside={(was) => bench.hold(was as ShakePreset)} />
	<FindingsChip {session} />
	<p class="where">
		<ProjectLink {session} /> · shake, {preset.timing.mode === 'burst' ? 'burst' : 'until stopped'}
		{#if uses.length > 0}· <a href="{session.home}/cues" title="A change here is felt there: {said}"
				>in {uses.length === 1 ? 'one cue' : `${uses.length} cues`}</a
			>{/if}
		{#if people.length > 0}<strong title="{people.join(', ')} {people.length === 1 ? 'is' : 'are'} here too"
				>· {people.every((who) => who === 'somebody') ? `+${people.length}` : people.join(', ')}</strong
			>{/if}
		{#if others > 0}<strong>· open in {others === 1 ? 'another tab' : `${others} other tabs`}</strong>{/if}
	</p>
	<div class="tools">
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
		<span class="gap"></span>
		<button
			class="round"
			class:on={bench.paused}
			title="{bench.paused ? 'Go on' : 'Pause'} (P)"
			aria-label={bench.paused ? 'Go on' : 'Pause'}
			onclick={() => (bench.paused ? bench.goOn() : (bench.paused = true))}
		>
			{#if bench.paused}<Play size={15} />{:else}<Pause size={15} />{/if}
		</button>
		<button
			class="round"
			title="One frame on (.)"
			aria-label="One frame on"
			disabled={!bench.paused}
			onclick={() => bench.step(1 / 60)}
		>
			<StepForward size={15} />
		</button>
		<Segments
			small
			label="Speed of time"
			value={bench.speed}
			options={[
				{ value: 0.1, label: '⅒', title: 'A tenth of the speed (S)' },
				{ value: 0.25, label: '¼', title: 'A quarter of the speed (S)' },
				{ value: 1, label: '1×', title: 'Full speed (S)' }
			]}
			onchange={(speed) => (bench.speed = speed)}
		/>
		<span class="gap"></span>
		<ComparePicker {session} {bench} {preset} />
		<span class="gap"></span>
		<UndoButtons {session} />
	</div>
</header>

<style>
	header {
		display: flex;
		align-items: center;
		gap: 12px;
		padding: 0 14px;
		border-bottom: 1px solid var(--rule);
		min-width: 0;
	}
	.where {
		margin: 0;
		color: var(--ink-2);
		white-space: nowrap;
		overflow: hidden;
		text-overflow: ellipsis;
		min-width: 0;
		flex: 1;
	}
	.where strong {
		color: var(--lamp-text);
	}
	.tools {
		display: flex;
		align-items: center;
		gap: 4px;
	}
	.gap {
		width: 8px;
	}
	.round {
		display: grid;
		place-items: center;
		width: 28px;
		height: 26px;
		border: 1px solid transparent;
		border-radius: 6px;
		background: none;
		cursor: pointer;
	}
	.round:hover:not(:disabled) {
		background: var(--lamp-wash);
	}
	.round:disabled {
		opacity: 0.4;
		cursor: default;
	}
	.round.on {
		background: var(--lamp-light);
		color: var(--on-lamp);
		border-color: var(--lamp);
	}
</style>
