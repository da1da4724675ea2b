<script lang="ts">
	/** Time's round buttons, the same in every room: to the beginning, play or pause, and where wanted one picture on. */
	import Pause from '@lucide/svelte/icons/pause';
	import Play from '@lucide/svelte/icons/play';
	import SkipBack from '@lucide/svelte/icons/skip-back';
	import StepForward from '@lucide/svelte/icons/step-forward';

	interface Props {
		playing: boolean;
		onbegin: () => void;
		onplay: () => void;
		/** Left out: there is no button for it. */
		onstep?: () => void;
	}
	let { playing, onbegin, onplay, onstep }: Props = $props();
</script>

<button aria-label="To the beginning" title="To the beginning" onclick={onbegin}><SkipBack size={14} /></button>
<button class="on" aria-label={playing ? 'Pause' : 'Play'} title="The space bar plays and pauses" onclick={onplay}
	>{#if playing}<Pause size={14} />{:else}<Play size={14} />{/if}</button
>
{#if onstep}
	<button aria-label="One picture on" title="One picture on (.)" onclick={onstep}><StepForward size={14} /></button>
{/if}

<style>
	button {
		display: grid;
		place-items: center;
		width: 28px;
		height: 28px;
		flex: none;
		border: 1px solid var(--rule-strong);
		border-radius: 50%;
		background: var(--field);
		cursor: pointer;
	}
	.on {
		background: var(--lamp-light);
		border-color: var(--lamp);
		color: var(--on-lamp);
	}
</style>
