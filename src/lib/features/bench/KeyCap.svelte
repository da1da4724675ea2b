<script lang="ts">
	/** What is on a key: pressed it fires; its number gives the key something else; a bar drains for each of its plays. */
	import { onMount } from 'svelte';
	import SlidersHorizontal from '@lucide/svelte/icons/sliders-horizontal';
	import type { KeyCap } from '$lib/room/key-board';
	import type { ProjectSession } from '$lib/session/session.svelte';
	import { hand } from '$lib/ui/hand';
	import type { BenchState } from './bench.svelte';
	import { pressCap, releaseCap } from './caps';

	interface Props {
		session: ProjectSession;
		bench: BenchState;
		/** `1` … `9`, `shift-1` … `shift-9`, or `space`. */
		id: string;
		cap: KeyCap;
		onopen: (key: string) => void;
	}
	let { session, bench, id, cap, onopen }: Props = $props();

	/** As many running plays as a key shows. */
	const BARS = 4;
	/** How strongly it plays now, or how far it is turned down. */
	let level: HTMLElement;
	/** What became of the last press. */
	let word: HTMLElement;
	let bars: HTMLElement[] = [];
	/** What they said last: they are written only when that changes. */
	let said = '';
	const keepFoot = (foot: HTMLElement): void => {
		[level, word, ...bars] = [...foot.children] as [HTMLElement, HTMLElement, ...HTMLElement[]];
	};
	const about = $derived.by(() => {
		if (cap.kind === 'event') {
			const event = session.wiring.events.find((one) => one.id === cap.of);
			return event?.kind === 'state' ? 'event: hold, or tap' : 'event';
		}
		const timing = session.preset(cap.of)?.timing;
		return timing?.mode === 'burst' ? `burst ${Number(timing.duration.toFixed(2))} s` : 'hold, or tap';
	});
	/** Space, where a pointer left the focus here, is the open preset’s. */
	const isPress = (event: KeyboardEvent): boolean =>
		event.key === 'Enter' || (event.key === ' ' && !hand.pointedAt(event.target));

	// Written straight to the elements: bars move in every frame.
	function tick() {
		const key = cap.kind === 'preset' ? cap.of : `event ${cap.of}`;
		let shown = 0;
		let ducked = 1;
		let strongest = 0;
		const { plays } = bench.player;
		for (let i = plays.length - 1; i >= 0; i--) {
			const play = plays[i]!;
			if (play.presetId !== key) continue;
			const strength = play.strength * play.level * play.ducked;
			if (strength > strongest) strongest = strength;
			if (play.ducked < ducked) ducked = play.ducked;
			if (shown >= BARS) continue;
			const bar = bars[shown++]!;
			bar.style.transform = `scaleX(${bench.leftOfPlay(play).toFixed(3)})`;
			bar.style.opacity = (0.35 + 0.65 * Math.min(1, strength)).toFixed(2);
		}
		for (let i = shown; i < BARS; i++) bars[i]!.style.transform = 'scaleX(0)';
		const says = bench.said.of(key);
		const strong = ducked < 0.995 ? `ducked ${ducked.toFixed(2)}×` : shown > 0 ? `${strongest.toFixed(2)}×` : '';
		if (`${strong}|${says}` === said) return;
		said = `${strong}|${says}`;
		level.textContent = strong;
		word.textContent = says;
	}
	onMount(() => bench.onFrame(tick));
</script>

<button
	class="press"
	aria-keyshortcuts={id === 'space' ? 'Space' : id.replace('shift-', 'Shift+')}
	aria-label="Fire {cap.name}"
	onpointerdown={(e) => {
		if (e.button !== 0) return;
		e.currentTarget.setPointerCapture(e.pointerId);
		pressCap(bench, cap, performance.now());
	}}
	onpointerup={() => releaseCap(bench, cap, performance.now())}
	onkeydown={(e) => isPress(e) && !e.repeat && pressCap(bench, cap, performance.now())}
	onkeyup={(e) => isPress(e) && releaseCap(bench, cap, performance.now())}
>
	<span class="name">{cap.name}</span>
	<small>{about}</small>
</button>
<span class="digit">
	{#if id === 'space'}<b>space</b>{:else}
		{#await import('$lib/room/KeyTarget.svelte')}<b>{cap.written}</b>{:then { default: KeyTarget }}<KeyTarget
				{session}
				{id}
			>
				{#snippet button()}<b title="What key {cap.written} fires">{cap.written}</b>{/snippet}
			</KeyTarget>{/await}
	{/if}
</span>
{#if cap.kind === 'preset'}
	<button
		class="tune"
		title={id === 'space' ? `${cap.name} is on the sheet` : `Tune ${cap.name} (T ${cap.written})`}
		aria-label="Tune {cap.name}"
		onclick={() => onopen(cap.of)}
	>
		<SlidersHorizontal size={13} />
	</button>
{/if}
<div class="foot" {@attach keepFoot}>
	<em class:far={id === 'space'}></em><em class="word"></em>
	{#each { length: BARS } as _, b (b)}<span class="left" style:bottom="{b * 3}px"></span>{/each}
</div>

<style>
	.press:focus-visible {
		outline-offset: -3px;
	}
	.digit {
		position: absolute;
		left: 5px;
		top: 3px;
	}
	.digit b {
		font-size: 12.5px;
		color: var(--ink-2);
		display: inline-block;
		min-width: 14px;
		border-radius: 4px;
		padding: 0 4px;
		line-height: 20px;
	}
	.digit b:hover {
		background: var(--lamp-wash);
		color: var(--ink);
	}
	.tune {
		position: absolute;
		top: 3px;
		right: 3px;
		display: grid;
		place-items: center;
		width: 24px;
		height: 24px;
		border: 0;
		border-radius: 5px;
		background: none;
		color: var(--ink-2);
		cursor: pointer;
	}
	.tune:hover {
		background: var(--lamp-wash);
		color: var(--ink);
	}
	:global(.open) > .tune {
		color: var(--lamp-text);
	}
	.foot {
		pointer-events: none;
	}
	.foot em {
		position: absolute;
		left: 23px;
		right: 26px;
		top: 6px;
		font-style: normal;
		font-size: 11px;
		color: var(--lamp-text);
		white-space: nowrap;
		overflow: hidden;
		text-overflow: ellipsis;
	}
	.foot em.word {
		left: 9px;
		right: 4px;
		top: auto;
		bottom: 7px;
		background: var(--cap-live);
	}
	.foot em.far {
		left: 46px;
	}
	.left {
		position: absolute;
		left: 0;
		right: 0;
		bottom: 0;
		height: 3px;
		background: var(--lamp);
		transform: scaleX(0);
		transform-origin: 0 50%;
		pointer-events: none;
	}
</style>
