/** Head bob and camera lag, written from PORTING.md alone, against the golden vectors. */
import { readFileSync } from 'node:fs';
import { describe, expect, it } from 'vitest';
import {
	atRest,
	combine,
	exp2,
	hex,
	keysOf,
	LN2,
	noiseOf,
	PI,
	sine,
	springOf,
	sprung,
	text,
	whole,
	type Int
} from './hand';

const DT = 1 / 120;
const CHANNELS = ['x', 'y', 'z', 'pitch', 'yaw', 'roll', 'fov'];
const load = (name: string): any[] =>
	JSON.parse(readFileSync(new URL(`../vectors/${name}.json`, import.meta.url), 'utf8')) as any[];

/** One channel of a gait: how it moves at a phase, at a level. */
interface Part {
	readonly at: number;
	readonly isNoise: boolean;
	readonly add: (phase: number, level: number, out: number[]) => void;
}

const ofNoise =
	(at: number, scale: number, phase: number, cycles: number, seed: Int): Part['add'] =>
	(p, level, out) => {
		const v = noiseOf({}, () => seed, 'zero')(phase + cycles * p);
		out[at]! += (scale * (level * 1.9) * v) / (1 + 0.9 * Math.abs(v));
	};

function partsOf(gait: any, seed: Int): Part[] {
	const shapes: string[] = [];
	const counts = new Map<string, number>();
	return CHANNELS.flatMap((name, at): Part[] => {
		const c = gait.channels[name];
		if (!c || c.amplitude === 0) return [];
		const { amplitude: scale, phase = 0, shape = 'sine' } = c;
		const own = ['y', 'z', 'pitch', 'fov'].includes(name) ? 'step' : 'stride';
		const cycles = (c.every ?? own) === 'step' ? 2 : 1;
		if (!shapes.includes(shape)) shapes.push(shape);
		const j = counts.get(shape) ?? 0;
		counts.set(shape, j + 1);
		if (shape === 'noise')
			return [
				{
					at,
					isNoise: true,
					add: ofNoise(at, scale, phase, cycles, combine(combine(seed, whole(shapes.indexOf(shape))), whole(j)))
				}
			];
		const keys = shape === 'keys' ? keysOf({ loop: true }, c.keys) : null;
		const voice = (p: number): number => (keys ? keys(p) : shape === 'sine' ? sine(p) : 2 * Math.abs(sine(p / 2)) - 1);
		return [
			{ at, isNoise: false, add: (p, level, out) => void (out[at]! += scale * level * voice(phase + cycles * p)) }
		];
	});
}

/** The steepest of what `sample` puts into seven numbers, per stride. */
function steepest(samples: number, sample: (phase: number, out: number[]) => void): number[] {
	const most = new Array<number>(7).fill(0);
	let before: number[] = [];
	for (let i = 0; i <= samples; i++) {
		const here = new Array<number>(7).fill(0);
		sample(i / 256, here);
		if (i > 0) here.forEach((v, c) => (most[c] = Math.max(most[c]!, Math.abs(v - before[c]!) * 256)));
		before = here;
	}
	return most;
}

function peakOf(f: number, z: number): number {
	const by = springOf(f, z, 1 / (f * 4000));
	let [state, most]: [[number, number], number] = [[0, 1], 0];
	for (;;) {
		state = sprung(state, by);
		if (state[0] <= most) return most;
		most = state[0];
	}
}

/** Every frame of a body's way, as the vectors go along it. */
function* along(way: any[], from: number[] = []): Generator<{ pose: number[]; speed: number; grounded: boolean }> {
	let start = from;
	for (const { steps, to = start, speed = 0, grounded = true } of way) {
		for (let k = 1; k <= steps; k++)
			yield { pose: start.map((a, c) => a + (to[c] - a) * (k / steps)), speed, grounded };
		start = start.map((a, c) => a + (to[c] - a) * 1);
	}
}

