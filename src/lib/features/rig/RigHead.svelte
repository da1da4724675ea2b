<script lang="ts">
	/** Which rig is open, where it is used, going over to another one, undo. */
	import ChevronDown from '@lucide/svelte/icons/chevron-down';
	import Copy from '@lucide/svelte/icons/copy';
	import Plus from '@lucide/svelte/icons/plus';
	import Trash from '@lucide/svelte/icons/trash-2';
	import { freeId } from '$lib/documents';
	import type { Rig } from 'dinesis-runtime';
	import { newRig, viewOf } from 'dinesis-runtime/tools';
	import { rigKey, WIRING } from '$lib/session/session.svelte';
	import NumberField from '$lib/ui/NumberField.svelte';
	import FindingsChip from '$lib/room/FindingsChip.svelte';
	import ProjectLink from '$lib/room/ProjectLink.svelte';
	import UndoButtons from '$lib/room/UndoButtons.svelte';
	import PickList from '$lib/ui/PickList.svelte';
	import Button from '$lib/ui/Button.svelte';
	import Popover from '$lib/ui/Popover.svelte';
	import VersionsMenu from '$lib/room/VersionsMenu.svelte';
	import type { RigState } from './rig.svelte';

	interface Props {
		desk: RigState;
		onopen: (id: string) => void;
		onbench: (preset: string) => void;
	}
	let { desk, onopen, onbench }: Props = $props();

	const session = $derived(desk.session);
	const rigs = $derived(session.wiring.rigs);
	const rig = $derived(desk.rig);
	const preset = $derived(desk.preset);
	const key = $derived(preset ? preset.id : rig ? rigKey(rig.id) : WIRING);
	const courses = $derived(session.courses.list.filter((c) => c.rig === rig?.id).length);
	const cues = $derived(
		session.wiring.cues.filter((cue) => cue.actions.some((a) => a.kind === 'camera' && a.rig === rig?.id)).length
	);
	const users = $derived(
		preset ? rigs.filter((r) => r.bob === preset.id || r.lag === preset.id).map((r) => r.name) : []
	);
	const used = $derived.by(() => {
		if (preset)
			return users.length === 0 ? 'in no rig yet' : `in ${users.length === 1 ? users[0] : `${users.length} rigs`}`;
		const parts = [
			courses > 0 ? `${courses} course${courses === 1 ? '' : 's'}` : '',
			cues > 0 ? `${cues} cue${cues === 1 ? '' : 's'}` : ''
		].filter(Boolean);
		return parts.length > 0 ? `in ${parts.join(' and ')}` : 'in use nowhere yet';
	});
	const others = $derived(rigs.filter((r) => r.id !== rig?.id));
	const other = $derived(others.find((r) => r.id === desk.other) ?? others[0]);
	/** A flat picture and one in space have no between. */
	const cuts = $derived(desk.over <= 0 || (rig && other ? viewOf(rig.view.kind) !== viewOf(other.view.kind) : false));

	function add(label: string, made: Rig, close: () => void) {
		session.rewire(label, (w) => ({ ...w, rigs: [...w.rigs, made] }));
		session.seal();
		close();
		onopen(made.id);
	}
	const idFor = (name: string): string =>
		freeId(
			name,
			rigs.map((r) => r.id)
		);
	function addNew(close: () => void) {
		const name = `Rig ${rigs.length + 1}`;
		add('New rig', { ...newRig(idFor(name), name), bob: session.bobs[0]?.id ?? null }, close);
	}
	function copy(close: () => void) {
		const name = `${rig!.name}, copy`.slice(0, 120);
		add('Copy the rig', { ...rig!, id: idFor(name), name }, close);
	}
	function remove(close: () => void) {
		const gone = rig!;
		const uses = courses + cues > 0 ? ` It was ${used}; they say so now.` : '';
		session.rewire('Take the rig out', (w) => ({ ...w, rigs: w.rigs.filter((r) => r.id !== gone.id) }));
		session.seal();
		close();
		session.say(`“${gone.name}” is gone.${uses}`, {
			label: 'Undo',
			run: () => {
				session.goBack();
				onopen(gone.id);
			}
		});
		onopen(rigs.find((r) => r.id !== gone.id)?.id ?? '');
	}
	const listed = (slot: 'bob' | 'lag') => (slot === 'bob' ? session.bobs : session.lags);
	async function addPreset(slot: 'bob' | 'lag', close: () => void) {
		const id = await session.acts.newBody(slot);
		close();
		if (id) onbench(id);
	}
</script>

