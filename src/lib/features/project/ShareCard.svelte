<script lang="ts">
	/** The project's key: a game elsewhere reads the kit with it. */
	import Copy from '@lucide/svelte/icons/copy';
	import Eye from '@lucide/svelte/icons/eye';
	import RefreshCw from '@lucide/svelte/icons/refresh-cw';
	import { onMount } from 'svelte';
	import { kitAddress } from '$lib/session/api';
	import { standInFor, wireAddress } from '$lib/session/project-api';
	import Button from '$lib/ui/Button.svelte';
	import Card from './Card.svelte';
	import type { ProjectPage } from './project.svelte';

	let { page }: { page: ProjectPage } = $props();
	const { session } = $derived(page);
	let origin = $state('');
	onMount(() => (origin = location.origin));
	const address = $derived(`${origin}${kitAddress(session.project.slug)}`);
	const line = $derived(
		`const kit = await (await fetch('${address}', { headers: { authorization: 'Bearer ${page.shareKey}' } })).json();`
	);

	const wired = $derived(
		`connect(runtime, '${origin === '' ? '' : wireAddress(session.project.slug)}', { key: '${page.shareKey}', game: 'My game' });`
	);

	async function openStandIn() {
		const there = await standInFor(session.project.slug);
		if (there) window.open(there, '_blank', 'noopener');
		else session.say('The stand-in game was not started with this Dinesis: ./dinesis start starts it.');
	}
	async function copy(text: string, what: string) {
		try {
			await navigator.clipboard.writeText(text);
			session.say(`${what} is copied.`);
		} catch {
			session.say('The browser did not let it be copied; select it and copy it by hand.');
		}
	}
</script>

<Card
	title="A game elsewhere"
	says="A running game is on the wire: what is changed here is in it with its next frame, and what happens in it is heard here. It shows this key."
>
	<div class="rows">
		<span>the kit</span>
		<code>{address}</code>
		<Button
			title="Copy the address"
			aria-label="Copy the address of the kit"
			onclick={() => copy(address, 'The address')}><Copy size={14} /></Button
		>
		<span>the key</span>
		{#if page.shareKey === null}
			<Button onclick={() => page.showKey()}><Eye size={14} /> Show it</Button>
			<span></span>
		{:else}
			<code data-of="key">{page.shareKey}</code>
			<Button title="Copy the key" aria-label="Copy the key" onclick={() => copy(page.shareKey ?? '', 'The key')}
				><Copy size={14} /></Button
			>
			<span>on the wire</span>
			<code class="long">{wired}</code>
			<Button title="Copy the line" aria-label="Copy the line for the wire" onclick={() => copy(wired, 'The line')}
				><Copy size={14} /></Button
			>
			<span>or once</span>
			<code class="long">{line}</code>
			<Button title="Copy the line" aria-label="Copy the line for the game" onclick={() => copy(line, 'The line')}
				><Copy size={14} /></Button
			>
			<span></span>
			<Button title="The present key opens nothing any more" onclick={() => page.renewKey()}
				><RefreshCw size={14} /> A new key</Button
			>
			<span></span>
		{/if}
	</div>
	<p>
		<Button onclick={() => void openStandIn()}>Try it with the stand-in game</Button> a small game of its own that is on the
		wire; docs/wire.md says how yours is.
	</p>
	<p>
		People are let in by whoever starts Dinesis: <code>HOST=0.0.0.0 ACCESS_KEY=… ./dinesis start</code>; each browser is
		asked for that key once.
	</p>
</Card>

<style>
	.rows {
		display: grid;
		grid-template-columns: 5.5rem minmax(0, 1fr) max-content;
		gap: 7px 10px;
		align-items: center;
		justify-items: start;
	}
	.rows > span {
		color: var(--ink-2);
	}
	code {
		font-family: inherit;
		font-variant-numeric: tabular-nums;
		max-width: 100%;
		overflow-wrap: anywhere;
		user-select: all;
		background: var(--paper-2);
		border-radius: 4px;
		padding: 2px 6px;
	}
	.long {
		font-size: 12px;
	}
	p {
		margin: 10px 0 0;
		font-size: 12px;
		color: var(--ink-2);
	}
</style>
