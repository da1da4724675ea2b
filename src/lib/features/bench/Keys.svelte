<script lang="ts">
	import { onMount } from 'svelte';
	import Repeat from '@lucide/svelte/icons/repeat';
	import SlidersHorizontal from '@lucide/svelte/icons/sliders-horizontal';
	import type { ShakePreset } from 'dinesis-runtime';
	import type { ProjectSession } from '$lib/session/session.svelte';
	import NumberField from '$lib/ui/NumberField.svelte';
	import type { BenchState } from './bench.svelte';

	interface Props {
		session: ProjectSession;
		bench: BenchState;
		presetKey: string;
		onopen: (key: string) => void;
	}
	let { session, bench, presetKey, onopen }: Props = $props();

	/** The first nine, and the open preset on the space bar where it is none of them. */
	const caps = $derived.by(() => {
		const nine = session.order.slice(0, 9).flatMap((key) => session.preset(key) ?? []);
		const open = session.preset(presetKey);
		return open && !nine.includes(open) ? [...nine, open] : nine;
	});
	/** As many running plays as a key shows, a draining bar for each. */
	const BARS = 4;
	interface Foot {
		readonly bars: HTMLElement[];
		/** How strongly it plays now, or how far it is turned down. */
		readonly level: HTMLElement;
		/** What became of the last press. */
		readonly word: HTMLElement;
		/** What they said last: they are written only when that changes. */
		said: string;
	}
	const feet = new Map<string, Foot>();

	const keepFoot = (key: string) => (foot: HTMLElement) => {
		const [level, word, ...bars] = [...foot.children] as HTMLElement[];
		feet.set(key, { bars, level: level!, word: word!, said: '' });
		return () => void feet.delete(key);
	};
	const about = (p: ShakePreset): string =>
		p.timing.mode === 'burst' ? `burst ${Number(p.timing.duration.toFixed(2))} s` : 'hold, or tap';

	// Written straight to the elements: bars move in every frame.
	function tick() {
		for (const [key, foot] of feet) {
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
				const bar = foot.bars[shown++]!;
				bar.style.transform = `scaleX(${bench.leftOfPlay(play).toFixed(3)})`;
				bar.style.opacity = (0.35 + 0.65 * Math.min(1, strength)).toFixed(2);
			}
			for (let i = shown; i < BARS; i++) foot.bars[i]!.style.transform = 'scaleX(0)';
			const word = bench.saidOf(key);
			const level = ducked < 0.995 ? `ducked ${ducked.toFixed(2)}×` : shown > 0 ? `${strongest.toFixed(2)}×` : '';
			const said = `${level}|${word}`;
			if (said === foot.said) continue;
			foot.said = said;
			foot.level.textContent = level;
			foot.word.textContent = word;
		}
	}
	onMount(() => bench.onFrame(tick));
</script>

<div class="keys" role="group" aria-label="Keys">
	{#each caps as cap, i (cap.id)}
		<div class="cap" class:live={bench.sounding.has(cap.id)} class:open={cap.id === presetKey}>
			<button
				class="press"
				aria-keyshortcuts={i < 9 ? String(i + 1) : 'Space'}
				aria-label="Fire {cap.name}"
				onpointerdown={(e) => {
					if (e.button !== 0) return;
					e.currentTarget.setPointerCapture(e.pointerId);
					bench.press(cap.id, performance.now());
				}}
				onpointerup={() => bench.release(cap.id, performance.now())}
				onkeydown={(e) => (e.key === 'Enter' || e.key === ' ') && !e.repeat && bench.press(cap.id, performance.now())}
				onkeyup={(e) => (e.key === 'Enter' || e.key === ' ') && bench.release(cap.id, performance.now())}
			>
				<b>{i < 9 ? i + 1 : 'space'}</b>
				<span class="name">{cap.name}</span>
				<small>{about(cap)}</small>
			</button>
			<button
				class="tune"
				title={i < 9 ? `Tune ${cap.name} (Shift+${i + 1})` : `${cap.name} is on the sheet`}
				aria-label="Tune {cap.name}"
				onclick={() => onopen(cap.id)}
			>
				<SlidersHorizontal size={13} />
			</button>
			<div class="foot" {@attach keepFoot(cap.id)}>
				<em class:far={i > 8}></em><em class="word"></em>
				{#each { length: BARS } as _, b (b)}<span class="left" style:bottom="{b * 3}px"></span>{/each}
			</div>
		</div>
	{/each}
	<div class="cap repeat" class:live={bench.repeating}>
		<button
			class="press"
			aria-pressed={bench.repeating}
			aria-label="Fire again and again"
			title="Fire the open preset again and again (R)"
			onclick={() => bench.toggleRepeat()}
		>
			<b><Repeat size={14} /></b>
			<span class="name">Repeat</span>
		</button>
		<span class="every">
			<NumberField
				look="inline"
				label="every"
				unit="s"
				value={bench.repeatEvery}
				min={0.1}
				max={60}
				step={0.02}
				reset={2.5}
				onchange={(v) => (bench.repeatEvery = v)}
			/>
		</span>
	</div>
</div>

<style>
	.keys {
		display: flex;
		gap: 7px;
		min-width: 0;
	}
	.cap {
		position: relative;
		flex: 1 1 0;
		min-width: 0;
		max-width: 190px;
		border: 1px solid var(--brass);
		border-bottom: 3px solid var(--brass-foot);
		border-radius: 9px 9px 8px 8px;
		background: linear-gradient(var(--cap-top), var(--cap-foot));
		overflow: hidden;
	}
	.cap:active {
		transform: translateY(1px);
	}
	.cap.open {
		border-color: var(--lamp);
		border-bottom-color: var(--lamp);
	}
	.cap.live {
		background: linear-gradient(var(--cap-live-top), var(--cap-live));
	}
	.press {
		display: grid;
		grid-template-rows: auto 1fr auto;
		width: 100%;
		height: 100%;
		border: 0;
		background: none;
		padding: 6px 9px 8px;
		text-align: left;
		cursor: pointer;
		touch-action: none;
		user-select: none;
	}
	.press:focus-visible {
		outline-offset: -3px;
	}
	b {
		font-size: 12.5px;
		color: var(--ink-2);
	}
	.name {
		font-weight: 600;
		line-height: 1.2;
		align-self: center;
		overflow: hidden;
		display: -webkit-box;
		line-clamp: 2;
		-webkit-line-clamp: 2;
		-webkit-box-orient: vertical;
	}
	small {
		font-size: 11.5px;
		color: var(--ink-2);
		white-space: nowrap;
		overflow: hidden;
		text-overflow: ellipsis;
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
	.open .tune {
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
	.repeat .name {
		align-self: start;
		margin-top: 5px;
	}
	.every {
		position: absolute;
		left: 9px;
		bottom: 6px;
		font-size: 12px;
	}
	@media (max-height: 760px) {
		.press {
			padding-block: 4px 6px;
		}
		.press small {
			display: none;
		}
	}
</style>
