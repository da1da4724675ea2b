/** A motion as it is seen: how far and how fast what stands on the picture moves, how long it is out of place, and how it smears. */
import { CHANNEL_COUNT, type Metres, type Seconds, type View } from 'dinesis-runtime/tools';
import { lookThrough, REFERENCE, seenOn, type Track } from '$lib/analysis';

/** Something that stands still in the world. */
export interface Thing {
	/** Metres away. */
	readonly distance: Metres;
	/** Where on the resting picture: in half widths and half heights from the centre, −1 to 1. */
	readonly at: readonly [number, number];
}

/** What is judged by. */
export interface Eyes {
	/** Pixels of the picture's height. */
	readonly pixels: number;
	/** Pictures a second, for what smears. */
	readonly pictures: number;
	/** How far from its place it counts as out of it, as a share of the picture's height. */
	readonly share: number;
	/** A longer path within one picture, in pixels, and it cannot be made out. */
	readonly smear: number;
}

export interface Seen {
	/** The farthest from its place, in pixels; in percent of the picture's height; and as an angle of a picture 60° high. */
	readonly farthest: number;
	readonly percent: number;
	readonly degrees: number;
	/** Pixels a second, at most. */
	readonly fastest: number;
	/** Seconds in which it is farther from its place than the share. */
	readonly outOfPlace: Seconds;
	/** Seconds in which it is not on the picture. */
	readonly offPicture: Seconds;
	/** Pixels a second on average. */
	readonly average: number;
	/** The longest path within one picture with the shutter half open, in pixels. */
	readonly smear: number;
	/** Seconds in which that path is longer than can be made out. */
	readonly smeared: Seconds;
	/** Where it is off its place, sample by sample: x to the right and y up, in percent of the picture's height; where it is not seen, as before. */
	readonly trail: Float64Array;
}

export const CENTRE: Thing = { distance: REFERENCE.distance, at: [0, 0] };
export const EYES: Eyes = { pixels: 1080, pictures: 60, share: 0.02, smear: 12 };

/** Half the picture's height is this angle's tangent, a metre away. */
const HALF = Math.tan((REFERENCE.fov / 360) * Math.PI);

export const seenOf = (track: Track, view: View, thing: Partial<Thing> = {}, eyes: Partial<Eyes> = {}): Seen =>
	seenOfAll(track, view, [{ ...CENTRE, ...thing }], { ...EYES, ...eyes })[0]!;

/** Several things in one go: what one looks through is worked out once a sample. */
export const seenOfAll = (track: Track, view: View, things: readonly Thing[], eyes: Eyes): Seen[] =>
	seenAndFar(track, view, things, [], eyes).seen;

/** The same, and of others only how far they go at most, in pixels, and how fast, in pixels a second. */
export function seenAndFar(
	{ values, count, fps }: Track,
	view: View,
	things: readonly Thing[],
	others: readonly Thing[],
	eyes: Eyes
): { readonly seen: Seen[]; readonly far: number[]; readonly fast: number[] } {
	const { pixels, pictures, share, smear } = eyes;
	const out = new Float64Array(2);
	const half = pixels / 2;
	const watches = things.map(({ at: [u, v] }) => new Watch(u * REFERENCE.aspect, v, count, half, (2 * share) ** 2));
	/** Squares of the farthest, in half heights. */
	const far = new Float64Array(others.length);
	/** Squares of the longest way between two samples; and where each was. */
	const fast = new Float64Array(others.length);
	const was = new Float64Array(2 * others.length);
	for (let i = 0; i < count; i++) {
		lookThrough(values, i * CHANNEL_COUNT, view);
		for (let k = 0; k < watches.length; k++) {
			const { distance, at } = things[k]!;
			const isSeen = seenOn(view, distance, at[0], at[1], out);
			watches[k]!.take(i, isSeen, out);
		}
		for (let k = 0; k < others.length; k++) {
			const { distance, at } = others[k]!;
			if (!seenOn(view, distance, at[0], at[1], out)) continue;
			const dx = out[0]! - at[0] * REFERENCE.aspect;
			const dy = out[1]! - at[1];
			const square = dx * dx + dy * dy;
			if (square > far[k]!) far[k] = square;
			const mx = dx - was[2 * k]!;
			const my = dy - was[2 * k + 1]!;
			const way = mx * mx + my * my;
			if (i > 0 && way > fast[k]!) fast[k] = way;
			was[2 * k] = dx;
			was[2 * k + 1] = dy;
		}
	}
	// Half of a picture's time, in samples.
	const open = Math.max(1, Math.round(fps / pictures / 2));
	return {
		seen: watches.map((watch) => watch.told(fps, pixels, open, smear)),
		far: Array.from(far, (square) => Math.sqrt(square) * half),
		fast: Array.from(fast, (square) => Math.sqrt(square) * half * fps)
	};
}

/** One thing on the picture, sample by sample: x and y in half heights. */
class Watch {
	/** Length of the path up to each sample, in pixels. */
	private readonly path: Float64Array;
	private readonly trail: Float64Array;
	private readonly was: Float64Array;
	/** The square of the farthest, in half heights; the fastest, in pixels. */
	private readonly most = new Float64Array(2);
	private away = 0;
	private gone = 0;

	constructor(
		private readonly restX: number,
		private readonly restY: number,
		count: number,
		private readonly half: number,
		/** The square of what is out of place, in half heights. */
		private readonly far: number
	) {
		this.path = new Float64Array(count);
		this.trail = new Float64Array(count * 2);
		this.was = Float64Array.of(restX, restY);
	}

	/** `at`: where it is, x and y; handed over as it is, as numbers may be boxed. */
	take(i: number, isSeen: boolean, at: Float64Array): void {
		const x = at[0]!;
		const y = at[1]!;
		const { was, most, path, trail } = this;
		if (!isSeen || x > REFERENCE.aspect || x < -REFERENCE.aspect || y > 1 || y < -1) this.gone++;
		if (!isSeen) {
			this.away++;
			if (i === 0) return;
			path[i] = path[i - 1]!;
			trail.copyWithin(2 * i, 2 * i - 2, 2 * i);
			return;
		}
		const dx = x - this.restX;
		const dy = y - this.restY;
		trail[2 * i] = dx * 50;
		trail[2 * i + 1] = dy * 50;
		const off = dx * dx + dy * dy;
		if (off > this.far) this.away++;
		if (off > most[0]!) most[0] = off;
		const mx = x - was[0]!;
		const my = y - was[1]!;
		const moved = i > 0 ? Math.sqrt(mx * mx + my * my) * this.half : 0;
		path[i] = i > 0 ? path[i - 1]! + moved : 0;
		if (moved > most[1]!) most[1] = moved;
		was[0] = x;
		was[1] = y;
	}

	told(fps: number, pixels: number, open: number, unclear: number): Seen {
		const { path, most, trail } = this;
		const [farthest, fastest] = [Math.sqrt(most[0]!) * this.half, most[1]! * fps];
		let [smear, smeared] = [0, 0];
		for (let i = open; i < path.length; i++) {
			const way = path[i]! - path[i - open]!;
			if (way > smear) smear = way;
			if (way > unclear) smeared++;
		}
		return {
			farthest,
			percent: (farthest / pixels) * 100,
			degrees: (Math.atan((farthest / this.half) * HALF) / Math.PI) * 180,
			fastest,
			average: path.length > 1 ? (path.at(-1)! * fps) / (path.length - 1) : 0,
			outOfPlace: this.away / fps,
			offPicture: this.gone / fps,
			smear,
			smeared: smeared / fps,
			trail
		};
	}
}
