import { readFileSync } from 'node:fs';
import { describe, expect, it } from 'vitest';
import { trackToCsv } from '../formats';
import { newPreset, isShake } from 'dinesis-runtime/tools';
import { readKit, type Kit } from '../documents';
import type { ShakePreset } from 'dinesis-runtime';
import { measureShake } from './measure';
import { pictureMovement } from './picture';
import { sampleShake } from './sample';

const none = { time: 0, ease: 'linear' } as const;
const base = newPreset('p', 'P');
const sine = (
	channels: ShakePreset['layers'][number]['channels'],
	timing: Partial<ShakePreset['timing']> = {}
): ShakePreset => ({
	...base,
	timing: { ...base.timing, fadeIn: none, fadeOut: none, ...timing },
	layers: [{ ...base.layers[0]!, pattern: { kind: 'wave', shape: 'sine' }, channels }]
});
const half = Math.tan(Math.PI / 6);
const offset = (part: Record<number, number>): Float64Array => Float64Array.from({ length: 7 }, (_, i) => part[i] ?? 0);

describe('picture movement', () => {
	it('of a step aside is its share of the picture 5 m away', () => {
		// The picture is 2 · 5 · tan 30° = 5.77 m high there.
		expect(pictureMovement(offset({ 0: 0.1 }), 0, 'space')).toBeCloseTo(100 * (0.1 / (10 * half)), 9);
		expect(pictureMovement(offset({ 1: -0.1 }), 0, 'space', 20)).toBeCloseTo(100 * (0.1 / (40 * half)), 9);
	});

	it('of a small pitch is the same at every distance', () => {
		const near = pictureMovement(offset({ 3: 0.01 }), 0, 'space', 1);
		expect(pictureMovement(offset({ 3: 0.01 }), 0, 'space', 100)).toBeCloseTo(near, 9);
		// At the spots half way up, tan grows by 1 + (½ tan 30°)².
		expect(near).toBeCloseTo((50 * ((0.01 * Math.PI) / 180) * (1 + half * half * 0.25)) / half, 2);
	});

	it('of a roll and a squeeze is seen off the centre', () => {
		const radius = Math.hypot(0.5 * (16 / 9), 0.5);
		expect(pictureMovement(offset({ 5: 1 }), 0, 'space')).toBeCloseTo(50 * radius * 2 * Math.sin(Math.PI / 360), 9);
		const wider = half / Math.tan(((60 + 6) * Math.PI) / 360);
		expect(pictureMovement(offset({ 6: 6 }), 0, 'space')).toBeCloseTo(50 * radius * (1 - wider), 9);
	});

	it('of a flat view counts pixels of 1080', () => {
		expect(pictureMovement(offset({ 0: 54 }), 0, 'flat')).toBeCloseTo(5, 9);
		expect(pictureMovement(offset({ 6: 25 }), 0, 'flat')).toBeCloseTo(50 * Math.hypot(0.5 * (16 / 9), 0.5) * 0.2, 9);
	});

	it('of nothing is nothing', () => {
		expect(pictureMovement(offset({}), 0, 'space')).toBe(0);
	});
});

