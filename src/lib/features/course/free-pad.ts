/** Gamepads in a free run: what they steer, and what they let one feel. */
import { viewOf } from 'dinesis-runtime/tools';
import { Felt } from '$lib/room/rumble';
import type { ProjectSession } from '$lib/session/session.svelte';
import { pads } from '$lib/ui/pad.svelte';
import type { FreePlay } from './free.svelte';
import { PadSteering } from './pad-steering';

/** One frame, `dt` seconds after the last. `end`: the start button was pressed. */
export type PadFrame = (dt: number, viewers: number, end: () => void) => void;

export function padFrame(session: ProjectSession, free: FreePlay): PadFrame {
	const steering = new PadSteering();
	const felt = new Felt(pads);
	pads.recall();
	return (dt, viewers, end) => {
		pads.look((look) => steering.see(look, free.wishes.slice(0, viewers), dt, end));
		const [eye] = free.eyes();
		if (!eye) return;
		const through = session.wiring.rigs.find((rig) => rig.id === free.seenThrough);
		felt.take(eye.offset, viewOf(through?.view.kind ?? 'eyes'), dt, performance.now());
	};
}
