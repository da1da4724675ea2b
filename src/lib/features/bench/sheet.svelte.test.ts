import { cleanup, fireEvent, render, screen, within } from '@testing-library/svelte';
import { afterEach, describe, expect, it } from 'vitest';
import type { ShakePreset } from 'dinesis-runtime';
import { newLayer, newPreset, type Layer } from 'dinesis-runtime/tools';
import BeginsSelect from './BeginsSelect.svelte';
import ChannelGrid from './ChannelGrid.svelte';
import LayerTabs from './LayerTabs.svelte';

afterEach(cleanup);
const channel = (amplitude: number, frequency = 5) => ({ amplitude, frequency, start: 'random' as const });
const layer: Layer = { ...newLayer('a'), channels: { x: channel(0.2), y: channel(0.1), roll: channel(0) } };

describe('the channels of a layer', () => {
	function begin(of: Layer = layer, keyed: 'x' | null = null) {
		let now = of;
		const steps: { label: string; done: boolean }[] = [];
		const opened: string[] = [];
		const { rerender } = render(ChannelGrid, {
			view: 'space',
			layer: of,
			keyed,
			onkeys: (name) => void opened.push(name),
			onchange: (label, recipe, _, done) => {
				now = recipe(now);
				steps.push({ label, done });
			}
		});
		return { steps, opened, rerender, now: () => now };
	}
	const field = (name: string) => screen.getByRole('spinbutton', { name });
	const set = async (name: string, value: string) => {
		await fireEvent.keyDown(field(name), { key: 'Enter' });
		const entry = screen.getByRole('textbox');
		await fireEvent.input(entry, { target: { value } });
		await fireEvent.keyDown(entry, { key: 'Enter' });
	};

	it('one row for each of the view; what is off has no numbers', () => {
		begin();
		expect(screen.getAllByRole('switch').map((s) => s.getAttribute('aria-checked'))).toEqual([
			...['true', 'true', 'false', 'false', 'false', 'true', 'false']
		]);
		expect(screen.getAllByRole('spinbutton')).toHaveLength(6);
	});

	it('a switch turns one on and off', async () => {
		const { now, steps } = begin();
		await fireEvent.click(screen.getAllByRole('switch')[2]!);
		expect(now().channels.z).toBeDefined();
		await fireEvent.click(screen.getAllByRole('switch')[0]!);
		expect(now().channels.x).toBeUndefined();
		expect(steps.map(({ done }) => done)).toEqual([true, true]);
	});

	it('a number is set for its channel alone; linked, amplitudes keep their proportions', async () => {
		const { now, rerender } = begin();
		const [x, y] = screen.getAllByRole('spinbutton', { name: /^Amplitude of/ });
		const nameOf = (box: HTMLElement) => box.getAttribute('aria-label')!;
		await set(nameOf(x!), '0.4');
		expect([now().channels.x!.amplitude, now().channels.y!.amplitude]).toEqual([0.4, 0.1]);
		await rerender({ layer: now() });
		await fireEvent.click(screen.getByRole('button', { name: 'amplitude' }));
		await set(nameOf(y!), '0.2');
		expect(now().channels.y!.amplitude).toBeCloseTo(0.2, 9);
		expect(now().channels.x!.amplitude).toBeCloseTo(0.8, 9);
	});

	it('rows that are marked are turned together, a family with one press', async () => {
		const { now, rerender } = begin({ ...layer, channels: { x: channel(0.2), y: channel(0.1), roll: channel(2) } });
		const [x] = screen.getAllByRole('spinbutton', { name: /^Frequency of/ });
		await fireEvent.click(screen.getByRole('button', { name: 'Turn position together' }));
		await fireEvent.click(screen.getByRole('checkbox', { name: /^Turn roll/ }));
		await set(x!.getAttribute('aria-label')!, '9');
		expect(Object.values(now().channels).map(({ frequency }) => frequency)).toEqual([9, 9, 9]);
		await rerender({ layer: now() });
		await fireEvent.click(screen.getByRole('button', { name: 'Turn position together' }));
		await set(x!.getAttribute('aria-label')!, '4');
		expect(Object.values(now().channels).map(({ frequency }) => frequency)).toEqual([4, 9, 9]);
	});

	it('poses instead of a frequency on a keys layer, and what is off in one row', async () => {
		const keys: Layer = { ...layer, pattern: { kind: 'keys', loop: false, tracks: {} } as unknown as Layer['pattern'] };
		const { opened, now } = begin(keys, 'x');
		expect(screen.queryByRole('spinbutton', { name: /^Frequency/ })).toBeNull();
		const poses = screen.getAllByRole('button', { name: 'poses' });
		expect(poses.map((b) => b.getAttribute('aria-pressed'))).toEqual(['true', 'false', 'false']);
		await fireEvent.click(poses[1]!);
		expect(opened).toEqual(['y']);
		const off = screen.getAllByRole('switch', { checked: false });
		expect(new Set(off.map((s) => s.closest('tr'))).size).toBe(1);
		await fireEvent.click(off[0]!);
		expect(now().channels.z).toBeDefined();
	});
});