describe('measures', () => {
	it('of one sine: its peak movement, its frequency, its length', () => {
		const m = measureShake(
			sine({ x: { amplitude: 0.1, frequency: 5, start: 'zero' } }, { duration: 3, delay: 0.5 }),
			4
		);
		expect(m.size).toBeCloseTo(100 * (0.1 / (10 * half)), 3);
		expect(m.worst).toBeCloseTo(m.size, 12);
		expect(Math.abs(m.pace - 5)).toBeLessThan(0.25);
		expect(m.length).toBe(3.5);
	});

	it('weighs channels by what they move', () => {
		const quick = measureShake(
			sine(
				{ x: { amplitude: 0.1, frequency: 10, start: 'zero' }, y: { amplitude: 0.0001, frequency: 1, start: 'zero' } },
				{ mode: 'continuous' }
			),
			2
		);
		expect(quick.pace).toBeGreaterThan(9.5);
		expect(quick.length).toBeNull();
	});

	it('of a still preset are 0', () => {
		expect(measureShake(sine({}), 2)).toMatchObject({ size: 0, worst: 0, pace: 0 });
	});

	it('the demo shakes spread over 0.3–6 % and 0.5–20 Hz, no two alike', () => {
		const kit = readKit(
			readFileSync(new URL('../../../demo/lamp-at-morrowskerry.kit.json', import.meta.url), 'utf8')
		) as { value: Kit };
		const measures = kit.value.presets
			.filter(isShake)
			.filter((p) => p.view === 'space')
			.map((p) => ({ id: p.id, ...measureShake(p, 32) }));
		expect(measures.length).toBeGreaterThanOrEqual(6);
		const strengths = measures.map((m) => m.size);
		const paces = measures.map((m) => m.pace);
		expect(Math.min(...strengths)).toBeLessThan(0.45);
		expect(Math.max(...strengths)).toBeGreaterThan(5);
		expect(Math.max(...strengths)).toBeLessThan(9);
		expect(Math.min(...paces)).toBeLessThan(0.7);
		expect(Math.max(...paces)).toBeGreaterThan(14);
		for (const a of measures)
			for (const b of measures)
				if (a.id < b.id)
					expect(
						Math.abs(Math.log(a.size / b.size)) +
							Math.abs(Math.log(a.pace / b.pace)) +
							Math.abs(Math.log((a.length ?? 30) / (b.length ?? 30))),
						`${a.id} and ${b.id}`
					).toBeGreaterThan(0.12);
	});
});

describe('sampling', () => {
	it('has rows i = 0 … floor(S · F) at i / F', () => {
		const track = sampleShake(sine({ x: { amplitude: 1, frequency: 1, start: 'zero' } }), { seconds: 0.5, fps: 8 });
		expect(track.count).toBe(5);
		[0, Math.SQRT1_2, 1, Math.SQRT1_2, 0].forEach((v, i) => expect(track.values[i * 7]).toBeCloseTo(v, 12));
	});

	it('lasts delay + duration, or five seconds for a continuous one', () => {
		const burst = sine({ x: { amplitude: 1, frequency: 1, start: 'zero' } }, { duration: 0.7, delay: 0.3 });
		expect(sampleShake(burst, { fps: 10 }).count).toBe(11);
		expect(sampleShake(sine({}, { mode: 'continuous' }), { fps: 10 }).count).toBe(51);
	});

	it('stops when told, between two samples', () => {
		const hum = sine(
			{ x: { amplitude: 1, frequency: 0, start: 0.25 } },
			{ mode: 'continuous', fadeOut: { time: 1, ease: 'linear' } }
		);
		const track = sampleShake(hum, { seconds: 2, fps: 10, stopAt: 0.55 });
		expect(track.values[5 * 7]).toBeCloseTo(1, 12);
		expect(track.values[10 * 7]).toBeCloseTo(0.55, 12);
		expect(track.values[16 * 7]).toBe(0);
	});

	it('refuses what cannot be sampled', () => {
		expect(() => sampleShake(base, { fps: 0 })).toThrow(/above 0; it is 0/);
		expect(() => sampleShake(base, { seconds: NaN })).toThrow(/Seconds/);
	});

	it('as CSV reads back to the same doubles', () => {
		const track = sampleShake(base, { fps: 7, seed: 3 });
		const rows = trackToCsv(track).trim().split('\n');
		expect(rows[0]).toBe('time,x,y,z,pitch,yaw,roll,fov');
		expect(rows).toHaveLength(track.count + 1);
		rows.slice(1).forEach((row, i) => {
			const [time, ...values] = row.split(',').map(Number);
			expect(time).toBe(i / 7);
			values.forEach((v, c) => expect(v).toBe(track.values[i * 7 + c]! + 0));
		});
	});
});