function bob({ kit, inputs }: any): number[][] {
	const preset = kit.presets[0];
	const { amount = 1, blendTime = 0.3, settleTime = 0.3, landing, idle } = preset;
	const gaits = [...preset.gaits].sort((a: any, b: any) => a.speed - b.speed);
	const own = combine(whole(inputs.seed), text(preset.seededBy ?? preset.id));
	const parts = gaits.map((gait: any, g: number) => partsOf(gait, combine(own, whole(g))));
	// How steep noise gets is looked up in noise of a seed of its own.
	const rough = gaits.map((gait: any) => {
		const noisy = CHANNELS.filter((name) => gait.channels[name]?.shape === 'noise');
		return steepest(256 * 48, (p, out) =>
			noisy.forEach((name, j) => {
				const { amplitude, phase = 0 } = gait.channels[name];
				const at = CHANNELS.indexOf(name);
				ofNoise(at, amplitude, phase, [1, 2, 3, 6].includes(at) ? 2 : 1, combine(1n, whole(j)))(p, 1, out);
			})
		);
	});
	const between = (speed: number, of: (g: number) => number, below: number): number => {
		if (speed <= gaits[0].speed) return below;
		for (let g = 1; g < gaits.length; g++) {
			const [a, b] = [gaits[g - 1].speed, gaits[g].speed];
			if (speed <= b) return of(g - 1) + ((of(g) - of(g - 1)) * (speed - a)) / (b - a);
		}
		return of(gaits.length - 1);
	};
	const stepsAt = (speed: number): number =>
		between(speed, (g) => gaits[g].steps, gaits[0].steps * (0.5 + (0.5 * speed) / gaits[0].speed));
	const shareAt = (speed: number): number[] => {
		const shares = gaits.map(() => 0);
		if (speed <= gaits[0].speed) shares[0] = speed / gaits[0].speed;
		else if (speed > gaits.at(-1).speed) shares[gaits.length - 1] = 1;
		else {
			const g = gaits.findIndex((gait: any) => speed <= gait.speed);
			shares[g] = (speed - gaits[g - 1].speed) / (gaits[g].speed - gaits[g - 1].speed);
			shares[g - 1] = 1 - shares[g];
		}
		return shares;
	};
	let [phase, was, paceWas, stood, settling, quiet, quietTime] = [0, 0, 0, 0, 0, 0, 0];
	let sizes: number[] = gaits.map(() => 0);
	let stoodWith: number[] = sizes;
	let steps: number[] = new Array<number>(7).fill(0);
	let dip: [number, number] = [0, 0];
	let pace = 0;
	const frames: number[][] = [];
	for (const { speed, grounded } of along(inputs.way)) {
		for (const [at, fall] of inputs.lands ?? [])
			if (at === frames.length)
				dip[1] -= Math.min(landing.most, landing.dip * fall) / peakOf(landing.frequency, landing.damping);
		if (grounded && speed > 0) {
			if (speed !== was) pace = stepsAt(speed);
			phase += (((was > 0 ? paceWas : pace) + pace) / 4) * 1 * DT;
			paceWas = pace;
			const most = DT / blendTime;
			const share = shareAt(speed);
			sizes = sizes.map((w, g) => {
				const goal = share[g]! * 1;
				return goal - w > most ? w + most : goal - w < -most ? w - most : goal;
			});
			stood = 0;
		} else if (stood > 0 || sizes.some((w) => w !== 0)) {
			if (stood === 0) {
				stoodWith = sizes;
				stood = 1;
				const most = steepest(256, (p, out) =>
					parts.forEach((list: Part[], g: number) =>
						list.forEach((part) => sizes[g]! > 0 && !part.isNoise && part.add(p, sizes[g]!, out))
					)
				);
				sizes.forEach((w, g) => most.forEach((_, c) => (most[c]! += w * rough[g]![c]!)));
				const quickest = most.map((m, c) => {
					const fast = m * ((pace / 2) * 1) * amount;
					return steps[c] !== 0 && fast > 0 ? fast / Math.abs(steps[c]!) : Infinity;
				});
				settling = Math.min(1 / settleTime, ...quickest);
			}
			stood = Math.max(0, stood - settling * DT);
			sizes = stoodWith.map((w) => w * stood);
		}
		was = grounded ? speed : 0;
		steps = new Array<number>(7).fill(0);
		sizes.forEach((w, g) => w > 0 && parts[g]!.forEach((part: Part) => part.add(phase, w * amount, steps)));
		const out = [...steps];
		if (idle) {
			const goal = grounded ? Math.max(0, 1 - speed / gaits[0].speed) : 0;
			const most = DT / blendTime;
			quiet = goal - quiet > most ? quiet + most : goal - quiet < -most ? quiet - most : goal;
			quietTime += DT;
			const named = CHANNELS.filter((name) => idle.channels[name]);
			if (quiet > 0)
				named.forEach((name, j) => {
					const { amplitude, frequency = 0.25 } = idle.channels[name];
					const seed = combine(combine(own, whole(-1)), whole(j));
					ofNoise(CHANNELS.indexOf(name), amplitude, 0, frequency, seed)(quietTime, quiet * amount, out);
				});
		}
		if (landing && !atRest(dip)) {
			dip = sprung(dip, springOf(landing.frequency, landing.damping, DT));
			if (dip[0] < -landing.most) dip = [-landing.most, dip[1] < 0 ? 0 : dip[1]];
			if (!atRest(dip)) {
				out[1]! += dip[0];
				out[3]! += dip[0] * landing.nod;
			} else dip = [0, 0];
		} else dip = [0, 0];
		frames.push(out);
	}
	return frames;
}

