<script lang="ts">
	import { goto } from '$app/navigation';
	import Bench from '$lib/features/bench/Bench.svelte';
	import { useSession } from '$lib/session/session.svelte';
	import type { PageData } from './$types';

	let { data }: { data: PageData } = $props();
	const session = useSession();
	const preset = $derived(session.preset(data.key));
	/** A head bob or a lag has a bench of its own kind; one that was just named anew is still found by its former id. */
	const body = $derived(session.bobsAndLags.find((p) => p.id === data.key) ?? session.body(data.key));
	const here = $derived(session.home);
	const bench = (key: string): void => void goto(`${here}/bench/${key}`, { keepFocus: session.fresh !== '' });
</script>

<svelte:head><title>{(preset ?? body)?.name ?? 'Bench'} · {session.project.name}</title></svelte:head>
{#if body}
	{#await import('$lib/features/bodies/Bodies.svelte') then { default: Bodies }}
		<Bodies
			{session}
			id={body.id}
			onopen={bench}
			onrig={(rig) => void goto(`${here}/rig/${rig}`, { keepFocus: session.fresh !== '' })}
		/>
	{/await}
{:else}
	<Bench
		{session}
		presetKey={data.key}
		onopen={bench}
		onreview={() => goto(`${here}/review/${encodeURIComponent(`shake:${data.key}`)}?against=bench`)}
	/>
{/if}
