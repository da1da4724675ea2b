import { describe, expect, it } from 'vitest';
import { newCourse } from '../documents';
import { soundToTake } from '../course';
import { readWav } from '../formats';
import { compileCurve, runCurve } from 'dinesis-runtime/tools';
import { Spectrum } from './fft';
import { detectOnsets } from './onsets';

const RATE = 16000;
/** Knocks: a burst of a decaying tone at each time, so loud. */
function knocks(times: readonly number[], loud: readonly number[], seconds: number): Float32Array {
	const out = new Float32Array(seconds * RATE);
	times.forEach((at, k) => {
		for (let i = 0; i < 0.2 * RATE; i++) {
			const t = i / RATE;
			out[Math.round(at * RATE) + i]! += loud[k]! * Math.exp(-t * 30) * Math.sin(2 * Math.PI * 300 * t);
		}
	});
	return out;
}
function wav(samples: Float32Array, bits: 8 | 16 | 24 | 32, channels = 1, float = false): ArrayBuffer {
	const size = bits / 8;
	const length = samples.length * size * channels;
	const view = new DataView(new ArrayBuffer(44 + length));
	const text = (at: number, s: string): void => [...s].forEach((c, i) => view.setUint8(at + i, c.charCodeAt(0)));
	text(0, 'RIFF');
	view.setUint32(4, 36 + length, true);
	text(8, 'WAVEfmt ');
	view.setUint32(16, 16, true);
	view.setUint16(20, float ? 3 : 1, true);
	view.setUint16(22, channels, true);
	view.setUint32(24, RATE, true);
	view.setUint16(34, bits, true);
	text(36, 'data');
	view.setUint32(40, length, true);
	samples.forEach((v, i) => {
		for (let c = 0; c < channels; c++) {
			const at = 44 + (i * channels + c) * size;
			if (float) view.setFloat32(at, v, true);
			else if (bits === 8) view.setUint8(at, Math.round(v * 127) + 128);
			else if (bits === 16) view.setInt16(at, Math.round(v * 32767), true);
			else if (bits === 24) {
				const n = Math.round(v * 8388607);
				view.setUint16(at, n & 0xffff, true);
				view.setInt8(at + 2, n >> 16);
			} else view.setInt32(at, Math.round(v * 2147483647), true);
		}
	});
	return view.buffer as ArrayBuffer;
}

describe('the transform', () => {
	it('puts a tone of k cycles into bin k, as large as half its samples', () => {
		const spectrum = new Spectrum(64);
		const out = new Float64Array(32);
		spectrum.power(
			Array.from({ length: 64 }, (_, i) => Math.cos((2 * Math.PI * 5 * i) / 64)),
			out
		);
		expect(Math.sqrt(out[5]!)).toBeCloseTo(32, 9);
		expect(out.filter((_, k) => k !== 5).every((v) => v < 1e-18)).toBe(true);
	});
});

describe('a sound', () => {
	const times = [0.4, 1.1, 1.35, 2.6];
	const loud = [0.9, 0.3, 0.6, 0.15];

	it('is heard when something begins in it: each knock within a hundredth of a second, the loud ones louder', () => {
		const { onsets, seconds } = detectOnsets(knocks(times, loud, 3.5), RATE, 0.8);
		expect(seconds).toBe(3.5);
		expect(onsets).toHaveLength(times.length);
		onsets.forEach((onset, i) => expect(Math.abs(onset.at - times[i]!)).toBeLessThan(0.012));
		const order = [...onsets.keys()].sort((a, b) => onsets[b]!.loudness - onsets[a]!.loudness);
		expect(order).toEqual([0, 2, 1, 3]);
	});

	it('a low sensitivity leaves the quiet ones out; silence and a steady tone have none', () => {
		expect(detectOnsets(knocks(times, [0.9, 0.9, 0.9, 0.01], 3.5), RATE, 0.1).onsets).toHaveLength(3);
		expect(detectOnsets(new Float32Array(RATE), RATE).onsets).toEqual([]);
		const tone = Float32Array.from({ length: 2 * RATE }, (_, i) => 0.4 * Math.sin((2 * Math.PI * 220 * i) / RATE));
		expect(detectOnsets(tone, RATE).onsets.filter((o) => o.at > 0.1)).toEqual([]);
	});

	it('is as loud as its decibels: full scale is 1, each 6 dB less is a tenth less', () => {
		for (const [amplitude, db] of [
			[1, -3.01],
			[0.5, -9.03],
			[0.01, -43.01]
		] as const) {
			const tone = Float32Array.from({ length: RATE }, (_, i) => amplitude * Math.sin((2 * Math.PI * 400 * i) / RATE));
			const curve = compileCurve(detectOnsets(tone, RATE).loudness);
			expect(runCurve(curve, 0.5)).toBeCloseTo(1 + db / 60, 2);
		}
	});

	it.each([
		[8, 1, false, 1 / 100],
		[16, 2, false, 1 / 20000],
		[24, 1, false, 1e-6],
		[32, 2, false, 1e-6],
		[32, 1, true, 1e-7]
	] as const)('comes from a WAV file of %i bits and %i channels', (bits, channels, float, off) => {
		const samples = knocks([0.1], [0.8], 0.5);
		const read = readWav(wav(samples, bits, channels, float));
		if (!read.ok) throw new Error(read.problems[0]!.message);
		expect(read.value.rate).toBe(RATE);
		expect(read.value.samples).toHaveLength(samples.length);
		for (let i = 0; i < samples.length; i += 97)
			expect(Math.abs(read.value.samples[i]! - samples[i]!)).toBeLessThan(off);
	});

	it('a file that is none is refused with the reason', () => {
		const reason = (bytes: ArrayBuffer): string => {
			const read = readWav(bytes);
			return read.ok ? '' : `${read.problems[0]!.place} ${read.problems[0]!.message}`;
		};
		expect(reason(new ArrayBuffer(0))).toMatch(/RIFF/);
		const odd = wav(new Float32Array(4), 16);
		new DataView(odd).setUint16(20, 85, true);
		expect(reason(odd)).toMatch(/format 85 with 16 bits/);
		expect(reason(wav(new Float32Array(0), 16))).toMatch(/no sample/);
		expect(reason(wav(new Float32Array(4), 16).slice(0, 36))).toMatch(/no part "data"/);
	});

	it('becomes a take: onsets an event with its loudness as the number, loudness a game value', () => {
		const hit = {
			id: 'hit',
			name: 'Hit',
			kind: 'moment' as const,
			placed: false,
			tags: [],
			values: [{ id: 'force', unit: 'N', min: 10, max: 20 }]
		};
		const heard = { seconds: 2, onsets: [{ at: 0.5, loudness: 0.25 }], loudness: [{ at: 0, value: 0.5 }] };
		const cold = { id: 'cold', name: 'Cold', min: -1, max: 1, rest: 0 };
		const take = soundToTake('Knock', heard, { event: hit, parameter: cold });
		expect(take.events).toEqual([
			{ at: 0.5, event: 'hit', length: null, values: { force: 12.5 }, place: null, who: 0 }
		]);
		expect(take.values).toEqual([{ parameter: 'cold', points: [{ at: 0, value: 0 }] }]);
		expect(take.seconds).toBe(4);
		expect(soundToTake('K', heard, { event: null, parameter: null })).toMatchObject({
			...newCourse('sound', 'K'),
			seconds: 4,
			steps: false
		});
	});
});
