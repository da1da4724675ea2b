import { readFileSync, statSync } from 'node:fs';
import { describe, expect, it } from 'vitest';
import { openKit } from '../src/kit/open';
import type { Kit } from '../src/kit/types';
import { casesOf } from './cases';
import { hexOf, playVector, type Vector } from './play';

const file = (name: string): URL => new URL(`./${name}.json`, import.meta.url);
const demo = (
	openKit(JSON.parse(readFileSync(new URL('../../demo/lamp-at-morrowskerry.kit.json', import.meta.url), 'utf8'))) as {
		value: Kit;
	}
).value;
const cases = casesOf(demo);

describe('the golden vectors', () => {
	it.each(Object.keys(cases))('%s: inputs give these outputs, to the bit', (name) => {
		const vectors = JSON.parse(readFileSync(file(name), 'utf8')) as Vector[];
		// Every case is written out, with the inputs that it has.
		expect(vectors.map(({ rows, hash, ...inputs }) => (void rows, void hash, inputs))).toEqual(
			JSON.parse(JSON.stringify(cases[name]))
		);
		for (const vector of vectors) {
			const { rows, hash } = playVector(vector, demo);
			expect({ name: vector.name, hash, rows }).toEqual({ name: vector.name, hash: vector.hash, rows: vector.rows });
		}
	});

	it('move: hardly one is all zeros', () => {
		const still = Object.keys(cases).flatMap((name) =>
			(JSON.parse(readFileSync(file(name), 'utf8')) as Vector[])
				.filter(({ rows }) => new Set(rows.map((row) => row.join())).size < 2)
				.map((vector) => vector.name)
		);
		expect(still).toEqual([]);
	});

	it('are small enough to read', () => {
		expect(Object.keys(cases).reduce((sum, name) => sum + statSync(file(name)).size, 0)).toBeLessThan(3 * 1024 * 1024);
	});

	it('write doubles as their sixteen digits', () => {
		// IEEE 754: 1, −2, and the smallest above 0.
		expect([1, -2, 5e-324, 0].map(hexOf)).toEqual([
			'3ff0000000000000',
			'c000000000000000',
			'0000000000000001',
			'0000000000000000'
		]);
	});
});
