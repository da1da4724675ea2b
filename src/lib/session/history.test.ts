import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { History } from './history';

interface Doc {
	a: number;
	list: { id: string; n: number }[];
}
const start: Doc = { a: 1, list: [{ id: 'x', n: 0 }] };

describe('history', () => {
	it('undoes and redoes, and says what', () => {
		const h = new History(start);
		h.change('Amount', (d) => void (d.a = 2));
		h.change('Add', (d) => void d.list.push({ id: 'y', n: 1 }));
		expect([h.undoLabel, h.undo(), h.present.list.length]).toEqual(['Add', 'Add', 1]);
		expect([h.undo(), h.present]).toEqual(['Amount', start]);
		expect(h.undo()).toBeNull();
		expect([h.redo(), h.redo(), h.redo()]).toEqual(['Amount', 'Add', null]);
		expect(h.present).toEqual({
			a: 2,
			list: [
				{ id: 'x', n: 0 },
				{ id: 'y', n: 1 }
			]
		});
	});

	it('one drag is one step, and two drags are two', () => {
		const h = new History(start);
		for (let i = 1; i <= 500; i++) h.change('Drag', (d) => void (d.a = i * 2), 'a');
		h.seal();
		for (let i = 1; i <= 5; i++) h.change('Drag', (d) => void (d.a = -i), 'a');
		h.undo();
		expect(h.present.a).toBe(1000);
		h.undo();
		expect(h.present.a).toBe(1);
		h.redo();
		expect(h.present.a).toBe(1000);
	});

	it('joins a gesture that touches several places', () => {
		const h = new History(start);
		h.change('Both', (d) => void (d.a = 5), 'm');
		h.change('Both', (d) => void d.list.push({ id: 'z', n: 3 }), 'm');
		h.change('Both', (d) => void (d.list[1]!.n = 4), 'm');
		h.undo();
		expect(h.present).toEqual(start);
		h.redo();
		expect(h.present.list[1]).toEqual({ id: 'z', n: 4 });
	});

	it('a change that changes nothing is no step, a new change forgets what was undone', () => {
		const h = new History(start);
		expect(h.change('Nothing', (d) => void (d.a = 1))).toBe(false);
		h.change('One', (d) => void (d.a = 2));
		h.undo();
		h.change('Two', (d) => void (d.a = 3));
		expect(h.redoLabel).toBeNull();
	});

	it('undo passes by what came from elsewhere', () => {
		const h = new History(start);
		h.change('Mine', (d) => void (d.a = 9));
		h.accept((d) => void (d.list[0]!.n = 7));
		h.undo();
		expect(h.present).toEqual({ a: 1, list: [{ id: 'x', n: 7 }] });
	});

	it('all steps taken back give the beginning again, all done again give the end', () => {
		const step = fc.record({
			what: fc.integer({ min: 0, max: 3 }),
			n: fc.integer(),
			mark: fc.option(fc.constant('m'))
		});
		fc.assert(
			fc.property(fc.array(step, { maxLength: 30 }), (steps) => {
				const h = new History(start);
				for (const { what, n, mark } of steps)
					h.change(
						'Step',
						(d) => {
							if (what === 0) d.a = n;
							else if (what === 1) d.list.push({ id: 'n', n });
							else if (what === 2) d.list.pop();
							else d.list.reverse();
						},
						mark
					);
				const end = h.present;
				while (h.undo() !== null);
				expect(h.present).toEqual(start);
				while (h.redo() !== null);
				expect(h.present).toEqual(end);
			}),
			{ seed: 48 }
		);
	});

	it('takes back what was done outside the document, in its turn', () => {
		const history = new History({ a: 1 });
		let lamp = 'lit';
		history.change('a', (d) => void (d.a = 2));
		lamp = 'out';
		history.note('put it out', { undo: () => (lamp = 'lit'), redo: () => (lamp = 'out') });
		expect(history.undo()).toBe('put it out');
		expect([lamp, history.present.a]).toEqual(['lit', 2]);
		expect(history.undo()).toBe('a');
		history.redo();
		expect(history.redo()).toBe('put it out');
		expect([lamp, history.present.a]).toEqual(['out', 2]);
	});

	it('gathers what is done together into one step, with what was done outside the document', () => {
		const history = new History({ a: 1, b: 1 });
		const said: string[] = [];
		const made = history.group('bring in', () => {
			history.note('come', { undo: () => said.push('gone'), redo: () => said.push('come') });
			history.change('a', (d) => void (d.a = 2), 'm');
			history.change('b', (d) => void (d.b = 2), 'm');
		});
		expect([made, history.undoLabel]).toEqual([true, 'bring in']);
		expect(history.undo()).toBe('bring in');
		expect([history.present, said]).toEqual([{ a: 1, b: 1 }, ['gone']]);
		expect(history.redo()).toBe('bring in');
		expect([history.present, said]).toEqual([{ a: 2, b: 2 }, ['gone', 'come']]);
		expect(history.undo()).toBe('bring in');
		expect([history.undoLabel, history.group('nothing', () => {})]).toEqual([null, false]);
	});

	it('a gathered step of which a part no longer fits does nothing at all', () => {
		const history = new History<{ a: number; list: { n: number }[] }>({ a: 1, list: [{ n: 1 }] });
		let acted = 0;
		history.group('both', () => {
			history.note('act', { undo: () => acted++, redo: () => acted++ });
			history.change('n', (d) => void (d.list[0]!.n = 2));
			history.change('a', (d) => void (d.a = 2));
		});
		history.accept((d) => void (d.list = []));
		expect(history.undo()).toBe(null);
		expect([history.present, acted]).toEqual([{ a: 2, list: [] }, 0]);
	});
});
