import { describe, expect, it } from 'vitest';
import fc from 'fast-check';
import type { ShakePreset } from 'dinesis-runtime';
import { newLayer, newPreset } from 'dinesis-runtime/tools';
import {
	byPlace,
	creation,
	newUuid,
	openDocument,
	overlap,
	shownOfHeld,
	valueAt,
	type AnyDocument
} from '$lib/documents';
import { amount, Editor, makeServer, rate } from './testing/editor.svelte';
import { Outbox, type Shelter } from './outbox.svelte';
import { WorkingCopy, type Kept } from './working-copy.svelte';

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
					else if (what === 'undo' || what === 'redo') {
						editor.copy.bring(server.named(editor.copy.lackingFor(what)));
						editor.copy.turn(what);
					} else if (what === 'send') editor.send();
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
						again.fetch();
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
					for (const held of server.all) {
						const here = editor.copy.get(held.uuid);
						// What is out of use is here only where it was in use once.
						if (here || !held.retired) expect(shownOfHeld(here!)).toEqual(shownOfHeld(held));
					}
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
	leave(kept: Kept): void {
		this.keptLast = kept;
	}
	load(): Promise<Kept | null> {
		return Promise.resolve(this.first);
	}
	orphans() {
		return Promise.resolve({ pending: [], done: () => Promise.resolve() });
	}
	close(): void {}
}

it('who waits until all is kept is told once the server has it, and at once where it does not answer', async () => {
	const server = makeServer();
	let box: Outbox | null = null;
	const copy = new WorkingCopy('one', server.all, 0, { changed: () => undefined, stirred: () => box?.stirred() });
	box = new Outbox(copy, server.line(), { who: () => '', say: () => undefined, nameOf: () => 'it' });
	void box.open(new NoShelter());
	expect(await box.settled()).toBe(true);
	const { uuid } = copy.find(['shake'], 'thud')!;
	const set = (to: number) =>
		copy.change('Amount', [{ document: uuid, fields: [{ path: ['body', 'amount'], to }] }], 'drag');
	set(1.5);
	set(1.7);
	expect(await box.settled()).toBe(true);
	expect(shownOfHeld<ShakePreset & AnyDocument>(server.find('thud')).amount).toBe(1.7);
	server.away = true;
	set(1.9);
	expect(await box.settled()).toBe(false);
	box.close();
});

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
