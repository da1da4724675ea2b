<script lang="ts">
	import { onMount } from 'svelte';
	import Repeat from '@lucide/svelte/icons/repeat';
	import SlidersHorizontal from '@lucide/svelte/icons/sliders-horizontal';
	import type { ShakePreset } from '$lib/core';
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

	const caps = $derived(session.presets.slice(0, 9));
	const bars = new Map<string, HTMLElement>();

	const keepBar = (key: string) => (bar: HTMLElement) => {
		bars.set(key, bar);
		return () => void bars.delete(key);
	};
	const about = (p: ShakePreset): string =>
		p.timing.mode === 'burst' ? `burst ${Number(p.timing.duration.toFixed(2))} s` : 'hold, or tap';

	// Bars are written straight to the elements: they move in every frame.
	onMount(() =>
		bench.onFrame(() => {
			for (const [key, bar] of bars) bar.style.transform = `scaleX(${bench.leftOf(key).toFixed(3)})`;
		})
	);
</script>

<div class="keys" role="group" aria-label="Keys">
	{#each caps as cap, i (cap.id)}
		<div class="cap" class:live={bench.sounding.has(cap.id)} class:open={cap.id === presetKey}>
			<button
				class="press"
				aria-keyshortcuts={String(i + 1)}
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
				<b>{i + 1}</b>
				<span class="name">{cap.name}</span>
				<small>{about(cap)}</small>
			</button>
			<button
				class="tune"
				title="Tune {cap.name} (Shift+{i + 1})"
				aria-label="Tune {cap.name}"
				onclick={() => onopen(cap.id)}
			>
				<SlidersHorizontal size={13} />
			</button>
			<span class="left" {@attach keepBar(cap.id)}></span>
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
		border: 1px solid #bba984;
		border-bottom: 3px solid #b39b6b;
		border-radius: 9px 9px 8px 8px;
		background: linear-gradient(#fffdf7, #f1e9d6);
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
		background: linear-gradient(#fff3d8, #fbdfae);
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
	.left {
		position: absolute;
		left: 0;
		right: 0;
		bottom: 0;
		height: 4px;
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
</style>
