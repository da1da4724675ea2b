<script lang="ts">
	/** Which head bob or lag is open, and in which rigs it is. */
	import Archive from '@lucide/svelte/icons/archive';
	import Copy from '@lucide/svelte/icons/copy';
	import BesideMark from '$lib/room/BesideMark.svelte';
	import RoomHead from '$lib/room/RoomHead.svelte';
	import ChainPicker from '$lib/stages/ChainPicker.svelte';
	import { addRig } from '$lib/stages/new-rig';
	import Button from '$lib/ui/Button.svelte';
	import BodyCompare from './BodyCompare.svelte';
	import type { BodyState } from './bodies.svelte';

	interface Props {
		desk: BodyState;
		/** Opens a rig in its room. */
		onrig: (id: string) => void;
		/** Opens another preset on its bench. */
		onopen: (preset: string) => void;
	}
	let { desk, onrig, onopen }: Props = $props();

	const session = $derived(desk.session);
	const preset = $derived(desk.preset);
	const users = $derived(
		session.wiring.rigs.filter((rig) => rig.bob === desk.id || rig.lag === desk.id).map((rig) => rig.name)
	);
	async function copy(close: () => void) {
		const made = await session.acts.copyBody(desk.id);
		close();
		if (made) onopen(made);
	}
	async function retire(close: () => void) {
		if (await session.acts.retire(desk.id)) close();
	}
</script>

<RoomHead {session} of={preset?.id} onbeside={(was, kind, from) => desk.holdBeside(was, kind, from)}>
	{#snippet picker()}
		<ChainPicker
			{session}
			name={preset?.name ?? 'Head bob or lag'}
			here={preset?.id}
			{onrig}
			onbench={onopen}
			onnewrig={() => onrig(addRig(session))}
			onname={(name) => session.changeBody(desk.id, 'Name', (p) => ({ ...p, name }))}
		>
			{#snippet more(close)}
				{#if preset}
					<div class="acts">
						<Button onclick={() => void copy(close)}><Copy size={14} /> Copy this</Button>
						<Button onclick={() => void retire(close)}><Archive size={14} /> Retire</Button>
					</div>
				{/if}
			{/snippet}
		</ChainPicker>
	{/snippet}
	{#snippet marks()}
		{#if desk.beside}<BesideMark from={desk.beside.from} onclose={() => (desk.beside = null)} />{/if}
	{/snippet}
	{#snippet where()}{preset?.family === 'bob' ? 'a head bob' : 'a camera lag'} · {users.length === 0
			? 'in no rig yet'
			: `in ${users.length === 1 ? users[0] : `${users.length} rigs`}`}{/snippet}
	{#if preset}<BodyCompare {desk} />{/if}
</RoomHead>
