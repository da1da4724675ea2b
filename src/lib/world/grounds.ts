/**
 * The grounds at Morrowskerry: what one walks on in a free run, as plain data. What is drawn and what is collided with are
 * made from the same list. Metres; +x right, +y up, −z towards the open sea; the gallery's floor is y = 0.
 */
export type Look = 'stone' | 'pale' | 'wood' | 'iron' | 'paint';
type Triple = readonly [number, number, number];

/** A box: its middle, its whole size, and how far it is tipped about the z axis (a ramp along x), in radians. */
export interface Solid {
	readonly at: Triple;
	readonly size: Triple;
	readonly tip?: number;
	readonly turn?: number;
	readonly look: Look;
	/** Only collided with. */
	readonly hidden?: boolean;
}

export const SEA_LEVEL = -9;
export const CASK = { radius: 0.34, height: 0.86, mass: 55 } as const;
/** Where casks stand, by their feet. */
export const CASKS: readonly Triple[] = [
	[3.1, 0, 4.6],
	[-3.2, 0, 2.3],
	[12.2, -3, -2.1],
	[13.4, -3, -2.3],
	[14.7, -3, -1.9],
	[-15.5, -3, 2.2]
];
export const START: Triple = [0.4, 0, 8];
export const SECOND_START: Triple = [-1.2, 0, 3];
export const DOOR = { at: [0, 0, 5.4] as Triple, width: 1.2, height: 2.2, seconds: 3 } as const;
export const GALLERY = { centre: [0, 0, 1.1] as Triple, radius: 2.6 } as const;

/** A box by its corners. */
const between = (look: Look, a: Triple, b: Triple): Solid => ({
	at: [(a[0] + b[0]) / 2, (a[1] + b[1]) / 2, (a[2] + b[2]) / 2],
	size: [Math.abs(b[0] - a[0]), Math.abs(b[1] - a[1]), Math.abs(b[2] - a[2])],
	look
});

/** A flight of steps between two edges: along x, or along z when both have the same x. Each step reaches down by two risers. */
export function flight(look: Look, from: Triple, to: Triple, width: number, steps: number): Solid[] {
	const [dx, dy, dz] = [(to[0] - from[0]) / steps, (to[1] - from[1]) / steps, (to[2] - from[2]) / steps];
	const deep = Math.abs(dy) * 2 + 0.05;
	return Array.from({ length: steps }, (_, i): Solid => {
		// Going down the first step lies one riser lower; its tread is what one stands on.
		const top = Math.min(from[1] + dy * i, from[1] + dy * (i + 1));
		return {
			at: [from[0] + dx * (i + 0.5), top - deep / 2, from[2] + dz * (i + 0.5)],
			size: dx !== 0 ? [Math.abs(dx), deep, width] : [width, deep, Math.abs(dz)],
			look
		};
	});
}

/** A slope along x between two edges. */
export function ramp(look: Look, from: Triple, to: Triple, width: number): Solid {
	// From left to right, or its upper side would be below.
	if (to[0] < from[0]) return ramp(look, to, from, width);
	const [dx, dy] = [to[0] - from[0], to[1] - from[1]];
	const long = Math.hypot(dx, dy);
	const thick = 0.3;
	const tip = Math.atan2(dy, dx);
	// Its upper face runs through both edges.
	return {
		at: [
			(from[0] + to[0]) / 2 + (Math.sin(tip) * thick) / 2,
			(from[1] + to[1]) / 2 - (Math.cos(tip) * thick) / 2,
			from[2]
		],
		size: [long, thick, width],
		tip,
		look
	};
}

/** A rail between two places on one level. */
const rail = (a: Triple, b: Triple): Solid => {
	const along = Math.hypot(b[0] - a[0], b[2] - a[2]);
	return {
		at: [(a[0] + b[0]) / 2, a[1] + 0.55, (a[2] + b[2]) / 2],
		size: [along + 0.06, 1.1, 0.08],
		turn: -Math.atan2(b[2] - a[2], b[0] - a[0]),
		look: 'iron'
	};
};

