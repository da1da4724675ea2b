/** A second hand: written from PORTING.md alone, with other integers and nothing of the run-time, against the golden vectors. */
import { readFileSync } from 'node:fs';
import { describe, expect, it } from 'vitest';
import {
	combine,
	exp2,
	hex,
	keysOf,
	LN2,
	MASK,
	mix,
	noiseOf,
	PI,
	signed,
	sine,
	SINE,
	smooth,
	text,
	unit,
	whole,
	type Int,
	type Voice
} from './hand';

function waveOf({ shape = 'sine' }: any): Voice {
	if (shape === 'sine') return sine;
	return (p) => {
		const t = p - Math.floor(p);
		if (shape === 'square') return t < 0.5 ? 1 : -1;
		if (shape === 'sawtooth') return t < 0.5 ? 2 * t : 2 * t - 2;
		return t < 0.25 ? 4 * t : t < 0.75 ? 2 - 4 * t : 4 * t - 4;
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
				noise: () => noiseOf(pattern, (k) => combine(channel, k), start),
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
		rows.push(hex(out));
	}
	return rows;
}

describe('what is written from PORTING.md plays the golden vectors to the bit', () => {
	const vectors = JSON.parse(readFileSync(new URL('../vectors/patterns.json', import.meta.url), 'utf8')) as any[];
	it('knows the sine’s numbers', () => expect(SINE).toHaveLength(10));
	it.each(vectors.map((v) => [v.name as string, v]))('%s', (_, vector) => {
		const rows = play(vector);
		expect(rows.some((row) => row.some((n) => !/^[08]0+$/.test(n)))).toBe(true);
		expect(rows.slice(0, vector.rows.length)).toEqual(vector.rows);
	});
});
