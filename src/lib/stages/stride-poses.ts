/** Poses of a bob's channel and where in the stride they are. */
import { compileCurve, runCurve, type BobChannel, type Key } from 'dinesis-runtime/tools';

const round = (v: number): number => v - Math.floor(v);

/** Where in a stride, 0–1, a pose comes: once, or with each step. */
export const placesOfPose = (at: number, phase: number, cycles: 1 | 2): number[] =>
	Array.from({ length: cycles }, (_, k) => round((at - phase + k) / cycles));

/** Where in its cycle a channel is at a place of the stride. */
export const cycleAt = (place: number, phase: number, cycles: 1 | 2): number => round(place * cycles + phase);

/** What a new channel of poses begins with: what it was, as a shape that is lowest where a foot falls. */
export const FIRST_POSES: readonly Key[] = [
	{ at: 0, value: -1 },
	{ at: 0.4, value: 1 }
];

/** A new pose at a place of the stride, on the curve as it is; null where one is already, or where there are enough. */
export function posesWith(channel: BobChannel, place: number, cycles: 1 | 2): Key[] | null {
	const keys = channel.keys ?? [];
	const at = Math.round(cycleAt(place, channel.phase, cycles) * 1000) / 1000;
	if (keys.length >= 64 || keys.some((key) => Math.abs(key.at - at) < 0.005)) return null;
	// Looped: what stands at 1 is what stands at 0; the last pose comes before the first, the first again behind the last.
	const once = keys.filter((key) => key.at < 1 || keys[0]!.at > 0);
	const moved = (key: Key | undefined, by: number): Key[] => (key ? [{ ...key, at: key.at + by }] : []);
	const ring = [...moved(once.at(-1), -1), ...once, ...moved(once[0], 1)];
	const value = runCurve(compileCurve(ring), at);
	return [...keys, { at, value: Math.round(Math.max(-1, Math.min(1, value)) * 1000) / 1000 }].sort(
		(a, b) => a.at - b.at
	);
}
