<script lang="ts">
	/** The sheet for the team, made off the page's thread: every shake is measured for it. */
	import { onDestroy } from 'svelte';
	import { sheetInWorker, type Making } from '$lib/workers/handover';
	import type { HandoverState } from './handover.svelte';
	import TextPreview from './TextPreview.svelte';

	let { desk }: { desk: HandoverState } = $props();

	let made = $state.raw<{ readonly of: readonly unknown[]; readonly text: string } | null>(null);
	let making: Making<string> | null = null;
	const asked = $derived([desk.kit, desk.target] as const);
	/** What was made of something else is not shown. */
	const text = $derived(made && made.of[0] === asked[0] && made.of[1] === asked[1] ? made.text : null);

	$effect(() => {
		const [kit, target] = asked;
		if (!kit) return;
		making?.cancel();
		const going = (making = sheetInWorker(kit, target === 'sheet-html' ? 'html' : 'md'));
		going.done.then(
			(found) => {
				if (making === going && found !== null) made = { of: [kit, target], text: found };
			},
			(error: unknown) => desk.session.say(`The sheet could not be made: ${String(error)}`)
		);
	});
	onDestroy(() => making?.cancel());
</script>

<TextPreview {desk} {text} />
