import { render } from '@testing-library/svelte';
import { beforeEach, describe, expect, it, vi } from 'vitest';
import MovingPicture from './MovingPicture.svelte';
import RunWindow from './RunWindow.svelte';

/** What the pictures were asked for, in order. */
const asked: string[] = [];
class Still {
	draw = () => void asked.push('draw');
	adapt = () => void asked.push('adapt');
	resize = () => undefined;
	show = () => undefined;
	showWays = () => undefined;
	reset = () => undefined;
	dispose = () => undefined;
}
vi.mock('./run-picture', () => ({ RunPicture: Still }));
vi.mock('$lib/viewport/run-picture', () => ({ RunPicture: Still }));
vi.mock('$lib/viewport/picture', () => ({ Picture: Still }));
vi.mock('./picture', () => ({ Picture: Still }));
vi.mock('$lib/ui/after-paint', () => ({ afterFirstPaint: (run: () => void) => run() }));

let frames: ((now: number) => void)[] = [];
/** One frame of the display. */
function frame(now: number): void {
	const due = frames;
	frames = [];
	for (const call of due) call(now);
}
const eye = {
	pose: Float64Array.of(0, 0, 0, 0, 0, 0, 1),
	offset: new Float64Array(7),
	fov: 62,
	body: new Float64Array(5)
};

beforeEach(() => {
	asked.length = 0;
	frames = [];
	vi.stubGlobal('requestAnimationFrame', (call: (now: number) => void) => frames.push(call));
	vi.stubGlobal('cancelAnimationFrame', () => undefined);
	vi.stubGlobal('matchMedia', () => ({ matches: false }));
	vi.stubGlobal(
		'ResizeObserver',
		class {
			observe() {}
			disconnect() {}
		}
	);
});

describe('a window', () => {
	const look = {
		frame: () => ({ eyes: [eye] as never, time: 0, moving: null }),
		ways: [],
		viewers: 1,
		steered: false,
		onlook: () => undefined,
		caption: ''
	};
	const moving = {
		step: () => new Float64Array(7),
		playing: () => true,
		time: () => 0,
		view: 'space' as const,
		caption: ''
	};

	it.each([
		['onto a run', () => render(RunWindow, look)],
		['onto a motion', () => render(MovingPicture, moving)]
	])('%s changes its resolution before it draws: what empties the canvas leaves no blank frame', async (_, open) => {
		open();
		await vi.waitFor(() => {
			frame(performance.now());
			expect(asked.length).toBeGreaterThan(0);
		});
		asked.length = 0;
		for (let i = 0; i < 3; i++) frame(performance.now());
		expect(asked).toEqual(['adapt', 'draw', 'adapt', 'draw', 'adapt', 'draw']);
	});
});
