<script lang="ts">
	/** Which rig is open, where it is used, going over to another one. */
	import Copy from '@lucide/svelte/icons/copy';
	import Trash from '@lucide/svelte/icons/trash-2';
	import { rigKey, WIRING } from '$lib/session/session.svelte';
	import BesideMark from '$lib/room/BesideMark.svelte';
	import RoomHead from '$lib/room/RoomHead.svelte';
	import ChainPicker from '$lib/stages/ChainPicker.svelte';
	import { addRig, copyRig, removeRig } from '$lib/stages/new-rig';
	import Button from '$lib/ui/Button.svelte';
	import GoOver from './GoOver.svelte';
	import type { RigState } from './rig.svelte';

	interface Props {
		desk: RigState;
		onopen: (id: string) => void;
		onbench: (preset: string) => void;
	}
	let { desk, onopen, onbench }: Props = $props();

	const session = $derived(desk.session);
	const rig = $derived(desk.rig);
	const counted = (list: readonly unknown[], word: string): string[] =>
		list.length === 0 ? [] : [`${list.length} ${word}${list.length === 1 ? '' : 's'}`];
	const uses = $derived(
		[
			...counted(
				session.courses.list.filter((c) => c.rig === rig?.id),
				'course'
			),
			...counted(
				session.wiring.cues.filter((cue) => cue.actions.some((a) => a.kind === 'camera' && a.rig === rig?.id)),
				'cue'
			)
		].join(' and ')
	);

	function rename(name: string) {
		const { id } = rig!;
		session.rewire('Name of the rig', (w) => ({ ...w, rigs: w.rigs.map((r) => (r.id === id ? { ...r, name } : r)) }));
		session.seal();
	}
	function remove() {
		const gone = rig!;
		const said = uses === '' ? '' : ` It was in ${uses}; they say so now.`;
		removeRig(session, gone);
		session.say(`“${gone.name}” is gone.${said}`, {
			label: 'Undo',
			run: () => {
				session.goBack();
				onopen(gone.id);
			}
		});
		onopen(session.wiring.rigs[0]?.id ?? '');
	}
</script>

<RoomHead {session} of={rig ? rigKey(rig.id) : WIRING} onbeside={(was, kind, from) => desk.holdBeside(was, kind, from)}>
	{#snippet picker()}
		<ChainPicker
			{session}
			name={rig?.name ?? 'Rig'}
			here={rig?.id}
			onrig={onopen}
			{onbench}
			onnewrig={() => onopen(addRig(session))}
			onname={rename}
		>
			{#snippet more(close)}
				{#if rig}
					<div class="acts">
						<Button
							onclick={() => {
								close();
								onopen(copyRig(session, rig));
							}}><Copy size={14} /> Copy this</Button
						>
						<Button
							onclick={() => {
								close();
								remove();
							}}><Trash size={14} /> Take it out</Button
						>
					</div>
				{/if}
			{/snippet}
		</ChainPicker>
	{/snippet}
	{#snippet marks()}
		{#if desk.beside}<BesideMark from={desk.beside.from} onclose={() => (desk.beside = null)} />{/if}
	{/snippet}
	{#snippet where()}a rig · {uses === '' ? 'in use nowhere yet' : `in ${uses}`}{/snippet}
	{#if rig}<GoOver {desk} {rig} />{/if}
</RoomHead>
