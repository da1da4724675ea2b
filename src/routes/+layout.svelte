<script lang="ts">
	import '@fontsource-variable/bricolage-grotesque/wght.css';
	import '@fontsource-variable/hanken-grotesk/wght.css';
	import '$lib/ui/tokens.css';
	import type { Snippet } from 'svelte';
	import HealthWord from '$lib/room/HealthWord.svelte';

	let { children }: { children: Snippet } = $props();
</script>

{@render children()}
<HealthWord />
