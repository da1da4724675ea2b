/**
 * Plays a golden vector: inputs in, exact outputs out. A run-time in another language plays the same inputs and must give the same
 * bits. Nothing here is measured or rounded.
 */
import { BobRun } from '../src/bob/bob';
import { compileBob } from '../src/bob/compile';
import { WHOLE } from '../src/chain/share';
import { Frame } from '../src/frame/frame';
import { openKit } from '../src/kit/open';
import { isBob } from '../src/bob/types';
import { isLag } from '../src/lag/types';
import { type Kit } from '../src/kit/types';
import { LagRun } from '../src/lag/lag';
import { mix } from '../src/random/hash';
import { createPlayer } from '../src/shake/create';

/** A stretch of a body's way: from where it is to `to`, straight, in so many steps of 1/120 s. */
export interface Stretch {
	readonly steps: number;
	/** x, y, z, yaw, pitch; of a lag x, y, z, pitch, yaw, roll. Left out: it stays. */
	readonly to?: readonly number[];
	readonly speed?: number;
	/** Metres that are free behind what a camera on a boom looks at. */
	readonly room?: number;
	readonly grounded?: boolean;
}

/** What happens in a vector of plays or frames, at a time. */
export type Act =
	| { readonly at: number; readonly fire: string; readonly with?: object }
	| { readonly at: number; readonly stop: 'all' | 'cut' | string }
	| { readonly at: number; readonly set: string; readonly to: number }
	| { readonly at: number; readonly raise: object }
	/** What the player wants from then on; what is left out is as it was designed. */
	| { readonly at: number; readonly player: object };

export type Inputs =
	/** Plays of shakes, advanced so many times a second. */
	| {
			readonly kind: 'shake';
			readonly seed: number;
			readonly fps: number;
			readonly seconds: number;
			readonly acts: readonly Act[];
			/** Where the camera rests. */
			readonly rest?: readonly number[];
	  }
	| {
			readonly kind: 'bob';
			readonly preset: string;
			readonly seed: number;
			readonly way: readonly Stretch[];
			readonly lands?: readonly (readonly [number, number])[];
	  }
	| {
			readonly kind: 'lag';
			readonly preset: string;
			readonly from: readonly number[];
			readonly way: readonly Stretch[];
	  }
	/** Everything, through a rig. */
	| {
			readonly kind: 'frame';
			readonly rig: string | null;
			readonly seed: number;
			readonly from: readonly number[];
			readonly way: readonly Stretch[];
			readonly acts: readonly Act[];
	  };

export interface Vector {
	readonly name: string;
	/** As it is read from a file: what it leaves out takes the defaults. `demo`: the demo's. */
	readonly kit: object | 'demo';
	readonly inputs: Inputs;
	/** Every so many of the frames are written out. */
	readonly every: number;
	/** Each a frame: its numbers as the sixteen hexadecimal digits of the double, the most significant first. */
	readonly rows: readonly (readonly string[])[];
	/** Of all frames, also of those that are not written out. */
	readonly hash: string;
}

/** Steps a second of bodies. */
const GRID_HZ = 120;

const cell = new Float64Array(1);
const words = new Uint32Array(cell.buffer);

/** The sixteen hexadecimal digits of a double, the most significant first. */
export function hexOf(value: number): string {
	cell[0] = value;
	return words[1]!.toString(16).padStart(8, '0') + words[0]!.toString(16).padStart(8, '0');
}

/**
 * Folds numbers into 64 bits: two 32-bit states h, each with every word of the doubles, the lower one first: h = mix((h ^ word) + k), with
 * k the state's own constant.
 */
class Hash {
	private a = 0x243f6a88 | 0;
	private b = 0x13198a2e | 0;

	add(value: number): void {
		cell[0] = value;
		for (const word of words) {
			this.a = mix(((this.a ^ word) + 0x9e3779b9) | 0);
			this.b = mix(((this.b ^ word) + 0x7f4a7c15) | 0);
		}
	}

	get text(): string {
		return [this.a, this.b].map((state) => (state >>> 0).toString(16).padStart(8, '0')).join('');
	}
}

/** Takes the numbers of one frame. */
export type Give = (numbers: ArrayLike<number>) => void;

/** Writes down what `play` gives: every so many of its frames in hexadecimal, and a hash of all. */
export function writeDown(every: number, play: (give: Give) => void): Pick<Vector, 'rows' | 'hash'> {
	const rows: string[][] = [];
	const hash = new Hash();
	let count = 0;
	play((numbers) => {
		for (let i = 0; i < numbers.length; i++) hash.add(numbers[i]!);
		if (count++ % every === 0) rows.push(Array.from(numbers, hexOf));
	});
	return { rows, hash: hash.text };
}

