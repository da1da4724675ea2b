<script lang="ts">
	import { onMount } from 'svelte';
	import Archive from '@lucide/svelte/icons/archive';
	import Copy from '@lucide/svelte/icons/copy';
	import Footprints from '@lucide/svelte/icons/footprints';
	import Plus from '@lucide/svelte/icons/plus';
	import { courseKey } from '$lib/session/courses.svelte';
	import DocumentPicker from '$lib/room/DocumentPicker.svelte';
	import RoomHead from '$lib/room/RoomHead.svelte';
	import { fetchAfterPaint } from '$lib/ui/after-paint';
	import Button from '$lib/ui/Button.svelte';
	import BakeMenu from './BakeMenu.svelte';
	import type { CourseState } from './course.svelte';
	import type { CourseWorker } from '$lib/workers/course';

	interface Props {
		desk: CourseState;
		worker: CourseWorker;
		going: boolean;
		onopen: (id: string) => void;
		onfree: (viewers: number) => void;
	}
	let { desk, worker, going, onopen, onfree }: Props = $props();

	const session = $derived(desk.session);
	const course = $derived(desk.course);
	let bringing = $state(false);
	const bringIn = () => import('./BringInTake.svelte');
	onMount(() => fetchAfterPaint(bringIn));

	async function openMade(made: Promise<string | null>, close: () => void) {
		const id = await made;
		close();
		if (id) onopen(id);
	}
	async function retire(id: string, close: () => void) {
		const rest = session.courses.list.filter((c) => c.id !== id);
		if (!(await session.courses.retire(id))) return;
		close();
		onopen(rest[0]?.id ?? '');
	}
	const entries = $derived(
		session.courses.list.map((c) => ({
			id: c.id,
			label: c.name,
			about: `${c.trace ? 'take' : 'course'} · ${Number(c.seconds.toFixed(1))} s`
		}))
	);
</script>

<RoomHead {session} of={course && courseKey(course.id)}>
	{#snippet picker()}
		<DocumentPicker
			label="Choose a course"
			find="Find a course"
			name={course?.name ?? 'Course'}
			groups={[{ entries, none: 'No course yet. “New” makes one; a free run becomes one.' }]}
			here={course?.id}
			onpick={onopen}
			onname={(name) => course && session.courses.change(course.id, 'Name', (c) => ({ ...c, name }))}
			fresh={session.fresh}
			onnamed={() => (session.fresh = '')}
		>
			{#snippet acts(close)}
				<div class="acts">
					<Button onclick={() => openMade(session.courses.addNew(), close)}><Plus size={14} /> New</Button>
					{#if course}
						<Button onclick={() => openMade(session.courses.copy(course.id), close)}
							><Copy size={14} /> Copy this</Button
						>
						<Button onclick={() => retire(course.id, close)}><Archive size={14} /> Retire</Button>
					{/if}
				</div>
			{/snippet}
		</DocumentPicker>
	{/snippet}
	{#snippet where()}{course?.trace ? 'a take' : 'a course'}{/snippet}
	<Button onclick={() => (bringing = true)} disabled={going}>Bring in …</Button>
	{#if course && !going}<BakeMenu {desk} {worker} />{/if}
	<Button disabled={going} title="Two keepers: W A S D and the arrow keys" onclick={() => onfree(2)}>for two</Button>
	<Button strong disabled={going} title="Walk through it yourself (F)" onclick={() => onfree(1)}
		><Footprints size={15} /> Free run</Button
	>
</RoomHead>
{#if bringing}
	{#await bringIn() then { default: BringInTake }}
		<BringInTake {session} {worker} onclose={() => (bringing = false)} onmade={onopen} />
	{/await}
{/if}
