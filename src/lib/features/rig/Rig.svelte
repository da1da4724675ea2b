<script lang="ts">
	/** A camera's chain, stage after stage, each with its meter and switch; the stage that is chosen is drawn and tuned below, beside the picture. */
	import { onMount, untrack } from 'svelte';
	import { CHANNEL_COUNT, isBob, LAG_AXES, RIG_STAGES, viewOf, type LagAxisName } from 'dinesis-runtime/tools';
	import { checkRig } from '$lib/documents';
	import type { ProjectSession } from '$lib/session/session.svelte';
	import { useCommands } from '$lib/ui/commands.svelte';
	import { isTyping } from '$lib/ui/targets';
	import RunWindow from '$lib/viewport/RunWindow.svelte';
	import { RigState } from './rig.svelte';
	import RigChain from './RigChain.svelte';
	import RigHead from './RigHead.svelte';
	import RigTransport from './RigTransport.svelte';
	import StageDrawing from './StageDrawing.svelte';
	import { TITLES } from './stage-words';
	import StageNumbers from './StageNumbers.svelte';
	import StageTrace from './StageTrace.svelte';

	interface Props {
		session: ProjectSession;
		/** The rig in the address; empty: the first one. */
		id?: string;
		/** A head bob or a lag that is looked at by itself. */
		preset?: string;
		onopen: (id: string) => void;
		onbench: (preset: string) => void;
	}
	let { session, id = '', preset = '', onopen, onbench }: Props = $props();

	const desk = untrack(() => new RigState(session));
	const commands = useCommands();
	const rig = $derived(desk.rig);
	const alone = $derived(desk.alone !== '');
	const view = $derived(viewOf(rig?.view.kind ?? 'eyes'));
	const unit = $derived(view === 'flat' ? 'px' : 'm');
	const bob = $derived(session.bobs.find((b) => b.id === rig?.bob));
	const lag = $derived(session.lags.find((l) => l.id === rig?.lag));
	let axis = $state<LagAxisName>('z');
	const unknown = $derived(session.wiring.rigs.some((r) => r.id === id) ? '' : id);
	const nowhere = $derived(preset !== '' && session.missing === 0 && !session.bobsAndLags.some((b) => b.id === preset));

	$effect(() => {
		const { rigs } = session.wiring;
		const body = session.bobsAndLags.find((b) => b.id === preset);
		const wanted = rigs.some((r) => r.id === id) ? id : (rigs[0]?.id ?? '');
		untrack(() => {
			if (preset !== '') {
				if (body) desk.openAlone(preset, body.family === 'bob' ? 'bob' : 'lag');
			} else desk.open(wanted);
		});
	});
	$effect(() => {
		// The axis that is drawn is one that is there.
		if (lag && !lag.axes[axis]) axis = LAG_AXES.find((name) => lag.axes[name]) ?? 'x';
	});
	$effect(() => {
		if (preset !== '') session.look(preset);
	});

	const findings = $derived(rig && !alone ? checkRig(rig, session.bobsAndLags) : []);
	const nameOf = (preset: string): string | undefined => session.bobsAndLags.find((p) => p.id === preset)?.name;

	// What is of this moment

	let playing = $state.raw<readonly { readonly id: string; readonly level: number }[]>([]);
	let bodyNow = $state.raw<readonly [number, number, number]>([0, 0, 0]);
	let cameraNow = $state.raw<readonly [number, number, number]>([0, 0, 0]);
	let cameraPlace: [number, number, number] = [0, 0, 0];
	let speedNow = $state(0);
	const before = new Float64Array(CHANNEL_COUNT);
	const after = new Float64Array(CHANNEL_COUNT);
	/** Yaw of a quaternion, in degrees. */
	const yawOf = (q: Float64Array): number =>
		(Math.atan2(2 * (q[3]! * q[5]! + q[6]! * q[4]!), 1 - 2 * (q[3]! * q[3]! + q[4]! * q[4]!)) * 180) / Math.PI;

	function frame(dt: number) {
		if (!rig) return { eyes: [], time: 0, moving: null };
		const { eyes, time, run } = desk.frame(dt);
		const [eye] = eyes;
		const { body, pose, offset } = eye!;
		cameraPlace = [pose[0]!, pose[1]!, pose[2]!];
		bodyNow = [body[0]!, body[2]!, body[3]!];
		cameraNow = [pose[0]!, pose[2]!, yawOf(pose)];
		speedNow = run ? run.bodies[0]!.speed : desk.walks;
		after.set(offset);
		before.set(offset);
		const done = run?.bodies[0]!.rig.run.done;
		const at = RIG_STAGES.indexOf('ceiling') * CHANNEL_COUNT;
		if (done) for (let c = 0; c < CHANNEL_COUNT; c++) before[c]! -= done[at + c]!;
		const plays = run?.director.viewers[0]!.player.plays.filter((p) => p.level > 0.005) ?? [];
		if (plays.length > 0 || playing.length > 0)
			playing = plays.map((p) => ({ id: p.presetId, level: p.level * p.strength }));
		return { eyes, time, moving: null };
	}
	const way = $derived(
		desk.onTreadmill
			? []
			: desk.course.trace
				? Array.from({ length: Math.floor(desk.course.trace.poses.length / 75) }, (_, i): [number, number] => [
						desk.course.trace!.poses[i * 75]!,
						desk.course.trace!.poses[i * 75 + 2]!
					])
				: desk.course.path.map((p): [number, number] => [p.x, p.z])
	);
	const marks = $derived(
		desk.onTreadmill || !desk.course.path.length ? [] : [desk.course.path.flatMap((p) => [p.x, p.y, p.z])]
	);
	const caption = $derived(
		desk.onTreadmill
			? `on the spot, ${desk.walks.toFixed(2)} m/s`
			: playing.length > 0
				? playing
						.slice(0, 3)
						.map((p) => session.preset(p.id)?.name ?? p.id)
						.join(' · ')
				: `${speedNow.toFixed(1)} m/s`
	);

	function keyDown(event: KeyboardEvent) {
		if (isTyping(event.target) || event.ctrlKey || event.metaKey || event.altKey) return;
		const onControl = (event.target as HTMLElement).closest?.('button, a, [role="switch"], select');
		const number = Number(event.key);
		if (event.key === ' ' && !onControl) desk.playing = !desk.playing;
		else if (event.key === 'o' && !alone) desk.goOver();
		else if (!alone && rig && number >= 1 && number <= RIG_STAGES.length) desk.toggle(rig.order[number - 1]!);
		else return;
		event.preventDefault();
	}
	onMount(() => {
		void session.courses.fetch();
		return commands.offer(
			() => [
				...session.wiring.rigs.map((r) => ({
					id: `rig ${r.id}`,
					label: r.name,
					about: 'rig',
					run: () => onopen(r.id)
				})),
				...session.bobsAndLags.map((p) => ({
					id: `body ${p.id}`,
					label: p.name,
					about: isBob(p) ? 'head bob' : 'camera lag',
					run: () => onbench(p.id)
				}))
			],
			[
				{ keys: 'Space', what: 'Play and pause' },
				{ keys: '1 … 6', what: 'Leave a stage out, take it in' },
				{ keys: 'Alt ← →', what: 'A stage earlier or later' },
				{ keys: 'O', what: 'Go over to the other rig, come back' }
			]
		);
	});
	const numbersOf = $derived(desk.part);
