<script lang="ts">
	/** The bench of a head bob or a lag: seen beside its drawing, tuned on the drawing and by its numbers. */
	import { onMount, untrack } from 'svelte';
	import { isBob, isLag, LAG_AXES, type LagAxisName } from 'dinesis-runtime/tools';
	import FindingLines from '$lib/room/FindingLines.svelte';
	import type { ProjectSession } from '$lib/session/session.svelte';
	import BobDrawing from '$lib/stages/BobDrawing.svelte';
	import BobSheet from '$lib/stages/BobSheet.svelte';
	import LagDrawing from '$lib/stages/LagDrawing.svelte';
	import LagSheet from '$lib/stages/LagSheet.svelte';
	import { Now } from '$lib/stages/now.svelte';
	import Seen from '$lib/stages/Seen.svelte';
	import { useCommands } from '$lib/ui/commands.svelte';
	import Frame from '$lib/ui/Frame.svelte';
	import Segments from '$lib/ui/Segments.svelte';
	import { bodyCommands } from './commands';
	import { BodyState } from './bodies.svelte';
	import BodyHead from './BodyHead.svelte';

	interface Props {
		session: ProjectSession;
		/** The head bob or the lag in the address. */
		id: string;
		onopen: (preset: string) => void;
		onrig: (id: string) => void;
	}
	let { session, id, onopen, onrig }: Props = $props();

	const desk = untrack(() => new BodyState(session));
	const now = new Now(desk);
	const commands = useCommands();
	const preset = $derived(desk.preset);
	let axis = $state<LagAxisName>('z');
	let gait = $state('');
	let page = $state<'numbers' | 'neighbours'>('numbers');
	const nowhere = $derived(session.missing === 0 && !session.bobsAndLags.some((b) => b.id === id));

	$effect(() => {
		const body = session.bobsAndLags.find((b) => b.id === id);
		if (body) untrack(() => desk.open(id, body.family === 'bob' ? 'bob' : 'lag'));
	});
	$effect(() => {
		// The axis that is drawn is one that is there.
		if (preset && isLag(preset) && !preset.axes[axis]) axis = LAG_AXES.find((name) => preset.axes[name]) ?? 'x';
	});
	$effect(() => session.look(id));

	onMount(() => {
		void session.courses.fetch();
		return commands.offer(bodyCommands(desk));
	});
</script>

<div class="room">
	<BodyHead {desk} {onrig} {onopen} />
	{#if !preset}
		<p class="none">{nowhere ? `There is no head bob or lag “${id}” in this project.` : 'It is on its way …'}</p>
	{:else}
		<main>
			<Seen trial={desk} {now} />
			<Frame label="Drawing of the stage" flow="fill">
				{#if isBob(preset)}<BobDrawing trial={desk} />{:else}<LagDrawing trial={desk} {axis} />{/if}
			</Frame>
			<div class="numbers">
				<FindingLines
					list={session.findings.of(preset.family, preset.id).map(({ finding }) => finding)}
					onfix={(finding) => session.fix({ kind: preset.family, document: preset, finding })}
				/>
				{#if isBob(preset)}
					<div class="pages">
						<Segments
							small
							label="What is shown"
							value={page}
							options={[
								{ value: 'numbers', label: 'numbers' },
								{ value: 'neighbours', label: 'neighbours', title: 'Six that are like it, each toward another side' }
							]}
							onchange={(one: 'numbers' | 'neighbours') => (page = one)}
						/>
					</div>
				{/if}
				{#if isBob(preset) && page === 'neighbours'}
					{#await import('./BobNeighbours.svelte') then { default: BobNeighbours }}
						<BobNeighbours {desk} bob={preset} />
					{/await}
				{:else if isBob(preset)}
					<BobSheet {session} bob={preset} near={desk.walks} bind:shown={gait} />
				{:else if isLag(preset)}
					<LagSheet {session} lag={preset} {axis} onaxis={(name) => (axis = name)} drawn={false} />
				{/if}
			</div>
		</main>
	{/if}
</div>

<style>
	.room {
		height: 100%;
		display: grid;
		grid-template: 48px minmax(0, 1fr) / minmax(0, 1fr);
	}
	main {
		display: grid;
		grid-template-columns: minmax(0, 1fr) minmax(0, 1.04fr) clamp(292px, 20vw, 420px);
		gap: 10px;
		min-height: 0;
		padding: 10px 14px 12px;
	}
	.numbers {
		display: flex;
		flex-direction: column;
		gap: 8px;
		min-height: 0;
		overflow: auto;
	}
	.pages {
		justify-self: start;
		align-self: start;
	}
	.numbers > :global(section) {
		flex: 1 1 auto;
	}
	.none {
		margin: 24px;
	}
	@media (max-width: 1180px) {
		main {
			grid-template-columns: minmax(0, 1fr) minmax(0, 1.1fr) 262px;
			gap: 8px;
		}
	}
</style>
