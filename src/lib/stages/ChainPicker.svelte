<script lang="ts">
	/** The name of the rig, head bob or lag that is open; pressed, it leads to another one, or makes one. */
	import type { Snippet } from 'svelte';
	import Plus from '@lucide/svelte/icons/plus';
	import DocumentPicker from '$lib/room/DocumentPicker.svelte';
	import type { ProjectSession } from '$lib/session/session.svelte';
	import Button from '$lib/ui/Button.svelte';
	import { chainGroups } from './pick-groups';

	interface Props {
		session: ProjectSession;
		name: string;
		here?: string;
		onrig: (id: string) => void;
		onbench: (preset: string) => void;
		/** Makes a rig and opens it. */
		onnewrig: () => void;
		/** Gives what is open another name. */
		onname: (name: string) => void;
		/** What else can be done with what is open. */
		more?: Snippet<[close: () => void]>;
	}
	let { session, name, here, onrig, onbench, onnewrig, onname, more }: Props = $props();

	async function addBody(slot: 'bob' | 'lag', close: () => void) {
		const id = await session.acts.newBody(slot);
		close();
		if (id) onbench(id);
	}
</script>

<DocumentPicker
	label="Choose a rig, a head bob or a lag"
	find="Find a rig, a head bob or a lag"
	{name}
	{here}
	groups={chainGroups(session)}
	onpick={(id, group) => (group === 0 ? onrig(id) : onbench(id))}
	{onname}
	fresh={session.fresh}
	onnamed={() => (session.fresh = '')}
>
	{#snippet acts(close)}
		<div class="acts">
			<Button
				onclick={() => {
					close();
					onnewrig();
				}}><Plus size={14} /> New rig</Button
			>
			<Button onclick={() => void addBody('bob', close)}><Plus size={14} /> New bob</Button>
			<Button onclick={() => void addBody('lag', close)}><Plus size={14} /> New lag</Button>
		</div>
		{@render more?.(close)}
	{/snippet}
</DocumentPicker>