</script>

<svelte:window onkeydown={keyDown} />

<div class="room" class:alone>
	<RigHead {desk} {onopen} {onbench} />
	{#if !rig}
		<section class="first">
			{#if preset !== ''}
				<p>{nowhere ? `There is no head bob or lag “${preset}” in this project.` : 'It is on its way …'}</p>
			{:else}
				<h2>What the player sees through</h2>
				<p>
					A rig is a camera’s chain: the body, a lag that trails it, limits, the head bob, the lean, the shakes that
					cues set off, and a ceiling over all of it. Each stage shows what it does, and can be left out.
				</p>
				<p>“New” in the menu above makes the first one.</p>
			{/if}
		</section>
	{:else}
		{#if !alone}
			<RigChain {desk} {rig} {findings} {unit} speed={speedNow} playing={playing.length} {unknown} {nameOf} />
		{/if}
		<main>
			<div class="seen">
				<RunWindow {frame} ways={marks} viewers={1} {caption} steered={false} onlook={() => undefined} />
				{#if numbersOf !== 'view'}
					<StageTrace
						trace={desk.meters[numbersOf].channels}
						head={desk.head}
						beat={desk.beat}
						{view}
						metres={numbersOf === 'limits' || (numbersOf === 'lag' && view === 'space')}
						title={TITLES[numbersOf]}
					/>
				{:else}<p class="hint">
						The body is what the game moves. Each stage after it says what it adds; what the game put there is never
						written over.
					</p>{/if}
				<RigTransport {desk} onTheSpot={bob !== undefined} />
			</div>
			<StageDrawing
				{desk}
				{rig}
				{axis}
				{playing}
				level={{ before, after }}
				places={{ way, body: bodyNow, camera: cameraNow }}
			/>
			<StageNumbers {desk} {rig} {axis} onaxis={(name) => (axis = name)} camera={() => cameraPlace} />
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
	.room.alone {
		grid-template-rows: 48px minmax(0, 1fr);
	}
	main {
		display: grid;
		grid-template-columns: minmax(0, 1fr) minmax(0, 1.04fr) 292px;
		gap: 10px;
		min-height: 0;
		padding: 6px 14px 12px;
	}
	.seen {
		display: grid;
		grid-template-rows: minmax(0, 1.5fr) minmax(0, 1fr) auto;
		gap: 6px;
		min-height: 0;
	}
	.hint {
		align-self: center;
		margin: 0 10px;
		font-size: 12.5px;
		color: var(--ink-2);
		text-align: center;
	}
	@media (max-width: 1180px) {
		main {
			grid-template-columns: minmax(0, 1fr) minmax(0, 1.1fr) 262px;
			gap: 8px;
		}
	}
	.first {
		max-width: 560px;
		margin: 24px;
		border: 1px solid var(--rule-strong);
		border-radius: var(--radius);
		background: var(--sheet);
		padding: 16px;
	}
</style>
