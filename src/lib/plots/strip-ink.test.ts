import { beforeEach, describe, expect, it, vi } from 'vitest';
import { DYES } from './dyes';
import { layBands, MARGIN, xAt } from './strip';
import { curvesOf, drawCeilings, drawCurves, drawGain, drawPaper, gainLevels } from './strip-ink';

type Call = readonly [name: string, ...args: unknown[]];
/** Notes what is done to it, in order; what is set is noted as `name=`. */
function noting(): { calls: Call[]; pen: CanvasRenderingContext2D } {
	const calls: Call[] = [];
	const pen = new Proxy({} as Record<string, unknown>, {
		get:
			(_, name: string) =>
			(...args: unknown[]) =>
				void calls.push([name, ...args]),
		set: (_, name: string, value: unknown) => calls.push([`${name}=`, value]) > 0
	});
	return { calls, pen: pen as unknown as CanvasRenderingContext2D };
}
const named = (calls: readonly Call[], name: string): unknown[][] =>
	calls.filter(([n]) => n === name).map(([, ...args]) => args);

class NotedPath {
	readonly calls: Call[] = [];
	lineTo = (...args: number[]) => void this.calls.push(['lineTo', ...args]);
	rect = (...args: number[]) => void this.calls.push(['rect', ...args]);
}
const frame = { width: 1000 + MARGIN.left + MARGIN.right, height: 100 + MARGIN.top + MARGIN.bottom, from: 0, to: 2 };
const dyes = DYES.day;
/** One band of position, its scale 2, whose middle is 50 px below the paper's upper margin. */
const bands = layBands(['x', 'y'], Float64Array.from([2, 1, 0, 0, 0, 0, 0]), 'space', frame.height);
const middle = MARGIN.top + 50;

beforeEach(() => void vi.stubGlobal('Path2D', NotedPath));

describe('curves', () => {
	const values = Float64Array.from([0, 1, 0, 0, 0, 0, 0, 2, -1, 0, 0, 0, 0, 0, -2, 0, 0, 0, 0, 0, 0]);
	const pathOf = (curve: { path: Path2D }): Call[] => (curve.path as unknown as NotedPath).calls;

	it('go through their samples: time to the right, the scale at the band’s edge but 4 px', () => {
		const [x, y] = curvesOf(frame, bands, values, 3, (i) => i);
		expect([x!.channel, y!.channel]).toEqual(['x', 'y']);
		expect(pathOf(x!)).toEqual([
			['lineTo', MARGIN.left, middle],
			['lineTo', MARGIN.left + 500, middle - 46],
			['lineTo', MARGIN.left + 1000, middle + 46]
		]);
		expect(pathOf(y!)[0]).toEqual(['lineTo', MARGIN.left, middle - 23]);
	});

	it('with dots have a small square about each sample', () => {
		const [x] = curvesOf(frame, bands, values, 1, () => 1, true);
		const [, left, top, width, height] = pathOf(x!)[0] as [string, number, number, number, number];
		expect([left + width / 2, top + height / 2]).toEqual([xAt(frame, 1), middle]);
	});

	it('are inked one after the other within the paper, and leave the pen as it was', () => {
		const { calls, pen } = noting();
		const curves = curvesOf(frame, bands, values, 3, (i) => i);
		drawCurves(pen, dyes, frame, curves, 'space', { alpha: 0.5 });
		expect(named(calls, 'rect')).toEqual([[MARGIN.left, MARGIN.top, 1000, 100]]);
		expect(named(calls, 'stroke')).toEqual(curves.map(({ path }) => [path]));
		expect(named(calls, 'globalAlpha=')).toEqual([[0.5]]);
		expect([calls[0]![0], calls.at(-1)![0]]).toEqual(['save', 'restore']);
	});

	it('each have the dash of their channel; dots are filled and have none', () => {
		const lines = noting();
		drawCurves(
			lines.pen,
			dyes,
			frame,
			curvesOf(frame, bands, values, 3, (i) => i),
			'space'
		);
		const [x, y] = named(lines.calls, 'setLineDash');
		expect(x).not.toEqual(y);
		const dots = noting();
		drawCurves(
			dots.pen,
			dyes,
			frame,
			curvesOf(frame, bands, values, 3, (i) => i, true),
			'space'
		);
		expect(named(dots.calls, 'setLineDash')).toEqual([[[]], [[]]]);
		expect(named(dots.calls, 'fill')).toHaveLength(2);
		expect(named(dots.calls, 'stroke')).toHaveLength(0);
	});
});

describe('the gain', () => {
	it('is asked for every three pixels, from margin to margin', () => {
		const times: number[] = [];
		gainLevels(frame, (time) => times.push(time));
		expect(times).toHaveLength(334);
		expect(times[0]).toBe(0);
		expect(times.at(-1)).toBeCloseTo((2 * 999) / 1000, 12);
	});

	it('fills the band at 1 and is the same above and below; more than 1 fills it and the rest is less', () => {
		for (const [levels, at] of [
			[
				[1, 0.5],
				[46, 23]
			],
			[
				[2, 1],
				[46, 23]
			]
		] as const) {
			const { calls, pen } = noting();
			drawGain(pen, dyes, bands, levels);
			expect(named(calls, 'lineTo')).toEqual([
				[MARGIN.left, middle - at[0]],
				[MARGIN.left + 3, middle - at[1]],
				[MARGIN.left + 3, middle + at[1]],
				[MARGIN.left, middle + at[0]]
			]);
		}
	});
});

describe('the paper', () => {
	it('numbers its ruler in seconds, the first with its unit, and each band with its scale', () => {
		const { calls, pen } = noting();
		drawPaper(pen, dyes, frame, bands);
		const texts = named(calls, 'fillText').map(([text]) => text);
		// 2 s over 1000 px: a number every 0.2 s stands 100 px from the next.
		expect(texts.slice(0, 3)).toEqual(['0.0 s', '0.2', '0.4']);
		expect(texts).toContain('2.0');
		expect(texts.slice(-2)).toEqual(['2 m', '0']);
	});

	it('that runs has no number before the beginning', () => {
		const { calls, pen } = noting();
		drawPaper(pen, dyes, { ...frame, from: -1, to: 1 }, bands);
		const texts = named(calls, 'fillText').map(([text]) => text);
		expect(texts.filter((text) => String(text).startsWith('-'))).toEqual([]);
		expect(texts).toContain('0.0 s');
	});
});

describe('ceilings', () => {
	it('are dashed lines at both sides, where they are within the band; bent stretches are barred', () => {
		const { calls, pen } = noting();
		const none = Infinity;
		drawCeilings(pen, dyes, frame, bands, Float64Array.from([1, 3, none, none, none, none, none]), (t) => t < 0.01);
		expect(named(calls, 'moveTo')).toEqual([
			[MARGIN.left, middle + 23],
			[MARGIN.left, middle - 23]
		]);
		// 0.01 s are 5 px: bars at 0, 2 and 4.
		expect(named(calls, 'fillRect').map(([x]) => x)).toEqual([0, 2, 4].map((x) => MARGIN.left + x));
	});
});
