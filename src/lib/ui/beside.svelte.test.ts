import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { keepBeside } from './beside';

const at = (left: number, top: number, width: number, height: number) =>
	({ left, top, width, height, right: left + width, bottom: top + height, x: left, y: top }) as DOMRect;
let anchor: HTMLElement;
let panel: HTMLElement;
const standsAt = (): [number, number] => [parseFloat(panel.style.left), parseFloat(panel.style.top)];

beforeEach(() => {
	vi.stubGlobal('innerWidth', 1000);
	// The page as what places panels sees it.
	for (const [name, value] of [
		['clientWidth', 1000],
		['clientHeight', 800]
	] as const)
		Object.defineProperty(document.documentElement, name, { value, configurable: true });
	vi.stubGlobal(
		'ResizeObserver',
		class {
			observe = () => undefined;
			unobserve = () => undefined;
			disconnect = () => undefined;
		}
	);
	vi.stubGlobal(
		'IntersectionObserver',
		class {
			observe = () => undefined;
			disconnect = () => undefined;
		}
	);
	anchor = document.body.appendChild(document.createElement('button'));
	panel = document.body.appendChild(document.createElement('div'));
	Object.defineProperty(panel, 'offsetWidth', { value: 200 });
	Object.defineProperty(panel, 'offsetHeight', { value: 100 });
	panel.getBoundingClientRect = () => at(0, 0, 200, 100);
});
afterEach(() => {
	document.body.replaceChildren();
	vi.unstubAllGlobals();
});

describe('a panel beside what it belongs to', () => {
	it('stands below it at once, before anything is fetched', () => {
		anchor.getBoundingClientRect = () => at(300, 50, 80, 20);
		keepBeside(anchor, panel, { gap: 6 })();
		expect(standsAt()).toEqual([300, 76]);
	});

	it('ends where it ends, when it is asked to', () => {
		anchor.getBoundingClientRect = () => at(300, 50, 80, 20);
		keepBeside(anchor, panel, { gap: 4, align: 'right' })();
		expect(standsAt()).toEqual([180, 74]);
	});

	it.each([
		['left', -30, 8],
		['right', 950, 792]
	])('stays on the page at its %s edge', (_, left, wanted) => {
		anchor.getBoundingClientRect = () => at(left, 50, 80, 20);
		keepBeside(anchor, panel, { gap: 6 })();
		expect(standsAt()[0]).toBe(wanted);
	});

	it('let go before what places it has come, it is not moved any more', async () => {
		anchor.getBoundingClientRect = () => at(300, 50, 80, 20);
		keepBeside(anchor, panel, { gap: 6 })();
		anchor.getBoundingClientRect = () => at(500, 50, 80, 20);
		await import('@floating-ui/dom');
		await new Promise((done) => setTimeout(done, 0));
		window.dispatchEvent(new Event('resize'));
		await new Promise((done) => setTimeout(done, 0));
		expect(standsAt()).toEqual([300, 76]);
	});

	it('follows what it belongs to when the page changes', async () => {
		anchor.getBoundingClientRect = () => at(300, 50, 80, 20);
		const stop = keepBeside(anchor, panel, { gap: 6 });
		await import('@floating-ui/dom');
		await new Promise((done) => setTimeout(done, 0));
		anchor.getBoundingClientRect = () => at(420, 90, 80, 20);
		window.dispatchEvent(new Event('resize'));
		await vi.waitFor(() => expect(standsAt()).toEqual([420, 116]));
		stop();
	});
});
