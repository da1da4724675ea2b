import { describe, expect, it } from 'vitest';
import { faultOfPart } from './change-body';

const document = '00000000-0000-4000-8000-000000000001';
const part = (path: unknown, to: unknown, on: unknown = 1) => ({ document, on, fields: [{ path, to }] });
const fresh = (more: object = {}) => {
	const to = { kind: 'shake', id: 'thud', order: '', retired: false, body: {}, ...more };
	return { document, fields: [{ path: [], to }] };
};

describe('a part of a change that comes from outside', () => {
	it.each([
		['a field of the body', part(['body', 'layers', 'a', 'is', 'amount'], 2)],
		['a field that is taken out', { document, on: 1, fields: [{ path: ['body', 'seed'] }] }],
		['the whole body', part(['body'], {})],
		['a place', part(['order'], 'a0V')],
		['out of use', part(['retired'], true)],
		['another id', part(['id'], 'other-one')],
		['known outside', part(['settled'], true)],
		['a new document without a place', fresh()],
		['a new document at a place', fresh({ order: 'Zz' })]
	])('may be %s', (_, given) => expect(faultOfPart(given)).toBeNull());

	it.each([
		['nothing', null, /document/],
		['no uuid', { ...part(['body', 'amount'], 1), document: 'thud' }, /document/],
		['no version', { document, fields: [{ path: ['body', 'amount'], to: 1 }] }, /on: the version/],
		['a version that cannot be', part(['body', 'amount'], 1, 0), /on: a version/],
		['a version past the last', part(['body', 'amount'], 1, 2 ** 31), /on: a version/],
		['half a version', part(['body', 'amount'], 1, 1.5), /on: a version/],
		['no fields', { document, on: 1, fields: [] }, /fields/],
		['fields that are no list', { document, on: 1, fields: 'body' }, /fields/],
		['a path that is no list', part('body', 1), /path/],
		['a path of numbers', part(['body', 0], 1), /path/],
		['a path without an end', part(Array(41).fill('body'), 1), /path/],
		['a name without an end', part(['body', 'x'.repeat(201)], 1), /path/],
		['an id that is none', part(['id'], 'Other One'), /a–z, 0–9/],
		['something in its id', part(['id', 'x'], 'other'), /a–z, 0–9/],
		['half settled', part(['settled'], 1), /settled/],
		['a new one, half settled', fresh({ settled: 'no' }), /settled/],
		['its kind', part(['kind'], 'bob'), /no field “kind”/],
		['a place that sorts nowhere', part(['order'], 'a 0'), /order/],
		['something in its place', part(['order', 'x'], 'a0'), /order/],
		['half out of use', part(['retired'], 1), /retired/],
		['a body that is a number', part(['body'], 7), /body/],
		['a new one with a version', { ...fresh(), on: 1 }, /has no version/],
		['a new one of no kind', fresh({ kind: 'lamp' }), /kind/],
		['a new one whose kind is an inherited name', fresh({ kind: 'constructor' }), /kind/],
		['a new one with a name for an id', fresh({ id: 'Thud!' }), /id/],
		['a new one without a body', fresh({ body: null }), /order, retired and body/],
		['a new one that may be out of use', fresh({ retired: 'no' }), /order, retired and body/]
	])('may not be %s', (_, given, why) => expect(faultOfPart(given)).toMatch(why));
});
