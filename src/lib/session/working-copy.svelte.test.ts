import { describe, expect, it } from 'vitest';
import { newLayer, newPreset } from 'dinesis-runtime/tools';
import { creation, newUuid, valueAt } from '$lib/documents';
import { amount, Editor, makeServer, rate } from './testing/editor.svelte';
import { type Kept } from './working-copy.svelte';

describe('two windows', () => {
	it('on different fields of one document: both hold, and nobody is asked', () => {
		const server = makeServer();
		const [one, two] = [new Editor(server, 'one'), new Editor(server, 'two')];
		one.edit('thud', amount(3));
		two.edit('thud', rate(2));
		one.send();
		two.send();
		one.hear();
		expect(one.shown()).toMatchObject({ amount: 3, rate: 2 });
		expect(two.shown()).toEqual(one.shown());
		expect([one.copy.refused, two.copy.refused]).toEqual([[], []]);
	});

	it('on one field: the acknowledged value holds everywhere, the other one waits beside it', () => {
		const server = makeServer();
		const [one, two] = [new Editor(server, 'one'), new Editor(server, 'two')];
		one.edit('thud', amount(3));
		two.edit('thud', (p) => ({ ...p, amount: 5, rate: 2 }));
		one.send();
		two.sendAll();
		expect(two.shown()).toMatchObject({ amount: 3, rate: 2 });
		expect(two.copy.refused).toMatchObject([{ path: ['body', 'amount'], mine: 5, who: 'one', reason: 'changed' }]);
		expect(two.copy.ackedValue(two.copy.refused[0]!)).toBe(3);
		const [waiting] = two.copy.refused;
		expect(two.copy.takeRefused(waiting!.id)).toBe(true);
		two.sendAll();
		one.hear();
		expect([one.shown().amount, two.shown().amount]).toEqual([5, 5]);
		expect(two.copy.refused).toEqual([]);
	});

	it('what waits is dropped at a press, and changes nothing', () => {
		const server = makeServer();
		const [one, two] = [new Editor(server, 'one'), new Editor(server, 'two')];
		one.edit('thud', amount(3));
		two.edit('thud', amount(5));
		one.send();
		two.sendAll();
		two.copy.leaveRefused(two.copy.refused[0]!.id);
		expect([two.shown().amount, two.copy.isIdle, two.copy.refused.length]).toEqual([3, true, 0]);
		expect(two.copy.takeRefused('no such')).toBe(false);
	});

	it('what one knows of is no collision: a change on top of another one’s holds', () => {
		const server = makeServer();
		const [one, two] = [new Editor(server, 'one'), new Editor(server, 'two')];
		one.edit('thud', amount(3));
		one.send();
		two.hear();
		two.edit('thud', amount(4));
		two.sendAll();
		one.hear();
		expect([one.shown().amount, two.shown().amount, two.copy.refused.length]).toEqual([4, 4, 0]);
	});

	it('a layer that one took out keeps no change that the other made in it, and it waits with its value', () => {
		const server = makeServer();
		const [one, two] = [new Editor(server, 'one'), new Editor(server, 'two')];
		one.edit('thud', (p) => ({ ...p, layers: p.layers.slice(0, 1) }));
		two.edit('thud', (p) => ({ ...p, layers: p.layers.map((l) => (l.id === 'b' ? { ...l, amount: 0.3 } : l)) }));
		one.send();
		two.sendAll();
		expect(two.shown().layers.map((l) => l.id)).toEqual(['a']);
		expect(two.copy.refused).toMatchObject([{ path: ['body', 'layers', 'b', 'is', 'amount'], mine: 0.3 }]);
		expect(two.copy.takeRefused(two.copy.refused[0]!.id)).toBe(false);
	});

	it('with one id for two new documents: each is found by its own once the server has settled it', () => {
		const server = makeServer();
		const [one, two] = [new Editor(server, 'one'), new Editor(server, 'two')];
		const make = (editor: Editor): void => {
			const uuid = newUuid();
			editor.copy.change('New', [{ document: uuid, fields: [creation('shake', newPreset('new', 'New'), 'zz')] }]);
		};
		make(one);
		one.sendAll();
		two.hear();
		make(two);
		two.sendAll();
		one.hear();
		for (const editor of [one, two]) {
			expect(editor.copy.list('shake').map((held) => held.id)).toEqual(['thud', 'hum', 'new', 'new-2']);
			expect(editor.held('new').uuid).not.toBe(editor.held('new-2').uuid);
		}
	});

	it('what is changed in a new document before it was sent goes with its making', () => {
		const server = makeServer();
		const [one, two] = [new Editor(server, 'one'), new Editor(server, 'two')];
		const uuid = newUuid();
		one.copy.change('New', [{ document: uuid, fields: [creation('shake', newPreset('new', 'New'), 'zz')] }]);
		one.edit('new', amount(7));
		one.edit('new', (p) => ({ ...p, layers: [newLayer('l')] }));
		one.edit('new', (p) => ({ ...p, layers: p.layers.map((layer) => ({ ...layer, amount: 0.25 })) }));
		const next = one.copy.next()!;
		expect(next.parts.map(({ fields, on }) => [fields.map(({ path }) => path), on])).toEqual([[[[]], undefined]]);
		one.sendAll();
		two.hear();
		for (const editor of [one, two]) {
			expect(editor.shown('new')).toMatchObject({ amount: 7, layers: [{ id: 'l', amount: 0.25 }] });
			expect(editor.copy.refused).toEqual([]);
		}
		one.copy.turn('undo');
		expect(one.shown('new').layers[0]!.amount).toBe(1);
	});

	it('an answer that was lost is asked for again, and the change made once', () => {
		const server = makeServer();
		const one = new Editor(server, 'one');
		one.edit('thud', amount(3));
		one.send(true);
		expect(one.copy.isIdle).toBe(false);
		one.send();
		expect([one.copy.isIdle, server.number, one.shown().amount]).toEqual([true, 1, 3]);
	});
});

