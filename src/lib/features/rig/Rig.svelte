<script lang="ts">
	/** A camera's chain, stage after stage, each with its meter and switch; the stage that is chosen is drawn and tuned below, beside the picture. */
	import type { Finding } from '$lib/documents';
	import { checkRig } from '$lib/documents/checks/rig-findings';
	import type { Rig } from 'dinesis-runtime';
	import { onMount, untrack } from 'svelte';
	import { LAG_AXES, viewOf, type LagAxisName, type ViewKind } from 'dinesis-runtime/tools';
	import type { ProjectSession } from '$lib/session/session.svelte';
	import Begin from '$lib/room/Begin.svelte';
	import { addRig } from '$lib/stages/new-rig';
	import Button from '$lib/ui/Button.svelte';
	import { Now } from '$lib/stages/now.svelte';
	import Seen from '$lib/stages/Seen.svelte';
	import { useCommands } from '$lib/ui/commands.svelte';
	import { rigCommands } from './commands';
	import { RigState } from './rig.svelte';
	import RigChain from './RigChain.svelte';
	import RigHead from './RigHead.svelte';
	import StageDrawing from './StageDrawing.svelte';
	import StageNumbers from './StageNumbers.svelte';

	interface Props {
		session: ProjectSession;
		/** The rig in the address; empty: the first one. */
		id?: string;
		onopen: (id: string) => void;
		onbench: (preset: string) => void;
	}
	let { session, id = '', onopen, onbench }: Props = $props();

	const FIRST: readonly (readonly [ViewKind, string])[] = [
		['eyes', 'Through the eyes'],
		['chase', 'From behind'],
		['flat', 'Flat, from the side']
	];
	const desk = untrack(() => new RigState(session));
	const now = new Now(desk);
	const commands = useCommands();
	const rig = $derived(desk.rig);
	const unit = $derived(viewOf(rig?.view.kind ?? 'eyes') === 'flat' ? 'px' : 'm');
	const lag = $derived(session.lags.find((l) => l.id === rig?.lag));
	let axis = $state<LagAxisName>('z');
	const unknown = $derived(session.wiring.rigs.some((r) => r.id === id) ? '' : id);

	$effect(() => {
		const { rigs } = session.wiring;
		const wanted = rigs.some((r) => r.id === id) ? id : (rigs[0]?.id ?? '');
		untrack(() => desk.open(wanted));
	});
	$effect(() => {
		// The axis that is drawn is one that is there.
		if (lag && !lag.axes[axis]) axis = LAG_AXES.find((name) => lag.axes[name]) ?? 'x';
	});

	const findings = $derived(
		rig && session.missing === 0
			? [
					...checkRig(rig, session.played.presets),
					...session.findings.inMotion('rig', rig.id).map(({ finding }) => finding as unknown as Finding<Rig>)
				]
			: []
	);
	const nameOf = (preset: string): string | undefined => session.bobsAndLags.find((p) => p.id === preset)?.name;

	onMount(() => {
		void session.courses.fetch();
		return commands.offer(rigCommands(desk));
	});
</script>

<div class="room">
	<RigHead {desk} {onopen} {onbench} />
	{#if !rig}
		<div class="first">
			<Begin
				{session}
				title="What the player sees through"
				says="A rig is a camera’s chain: the body, a lag that trails it, limits, the head bob, the lean, the shakes that cues set off, and a ceiling over all of it. Each stage shows what it does, and can be left out."
			>
				{#each FIRST as [kind, label] (kind)}
					<Button strong={kind === 'eyes'} onclick={() => onopen(addRig(session, kind))}>{label}</Button>
				{/each}
			</Begin>
		</div>
	{:else}
		<RigChain {desk} {rig} {findings} {unit} speed={now.speed} playing={now.playing.length} {unknown} {nameOf} />
		<main>
			<Seen trial={desk} {now} />
			<StageDrawing {desk} {rig} {axis} {now} />
			<StageNumbers {desk} {rig} {axis} onaxis={(name) => (axis = name)} camera={() => now.cameraPlace} />
		</main>
	{/if}
</div>

<style>
	.room {
		height: 100%;
		display: grid;
		grid-template-columns: minmax(0, 1fr);
		grid-template-rows: 48px auto auto minmax(0, 1fr);
	}
	main {
		display: grid;
		grid-template-columns: minmax(0, 1fr) minmax(0, 1.04fr) clamp(292px, 20vw, 420px);
		gap: 10px;
		min-height: 0;
		padding: 6px 14px 12px;
	}
	@media (max-width: 1180px) {
		main {
			grid-template-columns: minmax(0, 1fr) minmax(0, 1.1fr) 262px;
			gap: 8px;
		}
	}
	.first {
		padding: 24px;
	}
</style>
