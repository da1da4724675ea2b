import { cleanup, fireEvent, render, screen } from '@testing-library/svelte';
import { afterEach, beforeEach, describe, expect, it } from 'vitest';
import type { CurvePoint } from 'dinesis-runtime/tools';
import { writing } from '$lib/ui/writing.svelte';
import CurveEditor from './CurveEditor.svelte';
// It comes with the page later on; here it is at hand.
import './PointNumbers.svelte';
import type { Whole } from './place-mode.svelte';

/** The paper is 218 × 113 px: with a rim of 9 px and a foot of 13, a hundredth is 2 px across, a fortieth 2.05 px up. */
const [WIDTH, WHOLE] = [218, 113];
const points: readonly CurvePoint[] = [
	{ at: 0, value: 1 },
	{ at: 0.5, value: 2 },
	{ at: 1, value: 0 }
];
type Said = readonly [points: CurvePoint[], what: string, done: boolean];

beforeEach(() => {
	Object.defineProperty(HTMLElement.prototype, 'clientWidth', { configurable: true, get: () => WIDTH });
	Object.defineProperty(HTMLElement.prototype, 'clientHeight', { configurable: true, get: () => WHOLE });
	HTMLElement.prototype.setPointerCapture = () => undefined;
	globalThis.ResizeObserver ??= class {
		observe = () => undefined;
		unobserve = () => undefined;
		disconnect = () => undefined;
	} as unknown as typeof ResizeObserver;
});
afterEach(() => {
	cleanup();
	Reflect.deleteProperty(HTMLElement.prototype, 'clientWidth');
	Reflect.deleteProperty(HTMLElement.prototype, 'clientHeight');
});

function begin(of = points, whole?: Whole) {
	const said: Said[] = [];
	render(CurveEditor, {
		label: 'Life',
		points: of,
		top: 2,
		ends: ['begin', 'end'],
		whole,
		onchange: (...args: [CurvePoint[], string, boolean]) => void said.push(args)
	});
	const paper = screen.getByRole('group', { name: 'Life' });
	const point = (i: number) => screen.getByRole('button', { name: new RegExp(`^Point ${i} at`) });
	return { said, paper, point, last: () => said.at(-1)! };
}
/** Where a place and a value stand on the paper. */
const spot = (at: number, value: number) => ({ clientX: 9 + at * 200, clientY: 100 - 9 - (value / 2) * 82 });

