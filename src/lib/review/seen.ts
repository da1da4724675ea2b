/** A motion as it is seen: how far and how fast what stands on the picture moves, how long it is out of place, and how it smears. */
import type { View, Seconds } from 'dinesis-runtime/tools';
import { CHANNEL_COUNT } from 'dinesis-runtime/tools';
import { REFERENCE, seenAt, type Track } from '$lib/analysis';

export interface SeenOptions {
	/** Metres away. */
	readonly distance?: number;
	/** Where on the resting picture, from −1 to 1; the centre if left out. */
	readonly at?: readonly [number, number];
	/** Pixels of the picture's height. */
	readonly pixels?: number;
	/** Pictures a second, for what smears. */
	readonly pictures?: number;
	/** How far from its place it counts as out of it, as a share of the picture's height. */
	readonly share?: number;
}

export interface Seen {
	/** The farthest from its place, in pixels; and in percent of the picture's height. */
	readonly farthest: number;
	readonly percent: number;
	/** Pixels a second, at most. */
	readonly fastest: number;
	/** Seconds in which it is farther from its place than the share. */
	readonly outOfPlace: Seconds;
	/** Seconds in which it is not on the picture. */
	readonly offPicture: Seconds;
	/** The longest path within one picture with the shutter half open, in pixels. */
	readonly smear: number;
}

const DEFAULT = { distance: REFERENCE.distance, at: [0, 0], pixels: 1080, pictures: 60, share: 0.02 } as const;

export function seenOf({ values, count, fps }: Track, view: View, options: SeenOptions = {}): Seen {
	const { distance, at, pixels, pictures, share } = { ...DEFAULT, ...options };
	const [u, v] = at;
	const out = new Float64Array(2);
	const half = pixels / 2;
	const [restX, restY] = [u * REFERENCE.aspect, v];
	let [farthest, fastest, away, gone, smear] = [0, 0, 0, 0, 0];
	/** Length of the path up to each sample, in pixels. */
	const path = new Float64Array(count);
	let [wasX, wasY] = [restX, restY];
	for (let i = 0; i < count; i++) {
		const isSeen = seenAt(values, i * CHANNEL_COUNT, view, distance, [u, v], out);
		const [x, y] = [out[0]!, out[1]!];
		if (!isSeen || Math.abs(x) > REFERENCE.aspect || Math.abs(y) > 1) gone++;
		const off = isSeen ? Math.sqrt((x - restX) ** 2 + (y - restY) ** 2) * half : Infinity;
		if (off > share * pixels) away++;
		if (isSeen) farthest = Math.max(farthest, off);
		const moved = i > 0 && isSeen ? Math.sqrt((x - wasX) ** 2 + (y - wasY) ** 2) * half : 0;
		path[i] = (path[i - 1] ?? 0) + moved;
		fastest = Math.max(fastest, moved * fps);
		[wasX, wasY] = [x, y];
	}
	// Half of a picture's time, in samples.
	const open = Math.max(1, Math.round(fps / pictures / 2));
	for (let i = open; i < count; i++) smear = Math.max(smear, path[i]! - path[i - open]!);
	return {
		farthest,
		percent: (farthest / pixels) * 100,
		fastest,
		outOfPlace: away / fps,
		offPicture: gone / fps,
		smear
	};
}