describe('a drag', () => {
	it('is one step, and what has not been sent of it is one change', () => {
		const server = makeServer();
		const one = new Editor(server, 'one');
		for (const value of [1.1, 1.2, 1.3]) one.edit('thud', amount(value), 'amount');
		expect(one.copy.joins).toBe(2);
		one.send();
		expect(server.number).toBe(1);
		for (const value of [1.4, 1.5]) one.edit('thud', amount(value), 'amount');
		one.sendAll();
		expect([server.number, valueAt(server.find('thud').body, ['amount'])]).toEqual([2, 1.5]);
		one.copy.turn('undo');
		expect([one.shown().amount, one.copy.undoLabel]).toEqual([1, null]);
		one.copy.turn('redo');
		expect(one.shown().amount).toBe(1.5);
	});

	it('that goes on after a part of it was sent is one gesture; the next one is another', () => {
		const one = new Editor(makeServer(), 'one');
		const gesture = (): string => one.copy.kept.pending.at(-1)!.gesture;
		one.edit('thud', amount(2), 'amount');
		const first = gesture();
		one.send();
		one.edit('thud', amount(3), 'amount');
		expect([gesture() === first, first === '']).toEqual([true, false]);
		one.send();
		one.copy.seal();
		one.edit('thud', amount(4), 'amount');
		expect(gesture()).not.toBe(first);
		one.send();
		one.edit('thud', rate(4));
		expect(gesture()).toBe('');
	});

	it('that was let go is over: the next one is a step of its own', () => {
		const one = new Editor(makeServer(), 'one');
		one.edit('thud', amount(2), 'amount');
		one.copy.seal();
		one.edit('thud', amount(3), 'amount');
		one.copy.turn('undo');
		expect(one.shown().amount).toBe(2);
	});
});

