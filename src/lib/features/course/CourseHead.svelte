<script lang="ts">
	import Archive from '@lucide/svelte/icons/archive';
	import ChevronDown from '@lucide/svelte/icons/chevron-down';
	import Copy from '@lucide/svelte/icons/copy';
	import Footprints from '@lucide/svelte/icons/footprints';
	import Plus from '@lucide/svelte/icons/plus';
	import { courseKey } from '$lib/session/courses.svelte';
	import VersionsMenu from '$lib/room/VersionsMenu.svelte';
	import FindingsChip from '$lib/room/FindingsChip.svelte';
	import ProjectLink from '$lib/room/ProjectLink.svelte';
	import UndoButtons from '$lib/room/UndoButtons.svelte';
	import PickList from '$lib/ui/PickList.svelte';
	import Button from '$lib/ui/Button.svelte';
	import Popover from '$lib/ui/Popover.svelte';
	import BakeMenu from './BakeMenu.svelte';
	import BringInTake from './BringInTake.svelte';
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
</script>

<header>
	<Popover label="Choose a course" look="heading">
		{#snippet button()}<span class="name"
				><h1>{course?.name ?? 'Course'}</h1>
				<ChevronDown size={17} /></span
			>{/snippet}
		{#snippet children(close)}
			<div class="body">
				<div class="acts">
					<Button onclick={() => openMade(session.courses.addNew(), close)}><Plus size={14} /> New</Button>
					{#if course}
						<Button onclick={() => openMade(session.courses.copy(course.id), close)}
							><Copy size={14} /> Copy this</Button
						>
						<Button onclick={() => retire(course.id, close)}><Archive size={14} /> Retire</Button>
					{/if}
				</div>
				<PickList
					label="Find a course"
					groups={[
						{
							entries: session.courses.list.map((c) => ({
								id: c.id,
								label: c.name,
								about: `${c.trace ? 'take' : 'course'} · ${Number(c.seconds.toFixed(1))} s`
							})),
							none: 'No course yet. “New” makes one; a free run becomes one.'
						}
					]}
					here={course?.id}
					onpick={(id) => {
						close();
						onopen(id);
					}}
				/>
			</div>
		{/snippet}
	</Popover>
	{#if course}
		<VersionsMenu {session} of={courseKey(course.id)} />
	{/if}
	<FindingsChip {session} />
	<p><ProjectLink {session} /> · {course?.trace ? 'a take' : 'a course'}</p>
	<Button onclick={() => (bringing = true)} disabled={going}>Bring in …</Button>
	{#if course && !going}<BakeMenu {desk} {worker} />{/if}
	<Button disabled={going} title="Two keepers: W A S D and the arrow keys" onclick={() => onfree(2)}>for two</Button>
	<span class="go"
		><Button disabled={going} title="Walk through it yourself (F)" onclick={() => onfree(1)}
			><Footprints size={15} /> Free run</Button
		></span
	>
	<UndoButtons {session} />
</header>
<BringInTake {session} {worker} open={bringing} onclose={() => (bringing = false)} onmade={onopen} />

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
	header p {
		flex: 1;
		margin: 0;
		color: var(--ink-2);
		white-space: nowrap;
		overflow: hidden;
		text-overflow: ellipsis;
	}
	.go :global(button) {
		background: var(--lamp-light);
		border-color: var(--lamp);
		color: var(--on-lamp);
		font-weight: 600;
	}
	.body {
		width: 320px;
	}
	.acts {
		display: flex;
		gap: 6px;
		padding: 2px 2px 8px;
	}
</style>
