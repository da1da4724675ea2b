import { describe, expect, it } from 'vitest';
import fc from 'fast-check';
import type { ShakePreset } from 'dinesis-runtime';
import { newLayer, newPreset } from 'dinesis-runtime/tools';
import {
	byPlace,
	creation,
	fieldsTowards,
	newUuid,
	openDocument,
	overlap,
	shownOfHeld,
	valueAt,
	type AnyDocument,
	type ChangePart,
	type Held
} from '$lib/documents';
import { MemoryServer } from './testing/memory-server';
import { Outbox, type Shelter } from './outbox.svelte';
import { WorkingCopy, type Kept } from './working-copy.svelte';

const thud: ShakePreset = { ...newPreset('thud', 'Thud'), layers: [newLayer('a'), newLayer('b')] };
const makeServer = (): MemoryServer =>
	new MemoryServer([
		['shake', thud],
		['shake', newPreset('hum', 'Hum')]
	]);

/** A window: its copy, and sending by hand. */
class Editor {
	readonly copy: WorkingCopy;
	online = true;
	kept: Kept | null = null;

	constructor(
		readonly server: MemoryServer,
		readonly name: string
	) {
		this.copy = new WorkingCopy(name, server.all, server.number, {
			changed: () => undefined,
			stirred: () => undefined
		});
	}

	held(id: string): Held {
		return this.copy.find(['shake'], id)!;
	}

	shown(id = 'thud'): ShakePreset {
		return shownOfHeld<ShakePreset & AnyDocument>(this.held(id));
	}

	edit(
		id: string,
		recipe: (preset: ShakePreset) => ShakePreset,
		mark: string | null = null,
		label = 'Change'
	): boolean {
		const held = this.held(id);
		return this.copy.change(
			label,
			[{ document: held.uuid, fields: fieldsTowards(held, recipe(this.shown(id))) }],
			mark
		);
	}

	/** Sends one change, if there is one and the line holds. */
	send(answerLost = false): void {
		const next = this.online ? this.copy.next() : null;
		if (!next) return;
		const { change, note, parts } = next;
		const sent = { change, note, window: this.name, who: this.name, gesture: '', seen: this.copy.seen, parts };
		// One that is sent again stands as it did then; somebody may have changed it since.
		const again = this.server.changes.some((made) => made.change === change);
		const answer = this.server.make(JSON.parse(JSON.stringify(sent)));
		if (answer.ok && !again) this.expectThere(parts);
		if (answerLost) return;
		if (answer.ok) {
			this.copy.hear(answer.value.changes);
			this.copy.acknowledge(change);
			return;
		}
		const { refusals, changes } = (answer as unknown as { body: { refusals: never[]; changes: never[] } }).body;
		this.copy.hear(changes);
		this.copy.refuse(change, refusals);
	}

	/** What the server has taken stands there, field by field, as it was sent; ids and places of new documents are the server's to give. */
	private expectThere(parts: readonly ChangePart[]): void {
		for (const { document, fields } of parts)
			fields.forEach(({ path, to }, i) => {
				if (fields.slice(i + 1).some((later) => overlap(later.path, path))) return;
				const there = valueAt(this.server.documents.get(document), path);
				if (path.length > 0) return expect(there).toEqual(to);
				const { body } = to as Held;
				expect((there as Held).body).toEqual({ ...(body as object), id: (there as Held).id });
			});
	}

	/** What is shown is what the server has, but for what is still to be sent. */
	expectAlike(): void {
		if (!this.copy.isIdle || this.copy.seen < this.server.number) return;
		for (const held of this.server.all) expect(this.copy.get(held.uuid)?.body).toEqual(held.body);
	}

	hear(): void {
		if (this.online) this.copy.hear(this.server.changes.slice(this.copy.seen));
	}

	sendAll(): void {
		for (let i = 0; i < 1000 && !this.copy.isIdle; i++) this.send();
	}
}

const amount = (value: number) => (preset: ShakePreset) => ({ ...preset, amount: value });
const rate = (value: number) => (preset: ShakePreset) => ({ ...preset, rate: value });

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

