<script lang="ts">
	/** Seen from above: the listener, where it happened, and how far it is felt. Drag the place, or the circles. */
	import { onMount } from 'svelte';
	import type { ShakePreset } from 'dinesis-runtime';
	import { fallOff, type Reach } from 'dinesis-runtime/tools';
	import { withReach } from '$lib/room/reach';
	import { fetchAfterPaint } from '$lib/ui/after-paint';
	import Frame from '$lib/ui/Frame.svelte';
	import type { CuesState } from './cues.svelte';

	let { desk, preset }: { desk: CuesState; preset: ShakePreset | undefined } = $props();

	const [W, H] = [330, 190];
	const reach = $derived(preset?.reach ?? null);
	const [x, , z] = $derived(desk.source);
	const distance = $derived(Math.hypot(x, desk.source[1] - 1.62, z));
	const left = $derived(reach ? fallOff(reach, distance) : 1);
	/** Metres from the middle to the upper edge: so that everything is on the map, in steady steps. */
	const span = $derived.by(() => {
		const wanted = Math.max(8, distance * 1.25, distance * 0.6 + (reach?.edge ?? 0));
		return [10, 20, 40, 80, 160, 400, 1000, 3000, 10000].find((s) => s >= wanted) ?? 20000;
	});
	const k = $derived(H / 2 / span);
	const sx = $derived(W / 2 + x * k);
	const sy = $derived(H / 2 + z * k);
	const words = () => import('$lib/room/ReachWords.svelte');
	onMount(() => fetchAfterPaint(words));
	let map: SVGSVGElement | undefined = $state();
	let held: 'place' | 'full' | 'edge' | null = null;

	function setReach(next: Reach | null, done: boolean) {
		if (!preset) return;
		desk.session.change(preset.id, 'Reach', (p) => ({ ...(p as ShakePreset), reach: next }), 'reach');
		if (done) desk.session.seal();
	}
	const clean = (v: number): number => Number(v.toPrecision(3));
	function drag(event: PointerEvent) {
		if (!held || !map) return;
		const rect = map.getBoundingClientRect();
		const px = (((event.clientX - rect.left) / rect.width) * W - W / 2) / k;
		const pz = (((event.clientY - rect.top) / rect.height) * H - H / 2) / k;
		if (held === 'place') desk.source = [clean(px), desk.source[1], clean(pz)];
		else if (reach) setReach(withReach(reach, { [held]: clean(Math.max(0.1, Math.hypot(px - x, pz - z))) }), false);
	}
	function drop() {
		if (held && held !== 'place') desk.session.seal();
		held = null;
	}
	function keys(event: KeyboardEvent) {
		const by = (event.shiftKey ? 5 : 1) * (span / 40);
		const dx = event.key === 'ArrowRight' ? by : event.key === 'ArrowLeft' ? -by : 0;
		const dz = event.key === 'ArrowDown' ? by : event.key === 'ArrowUp' ? -by : 0;
		if (!dx && !dz) return;
		event.preventDefault();
		desk.source = [clean(x + dx), desk.source[1], clean(z + dz)];
	}
</script>

<Frame label="Where it is felt" title="Where it is felt" flow="plain">
	{#snippet side()}
		<span
			>{distance < 100 ? distance.toFixed(1) : distance.toFixed(0)} m → <b>{left.toFixed(2)}</b> of full strength</span
		>
	{/snippet}
	<!-- svelte-ignore a11y_no_static_element_interactions -->
	<svg bind:this={map} viewBox="0 0 {W} {H}" onpointermove={drag} onpointerup={drop} onpointercancel={drop}>
		<rect width={W} height={H} class="sea" />
		<path
			class="rock"
			d="M{W / 2 - 9 * k} {H / 2 + 2 * k}q{2 * k} {-9 * k} {9 * k} {-8 * k}t{10 * k} {5 * k}t{-3 * k} {9 * k}t{-12 *
				k} {1 * k}z"
		/>
		{#if reach}
			<circle class="edge" cx={sx} cy={sy} r={reach.edge * k} />
			<circle class="full" cx={sx} cy={sy} r={reach.full * k} />
			{#each ['full', 'edge'] as const as which (which)}
				<circle
					class="grip"
					cx={sx + reach[which] * k}
					cy={sy}
					r="5"
					role="presentation"
					onpointerdown={(e) => {
						held = which;
						map?.setPointerCapture(e.pointerId);
					}}
				/>
			{/each}
		{/if}
		<line class="way" x1={W / 2} y1={H / 2} x2={sx} y2={sy} />
		<path class="listener" d="M{W / 2} {H / 2 - 8}l6 14l-6 -4l-6 4z" />
		<circle
			class="place"
			cx={sx}
			cy={sy}
			r="6"
			role="slider"
			tabindex="0"
			aria-label="Where it happens: {x} m aside, {-z} m ahead"
			aria-valuenow={distance}
			onpointerdown={(e) => {
				held = 'place';
				map?.setPointerCapture(e.pointerId);
			}}
			onkeydown={keys}
		/>
		<text x="6" y={H - 6}>{span} m of ground each way · drag where it happens</text>
	</svg>
	{#if preset}
		{#await words() then { default: ReachWords }}
			<ReachWords {reach} name={preset.name} onchange={setReach} />
		{/await}
	{/if}
</Frame>

<style>
	svg {
		display: block;
		width: 100%;
		border-radius: 5px;
		margin: 4px 0;
		touch-action: none;
	}
	.sea {
		fill: var(--sea);
	}
	.rock {
		fill: var(--rock);
		stroke: var(--rule-strong);
	}
	.edge,
	.full {
		fill: var(--lamp-light);
		fill-opacity: 0.22;
		stroke: var(--lamp);
		stroke-dasharray: 4 4;
		pointer-events: none;
	}
	.full {
		fill-opacity: 0.4;
		stroke-dasharray: none;
	}
	.grip {
		fill: var(--sheet);
		stroke: var(--lamp);
		stroke-width: 1.5;
		cursor: ew-resize;
	}
	.way {
		stroke: var(--ink-2);
		stroke-dasharray: 2 3;
	}
	.listener {
		fill: var(--ink);
	}
	.place {
		fill: var(--lamp);
		stroke: var(--sheet);
		stroke-width: 2;
		cursor: grab;
	}
	text {
		font-size: 11px;
		fill: var(--ink-2);
	}
</style>