describe('where a channel begins', () => {
	it('offers a quarter turn at a time; a phase of a file that is none of them stays', async () => {
		const chosen: unknown[] = [];
		const { rerender } = render(BeginsSelect, {
			label: 'Where x begins',
			start: 'random',
			onchange: (start) => void chosen.push(start)
		});
		const box = screen.getByRole<HTMLSelectElement>('combobox', { name: 'Where x begins' });
		const labels = () => [...box.options].map((o) => o.label);
		expect(labels()).toEqual(['anywhere', 'at zero', 'at ¼ turn', 'at ½ turn', 'at ¾ turn']);
		await rerender({ start: 0.4 });
		expect(box.selectedOptions[0]!.label).toBe('at 0.4 turn');
		box.selectedIndex = 2;
		await fireEvent.change(box);
		// A number, not its text.
		expect(chosen).toEqual([0.25]);
	});
});

describe('the tabs of the layers', () => {
	function begin(chosen: string | null, solo: readonly string[] = []) {
		const preset: ShakePreset = {
			...newPreset('thud', 'Thud'),
			layers: [{ ...newLayer('a'), name: 'Blow' }, { ...newLayer('b'), name: 'Tail', mute: true }, newLayer('c')]
		};
		const opened: string[] = [];
		const orders: string[][] = [];
		render(LayerTabs, {
			preset,
			chosen,
			solo: new Set(solo),
			onchoose: (id) => void opened.push(id),
			onadd: () => void opened.push('+'),
			onchange: (_, recipe) => void orders.push(recipe(preset).layers.map(({ id }) => id))
		});
		const tabs = within(screen.getByRole('tablist', { name: 'Layers' })).getAllByRole('tab');
		return { tabs, opened, orders };
	}

	it('are named, with what is muted or alone; the chosen one, or the first, is the stop', () => {
		const { tabs } = begin('b', ['c']);
		expect(tabs.map((tab) => tab.textContent.trim())).toEqual([
			'Blow',
			'Tail, muted',
			expect.stringMatching(/3, alone$/)
		]);
		expect(tabs.map((tab) => tab.tabIndex)).toEqual([-1, 0, -1]);
		cleanup();
		expect(begin(null).tabs.map((tab) => tab.tabIndex)).toEqual([0, -1, -1]);
	});

	it('a press or an arrow chooses; the add button adds', async () => {
		const { tabs, opened } = begin('a');
		await fireEvent.click(tabs[1]!);
		await fireEvent.keyDown(tabs[1]!, { key: 'ArrowRight' });
		await fireEvent.keyDown(tabs[2]!, { key: 'Home' });
		await fireEvent.keyDown(tabs[0]!, { key: 'Enter' });
		await fireEvent.click(screen.getByRole('button', { name: 'layer' }));
		expect(opened).toEqual(['b', 'c', 'a', 'a', '+']);
		expect(document.activeElement).toBe(tabs[0]);
	});

	it('Alt with an arrow moves one; an order has ends', async () => {
		const { tabs, orders } = begin('a');
		await fireEvent.keyDown(tabs[0]!, { key: 'ArrowRight', altKey: true });
		await fireEvent.keyDown(tabs[0]!, { key: 'ArrowLeft', altKey: true });
		await fireEvent.keyDown(tabs[2]!, { key: 'Home', altKey: true });
		expect(orders).toEqual([
			['b', 'a', 'c'],
			['c', 'a', 'b']
		]);
	});
});
