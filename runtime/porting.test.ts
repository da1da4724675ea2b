/** A second hand: written from PORTING.md alone, with other integers and nothing of the run-time, against the golden vectors. */
import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import { describe, expect, it } from 'vitest';
import { ROOT } from '../scripts/lib/paths';

type Int = bigint;
const MASK = 0xffffffffn;
const imul = (a: Int, b: Int): Int => (a * b) & MASK;
function mix(h: Int): Int {
	h = imul(h ^ (h >> 16n), 0x7feb352dn);
	h = imul(h ^ (h >> 15n), 0x846ca68bn);
	return h ^ (h >> 16n);
}
const whole = (n: number): Int => BigInt(n) & MASK;
const combine = (a: Int, b: Int): Int => mix((mix(a ^ 0x1b873593n) + imul(b, 0x9e3779b1n)) & MASK);
const text = (s: string): Int =>
	mix([...s].reduce((h, c) => imul(h ^ BigInt(c.charCodeAt(0)), 0x01000193n), 0x811c9dc5n));
const unit = (h: Int): number => Number(h) / 2 ** 32;
const signed = (h: Int): number => Number(BigInt.asIntN(32, h)) / 2 ** 31;

/** The sine's numbers as the page prints them. */
const PAGE = readFileSync(join(ROOT, 'runtime/PORTING.md'), 'utf8');
const SINE = [...PAGE.matchAll(/c[₀-₉] +([−\d.]+)/g)].map((m) => Number(m[1]!.replace('−', '-')));
function sine(p: number): number {
	let r = p - Math.floor(p + 0.5);
	if (r > 0.25) r = 0.5 - r;
	else if (r < -0.25) r = -0.5 - r;
	const q = r * r;
	return r * SINE.slice(0, -1).reduceRight((sum, c) => c + q * sum, SINE.at(-1)!);
}
const smooth = (t: number): number => (t <= 0 ? 0 : t >= 1 ? 1 : t * t * (3 - 2 * t));

function exp2(x: number): number {
	const near = Math.floor(x + 0.5);
	const r = (x - near) * 0.6931471805599453;
	let term = r;
	let sum = 1 + term;
	for (let n = 2; n <= 14; n++) sum += term = (term * r) / n;
	// Times a power of two is exact: the built-in one of a whole number is, too.
	return sum * 2 ** near;
}

type Voice = (p: number) => number;
function waveOf({ shape = 'sine' }: any): Voice {
	if (shape === 'sine') return sine;
	return (p) => {
		const t = p - Math.floor(p);
		if (shape === 'square') return t < 0.5 ? 1 : -1;
		if (shape === 'sawtooth') return t < 0.5 ? 2 * t : 2 * t - 2;
		return t < 0.25 ? 4 * t : t < 0.75 ? 2 - 4 * t : 4 * t - 4;
	};
}

function noiseOf({ octaves = 1, lacunarity = 2, persistence = 0.5 }: any, channel: Int, start: unknown): Voice {
	const rows: { seed: Int; cells: number; size: number; shift: number }[] = [];
	for (let k = 0, cells = 4 / 3, size = 1; k < octaves; k++, cells *= lacunarity, size *= persistence) {
		const seed = combine(channel, BigInt(k));
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

function jumpsOf({ between = 'hold', jitter = 0 }: any, channel: Int, start: unknown): Voice {
	const seed = combine(channel, 0n);
	const target = (n: number): number => (start === 'zero' && n <= 0 ? 0 : signed(combine(seed, whole(n))));
	const moment = (n: number): number => n + jitter * (unit(combine(seed ^ 0x3c6ef372n, whole(n))) - 0.5);
	return (p) => {
		let n = Math.floor(p);
		if (jitter > 0) n += p >= moment(n + 1) ? 1 : p < moment(n) ? -1 : 0;
		const t = jitter > 0 ? (p - moment(n)) / (moment(n + 1) - moment(n)) : p - n;
		let v = target(n);
		if (between === 'straight') return v + (target(n + 1) - v) * t;
		if (between === 'eased') return v + (target(n + 1) - v) * smooth(t);
		if (between === 'damped')
			for (let k = 1; k <= 8; k++)
				v +=
					(target(n - k) - target(n - k + 1)) *
					(jitter > 0 ? exp2(-8 * (p - moment(n - k + 1))) : exp2(-8 * t) / 256 ** (k - 1));
		return v;
	};
}

/** Every frame of one play of a burst with plain fades. */
function play({ kit, inputs, every }: any): string[][] {
	const preset = kit.presets[0];
	const { duration, fadeIn, fadeOut } = preset.timing;
	const seed = combine(whole(inputs.seed), 1n);
	const voices: { at: number; scale: number; frequency: number; begins: number; lift: boolean; run: Voice }[] = [];
	for (const layer of preset.layers)
		['x', 'y', 'z', 'pitch', 'yaw', 'roll', 'fov'].forEach((name, at) => {
			const c = layer.channels[name];
			if (!c) return;
			const channel = combine(combine(seed, text(layer.id)), text(name));
			const start = c.start ?? 'random';
			const { kind } = layer.pattern;
			const drawn = kind === 'noise' ? 0 : unit(mix(channel ^ 0x5bd1e995n));
			const run =
				kind === 'wave'
					? waveOf(layer.pattern)
					: kind === 'noise'
						? noiseOf(layer.pattern, channel, start)
						: jumpsOf(layer.pattern, channel, start);
			const begins = start === 'random' ? drawn : start === 'zero' ? 0 : start;
			voices.push({ at, scale: c.amplitude, frequency: c.frequency, begins, lift: kind === 'noise', run });
		});
	const rows: string[][] = [];
	const frames = Math.round(inputs.seconds * inputs.fps);
	for (let i = 0; i <= frames; i += every) {
		const age = i / inputs.fps;
		const out = new Float64Array(7);
		if (age < duration) {
			let gain = 1;
			const fading = age - (duration - (fadeOut?.time ?? 0));
			if (fading > 0 && fadeOut) gain -= smooth(fading / fadeOut.time);
			if (fadeIn && age < fadeIn.time) gain *= smooth(age / fadeIn.time);
			for (const { at, scale, frequency, begins, lift, run } of voices) {
				const v = run(begins + frequency * age);
				out[at]! += lift ? (scale * (gain * 1.9) * v) / (1 + 0.9 * Math.abs(v)) : scale * gain * v;
			}
		}
		rows.push(
			Array.from(out, (n) => {
				const view = new DataView(new ArrayBuffer(8));
				view.setFloat64(0, n);
				return view.getBigUint64(0).toString(16).padStart(16, '0');
			})
		);
	}
	return rows;
}

describe('what is written from PORTING.md plays the golden vectors to the bit', () => {
	const vectors = JSON.parse(readFileSync(join(ROOT, 'runtime/vectors/patterns.json'), 'utf8')) as any[];
	const mine = vectors.filter(({ name }) =>
		/^(noise|wave|a set phase|jumps: |jumps after uneven times: )/.test(name as string)
	);

	it('knows the sine’s numbers', () => expect(SINE).toHaveLength(10));
	it.each(mine.map((v) => [v.name as string, v]))('%s', (_, vector) => {
		const rows = play(vector);
		expect(rows.some((row) => row.some((n) => !/^[08]0+$/.test(n)))).toBe(true);
		expect(rows.slice(0, vector.rows.length)).toEqual(vector.rows);
	});
	it('takes most of them', () => expect(mine.length).toBeGreaterThanOrEqual(13));
});
