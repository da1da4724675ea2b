<script lang="ts">
	import Begin from '$lib/room/Begin.svelte';
	import ProjectLink from '$lib/room/ProjectLink.svelte';
	import Button from '$lib/ui/Button.svelte';
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
	<Begin
		{session}
		title="Nothing moves yet"
		says="A preset is one motion of the camera: a jolt, a rumble, a sway. Make the first one and it shakes as soon as you press its key; from there it is turning numbers until it feels right."
	>
		<Button strong onclick={make} disabled={busy}>Make the first preset</Button>
		<a href="{session.home}/library#starter">Begin from a starter set</a>
		<a href="{session.home}/library">Bring some in from a kit</a>
	</Begin>
</main>

<style>
	main {
		max-width: 34rem;
		margin: 14vh auto;
		padding: 1.5rem;
	}
	a {
		align-self: center;
		margin-right: 8px;
		color: var(--lamp-text);
	}
</style>