interface Axis {
	follow: string;
	target: number;
	pulled: number;
	anchor: number;
	speed: number;
	error: [number, number];
	out: number;
}
function lag({ kit, inputs }: any): number[][] {
	const { axes, leadsBy = 0, leadHalfLife = 0.15, snapsBeyond = Infinity } = kit.presets[0];
	const names = ['x', 'y', 'z', 'pitch', 'yaw', 'roll'];
	const level = (v: number, i: number): number => (i === 3 ? Math.min(89, Math.max(-89, v)) : v);
	const snap = (pose: number[]): Axis[] =>
		names.map((name, i) => {
			const at = level(pose[i]!, i);
			const follow = axes[name] ? (axes[name].follow ?? 'half-life') : 'none';
			return { follow, target: at, pulled: at, anchor: at, speed: 0, error: [0, 0], out: at };
		});
	let state = snap(inputs.from);
	const frames = [state.map((a) => a.out)];
	for (const { pose } of along(inputs.way, inputs.from)) {
		const [dx, dy, dz] = [0, 1, 2].map((c) => pose[c]! - state[c]!.target);
		if (dx! * dx! + dy! * dy! + dz! * dz! > snapsBeyond * snapsBeyond) state = snap(pose);
		state.forEach((a, i) => {
			const {
				halfLife = 0.15,
				settle = null,
				frequency = 2,
				damping = 1,
				atMost = null,
				quiet = 0
			} = axes[names[i]!] ?? {};
			const before = a.target;
			a.target = level(pose[i]!, i);
			if (i >= 3) {
				const by = a.target - before;
				a.target = before + (by - 360 * Math.floor((by + 180) / 360));
			}
			if (a.follow === 'none') return void (a.out = a.target);
			const held = a.anchor;
			a.anchor = Math.min(a.target + quiet, Math.max(a.target - quiet, held));
			let wanted = a.anchor;
			if (leadsBy > 0) {
				const through = quiet > 0 ? (a.anchor - held) / DT : (a.target - before) / DT;
				a.speed = through + (a.speed - through) * exp2(-DT / leadHalfLife);
				wanted += leadsBy * a.speed;
			}
			const v = (wanted - a.pulled) / DT;
			a.pulled = wanted;
			if (a.follow === 'half-life') {
				const h = settle !== null && a.anchor === held ? settle : halfLife;
				const far = (v * h) / LN2;
				a.error[0] = far + (a.error[0] - far) * exp2(-DT / h);
			} else {
				const far = (damping * v) / (PI * frequency);
				const [e, speed] = sprung([a.error[0] - far, v - a.error[1]], springOf(frequency, damping, DT));
				a.error = [e + far, v - speed];
			}
			if (atMost !== null && Math.abs(a.error[0]) > atMost) a.error = [a.error[0] > 0 ? atMost : -atMost, v];
			if (v === 0 && atRest(a.error)) a.error = [0, 0];
			a.out = wanted - a.error[0];
			if (i === 3 && Math.abs(a.out) > 89) {
				const side = a.out > 0 ? 1 : -1;
				a.error[0] = wanted - side * 89;
				a.out = side * 89;
				if (a.error[1] * side > 0) a.error[1] = 0;
			}
		});
		frames.push(state.map((a) => a.out));
	}
	return frames;
}

describe.each([
	['bobs', bob],
	['lags', lag]
] as const)('what is written from PORTING.md plays the golden vectors to the bit: %s', (file, play) => {
	it.each(load(file).map((v) => [v.name as string, v]))('%s', (_, vector) => {
		const rows = play(vector)
			.filter((__, i) => i % vector.every === 0)
			.map(hex);
		expect(rows).toEqual(vector.rows);
	});
});
