<script lang="ts">
	/** What runs on a course, seen through its cameras: A, and B beside it, in the same moment of the same play. */
	import { onMount } from 'svelte';
	import { Replay } from '$lib/course';
	import { courseFor } from '$lib/review';
	import { eyeOf, type Eye } from '$lib/viewport/eye';
	import RunWindow from '$lib/viewport/RunWindow.svelte';
	import { clearInGrounds } from '$lib/world/clear';
	import type { ReviewState } from './review.svelte';

	let { desk }: { desk: ReviewState } = $props();

	const sides = $derived(
		[desk.a, desk.b].flatMap((side) => {
			if (!side) return [];
			try {
				const course = courseFor(side.sent);
				const options = { seed: desk.seed, clear: clearInGrounds, player: side.sent.player };
				return [{ course, replay: new Replay(side.sent.kit, course, options) }];
			} catch {
				// What is not there is said beside the figures.
				return [];
			}
		})
	);
	/** Only a course, and a take of our own, is on our grounds. */
	const blank = $derived(desk.subject?.kind !== 'course' || sides[0]?.course.recording !== undefined);
	/** Cues and rigs are looked at on a stretch that is made for it. */
	const STRETCH: Readonly<Record<string, string>> = {
		cue: 'standing; it happens five metres ahead',
		rig: 'a walk, a turn, a run, a halt'
	};
	const what = $derived(STRETCH[desk.subject?.kind ?? ''] ?? sides[0]?.course.name ?? '');
	const caption = $derived(sides.length > 1 ? `left A, right B: ${what}` : what);

	onMount(() => {
		if (matchMedia('(prefers-reduced-motion: reduce)').matches) desk.playing = false;
	});
	function frame(dt: number) {
		desk.step(dt);
		const time = desk.shown;
		const eyes = sides.map(({ replay }): Eye => {
			const [body] = replay.at(time).bodies;
			return eyeOf(body!.rig, body!.pose);
		});
		return { eyes, time, moving: null };
	}
</script>

<RunWindow {frame} ways={[]} viewers={sides.length} {caption} steered={false} onlook={() => undefined} {blank} />
