import { describe, expect, it } from 'vitest';
import { BobRun, compileBob, newBob } from 'dinesis-runtime/tools';
import type { BobPreset } from 'dinesis-runtime';
import { readKit } from '../documents';
import { gaitOfLoop, readFrameLoop, stepsOfLoop, type FrameLoop } from './frame-loop';

const read = (text: string): FrameLoop => {
	const result = readFrameLoop(text);
	if (!result.ok) throw new Error(JSON.stringify(result.problems));
	return result.value;
};
const options = { id: 'walk', rate: 30, spans: 'stride', speed: 1.4, view: 'space' } as const;
/** Of a loop of so many frames: a sway that is its own at every frame. */
const sway = (i: number, n: number): number => Math.sin((2 * Math.PI * i) / n) + 0.3 * Math.cos((6 * Math.PI * i) / n);
const rowsOf = (n: number, closing = false): string =>
	Array.from({ length: closing ? n + 1 : n }, (_, i) => `${i},${sway(i % n, n)}`).join('\n');

describe('a loop of frames', () => {
	it('is read by its separators, with and without a heading', () => {
		for (const text of ['0,1\n1,2\n2,0.5', '0\t1\n1\t2\n2\t0,5', '0;1\n1;2\n2;0.5', '0 1\r\n1 2\r\n\r\n2 0.5\r\n'])
			expect(read(text)).toMatchObject({
				frames: [0, 1, 2],
				columns: [{ channel: null, values: [1, 2, 0.5] }],
				length: 3,
				closes: false
			});
		const named = read('"Frame","Height","roll"\n1,0.01,2\n3,0.02,-1');
		expect(named.columns.map((c) => c.channel)).toEqual(['y', 'roll']);
		// From 1 to 3 in two rows: each lasts two frames.
		expect(named).toMatchObject({ frames: [0, 2], length: 4 });
	});

	it('whose last row is its first again goes round in one frame less', () => {
		expect(read(rowsOf(20, true))).toMatchObject({ length: 20, closes: true });
		expect(read(rowsOf(20, true)).frames).toHaveLength(20);
		expect(read(rowsOf(20))).toMatchObject({ length: 20, closes: false });
	});

	it.each([
		['', '', /empty/],
		['5', 'row 1', /one cell/],
		['0,1\n1,x', 'row 2', /2 numbers/],
		['0,1\n1', 'row 2', /2 numbers/],
		['0,1\n0,2', '', /frame 0 twice/],
		['frame,y\n4,1', '', /one frame/],
		['0,1,2\n1,2,3', 'row 1', /names them/],
		['frame,y,up\n0,1,2\n1,1,2', 'row 1', /“up”/],
		['frame,y,height\n0,1,2\n1,1,2', 'row 1', /y twice/]
	])('%j is told with its place', (text, place, message) => {
		const result = readFrameLoop(text);
		expect(result.ok).toBe(false);
		if (!result.ok)
			expect([result.problems[0]!.place, message.test(result.problems[0]!.message)]).toEqual([place, true]);
	});
});

describe('the gait of a loop', () => {
	it('30 frames of a stride at 30 a second are two steps a second; 20 frames are three', () => {
		expect(stepsOfLoop(30, 30, 'stride')).toBe(2);
		expect(stepsOfLoop(20, 30, 'stride')).toBe(3);
		expect(stepsOfLoop(20, 30, 'step')).toBe(1.5);
	});

	it.each([
		[30, 'stride'],
		[20, 'stride'],
		[15, 'step']
	] as const)('of %i frames, a %s, is walked through every frame as it was given', (n, spans) => {
		const { gait, dropped } = gaitOfLoop(read(rowsOf(n, true)), { ...options, spans, channel: 'y', metre: 0.01 });
		expect(dropped).toBe(0);
		const bob: BobPreset = { ...newBob('b', 'B'), gaits: [gait], landing: null, idle: null, blendTime: 0 };
		const run = new BobRun(compileBob(bob));
		const walking = { speed: 1.4, grounded: true };
		// The gait is reached within a whole number of rounds.
		for (let i = 0; i < n * 4; i++) run.advance(1 / 30, walking);
		for (let i = 0; i < n; i++) {
			expect(run.offset[1]).toBeCloseTo(0.01 * sway(i, n), 9);
			run.advance(1 / 30, walking);
		}
	});

	it('centred it swings as far up as down, in metres, and what stands still is left out', () => {
		const loop = read('frame,y,x,roll\n0,4,1,0\n1,10,1,0\n2,6,2,0');
		const { gait } = gaitOfLoop(loop, { ...options, metre: 0.01, centred: true });
		expect(gait.channels.y!.amplitude).toBeCloseTo(0.03, 12);
		expect(gait.channels.y!.keys!.map((k) => k.value)[1]).toBeCloseTo(1, 12);
		expect(Object.keys(gait.channels)).toEqual(['y', 'x']);
		expect(gait.channels.y).toMatchObject({ shape: 'keys', every: 'stride', phase: 0 });
	});

	it('of more frames than a kit takes poses keeps those that count, and says how many went', () => {
		const { gait, dropped } = gaitOfLoop(read(rowsOf(200)), options);
		expect(gait.channels.y!.keys).toHaveLength(64);
		expect(dropped).toBe(136);
		const worst = Math.max(
			...gait.channels.y!.keys!.map(({ at, value }) =>
				Math.abs(value * gait.channels.y!.amplitude - sway(Math.round(at * 200), 200))
			)
		);
		expect(worst).toBeLessThan(1e-9);
	});

	it('is sound in a kit, whatever its length', () => {
		for (const n of [3, 64, 500]) {
			const { gait } = gaitOfLoop(read(rowsOf(n)), options);
			const kit = { format: 'dinesis-kit', version: 1, name: 'K', presets: [{ ...newBob('b', 'B'), gaits: [gait] }] };
			expect(readKit(JSON.stringify(kit))).toMatchObject({ ok: true });
		}
	});
});
