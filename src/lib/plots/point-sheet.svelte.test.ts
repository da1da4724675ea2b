import { cleanup, fireEvent, render, screen } from '@testing-library/svelte';
import { afterEach, describe, expect, it } from 'vitest';
import { scaleOf } from './place-mode.svelte';
import PointSheet from './PointSheet.svelte';
import { CURVE, type Point } from './points';

afterEach(cleanup);

const level = (value: number): Point[] => [
	{ at: 0, value },
	{ at: 1, value }
];
function begin(points: Point[]) {
	const said: { points: Point[]; done: boolean }[] = [];
	let closed = 0;
	const { rerender } = render(PointSheet, {
		points,
		rules: CURVE,
		scale: scaleOf('frames', { from: 0, to: 2, unit: 's' }),
		word: 'point',
		onchange: (points, _, done) => void said.push({ points, done }),
		onclose: () => void closed++
	});
	const higher = async (text: string) => {
		await fireEvent.keyDown(screen.getByRole('spinbutton', { name: /as high/ }), { key: 'Enter' });
		const entry = screen.getByRole('textbox', { name: /as high/ });
		await fireEvent.input(entry, { target: { value: text } });
		await fireEvent.keyDown(entry, { key: 'Enter' });
	};
	const take = async (text: string) => {
		await fireEvent.input(screen.getByRole('textbox', { name: /rows/ }), { target: { value: text } });
		await fireEvent.click(screen.getByRole('button', { name: 'Take these rows' }));
	};
	return { said, rerender, higher, take, closed: () => closed };
}

describe('all points at once', () => {
	it('each number is of what stands there, also after an undo behind the panel', async () => {
		const { said, rerender, higher } = begin(level(1));
		await higher('2');
		expect(said.at(-1)).toEqual({ points: level(2), done: true });
		// Undone: it stands at 1 again, and twice of that is 2.
		await rerender({ points: level(1) });
		await higher('2');
		expect(said.at(-1)!.points).toEqual(level(2));
	});

	it('while one turns, each number is of what stood there before, not of what it made', async () => {
		const { said, rerender } = begin(level(1));
		const field = screen.getByRole('spinbutton', { name: /as high/ });
		await fireEvent.keyDown(field, { key: 'ArrowUp' });
		await rerender({ points: said.at(-1)!.points });
		await fireEvent.keyDown(field, { key: 'ArrowUp' });
		const [once, twice] = said.map(({ points }) => points[0]!.value) as [number, number];
		// Two steps up from 1, not one step of a step.
		expect(twice - 1).toBeCloseTo(2 * (once - 1), 3);
	});

	it('rows in frames are taken; a row that is not understood changes nothing and is named', async () => {
		const { said, take, closed } = begin(level(1));
		await take('0 1\nx 2');
		expect([said.length, closed()]).toEqual([0, 0]);
		expect(screen.getByRole('status').textContent).toContain('Row 2');
		// 30 of 120 frames.
		await take('0 1\n30 0.5\n120 0');
		expect(said.at(-1)!.points.map(({ at }) => at)).toEqual([0, 0.25, 1]);
		expect(closed()).toBe(1);
	});
});
