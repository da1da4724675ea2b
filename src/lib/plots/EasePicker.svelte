<script lang="ts">
	/** An ease, picked from drawings or made by hand with two handles. */
	import { EASE_NAMES, overshoots, type Ease, type EaseHandles } from 'dinesis-runtime/tools';
	import Popover from '$lib/ui/Popover.svelte';
	import RadioGroup from '$lib/ui/RadioGroup.svelte';
	import NumberField from '$lib/ui/NumberField.svelte';
	import { easePath } from './ease-path';

	interface Props {
		/** What it is the ease of, for the button's name. */
		label: string;
		ease: Ease;
		/** Whether eases that overshoot may be picked: for keys and jumps, not for fades. */
		wild?: boolean;
		/** Drawn from full to nothing, as a fade out reads. */
		falling?: boolean;
		onchange: (ease: Ease, done: boolean) => void;
	}
	let { label, ease, wild = false, falling = false, onchange }: Props = $props();

	const names = $derived(wild ? EASE_NAMES : EASE_NAMES.filter((name) => !overshoots(name)));
	/** The handles that a named ease comes nearest to: where one begins to shape it by hand. */
	const START: EaseHandles = [0.3, 0, 0.3, 1];
	const handles = $derived<EaseHandles>(typeof ease === 'string' ? START : ease);
	const said = $derived(typeof ease === 'string' ? ease : 'by hand');
	const [W, H, PAD] = [190, 120, 26];
	const xOf = (v: number): number => PAD + v * (W - 2 * PAD);
	const yOf = (v: number): number => H - PAD - v * (H - 2 * PAD);
	let board: SVGSVGElement | undefined = $state();
	let held = -1;

	const lowest = $derived(wild ? -0.35 : 0);
	const highest = $derived(wild ? 1.35 : 1);
	function put(i: number, x: number, y: number, done: boolean) {
		const next = [...handles] as [number, number, number, number];
		next[2 * i] = Math.round(Math.min(1, Math.max(0, x)) * 100) / 100;
		next[2 * i + 1] = Math.round(Math.min(highest, Math.max(lowest, y)) * 100) / 100;
		onchange(next, done);
	}
	function drag(event: PointerEvent) {
		if (held < 0 || !board) return;
		const rect = board.getBoundingClientRect();
		const x = (((event.clientX - rect.left) / rect.width) * W - PAD) / (W - 2 * PAD);
		const y = (H - PAD - ((event.clientY - rect.top) / rect.height) * H) / (H - 2 * PAD);
		put(held, x, y, false);
	}
	function drop() {
		if (held >= 0) onchange(handles, true);
		held = -1;
	}
	function keys(event: KeyboardEvent, i: number) {
		const by = event.shiftKey ? 0.1 : 0.02;
		const dx = event.key === 'ArrowRight' ? by : event.key === 'ArrowLeft' ? -by : 0;
		const dy = event.key === 'ArrowUp' ? by : event.key === 'ArrowDown' ? -by : 0;
		if (!dx && !dy) return;
		event.preventDefault();
		event.stopPropagation();
		put(i, handles[2 * i]! + dx, handles[2 * i + 1]! + dy, true);
	}
</script>

