/** A play among the others that run: what it is pushed down by, which one it meets, which one gives way. */
import type { Seconds } from '../units/quantities';
import type { Play } from './play';

/** The smallest factor that a higher priority multiplies a play by. */
export function duckedBy(running: readonly Play[], play: Play, time: Seconds): number {
	let least = 1;
	for (let i = 0; i < running.length; i++) {
		const other = running[i]!;
		if (other.priority <= play.priority || other.duck >= 1) continue;
		const factor = 1 - (1 - other.duck) * other.ducksAt(time);
		if (factor < least) least = factor;
	}
	return least;
}

/** The newest play that one which arrives at a time meets: of the same builder, or of the same preset where `byRule` says so. */
export function metBy(
	running: readonly Play[],
	presetId: string,
	builder: string,
	at: Seconds,
	but: Play | null,
	byRule: boolean
): Play | null {
	let found: Play | null = null;
	for (let i = running.length - 1; i >= 0; i--) {
		const play = running[i]!;
		if (play === but || play.presetId !== presetId || !play.runsAt(at)) continue;
		if (builder !== '' && play.builder === builder) return play;
		if (byRule) found ??= play;
	}
	return found;
}

/** Lets the quietest of a preset's plays fade out while there are `limit` of them, of equals the oldest. True where one did. */
export function makeRoom(running: readonly Play[], presetId: string, limit: number, time: Seconds): boolean {
	const active = running.filter(
		(play) => play.presetId === presetId && play.stoppedAt === null && play.ageAt(time) < play.end
	);
	const room = active.length < limit;
	while (active.length >= limit) {
		let quietest = 0;
		for (let i = 1; i < active.length; i++) if (active[i]!.loudness < active[quietest]!.loudness) quietest = i;
		active[quietest]!.stop(time);
		active.splice(quietest, 1);
	}
	return !room;
}

/** The first of those on their way to one that may run then that has arrived by a time; and how many are on their way. */
export function firstToArrive(
	running: readonly Play[],
	time: Seconds
): { readonly next: Play | null; readonly count: number } {
	let next: Play | null = null;
	let count = 0;
	for (const play of running) {
		if (!play.waits) continue;
		count++;
		const at = play.trigger + play.delay;
		if (at <= time && (!next || at < next.trigger + next.delay)) next = play;
	}
	return { next, count };
}
