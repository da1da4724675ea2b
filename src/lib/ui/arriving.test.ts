import { afterEach, beforeEach, expect, it, vi } from 'vitest';
import { arriving } from './arriving';

beforeEach(() => void vi.useFakeTimers());
afterEach(() => void vi.useRealTimers());

it('a part that cannot come is asked for again until it does, and that it is late is said', async () => {
	let away = true;
	const load = vi.fn(() => (away ? Promise.reject(new TypeError('no network')) : Promise.resolve('the chart')));
	const late = vi.fn();
	const came = vi.fn();
	void arriving(load, () => false, late).then(came);
	await vi.advanceTimersByTimeAsync(6500);
	expect([load.mock.calls.length, late.mock.calls.length, came.mock.calls.length]).toEqual([3, 3, 0]);
	away = false;
	await vi.advanceTimersByTimeAsync(3000);
	expect(came).toHaveBeenCalledWith('the chart');
});

it('is not asked for when nobody needs it any more', async () => {
	let gone = false;
	const load = vi.fn(() => Promise.reject(new TypeError('no network')));
	void arriving(load, () => gone);
	await vi.advanceTimersByTimeAsync(0);
	gone = true;
	await vi.advanceTimersByTimeAsync(60_000);
	expect(load).toHaveBeenCalledOnce();
});