/** A rail along a slope or a flight that runs along x. */
const slopedRail = (a: Triple, b: Triple): Solid => {
	if (b[0] < a[0]) return slopedRail(b, a);
	const [dx, dy] = [b[0] - a[0], b[1] - a[1]];
	return {
		at: [(a[0] + b[0]) / 2, (a[1] + b[1]) / 2 + 0.55, a[2]],
		size: [Math.hypot(dx, dy) + 0.06, 1.1, 0.08],
		tip: Math.atan2(dy, dx),
		look: 'iron'
	};
};

/** The gallery's rail, an arc that is open towards the tower. */
function galleryRail(): Solid[] {
	const { centre, radius } = GALLERY;
	const at = (i: number): Triple => {
		const turn = i * 0.235;
		return [centre[0] + Math.sin(turn) * radius, 0, centre[2] - Math.cos(turn) * radius];
	};
	// What is seen of it are the posts and bars of the picture.
	return Array.from({ length: 15 }, (_, i) => ({ ...rail(at(i - 7.5), at(i - 6.5)), hidden: true }));
}

const FOOT = SEA_LEVEL - 1;
/** Height of the landing stage. */
const STAGE = SEA_LEVEL + 0.6;

/** From the quay down to the landing stage: where one hangs on it, its ends, and how far from it one takes hold. */
export const LADDER = {
	x: 14,
	z: -12.42,
	top: -6,
	bottom: STAGE,
	holds: 0.75,
	ontoTop: -11.5,
	ontoBottom: -12.95
} as const;
/** Where the skiff lies and how she floats; how near to that one steps in and out. */
export const SKIFF = { at: [14, SEA_LEVEL, -17] as Triple, heading: 60, floats: 0.32, reach: 3.4 } as const;
/** The crane's boom over the quay: where its trolley runs, how much rope there is, how low its load comes, where one works it. */
export const CRANE = {
	boom: 2.4,
	z: -5,
	from: 10.5,
	to: 20.5,
	starts: 16,
	rope: 4.2,
	shortest: 1.6,
	longest: 9,
	ground: -6,
	stand: [21.3, -3, -1.6] as Triple,
	reach: 2.2
} as const;

