import { render } from '@testing-library/svelte';
import { beforeEach, describe, expect, it, vi } from 'vitest';
import Glass from './Glass.svelte';
import MovingPicture from './MovingPicture.svelte';
import RunWindow from './RunWindow.svelte';

/** What the pictures were asked for, in order. */
const asked: string[] = [];
class Still {
	frame = () => void asked.push('frame');
	resize = () => undefined;
	show = () => undefined;
	showWays = () => undefined;
	showBlank = () => undefined;
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
	])('%s hands each frame of the display to its picture once', async (_, open) => {
		open();
		await vi.waitFor(() => {
			frame(performance.now());
			expect(asked.length).toBeGreaterThan(0);
		});
		asked.length = 0;
		for (let i = 0; i < 3; i++) frame(performance.now());
		expect(asked).toEqual(['frame', 'frame', 'frame']);
	});
});

describe('the frame of a window', () => {
	const open = (load: () => Promise<(canvas: HTMLCanvasElement) => Still>, onpicture = vi.fn()) => {
		const made = render(Glass<Still>, { label: 'The picture', load, onpicture, without: 'The strip goes on.' });
		return { ...made, onpicture };
	};

	it('where there is no 3D it says so, once and for all, and what goes on', async () => {
		const load = vi.fn(async () => (): Still => {
			throw new Error('no WebGL');
		});
		const { findByRole, onpicture } = open(load);
		expect((await findByRole('alert')).textContent).toMatch(/draws no 3D here.*The strip goes on\./);
		expect(load).toHaveBeenCalledOnce();
		expect(onpicture).not.toHaveBeenCalled();
	});

	it('hands the picture over when it is there, and takes it back when the window goes', async () => {
		const { onpicture, unmount } = open(async () => () => new Still());
		await vi.waitFor(() => expect(onpicture).toHaveBeenCalledOnce());
		expect(onpicture.mock.calls[0]![0]).toBeInstanceOf(Still);
		unmount();
		expect(onpicture).toHaveBeenLastCalledWith(null);
	});
});
