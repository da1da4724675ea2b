import { readFileSync } from 'node:fs';
import { describe, expect, it } from 'vitest';
import fc from 'fast-check';
import { newCue, newLayer, newPlay, newPreset } from 'dinesis-runtime/tools';
import type { Cue, ShakePreset } from 'dinesis-runtime';
import { documentOf, planOfKind, treeOf, type AnyDocument, type KindName } from '../kinds';
import type { Course } from '../course-types';
import { newCourse } from '../new-course';
import { readKit } from '../read';
import { changedBy, compare, inverse, joined, overlap, valueAt, type FieldChange } from './changes';
import type { Tree } from './tree';

const read = readKit(readFileSync('demo/lamp-at-morrowskerry.kit.json', 'utf8'));
if (!read.ok) throw new Error('the demo does not read');
const demo = read.value;
const everything: [KindName, AnyDocument][] = [
	...demo.presets.map((p): [KindName, AnyDocument] => [p.family, p]),
	...demo.cues.map((d): [KindName, AnyDocument] => ['cue', d]),
	...demo.rigs.map((d): [KindName, AnyDocument] => ['rig', d]),
	...demo.events.map((d): [KindName, AnyDocument] => ['event', d]),
	...demo.parameters.map((d): [KindName, AnyDocument] => ['value', d]),
	...demo.courses.map((d): [KindName, AnyDocument] => ['course', d]),
	['project', { id: 'project', world: demo.world, carried: { note: [1, { deep: true }] } } as AnyDocument]
];

/** Changes a document as a room would, and gives what is found of it and the tree after it. */
function edit<T extends AnyDocument>(kind: KindName, tree: Tree, recipe: (document: T) => T) {
	const view = documentOf<T>(kind, tree);
	const next = recipe(view);
	let count = 0;
	const changes = compare(planOfKind(kind), tree, view, next, () => `new${count++}`);
	return { changes, next, tree: changedBy(tree, changes)! };
}
const layered = (...ids: string[]): ShakePreset => ({ ...newPreset('thud', 'Thud'), layers: ids.map(newLayer) });
const places = (changes: readonly FieldChange[]): string[] => changes.map(({ path }) => path.join('/'));

describe('a kept document', () => {
	it.each(everything)('of kind %s shows what was put in, and the same object each time', (kind, document) => {
		const tree = treeOf(kind, document);
		expect(documentOf(kind, tree)).toEqual(document);
		expect(Object.keys(documentOf(kind, tree))).toEqual(Object.keys(document));
		expect(documentOf(kind, tree)).toBe(documentOf(kind, tree));
		expect(JSON.parse(JSON.stringify(tree))).toEqual(tree);
	});

	it('gives entries without ids 1, 2, 3 in their order, each time the same', () => {
		const walk: Course = {
			...newCourse('walk', 'Walk'),
			path: [
				{ x: 0, y: 0, z: 0, speed: 1, pause: 0 },
				{ x: 9, y: 0, z: 0, speed: 1, pause: 0 }
			]
		};
		const tree = treeOf('course', walk);
		expect(Object.keys(valueAt(tree, ['path']) as object)).toEqual(['1', '2']);
		expect(valueAt(tree, ['path', '2', 'is', 'x'])).toBe(9);
		expect(treeOf('course', walk)).toEqual(tree);
	});

	it('keeps what its shape does not know, also under names that look like its own', () => {
		const odd = { ...newPreset('p', 'P'), order: 'mine', is: { is: [1] }, layers: [{ ...newLayer('a'), order: 3 }] };
		expect(documentOf('shake', treeOf('shake', odd))).toEqual(odd);
	});
});