describe('a curve through points', () => {
	it('each point says its place and its value', () => {
		begin();
		expect(screen.getAllByRole('button', { name: /^Point / }).map((b) => b.getAttribute('aria-label'))).toEqual([
			'Point 1 at 0 %, 1 ×',
			'Point 2 at 50 %, 2 ×',
			'Point 3 at 100 %, 0 ×'
		]);
	});

	it('the numbers of the chosen point are typed; a frame is one of the project’s', async () => {
		writing.frameRate = 30;
		const { point, last } = begin(points, { from: 0, to: 2, unit: 's' });
		await screen.findByRole('group', { name: /^Numbers of/ });
		await fireEvent.focus(point(2));
		const set = async (name: string, value: string) => {
			await fireEvent.keyDown(screen.getByRole('spinbutton', { name: new RegExp(name) }), { key: 'Enter' });
			const entry = screen.getByRole('textbox');
			await fireEvent.input(entry, { target: { value } });
			await fireEvent.keyDown(entry, { key: 'Enter' });
		};
		await set('Place of point 2', '40');
		expect(last()[0][1]).toEqual({ at: 0.4, value: 2 });
		const inWhat = () => screen.getByRole('button', { name: /^Places are written in/ });
		await fireEvent.click(inWhat());
		await fireEvent.click(inWhat());
		expect(inWhat().textContent).toBe('in frames');
		await set('Place of point 2', '15');
		// 15 of 60 frames.
		expect(last()[0][1]!.at).toBe(0.25);
		await set('Value of point 2', '1.0125');
		expect(last()[0][1]!.value).toBe(1.0125);
		await set('Slope of point 2', '2');
		expect(last()[0][1]).toEqual({ at: 0.5, value: 2, in: 2, out: 2 });
		await fireEvent.click(screen.getByRole('button', { name: /^A slope on each side/ }));
		await set('Slope that leaves', '-3');
		expect(last()[0][1]).toEqual({ at: 0.5, value: 2, out: -3 });
		await fireEvent.click(screen.getByRole('button', { name: 'Add a point' }));
		expect(last()[0].map(({ at }) => at)).toEqual([0, 0.5, 0.75, 1]);
		await fireEvent.click(inWhat());
	});

	it('with Alt an arrow is a tenth as far, and lands where it lands; + makes one more', async () => {
		const { point, last } = begin([points[0]!, { at: 0.5, value: 1.0125 }, points[2]!]);
		await fireEvent.keyDown(point(2), { key: 'ArrowUp', altKey: true });
		expect(last()[0][1]!.value).toBe(1.0175);
		await fireEvent.keyDown(point(2), { key: 'ArrowDown' });
		expect(last()[0][1]!.value).toBe(1);
		await fireEvent.keyDown(point(2), { key: '+' });
		expect(last()[0]).toHaveLength(4);
	});

	it('arrows move a point: a hundredth, a fortieth of the height, five times that with Shift', async () => {
		const { point, last } = begin();
		await fireEvent.keyDown(point(2), { key: 'ArrowRight' });
		expect(last()[0][1]).toEqual({ at: 0.51, value: 2 });
		await fireEvent.keyDown(point(2), { key: 'ArrowDown', shiftKey: true });
		expect(last()[0][1]).toEqual({ at: 0.5, value: 1.75 });
		expect(last().slice(1)).toEqual(['Move point', true]);
	});

	it('stays on the paper and between its neighbours', async () => {
		const { point, last } = begin([points[0]!, { at: 0.003, value: 2 }, points[2]!]);
		await fireEvent.keyDown(point(2), { key: 'ArrowUp' });
		expect(last()[0][1]!.value).toBe(2);
		await fireEvent.keyDown(point(2), { key: 'ArrowLeft' });
		expect(last()[0][1]!.at).toBe(0.004);
		await fireEvent.keyDown(point(1), { key: 'ArrowLeft' });
		expect(last()[0][0]!.at).toBe(0);
		await fireEvent.keyDown(point(3), { key: 'ArrowRight' });
		expect(last()[0][2]!.at).toBe(1);
	});

	it('a drag follows the hand and is one step at its end', async () => {
		const { said, paper, point } = begin();
		await fireEvent.pointerDown(point(2));
		await fireEvent.pointerMove(paper, spot(0.4, 1));
		await fireEvent.pointerMove(paper, spot(0.6, 1.5));
		await fireEvent.pointerUp(paper);
		expect(said.map(([, what, done]) => [what, done])).toEqual([
			['Move point', false],
			['Move point', false],
			['Move point', true]
		]);
		expect(said[1]![0][1]).toEqual({ at: 0.6, value: 1.5 });
		await fireEvent.pointerMove(paper, spot(0.1, 1));
		expect(said).toHaveLength(3);
	});

	it('lands on round places, with Alt exactly where the hand is', async () => {
		const { said, paper, point } = begin();
		await fireEvent.pointerDown(point(2));
		await fireEvent.pointerMove(paper, spot(0.4037, 1.01));
		await fireEvent.pointerMove(paper, { ...spot(0.4037, 1.01), altKey: true });
		expect(said.map(([p]) => p[1])).toEqual([
			{ at: 0.4, value: 1 },
			{ at: 0.404, value: 1.01 }
		]);
	});

	it('a double click on the paper makes a point in its place; on a point it lets go of its slope', async () => {
		const { paper, point, last } = begin([points[0]!, { ...points[1]!, in: 3, out: 3 }, points[2]!]);
		await fireEvent.dblClick(paper, spot(0.25, 0.5));
		expect(last()[0].map(({ at }) => at)).toEqual([0, 0.25, 0.5, 1]);
		expect(last()[0][1]!.value).toBe(0.5);
		await fireEvent.dblClick(point(2));
		expect(last()).toEqual([points.map((p) => ({ ...p })), 'Smooth point', true]);
	});

	it('Delete takes a point out, but never the last', async () => {
		const two = begin(points.slice(0, 2));
		await fireEvent.keyDown(two.point(1), { key: 'Delete' });
		expect(two.last()).toEqual([[points[1]], 'Take point out', true]);
		cleanup();
		const one = begin(points.slice(0, 1));
		await fireEvent.keyDown(one.point(1), { key: 'Backspace' });
		expect(one.said).toEqual([]);
	});

	it('the handle of the chosen point sets its slope: both sides at once', async () => {
		const { said, paper, point } = begin();
		await fireEvent.focus(point(2));
		const handle = paper.querySelector('.slope')!;
		await fireEvent.pointerDown(handle);
		// From the point half the paper to the right and its whole height down: −2 in half a life.
		await fireEvent.pointerMove(paper, spot(1, 0));
		expect(said.at(-1)![0][1]).toEqual({ at: 0.5, value: 2, in: -4, out: -4 });
		expect(said.at(-1)![1]).toBe('Slope');
	});
});