/** One thing that somebody does. */
const acts = fc.array(
	fc.record({
		who: fc.nat(2),
		what: fc.constantFrom(
			'amount',
			'amount',
			'rate',
			'name',
			'layer',
			'add',
			'remove',
			'move',
			'new',
			'retire',
			'undo',
			'redo',
			'send',
			'send',
			'send',
			'lost',
			'hear',
			'hear',
			'drop',
			'back',
			'take',
			'leave',
			'reload'
		),
		on: fc.nat(3),
		to: fc.integer({ min: 0, max: 9 })
	}),
	{ minLength: 5, maxLength: 60 }
);

describe('three editors, whatever they do and whenever the line breaks', () => {
	it('nothing acknowledged or refused is lost, all come to the same, and every document is sound at every moment', () => {
		fc.assert(
			fc.property(acts, (list) => {
				const server = makeServer();
				const first = new Map(server.all.map((held) => [held.uuid, held]));
				const editors = ['one', 'two', 'three'].map((name) => new Editor(server, name));
				let count = 0;
				for (const { who, what, on, to } of list) {
					const editor = editors[who]!;
					const ids = editor.copy.list('shake').map((held) => held.id);
					const id = ids[on % Math.max(1, ids.length)];
					const layered = (recipe: (layers: ShakePreset['layers']) => ShakePreset['layers']): void => {
						if (id) editor.edit(id, (p) => ({ ...p, layers: recipe(p.layers) }));
					};
					if (what === 'amount' && id) editor.edit(id, amount(to), `amount ${id}`);
					else if (what === 'rate' && id) editor.edit(id, rate(to));
					else if (what === 'name' && id) editor.edit(id, (p) => ({ ...p, name: `N${to}` }));
					else if (what === 'layer') layered((l) => l.map((x, i) => (i === on ? { ...x, amount: to } : x)));
					else if (what === 'add') layered((l) => [...l.slice(0, on), newLayer(`l${count++}`), ...l.slice(on)]);
					else if (what === 'remove') layered((l) => l.filter((_, i) => i !== on));
					else if (what === 'move') layered((l) => [...l.slice(1), ...l.slice(0, 1)]);
					else if (what === 'new') {
						const uuid = newUuid();
						editor.copy.change('New', [{ document: uuid, fields: [creation('shake', newPreset('new', 'New'), 'zz')] }]);
					} else if (what === 'retire' && id)
						editor.copy.change('Out', [{ document: editor.held(id).uuid, fields: [{ path: ['retired'], to: true }] }]);
					else if (what === 'undo' || what === 'redo') editor.copy.turn(what);
					else if (what === 'send') editor.send();
					else if (what === 'lost') editor.send(true);
					else if (what === 'hear') editor.hear();
					else if (what === 'drop') editor.online = false;
					else if (what === 'back') editor.online = true;
					else if (what === 'take' && editor.copy.refused[0]) editor.copy.takeRefused(editor.copy.refused[0].id);
					else if (what === 'leave' && editor.copy.refused[0]) editor.copy.leaveRefused(editor.copy.refused[0].id);
					else if (what === 'reload' && editor.online) {
						const kept = JSON.parse(JSON.stringify(editor.copy.kept)) as Kept;
						const again = new Editor(server, editor.name);
						again.copy.goOn(kept);
						again.copy.loseTo(server.changes.slice(kept.seen));
						editors[who] = again;
					}
					for (const each of editors) each.expectAlike();
					for (const held of server.all)
						expect(openDocument(held.kind, structuredClone(shownOfHeld(held))).ok).toBe(true);
				}
				const unsent = editors.map((editor) => editor.copy.kept.pending);
				for (const editor of editors) {
					editor.online = true;
					editor.sendAll();
				}
				for (const editor of editors) {
					editor.hear();
					expect(editor.copy.isIdle).toBe(true);
				}
				// All windows show what the server has.
				for (const editor of editors)
					for (const held of server.all) expect(shownOfHeld(editor.copy.get(held.uuid)!)).toEqual(shownOfHeld(held));
				const inUse = server.all.filter((held) => !held.retired).sort(byPlace);
				for (const editor of editors)
					expect(editor.copy.list('shake').map((held) => held.uuid)).toEqual(inUse.map((held) => held.uuid));
				// What the server has is what its changes say: no acknowledged one was lost.
				for (const held of server.all) {
					const start = first.get(held.uuid);
					const all = server.changes.flatMap((c) => c.parts.filter((p) => p.document === held.uuid));
					const last = new Map<string, { path: readonly string[]; to: unknown; at: number }>();
					all.forEach((part, at) =>
						part.fields.forEach(({ path, to }) => {
							for (const [key, known] of last) if (overlap(known.path, path)) last.delete(key);
							last.set(path.join('/'), { path, to, at });
						})
					);
					for (const { path, to } of last.values()) if (path.length > 0) expect(valueAt(held, path)).toEqual(to);
					expect(held.version).toBe((start ? 1 : 0) + all.length);
				}
				// What was on its way is either in the changes, or waits beside its field.
				unsent.forEach((pending, i) => {
					for (const { parts, change } of pending) {
						if (server.changes.some((made) => made.change === change)) continue;
						for (const { document, fields } of parts)
							for (const { path, to } of fields) {
								const there = server.changes.some((made) =>
									made.parts.some((p) => p.document === document && p.fields.some((f) => overlap(f.path, path)))
								);
								const waits = editors[i]!.copy.refused.some((r) => r.document === document && overlap(r.path, path));
								const stands = JSON.stringify(valueAt(server.documents.get(document), path)) === JSON.stringify(to);
								expect(there || waits || stands).toBe(true);
							}
					}
				});
			}),
			{ numRuns: 1000 }
		);
	}, 120_000);
});

