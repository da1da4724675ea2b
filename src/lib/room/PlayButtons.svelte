<script lang="ts">
	/** Time's buttons, the same in every room: to the beginning, play or pause, one picture on, how fast. */
	import type { Snippet } from 'svelte';
	import Pause from '@lucide/svelte/icons/pause';
	import Play from '@lucide/svelte/icons/play';
	import SkipBack from '@lucide/svelte/icons/skip-back';
	import StepForward from '@lucide/svelte/icons/step-forward';
	import Segments from '$lib/ui/Segments.svelte';

	interface Props {
		playing: boolean;
		/** The key that plays and pauses. */
		keyName?: string;
		/** Left out: time has no beginning here. */
		onbegin?: () => void;
		onplay: () => void;
		/** Left out: there is no button for it. */
		onstep?: () => void;
		speed: number;
		speeds: readonly number[];
		onspeed: (speed: number) => void;
		/** Between the buttons and the speeds: where one is. */
		children?: Snippet;
	}
	let { playing, keyName = 'Space', onbegin, onplay, onstep, speed, speeds, onspeed, children }: Props = $props();

	const SHORT: Readonly<Record<number, string>> = { 0.1: '⅒', 0.25: '¼' };
	const LONG: Readonly<Record<number, string>> = { 0.1: 'A tenth of the speed', 0.25: 'A quarter of the speed' };
</script>

{#if onbegin}<button aria-label="To the beginning" title="To the beginning" onclick={onbegin}
		><SkipBack size={14} /></button
	>{/if}
<button
	class="on"
	aria-label={playing ? 'Pause' : 'Play'}
	title="{playing ? 'Pause' : 'Play'} ({keyName})"
	onclick={onplay}
	>{#if playing}<Pause size={14} />{:else}<Play size={14} />{/if}</button
>
{#if onstep}
	<button aria-label="One picture on" title="One picture on (.)" onclick={onstep}><StepForward size={14} /></button>
{/if}
{@render children?.()}
<Segments
	small
	label="Speed of time"
	value={speed}
	options={speeds.map((value) => ({
		value,
		label: SHORT[value] ?? `${value}×`,
		title: LONG[value] ?? (value === 1 ? 'Full speed' : `${value} times as fast`)
	}))}
	onchange={onspeed}
/>

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