<Popover label="Ease of the {label}: {said}" title="Ease of the {label}: {said}" look="icon">
	{#snippet button()}
		<svg class="small" class:falling viewBox="0 0 22 14" aria-hidden="true"><path d={easePath(ease, 22, 14, 2)} /></svg>
	{/snippet}
	<div class="panel">
		<div class="eases">
			<RadioGroup
				label="Ease of the {label}"
				options={names.map((name) => ({ value: name, label: name, title: name }))}
				value={typeof ease === 'string' ? ease : null}
				onchange={(name) => onchange(name, true)}
			>
				{#snippet children({ value: name })}
					<svg class:falling viewBox="0 0 44 30" aria-hidden="true"
						><path d={easePath(name, 44, 30, wild ? 7 : 4)} /></svg
					>
					<small>{name}</small>
				{/snippet}
			</RadioGroup>
		</div>
		<div class="hand">
			<!-- svelte-ignore a11y_no_static_element_interactions -->
			<svg
				class="board"
				bind:this={board}
				viewBox="0 0 {W} {H}"
				onpointermove={drag}
				onpointerup={drop}
				onpointercancel={drop}
			>
				<rect x={PAD} y={PAD} width={W - 2 * PAD} height={H - 2 * PAD} />
				<line x1={xOf(0)} y1={yOf(0)} x2={xOf(handles[0])} y2={yOf(handles[1])} />
				<line x1={xOf(1)} y1={yOf(1)} x2={xOf(handles[2])} y2={yOf(handles[3])} />
				<path d={easePath(ease, W, H, PAD)} />
				{#each [0, 1] as i (i)}
					<circle
						cx={xOf(handles[2 * i]!)}
						cy={yOf(handles[2 * i + 1]!)}
						r="6"
						role="button"
						tabindex="0"
						aria-label="Handle {i + 1} at {handles[2 * i]}, {handles[2 * i + 1]}"
						onpointerdown={(e) => {
							held = i;
							board?.setPointerCapture(e.pointerId);
						}}
						onkeydown={(e) => keys(e, i)}
					/>
				{/each}
			</svg>
			<div class="numbers">
				<span>by hand</span>
				{#each ['x1', 'y1', 'x2', 'y2'] as name, i (name)}
					<NumberField
						look="inline"
						label={name}
						value={handles[i]!}
						min={i % 2 ? lowest : 0}
						max={i % 2 ? highest : 1}
						step={0.01}
						onchange={(v, done) => put(i >> 1, i % 2 ? handles[i - 1]! : v, i % 2 ? v : handles[i + 1]!, done)}
					/>
				{/each}
				<small>{wild ? 'It may pass its ends and come back.' : 'Within its ends: a fade never overshoots.'}</small>
			</div>
		</div>
	</div>
</Popover>

<style>
	.panel {
		width: 372px;
		display: grid;
		gap: 8px;
		padding: 4px;
	}
	.eases {
		display: grid;
		grid-template-columns: repeat(6, 1fr);
		gap: 4px;
	}
	.eases :global(button) {
		border: 1px solid var(--rule);
		border-radius: 6px;
		background: var(--field);
		padding: 2px 1px 3px;
		cursor: pointer;
		display: grid;
		justify-items: center;
	}
	.eases :global(button:hover) {
		border-color: var(--lamp);
	}
	.eases :global(button[aria-checked='true']) {
		border-color: var(--lamp);
		background: var(--lamp-wash);
	}
	.eases svg {
		width: 44px;
		height: 30px;
	}
	small {
		font-size: 11px;
		color: var(--ink-2);
		white-space: nowrap;
		letter-spacing: -0.02em;
	}
	path {
		fill: none;
		stroke: var(--ink);
		stroke-width: 1.6;
	}
	.falling {
		transform: scaleX(-1);
	}
	.small {
		width: 22px;
		height: 14px;
		display: block;
	}
	@media (max-width: 1180px) {
		.small {
			width: 15px;
			height: 10px;
		}
	}
	.small path {
		stroke: var(--lamp);
	}
	.hand {
		display: flex;
		gap: 12px;
		border-top: 1px solid var(--rule);
		padding-top: 8px;
	}
	.board {
		width: 190px;
		height: 120px;
		touch-action: none;
	}
	rect {
		fill: var(--field);
		stroke: var(--rule-strong);
	}
	line {
		stroke: var(--lamp);
	}
	circle {
		fill: var(--sheet);
		stroke: var(--lamp);
		stroke-width: 2;
		cursor: grab;
	}
	.numbers {
		display: grid;
		grid-template-columns: auto auto;
		gap: 3px 12px;
		align-content: center;
		font-size: 12.5px;
	}
	.numbers span,
	.numbers small {
		grid-column: 1 / -1;
	}
	.numbers small {
		white-space: normal;
	}
</style>
