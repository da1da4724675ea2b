<script lang="ts">
	/** Which games of this project run just now, what they send, and how long a change takes to them. */
	import type { ProjectSession } from '$lib/session/session.svelte';
	import type { Wire } from '$lib/session/wire.svelte';
	import Popover from '$lib/ui/Popover.svelte';

	let { session, wire }: { session: ProjectSession; wire: Wire } = $props();
	const [first] = $derived(wire.games);
	const said = $derived(wire.games.length === 1 ? first!.game : `${wire.games.length} games`);
</script>

<span>
	<Popover
		label="Running games"
		look="chip"
		title="On the wire: what is changed here is in the game with its next frame"
	>
		{#snippet button()}<i aria-hidden="true"></i>{said}{#if wire.delay !== null}<small data-testid="wire-delay"
					>{Math.max(1, Math.round(wire.delay))} ms</small
				>{/if}{/snippet}
		{#snippet children(close)}
			{#await import('./WirePanel.svelte') then { default: WirePanel }}<WirePanel {session} {wire} {close} />{/await}
		{/snippet}
	</Popover>
</span>

<style>
	span :global(button.chip) {
		border-color: var(--lamp);
	}
	i {
		display: inline-block;
		width: 8px;
		height: 8px;
		margin-right: 6px;
		border-radius: 50%;
		background: var(--lamp);
	}
	small {
		margin-left: 6px;
		color: var(--ink-2);
		font-variant-numeric: tabular-nums;
	}
</style>
