/** A second hand: written from PORTING.md alone, with other integers and nothing of the run-time. */
import { readFileSync } from 'node:fs';
import { expect } from 'vitest';

export type Int = bigint;
export const MASK = 0xffffffffn;
export const imul = (a: Int, b: Int): Int => (a * b) & MASK;
export function mix(h: Int): Int {
	h = imul(h ^ (h >> 16n), 0x7feb352dn);
	h = imul(h ^ (h >> 15n), 0x846ca68bn);
	return h ^ (h >> 16n);
}
export const whole = (n: number): Int => BigInt(n) & MASK;
export const combine = (a: Int, b: Int): Int => mix((mix(a ^ 0x1b873593n) + imul(b, 0x9e3779b1n)) & MASK);
export const text = (s: string): Int =>
	mix([...s].reduce((h, c) => imul(h ^ BigInt(c.charCodeAt(0)), 0x01000193n), 0x811c9dc5n));
export const unit = (h: Int): number => Number(h) / 2 ** 32;
export const signed = (h: Int): number => Number(BigInt.asIntN(32, h)) / 2 ** 31;

/** The sine's numbers as the page prints them. */
export const PAGE = readFileSync(new URL('../PORTING.md', import.meta.url), 'utf8');
export const SINE = [...PAGE.matchAll(/c[₀-₉] +([−\d.]+)/g)].map((m) => Number(m[1]!.replace('−', '-')));
export function sine(p: number): number {
	let r = p - Math.floor(p + 0.5);
	if (r > 0.25) r = 0.5 - r;
	else if (r < -0.25) r = -0.5 - r;
	const q = r * r;
	return r * SINE.slice(0, -1).reduceRight((sum, c) => c + q * sum, SINE.at(-1)!);
}
export const smooth = (t: number): number => (t <= 0 ? 0 : t >= 1 ? 1 : t * t * (3 - 2 * t));

export function exp2(x: number): number {
	const near = Math.floor(x + 0.5);
	const r = (x - near) * 0.6931471805599453;
	let term = r;
	let sum = 1 + term;
	for (let n = 2; n <= 14; n++) sum += term = (term * r) / n;
	// Times a power of two is exact: the built-in one of a whole number is, too.
	return sum * 2 ** near;
}

export type Voice = (p: number) => number;
/** `seedOf`: of an octave. */
export function noiseOf(
	{ octaves = 1, lacunarity = 2, persistence = 0.5 }: any,
	seedOf: (octave: Int) => Int,
	start: unknown
): Voice {
	const rows: { seed: Int; cells: number; size: number; shift: number }[] = [];
	for (let k = 0, cells = 4 / 3, size = 1; k < octaves; k++, cells *= lacunarity, size *= persistence) {
		const seed = seedOf(BigInt(k));
		rows.push({ seed, cells, size, shift: start === 'random' ? unit(mix(seed ^ 0x5bd1e995n)) : 0 });
	}
	const norm = 1 / Math.sqrt(rows.reduce((sum, r) => sum + r.size * r.size, 0));
	const slope = (seed: Int, i: number): number => {
		const h = mix((seed + imul(whole(i), 0x9e3779b1n)) & MASK);
		return (1 + Number(h >> 1n) / 2 ** 31) * (h & 1n ? -1 : 1);
	};
	return (p) => {
		let v = 0;
		for (const { seed, cells, size, shift } of rows) {
			const c = p * cells + shift;
			const i = Math.floor(c);
			const f = c - i;
			const a = slope(seed, i) * f;
			const value = a + (slope(seed, i + 1) * (f - 1) - a) * f * f * (3 - 2 * f);
			v = octaves === 1 ? value : v + size * norm * value;
		}
		if (octaves > 1 && Math.abs(v) > 0.7) {
			const u = (Math.abs(v) - 0.7) / 0.3;
			v = Math.sign(v) * (0.7 + (0.3 * u) / (1 + u));
		}
		return v;
	};
}

