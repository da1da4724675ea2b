<script lang="ts">
	/** The grounds from above, as a map that is moved by drag, wheel and two fingers; what stands on it is given in metres. */
	import type { Snippet } from 'svelte';
	import { FOOTPRINTS, onPaper, type MapView, type Paper } from '$lib/world/map-view';
	import type { MapHand } from './map-hand';

	interface Props {
		label: string;
		view: MapView;
		/** The hand moves what is seen; left out: it stands as it is given. */
		onview?: (view: MapView) => void;
		/** What stands on it. */
		children: Snippet<[paper: Paper]>;
		onpointermove?: (spot: readonly [x: number, z: number]) => void;
		onpointerup?: (spot: readonly [x: number, z: number]) => void;
		/** A press beside everything. */
		onnothing?: () => void;
		ondblclick?: (spot: readonly [x: number, z: number]) => void;
		width?: number;
		height?: number;
		/** Nothing is known of the ground: bare paper. */
		blank?: boolean;
	}
	let {
		label,
		view,
		onview,
		children,
		onpointermove,
		onpointerup,
		onnothing,
		ondblclick,
		width = $bindable(300),
		height = $bindable(300),
		blank = false
	}: Props = $props();

	let svg: SVGSVGElement;
	const paper = $derived(onPaper(view, width, height));

	const spot = (event: PointerEvent | MouseEvent): readonly [number, number] => {
		const rect = svg.getBoundingClientRect();
		return [paper.xAt(event.clientX - rect.left), paper.zAt(event.clientY - rect.top)];
	};

	let hand = $state.raw<MapHand | null>(null);
	/** The hand comes after the map: it is seen at once, and moved a moment later. */
	function moves(element: SVGSVGElement) {
		if (!onview) return;
		void import('./map-hand').then(
			({ mapHand }) =>
				element.isConnected &&
				(hand = mapHand(element, { isGround, onview: (seen) => onview(seen), onpress: () => onnothing?.() })),
			() => undefined
		);
	}
	$effect(() => hand?.stands(view, paper.k, width, height));
	const isGround = (target: EventTarget | null): boolean =>
		target instanceof Element && target.closest('[role], .taken') === svg;
</script>

<div class="map" bind:clientWidth={width} bind:clientHeight={height}>
	<svg
		bind:this={svg}
		viewBox="0 0 {width} {height}"
		role="group"
		aria-label={label}
		class:moves={onview}
		onpointermove={(event) => onpointermove?.(spot(event))}
		onpointerup={(event) => onpointerup?.(spot(event))}
		onpointercancel={(event) => onpointerup?.(spot(event))}
		ondblclick={(event) => ondblclick?.(spot(event))}
		{@attach moves}
	>
		<rect {width} {height} class={blank ? 'bare' : 'sea'} />
		<g
			class:gone={blank}
			transform="translate({width / 2} {height / 2}) scale({paper.k}) translate({-view.x} {-view.z})"
		>
			{#each FOOTPRINTS as f, i (i)}
				<rect
					class={f.kind}
					style:--up={f.height}
					x={-f.width / 2}
					y={-f.depth / 2}
					width={f.width}
					height={f.depth}
					transform="translate({f.x} {f.z}) rotate({f.turn})"
				/>
			{/each}
			<circle class="balcony" cx="0" cy="1.1" r="2.65" />
		</g>
		{@render children(paper)}
	</svg>
</div>

<style>
	.map {
		position: relative;
		height: 100%;
		min-width: 0;
		min-height: 0;
		overflow: hidden;
	}
	svg {
		position: absolute;
		inset: 0;
		width: 100%;
		height: 100%;
		touch-action: none;
	}
	.moves {
		cursor: grab;
	}
	.sea {
		fill: var(--sea);
	}
	.bare {
		fill: var(--paper-2);
	}
	.gone {
		display: none;
	}
	.ground {
		fill: color-mix(in srgb, var(--sheet) calc(var(--up) * 100%), var(--paper-3));
		stroke: var(--rule-strong);
		stroke-width: 0.04;
	}
	.wall {
		fill: var(--ink-2);
	}
	.rail {
		fill: var(--ink-2);
		opacity: 0.55;
	}
	.balcony {
		fill: none;
		stroke: var(--ink-2);
		stroke-width: 0.08;
		stroke-dasharray: 0.3 0.2;
	}
</style>