describe('undo', () => {
	it('takes back one’s own fields only, and names those that stay', () => {
		const server = makeServer();
		const [one, two] = [new Editor(server, 'one'), new Editor(server, 'two')];
		one.edit('thud', (p) => ({ ...p, amount: 3, rate: 2 }), null, 'Both');
		one.sendAll();
		two.hear();
		two.edit('thud', rate(9));
		two.sendAll();
		one.hear();
		expect(one.copy.turn('undo')).toEqual({ label: 'Both', stayed: ['rate'], failed: false });
		expect(one.shown()).toMatchObject({ amount: 1, rate: 9 });
		one.sendAll();
		two.hear();
		expect(two.shown()).toMatchObject({ amount: 1, rate: 9 });
	});

	it('of what somebody changed since as a whole does nothing, and says so', () => {
		const server = makeServer();
		const [one, two] = [new Editor(server, 'one'), new Editor(server, 'two')];
		one.edit('thud', amount(3));
		one.sendAll();
		two.hear();
		two.edit('thud', amount(4));
		two.sendAll();
		one.hear();
		expect(one.copy.turn('undo')).toMatchObject({ stayed: ['amount'], failed: true });
		expect(one.shown().amount).toBe(4);
	});

	it('of a rig change deletes no cue of another window: other documents are left alone', () => {
		const server = makeServer();
		const [one, two] = [new Editor(server, 'one'), new Editor(server, 'two')];
		one.edit('thud', amount(3));
		one.sendAll();
		two.copy.change('New', [{ document: newUuid(), fields: [creation('shake', newPreset('new', 'New'), 'zz')] }]);
		two.sendAll();
		one.hear();
		one.copy.turn('undo');
		one.sendAll();
		expect(one.copy.list('shake').map((held) => held.id)).toEqual(['thud', 'hum', 'new']);
	});

	it('of a removal brings back id and order; of a creation takes it out of use; and again', () => {
		const server = makeServer();
		const one = new Editor(server, 'one');
		one.copy.change('Retire', [{ document: one.held('thud').uuid, fields: [{ path: ['retired'], to: true }] }]);
		one.sendAll();
		const ids = () => one.copy.list('shake').map((held) => held.id);
		expect(ids()).toEqual(['hum']);
		one.copy.turn('undo');
		expect(ids()).toEqual(['thud', 'hum']);
		const uuid = newUuid();
		one.copy.change('New', [{ document: uuid, fields: [creation('shake', newPreset('new', 'New'), 'zz')] }]);
		one.copy.turn('undo');
		expect(ids()).toEqual(['thud', 'hum']);
		one.copy.turn('redo');
		expect(ids()).toEqual(['thud', 'hum', 'new']);
		one.sendAll();
		expect(server.find('new').retired).toBe(false);
	});

	it('of several documents gathered into one is one step, and goes as one change', () => {
		const server = makeServer();
		const one = new Editor(server, 'one');
		one.copy.group('Two at once', () => {
			one.edit('thud', amount(3));
			one.edit('hum', amount(4));
			one.edit('thud', rate(2));
		});
		one.sendAll();
		expect(server.changes.map((change) => change.parts.length)).toEqual([2]);
		expect(one.copy.turn('undo')!.label).toBe('Two at once');
		expect([one.shown().amount, one.shown().rate, one.shown('hum').amount]).toEqual([1, 1, 1]);
	});

	it('does not try what was refused: it never was', () => {
		const server = makeServer();
		const [one, two] = [new Editor(server, 'one'), new Editor(server, 'two')];
		one.edit('thud', amount(3));
		two.edit('hum', amount(2));
		two.edit('thud', amount(5));
		one.send();
		two.sendAll();
		expect(two.copy.turn('undo')).toMatchObject({ failed: false });
		expect([two.shown('hum').amount, two.shown('thud').amount]).toEqual([1, 3]);
	});
});

describe('a page that is loaded again', () => {
	it('goes on with what it had not sent, its steps, and what was refused', () => {
		const server = makeServer();
		const [one, two] = [new Editor(server, 'one'), new Editor(server, 'two')];
		one.edit('thud', amount(3));
		one.sendAll();
		two.edit('thud', amount(4));
		two.sendAll();
		two.edit('thud', rate(2), null, 'Rate');
		const kept = JSON.parse(JSON.stringify(two.copy.kept)) as Kept;
		const again = new Editor(server, 'two');
		again.copy.goOn(kept);
		expect(again.shown()).toMatchObject({ amount: 3, rate: 2 });
		expect(again.copy.refused).toMatchObject([{ mine: 4 }]);
		again.sendAll();
		expect(valueAt(server.find('thud').body, ['rate'])).toBe(2);
		expect(again.copy.turn('undo')!.label).toBe('Rate');
		expect(again.shown().rate).toBe(1);
	});

	it('does not take back what others did meanwhile', () => {
		const server = makeServer();
		const one = new Editor(server, 'one');
		one.edit('thud', amount(3));
		one.sendAll();
		const kept = one.copy.kept;
		server.meddle('thud', ['body', 'amount'], 7);
		const again = new Editor(server, 'one');
		again.copy.goOn(kept);
		again.copy.loseTo(server.changes.slice(kept.seen));
		expect(again.copy.turn('undo')).toMatchObject({ failed: true, stayed: ['amount'] });
		expect(again.shown().amount).toBe(7);
	});
});