class NoShelter implements Shelter {
	keptLast: Kept | null = null;
	constructor(private readonly first: Kept | null = null) {}
	keep(kept: Kept): Promise<void> {
		this.keptLast = kept;
		return Promise.resolve();
	}
	load(): Promise<Kept | null> {
		return Promise.resolve(this.first);
	}
	orphans() {
		return Promise.resolve({ pending: [], done: () => Promise.resolve() });
	}
	close(): void {}
}

it('a thousand saves of two windows in between one another overwrite nothing silently', async () => {
	const server = makeServer();
	const said: string[] = [];
	const make = (name: string) => {
		const host = {
			who: () => name,
			say: (text: string) => said.push(text),
			nameOf: () => 'it'
		};
		let box: Outbox | null = null;
		const copy = new WorkingCopy(name, server.all, 0, { changed: () => undefined, stirred: () => box?.stirred() });
		box = new Outbox(copy, server.line(), host);
		server.listeners.add((number) => box.heardOf(number));
		void box.open(new NoShelter());
		return { copy, box };
	};
	const [one, two] = [make('one'), make('two')];
	const set = (copy: WorkingCopy, field: string, to: number): void => {
		const { uuid } = copy.find(['shake'], 'thud')!;
		// With a reason each is a change of its own, sent at once.
		copy.change(field, [{ document: uuid, fields: [{ path: ['body', field], to }] }], null, 'one of many');
	};
	const idle = async (): Promise<void> => {
		while (!one.copy.isIdle || !two.copy.isIdle) await new Promise((done) => setTimeout(done));
	};
	for (let i = 1; i <= 500; i++) {
		set(one.copy, 'amount', i / 100);
		set(two.copy, 'rate', i / 100);
		if (i % 10 === 0) await idle();
	}
	await idle();
	const shown = shownOfHeld<ShakePreset & AnyDocument>(server.find('thud'));
	expect([shown.amount, shown.rate, server.number]).toEqual([5, 5, 1000]);
	expect([one.copy.refused, two.copy.refused]).toEqual([[], []]);
	for (let i = 0; i < 20; i++) {
		set(one.copy, 'amount', 1 + i);
		set(two.copy, 'amount', 50 + i);
		await idle();
	}
	// Of each two that collide one holds and the other waits: two values are never gone.
	const refusals = one.copy.refused.length + two.copy.refused.length;
	expect(refusals).toBeGreaterThan(0);
	one.box.close();
	two.box.close();
});
