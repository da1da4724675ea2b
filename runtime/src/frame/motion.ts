/**
 * A rig's own motion: continuous shakes that play while one looks through it. They are there in full from its first frame on, as the
 * camera comes and goes with its blend; what is changed about it while one looks fades.
 */
import type { GameValues } from '../drives/drives';
import type { RigMotion } from '../chain/types';
import { combine, hashText } from '../random/hash';
import type { Play } from '../shake/play';
import { Player } from '../shake/player';
import { isShake } from '../shake/types';
import type { AnyPreset } from '../kit/types';
import type { View } from '../units/channels';
import { DT, TIME, type Clock } from '../units/clock';

export class OwnMotion {
	private player: Player;
	/** Its own time: it begins with the rig. */
	private readonly clock: Clock = new Float64Array(2);

	/** What is no continuous shake of the view is not played. */
	constructor(
		private list: readonly RigMotion[],
		presets: readonly AnyPreset[],
		view: View,
		values: GameValues,
		private readonly seed: number
	) {
		const sound = presets.filter(
			(p) => isShake(p) && p.view === view && p.timing.mode === 'continuous' && list.some((m) => m.preset === p.id)
		);
		this.player = new Player(sound, { values });
		this.begin(true);
	}

	/** Motion that stands where this one stands and goes its own way. */
	fork(values: GameValues): OwnMotion {
		const copy = Object.assign(Object.create(OwnMotion.prototype) as OwnMotion, this);
		return Object.assign(copy, { player: this.player.fork(values), clock: this.clock.slice() });
	}

	/** Goes on from another rig's where both play the same; `softly`: what comes and what goes fades. */
	takeOver(from: OwnMotion, softly: boolean): void {
		for (const play of this.player.plays) play.cut(this.player.now);
		this.clock.set(from.clock);
		this.player.adopt(from.player);
		this.begin(!softly);
	}

	/** The same motion on its way out: what plays fades, nothing begins. */
	leaving(values: GameValues): OwnMotion {
		const copy = this.fork(values);
		copy.list = [];
		copy.begin(false);
		return copy;
	}

	/** Fades in instead of being there: it came to be while one looks. */
	comeUp(): void {
		for (const play of this.player.plays) play.cut(this.player.now);
		this.player.bringTo(this.player.now);
		this.begin(false);
	}

	/** A frame on. */
	advance(clock: Clock): void {
		this.clock[TIME]! += clock[DT]!;
		this.player.follow(this.clock);
	}

	/** What it comes to, seven channels, seen from where the camera rests. */
	sum(camera: Float64Array): Float64Array {
		this.player.standAt(camera, camera);
		return this.player.sum();
	}

	/** Fires what does not play yet, and lets go of what is not meant any more: `settled`, at once and in full. */
	private begin(settled: boolean): void {
		const { player, list } = this;
		const free: Play[] = player.plays.filter((play) => play.stoppedAt === null);
		for (const { id, preset, strength } of list) {
			const at = free.findIndex((play) => play.presetId === preset);
			if (at >= 0) {
				free.splice(at, 1)[0]!.strength = strength;
				continue;
			}
			const seed = combine(combine(this.seed, hashText(id)), hashText(preset));
			player.fire(preset, { strength, seed, ago: settled ? player.settlesIn(preset) : 0 });
		}
		if (settled) for (const play of player.plays) if (play.stoppedAt !== null) play.cut(player.now);
		for (const play of free)
			if (settled) play.cut(player.now);
			else play.stop(player.now);
	}
}
