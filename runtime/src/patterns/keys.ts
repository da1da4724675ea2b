/**
 * Hand-set keys on a short cycle, played once or looped. Looped, the first and the last are one pose and there is no
 * hitch at the seam; once, it begins and ends at 0.
 */
import { compileEase, easeInPlace, type CompiledEase, type Ease } from '../math/ease';
import { ELAPSED, LEVEL, type Voice } from './voice';

export interface Key {
	/** Where in the cycle, 0–1, rising from key to key. */
	readonly at: number;
	/** −1 to 1; times the channel's amplitude. */
	readonly value: number;
	/** How it goes on to the next key. Left out: a smooth curve with the slopes below. */
	readonly ease?: Ease;
	/** Slopes (value per cycle) arriving and leaving; left out: chosen so that nothing overshoots. */
	readonly in?: number;
	/** Slope (value per cycle) leaving; left out: chosen so that nothing overshoots. */
	readonly out?: number;
}

export interface KeysPattern {
	/** Hand-set keys. */
	readonly kind: 'keys';
	/** Length of the cycle in seconds; the rate shortens it. */
	readonly cycle: number;
	/** Played again and again, or once. */
	readonly loop: boolean;
}

export interface CompiledKeys {
	readonly loop: boolean;
	readonly at: Float64Array;
	readonly value: Float64Array;
	readonly leave: Float64Array;
	readonly arrive: Float64Array;
	/** The ease from key i to the next; null: the curve. */
	readonly eases: readonly (CompiledEase | null)[];
}

/** All poses in order, with what stands around them: copies across the seam of a loop, a 0 at each end otherwise. */
function lay(keys: readonly Key[], loop: boolean): Key[] {
	const sorted = [...keys].sort((a, b) => a.at - b.at);
	if (!loop) {
		const list = [...sorted];
		if (list.length === 0 || list[0]!.at > 0) list.unshift({ at: 0, value: 0 });
		const last = list[list.length - 1]!;
		if (last.at < 1) list.push({ at: 1, value: 0 });
		else list[list.length - 1] = { ...last, value: 0 };
		return list;
	}
	const first = sorted[0];
	if (!first)
		return [
			{ at: 0, value: 0 },
			{ at: 1, value: 0 }
		];
	// The last pose is the first one: what stands at 1 is what stands at 0.
	const ring =
		first.at === 0
			? sorted.filter((k) => k.at < 1)
			: sorted.map((k) => (k.at >= 1 ? { ...k, at: 0 } : k)).sort((a, b) => a.at - b.at);
	const last = ring[ring.length - 1]!;
	return [{ ...last, at: last.at - 1 }, ...ring, { ...ring[0]!, at: ring[0]!.at + 1 }];
}

function quietSlope(before: Key | undefined, here: Key, after: Key | undefined): number {
	if (!before || !after) return 0;
	const left = (here.value - before.value) / (here.at - before.at);
	const right = (after.value - here.value) / (after.at - here.at);
	return left * right > 0 ? (2 * left * right) / (left + right) : 0;
}

export function compileKeys(keys: readonly Key[], loop: boolean): CompiledKeys {
	const list = lay(keys, loop);
	// Across the seam each end's neighbour is the one on the other side.
	const before = (i: number): Key | undefined =>
		list[i - 1] ?? (loop ? { ...list[list.length - 3]!, at: list[list.length - 3]!.at - 1 } : undefined);
	const after = (i: number): Key | undefined =>
		list[i + 1] ?? (loop ? { ...list[2]!, at: list[2]!.at + 1 } : undefined);
	const around = list.length > 2;
	const slope = (i: number): number => (around || !loop ? quietSlope(before(i), list[i]!, after(i)) : 0);
	return {
		loop,
		at: Float64Array.from(list, (k) => k.at),
		value: Float64Array.from(list, (k) => k.value),
		leave: Float64Array.from(list, (k, i) => k.out ?? slope(i)),
		arrive: Float64Array.from(list, (k, i) => k.in ?? slope(i)),
		eases: list.map((k) => (k.ease === undefined ? null : compileEase(k.ease)))
	};
}

/** Adds one layer's keys to `out` (seven channels): `curves` and `slot` (one scratch number) belong to the layer. */
export function addKeys(curves: readonly CompiledKeys[], slot: Float64Array, voice: Voice, out: Float64Array): void {
	const { channels, scales, frequencies, phases, now } = voice;
	const elapsed = now[ELAPSED]!;
	for (let j = 0; j < channels.length; j++) {
		const curve = curves[j]!;
		const phase = phases[j]! + frequencies[j]! * elapsed;
		if (!curve.loop && (phase <= 0 || phase >= 1)) continue;
		const x = curve.loop ? phase - Math.floor(phase) : phase;
		const { at, value } = curve;
		let i = 1;
		while (i < at.length - 1 && at[i]! < x) i++;
		const width = at[i]! - at[i - 1]!;
		const t = width > 0 ? (x - at[i - 1]!) / width : 1;
		const ease = curve.eases[i - 1]!;
		let v: number;
		if (ease) {
			slot[0] = t;
			easeInPlace(ease, slot, 0);
			v = value[i - 1]! + (value[i]! - value[i - 1]!) * slot[0]!;
		} else {
			const r = 1 - t;
			v =
				r * r * (1 + 2 * t) * value[i - 1]! +
				t * t * (3 - 2 * t) * value[i]! +
				width * t * r * (r * curve.leave[i - 1]! - t * curve.arrive[i]!);
		}
		out[channels[j]!]! += scales[j]! * now[LEVEL]! * v;
	}
}