describe('what is found of a change', () => {
	it('is one field for one number, wherever it stands', () => {
		const tree = treeOf('shake', layered('a', 'b'));
		const amount = edit<ShakePreset>('shake', tree, (p) => ({ ...p, amount: 3 }));
		expect(amount.changes).toEqual([{ path: ['amount'], to: 3 }]);
		const inner = edit<ShakePreset>('shake', tree, (p) => ({
			...p,
			layers: p.layers.map((layer) => (layer.id === 'b' ? { ...layer, amount: 0.5 } : layer))
		}));
		expect(inner.changes).toEqual([{ path: ['layers', 'b', 'is', 'amount'], to: 0.5 }]);
	});

	it('is nothing when nothing differs', () => {
		const tree = treeOf('shake', layered('a'));
		expect(edit<ShakePreset>('shake', tree, (p) => structuredClone(p)).changes).toEqual([]);
		expect(edit<ShakePreset>('shake', tree, (p) => ({ ...p, seed: undefined as never })).changes).toEqual([
			{ path: ['seed'] }
		]);
	});

	it('takes curves, eases, and ways that were recorded as one field each', () => {
		const tree = treeOf('course', {
			...newCourse('c', 'C'),
			values: [{ parameter: 'cold', points: [{ at: 0, value: 0 }] }],
			trace: { hz: 30, poses: [0, 0, 0, 0, 0] }
		} as Course);
		const { changes } = edit<Course>('course', tree, (c) => ({
			...c,
			values: c.values.map((v) => ({ ...v, points: [...v.points, { at: 1, value: 1 }] })),
			trace: { ...c.trace!, hz: 60 }
		}));
		expect(places(changes).sort()).toEqual(['trace', 'values/1/is/points']);
	});

	it('takes a pattern of another kind as one field, so that no mixture of two can come of it', () => {
		const tree = treeOf('shake', layered('a'));
		const { changes } = edit<ShakePreset>('shake', tree, (p) => ({
			...p,
			layers: p.layers.map((layer) => ({ ...layer, pattern: { kind: 'kick', damping: 0.2 } as never }))
		}));
		expect(places(changes)).toEqual(['layers/a/is/pattern']);
	});

	it('moves an entry by one key, and leaves the others where they are', () => {
		const tree = treeOf('shake', layered('a', 'b', 'c', 'd'));
		const moved = edit<ShakePreset>('shake', tree, (p) => {
			const [a, ...rest] = p.layers;
			return { ...p, layers: [...rest, a!] };
		});
		expect(places(moved.changes)).toEqual(['layers/a/order']);
		expect(documentOf<ShakePreset>('shake', moved.tree).layers.map((l) => l.id)).toEqual(['b', 'c', 'd', 'a']);
	});

	it('knows places of a path again when one is put in between, and gives the new one an id of its own', () => {
		const point = (x: number) => ({ x, y: 0, z: 0, speed: 1, pause: 0 });
		const tree = treeOf('course', { ...newCourse('c', 'C'), path: [point(0), point(1), point(2)] } as Course);
		const put = edit<Course>('course', tree, (c) => ({ ...c, path: [c.path[0]!, point(9), ...c.path.slice(1)] }));
		expect(places(put.changes)).toEqual(['path/new0']);
		const out = edit<Course>('course', put.tree, (c) => ({ ...c, path: c.path.filter((p) => p.x !== 1) }));
		expect(places(out.changes)).toEqual(['path/2']);
		const pulled = edit<Course>('course', put.tree, (c) => ({
			...c,
			path: c.path.map((p) => (p.x === 2 ? { ...p, x: 5 } : p))
		}));
		expect(pulled.changes).toEqual([{ path: ['path', '3', 'is', 'x'], to: 5 }]);
	});

	it('of an action of a cue goes by the action, though two were exchanged', () => {
		const two: Cue = { ...newCue('c', 'hit', 'thud'), actions: [newPlay('a', '1'), newPlay('b', '2')] };
		const tree = treeOf('cue', two);
		const { tree: after } = edit<Cue>('cue', tree, (c) => ({ ...c, actions: [c.actions[1]!, c.actions[0]!] }));
		const { changes } = edit<Cue>('cue', after, (c) => ({
			...c,
			actions: c.actions.map((action) => (action.id === '1' ? { ...action, delay: 2 } : action))
		}));
		expect(places(changes)).toEqual(['actions/1/is/delay']);
	});
});

