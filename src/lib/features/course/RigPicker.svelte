<script lang="ts">
	/** The rig that the course is seen through: its head bob, its lag, and which of its stages are left out for now. */
	import type { Rig } from 'dinesis-runtime';
	import type { RigStage } from 'dinesis-runtime/tools';
	import BodySlot from '$lib/stages/BodySlot.svelte';
	import { addRig } from '$lib/stages/new-rig';
	import Select from '$lib/ui/Select.svelte';
	import type { CourseState } from './course.svelte';

	let { desk }: { desk: CourseState } = $props();

	const NEW = '*new';
	const STAGES: readonly { readonly stage: RigStage; readonly label: string; readonly about: string }[] = [
		{ stage: 'lag', label: 'lag', about: 'the view trails the body' },
		{ stage: 'limits', label: 'limits', about: 'where the camera must stay' },
		{ stage: 'bob', label: 'bob', about: 'the steps' },
		{ stage: 'lean', label: 'lean', about: 'roll and sway by turning and strafing' },
		{ stage: 'shakes', label: 'shakes', about: 'what the cues set off' },
		{ stage: 'ceiling', label: 'ceiling', about: 'the most that bob, lean and shakes may come to' }
	];
	const session = $derived(desk.session);
	const rigs = $derived(session.wiring.rigs);
	const rig = $derived(rigs.find((r) => r.id === desk.course?.rig));

	function choose(wish: string) {
		const id = wish === NEW ? addRig(session) : wish || null;
		desk.change('Seen through', (c) => ({ ...c, rig: id }));
		desk.done();
	}
	function change(label: string, part: Partial<Rig>) {
		const id = rig?.id;
		session.rewire(label, (w) => ({ ...w, rigs: w.rigs.map((r) => (r.id === id ? { ...r, ...part } : r)) }));
		session.seal();
	}
	const toggle = (stage: RigStage): void => {
		const { bypass } = rig!;
		const off = bypass.includes(stage);
		change(off ? `Take ${stage} in` : `Leave ${stage} out`, {
			bypass: off ? bypass.filter((s) => s !== stage) : [...bypass, stage]
		});
	};
</script>

<label
	>seen through <Select
		value={rig?.id ?? ''}
		choices={[
			{ value: '', label: 'the shakes alone' },
			...rigs.map(({ id, name }) => ({ value: id, label: name })),
			{ value: NEW, label: 'a new rig' }
		]}
		title={rig?.about}
		onchange={choose}
	/></label
>
{#if rig}
	<div class="pair">
		{#each ['bob', 'lag'] as const as slot (slot)}
			<label
				>{slot === 'bob' ? 'head bob' : 'lag'}
				<BodySlot {session} {rig} {slot} onchange={change} onmade={(id) => (desk.tuning = id)} /></label
			>
		{/each}
	</div>
	<div class="pair">
		{#each [rig.bob, rig.lag] as id, i (i)}
			{@const there = id !== null && session.bobsAndLags.some((b) => b.id === id)}
			<button class="tune" disabled={!there} onclick={() => (desk.tuning = id!)}
				>{i === 0 ? 'tune the bob' : 'tune the lag'}</button
			>
		{/each}
	</div>
	<a href="{session.home}/rig/{rig.id}">all of it in the Rig room</a>
	<div class="stages" role="group" aria-label="Stages, in the order in which they come">
		{#each STAGES as { stage, label, about } (stage)}
			{@const on = !rig.bypass.includes(stage)}
			<button
				aria-pressed={on}
				title="{about}; press to {on ? 'leave it out' : 'take it in'}"
				onclick={() => toggle(stage)}>{label}</button
			>
		{/each}
	</div>
{/if}

<style>
	label {
		display: grid;
		gap: 2px;
		font-size: 11.5px;
		color: var(--ink-2);
		min-width: 0;
	}
	.pair {
		display: grid;
		grid-template-columns: minmax(0, 1fr) minmax(0, 1fr);
		gap: 6px;
	}
	.pair .tune {
		border: 1px solid var(--rule-strong);
		border-radius: 6px;
		text-decoration: none;
		color: var(--ink);
	}
	.tune:disabled {
		opacity: 0.45;
		cursor: default;
	}
	a {
		font-size: 12px;
		color: var(--lamp-text);
	}
	.stages {
		display: flex;
	}
	button {
		flex: 1;
		border: 1px solid var(--rule-strong);
		border-right: 0;
		background: var(--field);
		font-size: 12px;
		padding: 2px 0;
		cursor: pointer;
		text-decoration: line-through;
		color: var(--ink-2);
	}
	button:first-child {
		border-radius: 6px 0 0 6px;
	}
	button:last-child {
		border-right: 1px solid var(--rule-strong);
		border-radius: 0 6px 6px 0;
	}
	button[aria-pressed='true'] {
		background: var(--lamp-wash);
		color: var(--lamp-text);
		text-decoration: none;
		font-weight: 600;
	}
</style>
