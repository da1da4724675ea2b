import { describe, expect, it } from 'vitest';
import {
	boolean,
	check,
	either,
	fresh,
	id,
	kinds,
	list,
	number,
	object,
	oneOf,
	openAs,
	optional,
	orNull,
	own,
	placeOf,
	record,
	refuseDangerous,
	Report,
	required,
	ruled,
	text,
	withDefault,
	type Shape
} from './shape';

const said = (shape: Shape, value: unknown): string[] => {
	const report = new Report();
	check(shape, value, report);
	return report.problems.map(({ place, message }) => `${place} ${message}`.trim());
};

describe('what a value must look like', () => {
	it.each<[string, Shape, unknown, string[]]>([
		['a number', number('its size', 0, 5), 5, []],
		['a number too large', number('its size', 0, 5), 5.1, ['is 5.1; a number from 0 to 5 (its size) is needed']],
		['no number', number('its size', 0, 5), '3', ['is "3"; a number from 0 to 5 (its size) is needed']],
		['NaN', number('its size', 0, 5), NaN, ['is null; a number from 0 to 5 (its size) is needed']],
		[
			'a half',
			number('how many', 0, 5, { whole: true }),
			1.5,
			['is 1.5; a whole number from 0 to 5 (how many) is needed']
		],
		['yes', boolean('whether'), 'yes', ['is "yes"; true or false (whether) is needed']],
		['a text', text('a name', 3, 1), 'abc', []],
		['a long text', text('a name', 3, 1), 'abcd', ['is 4 characters long; at most 3 (a name) fit']],
		['spaces', text('a name', 3, 1), '  ', ['is empty; a name is needed']],
		['an id', id('of it'), 'a-9', []],
		['no id', id('of it'), 'A b', ['is "A b"; an id of 1 to 64 of a–z, 0–9 and "-" (of it) is needed']],
		['one of them', oneOf('which', ['a', 'b']), 'c', ['is "c"; one of "a", "b" is needed']],
		['null where it may be', orNull(id('of it')), null, []],
		['null alone', { kind: 'null' }, 0, ['is 0; null is needed']],
		['a set word', { kind: 'const', value: 'event' }, 'x', ['is "x"; "event" is needed']],
		['a list', list(number('n', 0, 1), { most: 2 }), [0, 2], ['[1] is 2; a number from 0 to 1 (n) is needed']],
		['a long list', list(number('n', 0, 1), { most: 2 }), [0, 0, 0], ['has 3 items; 0 to 2 are needed']],
		['no list', list(number('n', 0, 1)), {}, ['is an object; a list is needed']],
		[
			'a record',
			record(['a'], number('n', 0, 1)),
			{ a: 2, other: 'x' },
			['a is 2; a number from 0 to 1 (n) is needed']
		],
		[
			'a record of any names',
			record(null, number('n', 0, 1)),
			{ q: 'x' },
			['q is "x"; a number from 0 to 1 (n) is needed']
		],
		['its own check', own((v, r) => void (v === 7 || r.add('is not seven')), {}), 8, ['is not seven']]
	])('%s', (_, shape, value, problems) => expect(said(shape, value)).toEqual(problems));

	it('two of one id', () => {
		const items = list(object({ id: required(id('of it')) }), { unique: 'id' });
		expect(said(items, [{ id: 'a' }, { id: 'b' }, { id: 'a' }])).toEqual([
			'[2].id is "a", as in item 0; each needs one of its own'
		]);
	});

	it('objects told apart by their kind, and by a test', () => {
		const either1 = either('a number or a list', [
			{ when: (v) => typeof v === 'number', shape: number('n', 0, 1) },
			{ when: Array.isArray, shape: list(number('n', 0, 1)) }
		]);
		expect(said(either1, 'x')).toEqual(['is "x"; a number or a list is needed']);
		expect(said(either1, [2])).toEqual(['[0] is 2; a number from 0 to 1 (n) is needed']);
		const shapes = kinds({ a: object({ kind: required(oneOf('it', ['a'])), n: required(number('n', 0, 1)) }) });
		expect(said(shapes, { kind: 'a' })).toEqual(['n is missing; it is needed']);
		expect(said(shapes, { kind: 'toString' })).toEqual(['kind is "toString"; one of "a" is needed']);
		expect(said(shapes, 3)).toEqual(['is 3; an object with a "kind" is needed']);
	});

	it('a further rule is looked at once all else is sound, and what makes ready comes before', () => {
		const shape = ruled(
			object({ n: required(number('n', 0, 9)) }),
			(value, report) => void ((value as { n: number }).n > 5 && report.add('is too much')),
			(value) => void ((value as { n?: number }).n ??= 6)
		);
		expect(said(shape, {})).toEqual(['is too much']);
		expect(said(shape, { n: 'x' })).toHaveLength(1);
	});
});

describe('what is left out', () => {
	const shape = object({
		a: withDefault(number('n', 0, 9), 4),
		b: withDefault(list(number('n', 0, 9)), [1]),
		c: optional(number('n', 0, 9))
	});

	it('is filled in, each time anew; what is optional stays out, what nobody knows stays in', () => {
		const [one, two] = [openAs<any>({ other: 'x' }, shape), openAs<any>({}, shape)];
		expect(one).toEqual({ ok: true, value: { other: 'x', a: 4, b: [1] } });
		if (!one.ok || !two.ok) throw new Error('unsound');
		one.value.b.push(2);
		expect(two.value.b).toEqual([1]);
		expect(fresh(null)).toBeNull();
	});

	it('an undefined that stands there is no number', () => {
		expect(said(shape, { a: undefined })).toEqual(['a is nothing; a number from 0 to 9 (n) is needed']);
	});
});

describe('what cannot be kept', () => {
	const dangers = (value: unknown): string[] => {
		const report = new Report();
		refuseDangerous(value, report);
		return report.problems.map(({ place, message }) => `${place} ${message}`);
	};

	it('names that would reach a prototype, and U+0000, anywhere', () => {
		expect(dangers(JSON.parse('{"a":[{"__proto__":1}]}'))).toEqual([
			'a[0].__proto__ cannot be the name of a field; rename it or take it out'
		]);
		expect(dangers({ a: ['x\0'] })[0]).toMatch(/^a\[0\] holds the character U\+0000/);
		expect(dangers({ a: { constructor: 1, b: [null, 2, 'x'] } })).toEqual([]);
	});

	it('what is nested without end', () => {
		let deep: unknown = 1;
		for (let i = 0; i < 50_000; i++) deep = [deep];
		expect(dangers(deep)[0]).toMatch(/nested more than 200 deep$/);
	});

	it('at most fifty problems', () => {
		expect(
			said(
				list(number('n', 0, 1)),
				Array.from({ length: 900 }, () => 'x')
			)
		).toHaveLength(50);
	});
});

describe('places', () => {
	it.each([
		[['presets', 3, 'timing', 'fadeIn'], 'presets[3].timing.fadeIn'],
		[[0, 'a-b', 'with space', '9'], '[0].a-b["with space"]["9"]'],
		[[], ''],
		[['x'.repeat(50)], `${'x'.repeat(39)}…`.replace(/^(.*)$/, '["$1"]')],
		[Array.from({ length: 40 }, (_, i) => i), '[0][1][2][3][4]…[35][36][37][38][39]']
	] as [(string | number)[], string][])('%j', (path, place) => expect(placeOf(path)).toBe(place));
});
