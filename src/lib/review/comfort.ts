/**
 * What can make people unwell, over the whole camera: lag, bob and blends as well. Which frequencies count as slow sway is told by what has
 * been measured of sickness (docs/review.md names it); each limit is our own judgement, and a project can set its own.
 */
import { CHANNEL_COUNT, type Hertz, type Seconds } from 'dinesis-runtime/tools';
import { speedOf } from './channels';
import type { Motion } from './motion';
import type { Seen } from './seen';
import { densityOf } from './spectrum';

export const COMFORT = {
	roll: { label: 'roll', unit: '°', says: 'how far the horizon tilts at most' },
	turning: {
		label: 'turning',
		unit: '°/s',
		says: 'how fast it turns at most, beyond what the player turns himself just then'
	},
	sway: {
		label: 'slow sway',
		unit: '%',
		says: 'how much the centre sways between 0.1 and 0.5 Hz (root mean square), of the picture’s height; of five seconds or more'
	},
	heave: {
		label: 'slow heave',
		unit: 'cm',
		says: 'how much the camera goes up and down between 0.1 and 0.5 Hz (root mean square), beside where the player would look from'
	},
	pumping: {
		label: 'lens pumping',
		unit: '°',
		says: 'how far the lens goes at most within a second; in a flat picture in percent'
	},
	load: { label: 'load', unit: '%/s', says: 'how fast the centre moves on average, of the picture’s height a second' },
	large: {
		label: 'large motions',
		unit: 'a minute',
		says: 'how often within any minute the centre leaves its place by more than 5 % of the picture’s height'
	}
} as const;
export type ComfortName = keyof typeof COMFORT;
export const COMFORT_NAMES = Object.keys(COMFORT) as readonly ComfortName[];

/** What is too much, in the figures' units: our judgement. */
export const COMFORT_LIMITS: Readonly<Record<ComfortName, number>> = {
	roll: 8,
	turning: 180,
	sway: 1.5,
	heave: 10,
	pumping: 12,
	load: 40,
	large: 12
};

const SLOW: readonly [Hertz, Hertz] = [0.1, 0.5];
/** What is shorter holds no slow sway that one could tell. */
const LONG_ENOUGH: Seconds = 5;
/** In percent of the picture's height: from here on a motion is large, until it is back within the other. */
const [LARGE, BACK] = [5, 2.5];
const MINUTE: Seconds = 60;
const [HEIGHT, PITCH, YAW, ROLL, FOV] = [1, 3, 4, 5, 6];

/** `centre`: as it is seen, in a picture of so many pixels' height. */
export function comfortOf(
	{ track, path, view }: Motion,
	{ trail, average }: Pick<Seen, 'trail' | 'average'>,
	pixels: number
): Record<ComfortName, number> {
	const { values, count, fps } = track;
	const channel = (c: number): Float64Array => every(values, c, CHANNEL_COUNT, count);
	return {
		roll: farthest(path?.roll ?? channel(ROLL)),
		turning: path ? farthest(path.turning) : Math.max(...[PITCH, YAW, ROLL].map((c) => speedOf(track, c))),
		sway:
			count < LONG_ENOUGH * fps
				? 0
				: slow(
						[0, 1].map((c) => every(trail, c, 2, count)),
						fps
					),
		heave: view === 'flat' || count < LONG_ENOUGH * fps ? 0 : 100 * slow([path?.heave ?? channel(HEIGHT)], fps),
		pumping: swing(path?.lens ?? channel(FOV), Math.round(fps)),
		load: (average / pixels) * 100,
		large: mostLarge(trail, count, fps)
	};
}

/** Every so many of the numbers from one on. */
function every(values: Float64Array, from: number, width: number, count: number): Float64Array {
	const out = new Float64Array(count);
	for (let i = 0; i < count; i++) out[i] = values[i * width + from]!;
	return out;
}

/** A plain loop: it stands in every play of a thousand. */
function isStill(curve: Float64Array): boolean {
	for (let i = 0; i < curve.length; i++) if (curve[i] !== 0) return false;
	return true;
}

function farthest(curve: Float64Array): number {
	let most = 0;
	for (let i = 0; i < curve.length; i++) {
		const value = curve[i]!;
		if (value > most) most = value;
		else if (-value > most) most = -value;
	}
	return most;
}

/** Root mean square of what of some curves is slow, together. */
function slow(curves: readonly Float64Array[], fps: number): number {
	let power = 0;
	for (const curve of curves) {
		if (isStill(curve)) continue;
		const { step, values } = densityOf(curve, fps);
		for (let k = 0; k < values.length; k++) if (k * step >= SLOW[0] && k * step < SLOW[1]) power += values[k]! * step;
	}
	return Math.sqrt(power);
}

/** The most of the largest less the least value within so many samples: both kept in rising and falling queues. */
function swing(curve: Float64Array, window: number): number {
	if (isStill(curve)) return 0;
	const of = (i: number): number => curve[i]!;
	const [up, down]: [number[], number[]] = [[], []];
	let [headUp, headDown, most] = [0, 0, 0];
	for (let i = 0; i < curve.length; i++) {
		while (up.length > headUp && of(up.at(-1)!) <= of(i)) up.pop();
		while (down.length > headDown && of(down.at(-1)!) >= of(i)) down.pop();
		up.push(i);
		down.push(i);
		if (up[headUp]! < i - window) headUp++;
		if (down[headDown]! < i - window) headDown++;
		most = Math.max(most, of(up[headUp]!) - of(down[headDown]!));
	}
	return most;
}

/** Beginnings of large motions, and how many of them fall into one minute at most. */
function mostLarge(trail: Float64Array, count: number, fps: number): number {
	const began: number[] = [];
	let isLarge = false;
	for (let i = 0; i < count; i++) {
		const off = trail[2 * i]! * trail[2 * i]! + trail[2 * i + 1]! * trail[2 * i + 1]!;
		if (!isLarge && off > LARGE * LARGE) {
			began.push(i / fps);
			isLarge = true;
		} else if (isLarge && off < BACK * BACK) isLarge = false;
	}
	let [most, first] = [0, 0];
	began.forEach((at, i) => {
		while (at - began[first]! >= MINUTE) first++;
		most = Math.max(most, i - first + 1);
	});
	return most;
}
