<script lang="ts">
	/** The grounds from above with the way, the body, the camera and where it looks; limits and a fixed camera's place are taken here. */
	import type { Limits, RigView } from 'dinesis-runtime/tools';
	import GroundsMap from '$lib/room/GroundsMap.svelte';
	import { onPaper, viewOf, type MapView } from '$lib/world/map-view';

	interface Props {
		/** Places of the way, x and z. */
		way: readonly (readonly [number, number])[];
		/** Of now: the body's x, z and yaw, the camera's x, z and yaw in degrees. */
		body: readonly [number, number, number];
		camera: readonly [number, number, number];
		view: RigView;
		limits: Limits | null;
		/** Which of both is taken. */
		takes: 'limits' | 'view';
		onlimits: (limits: Limits, mark: string, done: boolean) => void;
		onview: (part: Partial<RigView>, mark: string, done: boolean) => void;
	}
	let { way, body, camera, view, limits, takes, onlimits, onview }: Props = $props();

	let [W, H] = $state([420, 320]);
	type Grip =
		| { readonly what: 'edge'; readonly axis: 'x' | 'z'; readonly end: 0 | 1 }
		| { readonly what: 'corner'; readonly i: number }
		| { readonly what: 'place' };
	let held = $state<Grip | null>(null);
	/** While something is taken the map stands still. */
	let seen = $state.raw<MapView>({ x: 0, z: 0, half: 20 });
	const shown = $derived.by((): [number, number][] => {
		const list: [number, number][] = way.map(([x, z]) => [x, z]);
		if (takes === 'limits' && limits) {
			const { x, z, area } = limits;
			if (x) list.push([x[0], list[0]?.[1] ?? 0], [x[1], list[0]?.[1] ?? 0]);
			if (z) list.push([list[0]?.[0] ?? 0, z[0]], [list[0]?.[0] ?? 0, z[1]]);
			if (area) list.push(...area.map(([ax, az]): [number, number] => [ax, az]));
		}
		if (view.kind === 'fixed') list.push([view.place[0], view.place[2]]);
		return list;
	});
	$effect(() => {
		if (!held) seen = viewOf(shown, W / Math.max(1, H));
	});
	const paper = $derived(onPaper(seen, W, H));
	const left = $derived(limits?.x ? paper.px(limits.x[0]) : -10);
	const right = $derived(limits?.x ? paper.px(limits.x[1]) : W + 10);
	const top = $derived(limits?.z ? paper.pz(limits.z[0]) : -10);
	const foot = $derived(limits?.z ? paper.pz(limits.z[1]) : H + 10);

	const clean = (v: number): number => Math.round(v * 20) / 20;
	function put(grip: Grip, x: number, z: number, done: boolean) {
		if (grip.what === 'place') return onview({ place: [x, view.place[1], z] }, 'place', done);
		if (!limits) return;
		if (grip.what === 'corner')
			return onlimits({ ...limits, area: limits.area!.map((c, i) => (i === grip.i ? [x, z] : c)) }, 'corner', done);
		const range = limits[grip.axis]!;
		const v = grip.axis === 'x' ? x : z;
		const made =
			grip.end === 0 ? ([Math.min(v, range[1]), range[1]] as const) : ([range[0], Math.max(v, range[0])] as const);
		onlimits({ ...limits, [grip.axis]: made }, `${grip.axis} ${grip.end}`, done);
	}
	function take(event: PointerEvent, grip: Grip) {
		if (event.button !== 0) return;
		held = grip;
		(event.currentTarget as Element).setPointerCapture(event.pointerId);
	}
	function drag([x, z]: readonly [number, number]) {
		if (held) put(held, clean(x), clean(z), false);
	}
	function drop([x, z]: readonly [number, number]) {
		if (held) put(held, clean(x), clean(z), true);
		held = null;
	}
	function keys(event: KeyboardEvent, grip: Grip, x: number, z: number) {
		const step = event.shiftKey ? 1 : 0.1;
		const by = { ArrowLeft: [-step, 0], ArrowRight: [step, 0], ArrowUp: [0, -step], ArrowDown: [0, step] }[event.key];
		if (!by) return;
		event.preventDefault();
		event.stopPropagation();
		put(grip, x + by[0]!, z + by[1]!, true);
	}
	const edges = $derived(
		takes === 'limits' && limits
			? (['x', 'z'] as const).flatMap((axis) =>
					limits[axis]
						? ([0, 1] as const).map((end) => ({ what: 'edge' as const, axis, end, at: limits[axis]![end] }))
						: []
				)
			: []
	);
	/** How wide it sees, as a wedge. */
	const wedge = $derived(Math.tan(((view.fov / 2) * Math.PI) / 180) * 1.6);
</script>

