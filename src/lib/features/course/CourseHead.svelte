<script lang="ts">
	import Archive from '@lucide/svelte/icons/archive';
	import ChevronDown from '@lucide/svelte/icons/chevron-down';
	import Copy from '@lucide/svelte/icons/copy';
	import Footprints from '@lucide/svelte/icons/footprints';
	import Plus from '@lucide/svelte/icons/plus';
	import Redo from '@lucide/svelte/icons/redo-2';
	import Undo from '@lucide/svelte/icons/undo-2';
	import { courseKey } from '$lib/session/courses.svelte';
	import VersionsMenu from '$lib/room/VersionsMenu.svelte';
	import FindingsChip from '$lib/room/FindingsChip.svelte';
	import ProjectLink from '$lib/room/ProjectLink.svelte';
	import PickList from '$lib/ui/PickList.svelte';
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
					<button onclick={() => openMade(session.courses.addNew(), close)}><Plus size={14} /> New</button>
					{#if course}
						<button onclick={() => openMade(session.courses.copy(course.id), close)}
							><Copy size={14} /> Copy this</button
						>
						<button onclick={() => retire(course.id, close)}><Archive size={14} /> Retire</button>
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
	<button class="tool" onclick={() => (bringing = true)} disabled={going}>Bring in …</button>
	{#if course && !going}<BakeMenu {desk} {worker} />{/if}
	<button class="tool" disabled={going} title="Two keepers: W A S D and the arrow keys" onclick={() => onfree(2)}
		>for two</button
	>
	<button class="tool go" disabled={going} title="Walk through it yourself (F)" onclick={() => onfree(1)}
		><Footprints size={15} /> Free run</button
	>
	<button
		class="round"
		title="{session.undoLabel ? `Undo: ${session.undoLabel}` : 'Nothing to undo'} (Ctrl+Z)"
		aria-label="Undo"
		disabled={session.undoLabel === null}
		onclick={() => session.goBack()}><Undo size={15} /></button
	>
	<button
		class="round"
		title="{session.redoLabel ? `Redo: ${session.redoLabel}` : 'Nothing to redo'} (Ctrl+Shift+Z)"
		aria-label="Redo"
		disabled={session.redoLabel === null}
		onclick={() => session.goForward()}><Redo size={15} /></button
	>
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
	.tool {
		display: inline-flex;
		align-items: center;
		gap: 5px;
		border: 1px solid var(--rule-strong);
		border-radius: 6px;
		background: var(--field);
		padding: 3px 10px;
		cursor: pointer;
		white-space: nowrap;
	}
	.tool:disabled {
		opacity: 0.45;
		cursor: default;
	}
	.go {
		background: var(--lamp-light);
		border-color: var(--lamp);
		color: var(--on-lamp);
		font-weight: 600;
	}
	.round {
		display: grid;
		place-items: center;
		width: 28px;
		height: 28px;
		border: 0;
		border-radius: 50%;
		background: none;
		cursor: pointer;
	}
	.round:disabled {
		opacity: 0.35;
		cursor: default;
	}
	.body {
		width: 320px;
	}
	.acts {
		display: flex;
		gap: 6px;
		padding: 2px 2px 8px;
	}
	.acts button {
		display: inline-flex;
		align-items: center;
		gap: 4px;
		border: 1px solid var(--rule-strong);
		border-radius: 6px;
		background: var(--field);
		padding: 2px 8px;
		cursor: pointer;
	}
</style>
