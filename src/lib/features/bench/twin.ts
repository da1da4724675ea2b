/** The version held beside the one that is tuned: a second player with the same plays, moments and seeds. */
import type { FireOptions } from 'dinesis-runtime';
import type { Play, Player, Seconds } from 'dinesis-runtime/tools';

export class Twin {
	/** The other version's play of each play. */
	private readonly plays = new Map<Play, Play>();

	/** `player` holds B where `of` holds A; what plays in `of` now goes on in both, from sources at `at`. */
	constructor(
		readonly player: Player,
		of: Player,
		at: readonly [number, number, number]
	) {
		player.advanceTo(of.now);
		for (const play of of.plays) this.mirror(play, of.now, at);
		player.advanceTo(of.now);
	}

	/** Fires in B what was fired in A. */
	fire(play: Play | null, key: string, options: FireOptions): void {
		const twin = this.player.fire(key, options);
		if (play && twin) this.plays.set(play, twin);
	}

	stop(play: Play, at: Seconds): void {
		this.plays.get(play)?.stop(at);
	}

	stopAll(): void {
		this.player.stopAll();
	}

	/** Lets go of what has faded in A. */
	forgetOver(now: Seconds): void {
		for (const play of this.plays.keys()) if (play.isOver(now)) this.plays.delete(play);
	}

	/** Puts a play of A into B as if it had been fired there as well. */
	private mirror(play: Play, now: Seconds, at: readonly [number, number, number]): void {
		const { seed, strength, length, stoppedAt } = play;
		const twin = this.player.fire(play.presetId, { seed, strength, length, ago: now - play.trigger, at });
		if (!twin) return;
		if (stoppedAt === -Infinity) twin.cut(now);
		else if (stoppedAt !== null) twin.stop(play.trigger + play.delay + stoppedAt);
		this.plays.set(play, twin);
	}
}