<header>
	<Popover label="Choose a rig, a head bob or a lag" look="heading">
		{#snippet button()}<span class="name"
				><h1>{preset?.name ?? rig?.name ?? 'Rig'}</h1>
				<ChevronDown size={17} /></span
			>{/snippet}
		{#snippet children(close)}
			<div class="body">
				<div class="acts">
					<Button onclick={() => addNew(close)}><Plus size={14} /> New rig</Button>
					<Button onclick={() => void addPreset('bob', close)}><Plus size={14} /> New bob</Button>
					<Button onclick={() => void addPreset('lag', close)}><Plus size={14} /> New lag</Button>
				</div>
				{#if rig && !preset}
					<div class="acts">
						<Button onclick={() => copy(close)}><Copy size={14} /> Copy this</Button>
						<Button onclick={() => remove(close)}><Trash size={14} /> Take it out</Button>
					</div>
				{/if}
				<PickList
					label="Find a rig, a head bob or a lag"
					here={preset?.id ?? rig?.id}
					groups={[
						{
							title: 'Rigs',
							entries: rigs.map((r) => ({ id: r.id, label: r.name, about: r.view.kind })),
							none: 'No rig yet. “New rig” makes one.'
						},
						...(['bob', 'lag'] as const).map((slot) => ({
							title: slot === 'bob' ? 'Head bobs' : 'Camera lags',
							entries: listed(slot).map((p) => ({
								id: p.id,
								label: p.name,
								about: 'gaits' in p ? p.gaits.map((g) => g.id).join(', ') : Object.keys(p.axes).join(', ')
							}))
						}))
					]}
					onpick={(id, group) => {
						close();
						if (group === 0) onopen(id);
						else onbench(id);
					}}
				/>
			</div>
		{/snippet}
	</Popover>
	{#if rig}
		<VersionsMenu {session} of={key} onbeside={(was, kind, from) => desk.holdBeside(was, kind, from)} />
		<FindingsChip {session} />
		{#if desk.beside}
			<button
				class="beside"
				title="Left is as it is now, right as it was. Press to let it go."
				onclick={() => (desk.beside = null)}>now | {desk.beside.from} ×</button
			>
		{/if}
	{/if}
	<p>
		<ProjectLink {session} /> · {preset ? (preset.family === 'bob' ? 'a head bob' : 'a camera lag') : 'a rig'} · {used}
	</p>
	{#if rig && !preset && other}
		<div class="over" role="group" aria-label="Go over to another rig">
			<button
				class:gone={desk.isOver}
				aria-pressed={desk.isOver}
				title="Position, turn, lens and motion go over together (O)"
				onclick={() => {
					desk.other = other.id;
					desk.goOver();
				}}>{desk.isOver ? 'Come back' : 'Go over'}</button
			>
			to
			<select aria-label="The other rig" value={other.id} onchange={(e) => (desk.other = e.currentTarget.value)}>
				{#each others as r (r.id)}<option value={r.id}>{r.name}</option>{/each}
			</select>
			{#if !cuts}within{/if}
			{#if cuts && desk.over > 0}<span title="A flat picture and one in space have no between">cuts</span>{:else}
				<NumberField
					look="inline"
					label=""
					name="Blends within"
					unit={desk.over > 0 ? 's' : 's, cuts'}
					value={desk.over}
					min={0}
					max={30}
					step={0.02}
					reset={0.8}
					onchange={(v) => (desk.over = v)}
				/>{/if}
		</div>
	{/if}
	<UndoButtons {session} />
</header>

<style>
	header {
		display: flex;
		align-items: center;
		gap: 8px;
		padding: 0 14px;
		border-bottom: 1px solid var(--rule);
	}
	.name {
		display: flex;
		align-items: center;
		gap: 6px;
	}
	h1 {
		white-space: nowrap;
		overflow: hidden;
		text-overflow: ellipsis;
		max-width: 400px;
	}
	header > p {
		flex: 1;
		min-width: 0;
		margin: 0;
		color: var(--ink-2);
		white-space: nowrap;
		overflow: hidden;
		text-overflow: ellipsis;
	}
	.beside {
		border: 1px solid var(--lamp);
		border-radius: 999px;
		background: var(--lamp-wash);
		color: var(--lamp-text);
		padding: 2px 10px;
		font-size: 12px;
		white-space: nowrap;
		cursor: pointer;
	}
	.over {
		display: flex;
		align-items: center;
		gap: 5px;
		font-size: 12.5px;
		color: var(--ink-2);
		white-space: nowrap;
	}
	select {
		max-width: 150px;
		border: 1px solid var(--rule-strong);
		border-radius: 5px;
		background: var(--field);
		color: var(--ink);
		padding: 3px 6px;
		font-size: 13px;
	}
	.over button {
		border: 1px solid var(--rule-strong);
		border-radius: 6px;
		background: var(--field);
		padding: 3px 10px;
		cursor: pointer;
	}
	.over .gone {
		background: var(--lamp-light);
		border-color: var(--lamp);
		color: var(--on-lamp);
		font-weight: 600;
	}
	@media (max-width: 1180px) {
		h1 {
			max-width: 230px;
		}
		select {
			max-width: 104px;
		}
	}
	.body {
		width: 330px;
		max-height: 70vh;
		overflow: auto;
	}
	.acts {
		display: flex;
		gap: 6px;
		padding: 2px 4px 6px;
	}
</style>