/** The outputs of a vector. `demo` is the demo's kit as read. Throws an Error when the vector's kit cannot be read. */
export function playVector(
	{ kit, inputs, every }: Pick<Vector, 'kit' | 'inputs' | 'every'>,
	demo: Kit
): Pick<Vector, 'rows' | 'hash'> {
	let opened = demo;
	if (kit !== 'demo') {
		const read = openKit(JSON.parse(JSON.stringify({ format: 'dinesis-kit', version: 1, name: 'Vector', ...kit })));
		if (!read.ok) throw new Error(`The vector's kit cannot be read: ${JSON.stringify(read.problems)}`);
		opened = read.value;
	}
	return writeDown(every, (give) => {
		if (inputs.kind === 'shake') playShakes(opened, inputs, give);
		else if (inputs.kind === 'bob') playBob(opened, inputs, give);
		else if (inputs.kind === 'lag') playLag(opened, inputs, give);
		else playFrames(opened, inputs, give);
	});
}

function playShakes(kit: Kit, { seed, fps, seconds, acts, rest }: Inputs & { kind: 'shake' }, give: Give): void {
	const player = createPlayer(kit.presets, { seed, parameters: kit.parameters });
	if (rest) player.setRest(...(rest as [number, number, number, number, number, number, number]));
	let next = 0;
	for (let i = 0; i <= seconds * fps; i++) {
		const time = i / fps;
		for (; next < acts.length && acts[next]!.at <= time; next++) {
			const act = acts[next]!;
			if ('set' in act) {
				player.values.set(act.set, act.to);
				continue;
			}
			player.bringTo(act.at);
			if ('fire' in act) player.fire(act.fire, act.with ?? {});
			else if ('stop' in act && act.stop !== 'all' && act.stop !== 'cut') player.stopPreset(act.stop);
			else if ('stop' in act) player.stopAll(act.stop === 'cut');
		}
		give(player.advanceTo(time));
	}
}

/** Goes along a way: pose, speed and ground of each step, from + (to − from)·(k / n) for step k of n. */
function along(
	from: readonly number[],
	way: readonly Stretch[],
	step: (pose: Float64Array, stretch: Stretch) => void
): void {
	let start = Float64Array.from(from);
	const pose = Float64Array.from(from);
	for (const stretch of way) {
		const to = stretch.to ?? start;
		for (let k = 1; k <= stretch.steps; k++) {
			for (let c = 0; c < pose.length; c++) pose[c] = start[c]! + (to[c]! - start[c]!) * (k / stretch.steps);
			step(pose, stretch);
		}
		start = pose.slice();
	}
}

function playBob(kit: Kit, { preset, seed, way, lands = [] }: Inputs & { kind: 'bob' }, give: Give): void {
	const run = new BobRun(compileBob(kit.presets.filter(isBob).find((p) => p.id === preset)!), seed);
	let i = 0;
	along([], way, (_, { speed = 0, grounded = true }) => {
		for (const [at, fall] of lands) if (at === i) run.land(fall);
		i++;
		run.advance(1 / GRID_HZ, { speed, grounded });
		give(run.offset);
	});
}

function playLag(kit: Kit, { preset, from, way }: Inputs & { kind: 'lag' }, give: Give): void {
	const run = new LagRun(kit.presets.filter(isLag).find((p) => p.id === preset)!);
	run.snap(from);
	give(run.out);
	along(from, way, (pose) => give(run.advance(pose, 1 / GRID_HZ)));
}

function playFrames(kit: Kit, { rig, seed, from, way, acts }: Inputs & { kind: 'frame' }, give: Give): void {
	const frame = new Frame(kit, { rig, seed, steps: true });
	let [i, next] = [0, 0];
	const step = (pose: Float64Array, { speed = 0, grounded = true, room }: Partial<Stretch>): void => {
		const time = i / GRID_HZ;
		for (; next < acts.length && acts[next]!.at <= time; next++) {
			const act = acts[next]!;
			if ('set' in act) frame.director.set(act.set, act.to);
			else if ('player' in act) frame.setShare(0, { ...WHOLE, ...act.player });
			else if ('raise' in act) frame.director.raise(act.raise as Parameters<typeof frame.director.raise>[0], act.at);
		}
		frame.step(time, i === 0 ? 0 : 1 / GRID_HZ, [{ pose, speed, grounded, room }]);
		i++;
		const [seen] = frame.cameras;
		give([...seen!.camera, ...seen!.offset, seen!.fov]);
	};
	step(Float64Array.from(from), {});
	along(from, way, step);
}
