<script lang="ts">
	/** The course's motion as a table: pictures a second, how far it is, and a way out. */
	import { untrack } from 'svelte';
	import { presetsOf } from '$lib/course';
	import Popover from '$lib/ui/Popover.svelte';
	import { fileName, saveText } from '$lib/ui/save-text';
	import Segments from '$lib/ui/Segments.svelte';
	import type { Bake, CourseWorker } from '$lib/workers/course';
	import type { CourseState } from './course.svelte';

	let { desk, worker }: { desk: CourseState; worker: CourseWorker } = $props();
	/** Those of usual displays, and the game's own. */
	const rates = $derived([...new Set([30, 60, 120, desk.session.settings.now.frameRate])].sort((a, b) => a - b));
	let fps = $state(untrack(() => desk.session.settings.now.frameRate));
	let done = $state(0);
	let bake = $state.raw<Bake | null>(null);

	async function go() {
		const { course, session, seed } = desk;
		if (!course) return;
		done = 0;
		const kit = {
			...session.wiring,
			presets: [...presetsOf(session.wiring, session.presets), ...session.bobsAndLags]
		};
		const going = (bake = worker.bake(kit, course, fps, seed, (part) => (done = part)));
		try {
			const csv = await going.done;
			if (csv !== null) saveText(`${fileName(course.name)}, ${fps} a second.csv`, csv, 'text/csv');
		} catch (error) {
			session.say(`The bake failed: ${error instanceof Error ? error.message : String(error)}`);
		} finally {
			if (bake === going) bake = null;
		}
	}
</script>

<Popover label="Bake" align="right" title="The motion as a table, one row a picture">
	{#snippet button()}<span class="tool">Bake …</span>{/snippet}
	<div class="body">
		<p>
			All seven channels of the first player’s camera, one row a picture, as CSV. The same seed gives the same table.
		</p>
		<Segments
			small
			label="Pictures a second"
			value={fps}
			options={rates.map((value) => ({ value, label: `${value}` }))}
			onchange={(v) => (fps = v)}
		/>
		{#if bake}
			<progress value={done} max="1" aria-label="How far the bake is"></progress>
			<button onclick={() => bake?.cancel()}>Stop</button>
		{:else}
			<button class="go" onclick={go}>Bake and save</button>
		{/if}
	</div>
</Popover>

<style>
	.tool {
		border: 1px solid var(--rule-strong);
		border-radius: 6px;
		background: var(--field);
		padding: 3px 10px;
	}
	.body {
		display: grid;
		gap: 8px;
		width: 250px;
		padding: 4px;
	}
	p {
		margin: 0;
		color: var(--ink-2);
		font-size: 12px;
	}
	progress {
		width: 100%;
		accent-color: var(--lamp);
	}
	button {
		border: 1px solid var(--rule-strong);
		border-radius: 6px;
		background: var(--field);
		padding: 3px 10px;
		cursor: pointer;
	}
	.go {
		background: var(--lamp-light);
		border-color: var(--lamp);
		color: var(--on-lamp);
	}
</style>
