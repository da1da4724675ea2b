/** What a press of a number key does: a preset is fired, an event is raised. */
import type { KeyTarget } from '$lib/documents';
import type { BenchState } from './bench.svelte';

type Pressed = Pick<BenchState, 'press' | 'release' | 'pressEvent' | 'events'>;

export function pressCap(bench: Pressed, { kind, of }: KeyTarget, now: number): void {
	if (kind === 'preset') bench.press(of, now);
	else bench.pressEvent(of, now);
}

export function releaseCap(bench: Pressed, { kind, of }: KeyTarget, now: number): void {
	if (kind === 'preset') bench.release(of, now);
	else bench.events.release(of, now);
}
