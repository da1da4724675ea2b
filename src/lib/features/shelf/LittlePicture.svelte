<script lang="ts">
	/** A little picture that a project's first shakes move, one after the other, larger than life. It stands still where the system asks for that. */
	import { onMount } from 'svelte';
	import { GLIMPSE_FPS, type Glimpse } from '$lib/analysis/glimpse';

	interface Props {
		glimpses: readonly Glimpse[];
		/** Another one moves it now; −1: none. */
		onturn: (i: number) => void;
	}
	let { glimpses, onturn }: Props = $props();

	/** Movement is drawn so many times as large: the picture is small. */
	const LARGER = 3;
	const [WIDTH, HEIGHT] = [132, 84];
	/** Between two of them nothing moves. */
	const REST_S = 0.7;
	let frame: SVGSVGElement;
	let scene: SVGGElement;

	onMount(() => {
		const moving = glimpses.flatMap((glimpse, i) => (glimpse.length > 0 ? [{ glimpse, i }] : []));
		if (moving.length === 0 || matchMedia('(prefers-reduced-motion: reduce)').matches) return;
		let seen = false;
		let request = 0;
		let at = 0;
		let turned = -1;
		let time = -REST_S;
		let last = 0;
		const step = (now: number): void => {
			request = requestAnimationFrame(step);
			time += Math.min(0.1, (now - last) / 1000);
			last = now;
			const { glimpse, i } = moving[at]!;
			const place = time * GLIMPSE_FPS;
			const count = glimpse.length / 3;
			if (place >= count - 1) {
				at = (at + 1) % moving.length;
				time = -REST_S;
			}
			const playing = place >= 0 && place < count - 1 ? i : -1;
			if (playing !== turned) onturn((turned = playing));
			scene.setAttribute('transform', playing < 0 ? '' : transformAt(glimpse, place));
		};
		const watch = new IntersectionObserver(([entry]) => {
			const now = entry?.isIntersecting ?? false;
			if (now === seen) return;
			seen = now;
			cancelAnimationFrame(request);
			last = performance.now();
			if (now) request = requestAnimationFrame(step);
		});
		watch.observe(frame);
		return () => {
			watch.disconnect();
			cancelAnimationFrame(request);
		};
	});

	function transformAt(glimpse: Glimpse, place: number): string {
		const k = Math.floor(place) * 3;
		const part = place - Math.floor(place);
		const of = (n: number): number => glimpse[k + n]! + ((glimpse[k + 3 + n] ?? 0) - glimpse[k + n]!) * part;
		const [right, down, turned] = [of(0), of(1), of(2)];
		const by = (HEIGHT * LARGER) / 1000;
		return `rotate(${(turned / 100).toFixed(2)} ${WIDTH / 2} ${HEIGHT / 2}) translate(${(right * by).toFixed(2)} ${(down * by).toFixed(2)})`;
	}
</script>

<svg bind:this={frame} viewBox="0 0 {WIDTH} {HEIGHT}" aria-hidden="true">
	<g bind:this={scene}>
		<rect x="-40" y="-40" width="212" height="90" class="sky" />
		<circle cx="96" cy="30" r="9" class="sun" />
		<path class="far" d="M-40 50 L8 36 L30 44 L58 30 L92 46 L118 38 L172 48 V64 H-40z" />
		<rect x="-40" y="50" width="212" height="80" class="ground" />
		<path class="way" d="M60 50 L38 130 H96 L66 50z" />
		<path class="post" d="M24 66 V36 M24 38 h10 v5" />
		<path class="post" d="M104 74 V50 M100 50 h8" />
	</g>
</svg>

<style>
	svg {
		display: block;
		width: 132px;
		height: 84px;
		background: #16283a;
	}
	.sky {
		fill: #22384d;
	}
	.sun {
		fill: #f2b04a;
	}
	.far {
		fill: #34506a;
	}
	.ground {
		fill: #1d3a41;
	}
	.way {
		fill: #2b5057;
	}
	.post {
		fill: none;
		stroke: #0d1822;
		stroke-width: 2.4;
	}
</style>
