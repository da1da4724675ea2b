import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { afterFirstPaint, fetchAfterPaint } from './after-paint';

let painted: boolean;
let observers: (() => void)[];
/** What the browser does when it has shown something. */
function paint() {
	painted = true;
	observers.forEach((tell) => tell());
}
beforeEach(() => {
	vi.useFakeTimers();
	painted = false;
	observers = [];
	vi.stubGlobal('performance', {
		...performance,
		getEntriesByName: (name: string) => (painted && name === 'first-contentful-paint' ? [{}] : [])
	});
	vi.stubGlobal(
		'PerformanceObserver',
		class {
			static supportedEntryTypes = ['paint'];
			constructor(private readonly tell: () => void) {}
			observe() {
				observers.push(this.tell);
			}
			disconnect() {
				observers = observers.filter((tell) => tell !== this.tell);
			}
		}
	);
});
afterEach(() => {
	vi.useRealTimers();
	vi.unstubAllGlobals();
});

describe('after the first paint', () => {
	it('waits for it, and is done once', () => {
		const run = vi.fn();
		afterFirstPaint(run);
		vi.advanceTimersByTime(500);
		expect(run).not.toHaveBeenCalled();
		paint();
		vi.advanceTimersByTime(0);
		expect(run).toHaveBeenCalledTimes(1);
		paint();
		vi.advanceTimersByTime(5000);
		expect(run).toHaveBeenCalledTimes(1);
	});

	it('other paints are not the first', () => {
		const run = vi.fn();
		afterFirstPaint(run);
		observers.forEach((tell) => tell());
		vi.advanceTimersByTime(900);
		expect(run).not.toHaveBeenCalled();
	});

	it('what was painted already is not waited for; but never within the call', () => {
		painted = true;
		const run = vi.fn();
		afterFirstPaint(run);
		expect(run).not.toHaveBeenCalled();
		vi.advanceTimersByTime(0);
		expect(run).toHaveBeenCalledTimes(1);
	});

	it('a browser that does not tell is given a second', () => {
		vi.stubGlobal('PerformanceObserver', undefined);
		const run = vi.fn();
		afterFirstPaint(run);
		vi.advanceTimersByTime(999);
		expect(run).not.toHaveBeenCalled();
		vi.advanceTimersByTime(2);
		expect(run).toHaveBeenCalledTimes(1);
	});

	it('parts are fetched each, also when one does not come', async () => {
		painted = true;
		const second = vi.fn(() => Promise.resolve());
		fetchAfterPaint(() => Promise.reject(new Error('away')), second);
		await vi.advanceTimersByTimeAsync(0);
		expect(second).toHaveBeenCalledTimes(1);
	});
});
