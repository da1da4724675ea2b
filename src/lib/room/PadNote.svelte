<script lang="ts">
	/** Where a gamepad is connected: what its buttons do here, and whether it rumbles with what is felt. */
	import Gamepad2 from '@lucide/svelte/icons/gamepad-2';
	import { pads } from '$lib/ui/pad.svelte';

	let { says }: { says: string } = $props();
</script>

{#if pads.name !== ''}
	<p title={pads.name}>
		<Gamepad2 size={14} />
		<span>{says}</span>
		<label
			><input type="checkbox" checked={pads.rumbles} onchange={(e) => pads.wishRumble(e.currentTarget.checked)} /> rumble
			with it</label
		>
	</p>
{/if}

<style>
	p {
		display: flex;
		align-items: center;
		gap: 6px;
		margin: 0;
		font-size: 12px;
		color: var(--ink-2);
		min-width: 0;
	}
	span {
		overflow: hidden;
		text-overflow: ellipsis;
	}
	label {
		display: flex;
		gap: 4px;
		align-items: center;
		white-space: nowrap;
	}
	input {
		accent-color: var(--lamp);
		margin: 0;
	}
</style>
