<script lang="ts">
	import Copy from '@lucide/svelte/icons/copy';
	import Plus from '@lucide/svelte/icons/plus';
	import Archive from '@lucide/svelte/icons/archive';
	import type { ShakePreset } from 'dinesis-runtime';
	import { keyFor, writtenKey } from '$lib/room/key-board';
	import DocumentPicker from '$lib/room/DocumentPicker.svelte';
	import type { ProjectSession } from '$lib/session/session.svelte';
	import Button from '$lib/ui/Button.svelte';

	interface Props {
		session: ProjectSession;
		preset: ShakePreset;
		onopen: (key: string) => void;
	}
	let { session, preset, onopen }: Props = $props();

	const entries = $derived(
		session.presets.map((p) => ({
			id: p.id,
			label: p.name,
			about: lengthOf(p),
			words: p.tags.join(' '),
			key: writtenKey(keyFor(session, { kind: 'preset', of: p.id }))
		}))
	);
	const lengthOf = (p: ShakePreset): string =>
		p.timing.mode === 'burst' ? `${Number(p.timing.duration.toFixed(2))} s` : 'until stopped';

	async function openMade(made: Promise<string | null>, close: () => void) {
		const key = await made;
		close();
		if (key) onopen(key);
	}
	async function retire(close: () => void) {
		if (await session.acts.retire(preset.id)) close();
	}
</script>

<DocumentPicker
	label="Choose a preset"
	find="Find by name or tag"
	name={preset.name}
	groups={[{ entries, none: 'No preset yet. “New” makes one.' }]}
	here={preset.id}
	onpick={onopen}
	onname={(name) => session.change(preset.id, 'Name', (p) => void (p.name = name))}
	fresh={session.fresh}
	onnamed={() => (session.fresh = '')}
>
	{#snippet acts(close)}
		<div class="acts">
			<Button onclick={() => openMade(session.acts.addNew(), close)}><Plus size={14} /> New</Button>
			<Button onclick={() => openMade(session.acts.copy(preset.id), close)}><Copy size={14} /> Copy this</Button>
			<Button onclick={() => retire(close)} disabled={session.order.length < 2}><Archive size={14} /> Retire</Button>
		</div>
	{/snippet}
</DocumentPicker>