/** Random changes of a shake: numbers, names, layers put in, out, moved and changed. */
const edits = fc.array(
	fc.record({ what: fc.nat(6), at: fc.nat(9), to: fc.double({ min: 0, max: 10, noNaN: true }), on: fc.nat(9) }),
	{ minLength: 1, maxLength: 6 }
);
function editedBy(preset: ShakePreset, list: readonly { what: number; at: number; to: number; on: number }[]) {
	let count = 0;
	return list.reduce<ShakePreset>((p, { what, at, to, on }) => {
		const layers = [...p.layers];
		const i = layers.length > 0 ? at % layers.length : 0;
		if (what === 0) return { ...p, amount: to };
		if (what === 1) return { ...p, name: `N${to}`, timing: { ...p.timing, duration: to + 1 } };
		if (what === 2) layers.splice(on % (layers.length + 1), 0, newLayer(`in${at}-${count++}`));
		else if (layers.length === 0) return p;
		else if (what === 3) layers.splice(i, 1);
		else if (what === 4) layers.splice(on % layers.length, 0, ...layers.splice(i, 1));
		else if (what === 5) layers[i] = { ...layers[i]!, amount: to };
		else layers[i] = { ...layers[i]!, channels: { [on % 2 ? 'x' : 'roll']: { amplitude: to, frequency: 1 } } as never };
		return { ...p, layers };
	}, preset);
}

describe('changes by field, whatever was changed', () => {
	it('make the one document out of the other', () => {
		fc.assert(
			fc.property(edits, edits, (first, second) => {
				const before = edit<ShakePreset>('shake', treeOf('shake', layered('a', 'b', 'c')), (p) => editedBy(p, first));
				const { next, tree } = edit<ShakePreset>('shake', before.tree, (p) => editedBy(p, second));
				expect(documentOf('shake', tree)).toEqual(next);
			})
		);
	});

	it('are taken back by their inverse', () => {
		fc.assert(
			fc.property(edits, (list) => {
				const tree = treeOf('shake', layered('a', 'b', 'c'));
				const { changes, tree: after } = edit<ShakePreset>('shake', tree, (p) => editedBy(p, list));
				const back = changedBy(after, inverse(tree, changes));
				expect(documentOf('shake', back)).toEqual(documentOf('shake', tree));
			})
		);
	});

	it('of two people that do not overlap come to the same in either order, and hold both', () => {
		fc.assert(
			fc.property(edits, edits, (mine, theirs) => {
				const tree = treeOf('shake', layered('a', 'b', 'c'));
				const a = edit<ShakePreset>('shake', tree, (p) => editedBy(p, mine)).changes;
				const b = edit<ShakePreset>('shake', tree, (p) => editedBy(p, theirs)).changes;
				fc.pre(!a.some((x) => b.some((y) => overlap(x.path, y.path))));
				const one = changedBy(changedBy(tree, a)!, b)!;
				expect(documentOf('shake', one)).toEqual(documentOf('shake', changedBy(changedBy(tree, b)!, a)));
				for (const { path, to } of [...a, ...b]) expect(valueAt(one, path)).toEqual(to);
			})
		);
	});

	it('joined onto earlier ones come to what both would, in fewer', () => {
		fc.assert(
			fc.property(edits, edits, (first, second) => {
				const tree = treeOf('shake', layered('a', 'b'));
				const one = edit<ShakePreset>('shake', tree, (p) => editedBy(p, first));
				const two = edit<ShakePreset>('shake', one.tree, (p) => editedBy(p, second));
				const both = joined(one.changes, two.changes);
				expect(both.length).toBeLessThanOrEqual(one.changes.length + two.changes.length);
				const after = changedBy(tree, both);
				expect(documentOf('shake', after)).toEqual(two.next);
			})
		);
	});
});

describe('a change that has no place any more', () => {
	it('is none: within an entry that was taken out, or beneath a number', () => {
		const tree = treeOf('shake', layered('a'));
		expect(changedBy(tree, [{ path: ['layers', 'b', 'is', 'amount'], to: 2 }])).toBeNull();
		expect(changedBy(tree, [{ path: ['amount', 'deeper'], to: 2 }])).toBeNull();
		expect(changedBy(tree, [{ path: [] }])).toBeNull();
	});

	it('reaches no prototype', () => {
		expect(changedBy({}, [{ path: ['__proto__', 'x'], to: 1 }])).toBeNull();
		expect(changedBy({ a: {} }, [{ path: ['a', '__proto__'], to: { x: 1 } }])).toBeNull();
		expect(changedBy({}, [{ path: ['constructor', 'prototype'], to: 1 }])).toBeNull();
	});
});

it('two places overlap when one holds the other', () => {
	expect(overlap(['a'], ['a', 'b'])).toBe(true);
	expect(overlap(['a', 'b'], ['a'])).toBe(true);
	expect(overlap(['a', 'b'], ['a', 'c'])).toBe(false);
	expect(overlap([], ['a'])).toBe(true);
});
