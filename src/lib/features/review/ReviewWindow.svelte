<script lang="ts">
	/** Both as they are felt: left of the seam A, right of it B, in the same moment of the same play. */
	import { onMount } from 'svelte';
	import { CHANNEL_COUNT } from 'dinesis-runtime/tools';
	import Glass from '$lib/viewport/Glass.svelte';
	import type { Picture } from '$lib/viewport/picture';
	import Seam from '$lib/viewport/Seam.svelte';
	import type { ReviewState } from './review.svelte';

	let { desk }: { desk: ReviewState } = $props();

	const LONGEST_FRAME = 0.1;
	let picture: Picture | null = null;
	let box: HTMLElement | undefined = $state();
	const both = $derived(desk.looks.b !== null && desk.looks.b.motion.view === desk.view);

	onMount(() => {
		let request = 0;
		let last = performance.now();
		const a = new Float64Array(CHANNEL_COUNT);
		const b = new Float64Array(CHANNEL_COUNT);
		const still = matchMedia('(prefers-reduced-motion: reduce)').matches;
		if (still) desk.playing = false;
		const next = (now: number): void => {
			request = requestAnimationFrame(next);
			const dt = Math.max(0, now - last) / 1000;
			last = now;
			desk.step(Math.min(LONGEST_FRAME, dt));
			if (!picture) return;
			if (picture.view !== desk.view) picture.show(desk.view);
			const { time } = desk;
			picture.frame(
				{
					a: desk.offsetAt('a', a),
					b: both ? desk.offsetAt('b', b) : null,
					seam: desk.seam,
					time: still ? 0 : time,
					outside: null
				},
				dt * 1000
			);
		};
		request = requestAnimationFrame(next);
		return () => cancelAnimationFrame(request);
	});
</script>

<Glass
	bind:box
	label="The picture through the camera, A left of the seam, B right of it"
	load={async () => {
		const { Picture } = await import('$lib/viewport/picture');
		return (canvas) => new Picture(canvas);
	}}
	onpicture={(made) => (picture = made)}
	without="Curves and figures go on."
>
	<span class="centre" aria-hidden="true"></span>
	{#if both}<Seam part={desk.seam} onpart={(part) => (desk.seam = part)} box={() => box!} />{/if}
</Glass>
