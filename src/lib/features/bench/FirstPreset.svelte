<script lang="ts">
	import ProjectLink from '$lib/room/ProjectLink.svelte';
	import type { ProjectSession } from '$lib/session/session.svelte';

	let { session, onmade }: { session: ProjectSession; onmade: (key: string) => void } = $props();
	let busy = $state(false);

	async function make() {
		busy = true;
		const key = await session.acts.addNew();
		busy = false;
		if (key) onmade(key);
	}
</script>

<main>
	<p><ProjectLink {session} /></p>
	<h1>Nothing moves yet</h1>
	<p>
		A preset is one motion of the camera: a jolt, a rumble, a sway. Make the first one and it shakes as soon as you
		press its key; from there it is turning numbers until it feels right.
	</p>
	<button onclick={make} disabled={busy}>Make the first preset</button>
</main>

<style>
	main {
		max-width: 32rem;
		margin: 16vh auto;
		padding: 1.5rem;
	}
	button {
		border: 0;
		border-radius: 7px;
		background: var(--ink);
		color: var(--sheet);
		padding: 9px 18px;
		cursor: pointer;
	}
</style>
