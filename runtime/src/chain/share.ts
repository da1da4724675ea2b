/**
 * A player's own share of all motion, the last thing before the picture:
 *
 *     rotation out → roll out → lens out → gentle → intensity
 *
 * Gentle is two equal low-passes behind one another (time constant 0.08 s, so 6 dB at 2 Hz and 12 dB an octave beyond), solved exactly for
 * motion that goes straight from frame to frame: with A = y₀ − u₀ + s·τ, B = z₀ − u₀ + 2·s·τ and e = exp(−dt ÷ τ),
 *
 *     y = u − s·τ + A·e        z = u − 2·s·τ + (B + A·dt ÷ τ)·e
 */
import { exp2InPlace, LN2 } from '../math/scalar';
import { CHANNEL_COUNT } from '../units/channels';
import { DT, type Clock } from '../units/clock';

/** What a player may turn down. */
export interface Share {
	/** Multiplies the final sum, 0–2. */
	readonly intensity: number;
	/** Whether the camera is turned by motion at all. */
	readonly rotation: boolean;
	/** Whether the horizon tilts. */
	readonly roll: boolean;
	/** Whether the lens moves. */
	readonly lens: boolean;
	/** Whether there is a head bob. */
	readonly bob: boolean;
	/** Slower and rounder. */
	readonly gentle: boolean;
}

/** All of it, as it was designed. */
export const WHOLE: Share = { intensity: 1, rotation: true, roll: true, lens: true, bob: true, gentle: false };

const TAU = 0.08;
/** Closer to rest than this, in a channel's unit, where nothing moves any more: it is at rest. */
const AT_REST = 1e-6;

export class ShareRun {
	/** Its own: a frame that is told by its differences has them put in here. */
	share: Share = { ...WHOLE };
	private whole = true;
	/** Of the low-passes: what came in, what is between them, what came out. */
	private readonly was = new Float64Array(CHANNEL_COUNT);
	private readonly between = new Float64Array(CHANNEL_COUNT);
	private readonly out = new Float64Array(CHANNEL_COUNT);
	private readonly decay = new Float64Array(1);

	/** Whether it goes on from frame to frame: then every frame is needed. */
	get goesOn(): boolean {
		return this.share.gentle;
	}

	set(share: Share): void {
		// It begins where the picture stands.
		if (share.gentle && !this.share.gentle) {
			this.between.set(this.was);
			this.out.set(this.was);
		}
		this.share = { ...share };
		this.whole = (Object.keys(WHOLE) as (keyof Share)[]).every((part) => share[part] === WHOLE[part]);
	}

	fork(): ShareRun {
		const copy = new ShareRun();
		copy.share = { ...this.share };
		copy.whole = this.whole;
		for (const part of ['was', 'between', 'out'] as const) copy[part].set(this[part]);
		return copy;
	}

	/** Puts the share of an offset in its place, a frame after the one before. */
	apply(clock: Clock, offset: Float64Array): void {
		const { share, was } = this;
		if (this.whole) {
			was.set(offset);
			return;
		}
		const { intensity, rotation, roll, lens, gentle } = share;
		if (!rotation) offset[3] = offset[4] = offset[5] = 0;
		else if (!roll) offset[5] = 0;
		if (!lens) offset[6] = 0;
		if (gentle) this.round(clock, offset);
		else was.set(offset);
		for (let c = 0; c < CHANNEL_COUNT; c++) offset[c]! *= intensity;
	}

	private round(clock: Clock, offset: Float64Array): void {
		const { was, between, out, decay } = this;
		const dt = clock[DT]!;
		decay[0] = -dt / TAU / LN2;
		exp2InPlace(decay, 0);
		const e = decay[0]!;
		let moves = false;
		for (let c = 0; c < CHANNEL_COUNT; c++) {
			const u = offset[c]!;
			if (dt > 0) {
				const s = (u - was[c]!) / dt;
				const a = between[c]! - was[c]! + s * TAU;
				const b = out[c]! - was[c]! + 2 * s * TAU;
				between[c] = u - s * TAU + a * e;
				out[c] = u - 2 * s * TAU + (b + (a * dt) / TAU) * e;
			}
			was[c] = u;
			const rest = out[c]! < AT_REST && out[c]! > -AT_REST && between[c]! < AT_REST && between[c]! > -AT_REST;
			if (u !== 0 || !rest) moves = true;
		}
		// To the last digit, once all of it has come to rest.
		if (!moves) {
			between.fill(0);
			out.fill(0);
		}
		offset.set(out);
	}
}
