/** A second hand: written from PORTING.md alone, with other integers and nothing of the run-time, against the golden vectors. */
import { readFileSync } from 'node:fs';
import { describe, expect, it } from 'vitest';

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
const PAGE = readFileSync(new URL('./PORTING.md', import.meta.url), 'utf8');
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

function jumpsOf(
	{ between = 'hold', jitter = 0 }: any,
	channel: Int,
	start: unknown,
	together: number,
	at: number
): Voice {
	const seed = combine(channel, 0n);
	const target = (n: number): number => {
		if (start === 'zero' && n <= 0) return 0;
		const h = combine(seed, whole(n));
		if (at >= together) return signed(h);
		for (let attempt = 0; ; attempt++) {
			const point = [0, 1, 2].map((k) => (k < together ? signed(mix((h + whole(3 * attempt + k)) & MASK)) : 0));
			if (point[0]! * point[0]! + point[1]! * point[1]! + point[2]! * point[2]! <= 1) return point[at]!;
		}
	};
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

interface Pose {
	at: number;
	value: number;
	ease?: string;
	in?: number;
	out?: number;
}
function keysOf({ loop = true }: any, given: Pose[]): Voice {
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

const LN2 = 0.6931471805599453;
const PI = 3.141592653589793;
function arcSine(v: number): number {
	let term = v;
	let sum = v;
	for (let n = 1; n <= 29; n++) {
		term = (term * (v * v) * (2 * n - 1)) / (2 * n);
		sum += term / (2 * n + 1);
	}
	return sum;
}
function kickOf(z: number): { lift: number; halvings: number; swings: number } {
	const swings = Math.sqrt(1 - z * z);
	const angle = z > 0.5 ? 2 * arcSine(Math.sqrt((1 - z) / 2)) : PI / 2 - arcSine(z);
	const halvings = (2 * PI * z) / LN2;
	return { lift: exp2((z * angle) / swings / LN2) / swings, halvings, swings };
}

/** Every frame of one play of a burst with plain fades. */
function play({ kit, inputs, every }: any): string[][] {
	const preset = kit.presets[0];
	const { duration, fadeIn, fadeOut } = preset.timing;
	const seed = preset.seed === undefined ? combine(whole(inputs.seed), 1n) : whole(preset.seed);
	/** Adds a channel's motion at an age of its layer, at a gain. */
	type Part = (age: number, gain: number, out: Float64Array) => void;
	const layers: { delay: number; parts: Part[] }[] = [];
	for (const layer of preset.layers) {
		if (layer.mute) continue;
		const { pattern, channels } = layer;
		const { kind } = pattern;
		const together = kind === 'jumps' ? ({ disc: 2, ball: 3 }[pattern.within as string] ?? 0) : 0;
		const parts: Part[] = [];
		['x', 'y', 'z', 'pitch', 'yaw', 'roll', 'fov'].forEach((name, at) => {
			const c = channels[name];
			if (!c || (preset.view === 'flat' && ['z', 'pitch', 'yaw'].includes(name))) return;
			const shared = at < together;
			const of = combine(seed, text(layer.seededBy ?? layer.id));
			const channel = combine(of, shared ? 0x2545f491n : text(name));
			const atZero = kind === 'kick' || (kind === 'keys' && pattern.loop === false);
			const start = atZero ? 'zero' : ((shared ? channels.x : c).start ?? (kind === 'keys' ? 'zero' : 'random'));
			const begins =
				start === 'zero' || (kind === 'noise' && start === 'random')
					? 0
					: start === 'random'
						? unit(mix(channel ^ 0x5bd1e995n))
						: start;
			const clock = kind === 'keys' ? 1 / (pattern.cycle ?? 1) : (shared ? channels.x : c).frequency;
			const frequency = clock * ((preset.rate ?? 1) * (layer.rate ?? 1));
			const scale = c.amplitude * (preset.amount ?? 1) * (layer.amount ?? 1);
			const kick = kind === 'kick' ? kickOf(pattern.damping) : null;
			const voice = {
				noise: () => noiseOf(pattern, channel, start),
				wave: () => waveOf(pattern),
				jumps: () => jumpsOf(pattern, channel, start, together, at),
				keys: () => keysOf(pattern, c.keys),
				kick: () => sine
			}[kind as string]!();
			parts.push((age, gain, out) => {
				const p = begins + frequency * age;
				const v = voice(p);
				if (kind === 'noise') out[at]! += (scale * (gain * 1.9) * v) / (1 + 0.9 * Math.abs(v));
				else if (kick) out[at]! += scale * (gain * kick.lift) * exp2(-kick.halvings * p) * sine(kick.swings * p);
				else out[at]! += scale * gain * v;
			});
		});
		layers.push({ delay: layer.delay ?? 0, parts });
	}
	const rows: string[][] = [];
	const frames = Math.round(inputs.seconds * inputs.fps);
	for (let i = 0; i <= frames; i += every) {
		const age = i / inputs.fps;
		const out = new Float64Array(7);
		if (age < duration) {
			let shared = 1;
			const fading = age - (duration - fadeOut.time);
			if (fading > 0) shared -= smooth(fading / fadeOut.time);
			for (const { delay, parts } of layers) {
				const own = age - delay;
				if (own < 0) continue;
				const gain = shared * (own < fadeIn.time ? smooth(own / fadeIn.time) : 1);
				for (const part of parts) part(own, gain, out);
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
	const vectors = JSON.parse(readFileSync(new URL('./vectors/patterns.json', import.meta.url), 'utf8')) as any[];
	it('knows the sine’s numbers', () => expect(SINE).toHaveLength(10));
	it.each(vectors.map((v) => [v.name as string, v]))('%s', (_, vector) => {
		const rows = play(vector);
		expect(rows.some((row) => row.some((n) => !/^[08]0+$/.test(n)))).toBe(true);
		expect(rows.slice(0, vector.rows.length)).toEqual(vector.rows);
	});
});
