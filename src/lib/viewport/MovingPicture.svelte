<script lang="ts">
	/** A motion as it is felt: the picture through the camera, moved by offsets that come frame by frame. */
	import { onMount } from 'svelte';
	import { CHANNEL_COUNT, type View } from 'dinesis-runtime/tools';
	import Glass from './Glass.svelte';
	import type { Picture } from './picture';

	interface Props {
		/** One frame of the display, so many seconds after the last: moves time on and gives the offset. */
		step: (dt: number) => Float64Array;
		/** Whether anything plays: where the system asks for less motion the picture stands still unless it does. */
		playing: () => boolean;
		/** The scene's time in seconds. */
		time: () => number;
		view: View;
		/** Shown in a corner. */
		caption: string;
	}
	let { step, playing, time, view, caption }: Props = $props();
	const LONGEST_FRAME = 0.1;
	let picture: Picture | null = null;
	let shown: View = 'space';

	onMount(() => {
		let request = 0;
		let last = performance.now();
		// The picture starts still where the system asks for less motion; pointing at a row is asking for it.
		const still = matchMedia('(prefers-reduced-motion: reduce)').matches;
		const rest = new Float64Array(CHANNEL_COUNT);
		const next = (now: number): void => {
			request = requestAnimationFrame(next);
			const dt = Math.max(0, now - last) / 1000;
			last = now;
			const a = still && !playing() ? rest : step(Math.min(LONGEST_FRAME, dt));
			if (!picture) return;
			if (view !== shown) picture.show((shown = view));
			picture.frame({ a, b: null, seam: 1, time: time(), outside: null }, dt * 1000);
		};
		request = requestAnimationFrame(next);
		return () => cancelAnimationFrame(request);
	});
</script>

<div class="window">
	<Glass
		label="The picture through the camera"
		load={async () => {
			const { Picture } = await import('./picture');
			return (canvas) => new Picture(canvas);
		}}
		onpicture={(made) => (picture = made)}
	>
		<span class="centre" aria-hidden="true"></span>
		<span class="caption">{caption}</span>
	</Glass>
</div>

<style>
	.window {
		display: grid;
		aspect-ratio: 16 / 9;
	}
</style>