export interface Pose {
	at: number;
	value: number;
	ease?: string;
	in?: number;
	out?: number;
}
export function keysOf({ loop = true }: any, given: Pose[]): Voice {
	const first = given[0]!;
	const last = given.at(-1)!;
	const poses: Pose[] = loop
		? [{ ...last, at: last.at - 1 }, ...given, { ...first, at: first.at + 1 }]
		: [{ at: 0, value: 0 }, ...given, { at: 1, value: 0 }];
	// Looped, both copies have neighbours too: the poses a cycle away.
	const many = loop && given.length > 1;
	const before = many ? { ...given.at(-2)!, at: given.at(-2)!.at - 1 } : undefined;
	const after = many ? { ...given[1]!, at: given[1]!.at + 1 } : undefined;
	const slope = (i: number): number => {
		const [a, b, c] = [poses[i - 1] ?? before, poses[i]!, poses[i + 1] ?? after];
		if (!a || !c) return 0;
		const l = (b.value - a.value) / (b.at - a.at);
		const r = (c.value - b.value) / (c.at - b.at);
		return l * r > 0 ? (2 * l * r) / (l + r) : 0;
	};
	return (p) => {
		if (!loop && (p <= 0 || p >= 1)) return 0;
		const x = loop ? p - Math.floor(p) : p;
		const i = poses.findIndex((pose, n) => n > 0 && pose.at >= x);
		const [a, b] = [poses[i - 1]!, poses[i]!];
		const w = b.at - a.at;
		const t = (x - a.at) / w;
		const u = 1 - t;
		if (a.ease) {
			expect(a.ease).toBe('back-out');
			return a.value + (b.value - a.value) * (1 - u * u * ((1.70158 + 1) * u - 1.70158));
		}
		const [leave, arrive] = [a.out ?? slope(i - 1), b.in ?? slope(i)];
		return u * u * (1 + 2 * t) * a.value + t * t * (3 - 2 * t) * b.value + w * t * u * (u * leave - t * arrive);
	};
}

export const LN2 = 0.6931471805599453;
export const PI = 3.141592653589793;
/** What a step of `dt` does to a spring: [even, odd, ζω, ω²]. */
export function springOf(f: number, z: number, dt: number): [number, number, number, number] {
	const exp = (x: number): number => exp2(x / LN2);
	const w = 2 * PI * f;
	const d = 1 - z * z;
	let [even, odd] = [0, 0];
	if (d > 1e-12) {
		const s = w * Math.sqrt(d);
		const fall = exp(-z * w * dt);
		even = fall * sine((s * dt) / (2 * PI) + 0.25);
		odd = (fall * sine((s * dt) / (2 * PI))) / s;
	} else if (d >= -1e-12) {
		even = exp(-w * dt);
		odd = even * dt;
	} else {
		const s = w * Math.sqrt(-d);
		const [slow, fast] = [exp((s - z * w) * dt), exp(-(s + z * w) * dt)];
		even = (slow + fast) / 2;
		odd = s * dt < 1e-3 ? exp(-z * w * dt) * dt * (1 + (s * dt * (s * dt)) / 6) : (slow - fast) / (2 * s);
	}
	return [even, odd, z * w, w * w];
}
/** Value and speed, a step later. */
export const sprung = ([x, v]: readonly number[], [even, odd, pull, ww]: readonly number[]): [number, number] => [
	x! * even! + (v! + pull! * x!) * odd!,
	v! * even! - (ww! * x! + pull! * v!) * odd!
];
export const atRest = ([x, v]: readonly number[]): boolean => Math.abs(x!) < 1e-9 && Math.abs(v!) < 1e-9;
/** A frame as the vectors write it: the sixteen hexadecimal digits of each double. */
export const hex = (numbers: Iterable<number>): string[] =>
	Array.from(numbers, (n) => {
		const view = new DataView(new ArrayBuffer(8));
		view.setFloat64(0, n);
		return view.getBigUint64(0).toString(16).padStart(16, '0');
	});