export const SOLIDS: readonly Solid[] = [
	// The gallery, the landing behind it, and the lamp room.
	between('wood', [-2.62, -0.16, -1.55], [2.62, 0, 1.6]),
	between('stone', [-4, FOOT, 1.6], [4, 0, 9.6]),
	between('pale', [-4, 0, 5.3], [-0.6, 3, 5.5]),
	between('pale', [0.6, 0, 5.3], [4, 3, 5.5]),
	between('pale', [-0.6, 2.2, 5.3], [0.6, 3, 5.5]),
	between('pale', [-4, 0, 5.5], [-3.8, 3, 9.6]),
	between('pale', [3.8, 0, 5.5], [4, 3, 9.6]),
	between('pale', [-4, 0, 9.4], [4, 3, 9.6]),
	between('paint', [-4.25, 3, 5.05], [4.25, 3.25, 9.85]),
	...galleryRail(),
	rail([-2.62, 0, 1.6], [-4, 0, 1.6]),
	rail([2.62, 0, 1.6], [4, 0, 1.6]),
	rail([4, 0, 1.6], [4, 0, 2.5]),
	rail([4, 0, 4.5], [4, 0, 5.4]),
	rail([-4, 0, 1.6], [-4, 0, 2.3]),
	rail([-4, 0, 4.7], [-4, 0, 5.4]),
	// East: stairs down to the crane yard.
	...flight('stone', [4, 0, 3.5], [10, -3, 3.5], 2, 17),
	slopedRail([4, 0, 2.5], [10, -3, 2.5]),
	slopedRail([4, 0, 4.5], [10, -3, 4.5]),
	between('stone', [10, FOOT, -3], [24, -3, 9]),
	rail([10, -3, 9], [24, -3, 9]),
	rail([24, -3, -3], [24, -3, 9]),
	rail([10, -3, 4.6], [10, -3, 9]),
	rail([10, -3, -3], [10, -3, 2.4]),
	rail([19.2, -3, -3], [24, -3, -3]),
	between('wood', [16, -3, 5.6], [17.2, -2.2, 6.8]),
	between('wood', [17.3, -3, 5.5], [18.6, -1.4, 6.9]),
	between('wood', [18.7, -3, 5.4], [20.1, -0.6, 7]),
	// The quay under the yard's edge, with steps of its own.
	between('stone', [9, FOOT, -12], [25, -6, -3]),
	...flight('stone', [18, -3, -3], [18, -6, -9], 2, 17),
	rail([9, -6, -12], [13.3, -6, -12]),
	rail([14.7, -6, -12], [25, -6, -12]),
	rail([9, -6, -12], [9, -6, -3]),
	rail([25, -6, -12], [25, -6, -3]),
	// The landing stage at the ladder's foot, where the skiff lies.
	between('wood', [12.4, STAGE - 0.3, -15.2], [15.6, STAGE, -12]),
	between('wood', [12.5, FOOT, -15.1], [12.7, STAGE - 0.3, -14.9]),
	between('wood', [15.3, FOOT, -15.1], [15.5, STAGE - 0.3, -14.9]),
	// West: a slipway down to the boat ledge.
	ramp('pale', [-4, 0, 3.5], [-13, -3, 3.5], 2.4),
	slopedRail([-4, 0, 2.3], [-13, -3, 2.3]),
	slopedRail([-4, 0, 4.7], [-13, -3, 4.7]),
	between('stone', [-21, FOOT, -1], [-13, -3, 8]),
	rail([-21, -3, -1], [-13, -3, -1]),
	rail([-21, -3, 8], [-13, -3, 8]),
	rail([-21, -3, -1], [-21, -3, 8]),
	rail([-13, -3, -1], [-13, -3, 2.2]),
	rail([-13, -3, 4.8], [-13, -3, 8])
];

/** A place that a state of the stand-in game belongs to. */
export interface Zone {
	readonly happening: 'gallery' | 'indoors' | 'quay';
	holds(x: number, y: number, z: number): boolean;
}

/** Higher than anybody jumps, lower than the level above: a jump leaves no zone. */
const JUMPED = 1.6;

export const ZONES: readonly Zone[] = [
	{ happening: 'gallery', holds: (x, y, z) => z < 1.6 && Math.abs(x) < 2.8 && Math.abs(y) < JUMPED },
	{ happening: 'indoors', holds: (x, y, z) => z > 5.4 && z < 9.6 && Math.abs(x) < 4 && Math.abs(y) < JUMPED },
	{ happening: 'quay', holds: (x, y, z) => y > -6.5 && y < -6 + JUMPED && z < -2.9 && z > -12.3 && x > 8 }
];

/** What is farther up than this from where one was is no ground one could step on, in metres. */
const STEP_UP = 0.6;

/**
 * Height of the ground at a place of the map, of several levels the one nearest to `near`; where there is none, `near` itself:
 * a course may go where nothing was built.
 */
export function groundAt(x: number, z: number, near: number): number {
	let best = near;
	let off = Infinity;
	for (const { at, size, tip = 0, turn = 0, look } of SOLIDS) {
		if (turn !== 0 || look === 'iron' || look === 'paint' || (look === 'pale' && tip === 0)) continue;
		if (Math.abs(z - at[2]) > size[2] / 2 || Math.abs(x - at[0]) > (size[0] * Math.cos(tip)) / 2) continue;
		const top = at[1] + size[1] / 2 / Math.cos(tip) + (x - at[0]) * Math.tan(tip);
		// Steps lie above what they stand on.
		const away = Math.abs(top - near) + (top > near + STEP_UP ? 1 : 0);
		if (away >= off) continue;
		off = away;
		best = top;
	}
	return best;
}