<div class="map">
	<GroundsMap
		label="The grounds from above"
		view={seen}
		onpointermove={drag}
		onpointerup={drop}
		bind:width={W}
		bind:height={H}
	>
		{#snippet children({ px, pz })}
			<polyline class="way" points={way.map(([x, z]) => `${px(x).toFixed(1)},${pz(z).toFixed(1)}`).join(' ')} />
			{#if limits}
				{#if limits.x || limits.z}
					<path class="beyond" d="M-9 -9H{W + 9}V{H + 9}H-9ZM{left} {top}V{foot}H{right}V{top}Z" />
				{/if}
				{#if limits.area}
					<polygon
						class="area"
						points={limits.area.map(([x, z]) => `${px(x).toFixed(1)},${pz(z).toFixed(1)}`).join(' ')}
					/>
				{/if}
			{/if}
			<line class="boom" x1={px(body[0])} y1={pz(body[1])} x2={px(camera[0])} y2={pz(camera[1])} />
			<g transform="translate({px(camera[0])} {pz(camera[1])}) rotate({-camera[2]})">
				{#if view.kind !== 'flat'}<path class="sees" d="M0 0L{-wedge * 34} -34H{wedge * 34}Z" />{/if}
				<circle class="camera" r="5" />
			</g>
			<path
				class="body"
				d="M0 -9l6.5 15l-6.5 -4l-6.5 4z"
				transform="translate({px(body[0])} {pz(body[1])}) rotate({-body[2]})"
			/>
			{#each edges as edge (`${edge.axis}${edge.end}`)}
				{@const at = edge.axis === 'x' ? px(edge.at) : pz(edge.at)}
				<rect
					class="edge {edge.axis}"
					x={edge.axis === 'x' ? at - 3 : Math.max(0, left)}
					y={edge.axis === 'x' ? Math.max(0, top) : at - 3}
					width={edge.axis === 'x' ? 6 : Math.max(0, Math.min(W, right) - Math.max(0, left))}
					height={edge.axis === 'x' ? Math.max(0, Math.min(H, foot) - Math.max(0, top)) : 6}
					role="slider"
					tabindex="0"
					aria-label="{edge.axis} {edge.end === 0 ? 'from' : 'to'}"
					aria-valuenow={edge.at}
					onpointerdown={(e) => take(e, edge)}
					onkeydown={(e) => keys(e, edge, edge.at, edge.at)}
				/>
			{/each}
			{#if takes === 'limits' && limits?.area}
				{#each limits.area as [x, z], i (i)}
					<circle
						class="corner"
						cx={px(x)}
						cy={pz(z)}
						r="6"
						role="button"
						tabindex="0"
						aria-label="Corner {i + 1} of the area"
						onpointerdown={(e) => take(e, { what: 'corner', i })}
						onkeydown={(e) => keys(e, { what: 'corner', i }, x, z)}
					/>
				{/each}
			{/if}
			{#if view.kind === 'fixed'}
				<circle
					class="corner"
					cx={px(view.place[0])}
					cy={pz(view.place[2])}
					r="7"
					role="button"
					tabindex="0"
					aria-label="Where the camera stands"
					onpointerdown={(e) => take(e, { what: 'place' })}
					onkeydown={(e) => keys(e, { what: 'place' }, view.place[0], view.place[2])}
				/>
			{/if}
		{/snippet}
	</GroundsMap>
	<p>arrow: the body · dot: the camera</p>
</div>

<style>
	.map {
		position: relative;
		height: 100%;
		min-height: 0;
		min-width: 0;
		overflow: hidden;
		border-radius: 5px;
	}
	.way {
		fill: none;
		stroke: var(--lamp);
		stroke-width: 1.6;
		stroke-dasharray: 4 3;
	}
	.beyond {
		fill: var(--danger);
		fill-rule: evenodd;
		opacity: 0.14;
	}
	.area {
		fill: var(--lamp-wash);
		fill-opacity: 0.4;
		stroke: var(--danger);
		stroke-width: 1.6;
	}
	.edge {
		fill: var(--danger);
		opacity: 0.85;
		cursor: move;
	}
	.edge.x {
		cursor: ew-resize;
	}
	.edge.z {
		cursor: ns-resize;
	}
	.corner {
		fill: var(--field);
		stroke: var(--danger);
		stroke-width: 2;
		cursor: move;
	}
	.boom {
		stroke: var(--ink-2);
		stroke-dasharray: 2 3;
	}
	.sees {
		fill: var(--lamp-light);
		opacity: 0.35;
	}
	.camera {
		fill: var(--lamp);
		stroke: var(--field);
		stroke-width: 1.5;
	}
	.body {
		fill: var(--ink);
		stroke: var(--field);
	}
	p {
		position: absolute;
		left: 8px;
		bottom: 5px;
		margin: 0;
		font-size: 11px;
		color: var(--ink-2);
		pointer-events: none;
	}
</style>
