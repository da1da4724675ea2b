import { readFileSync } from 'node:fs';
import { describe, expect, it } from 'vitest';
import { readKit, type Kit } from '../../documents';
import { courseCasesOf, playCourseVector, type CourseVector } from './cases';

const file = (name: string): URL => new URL(`./${name}.json`, import.meta.url);
const demo = (readKit(readFileSync('demo/lamp-at-morrowskerry.kit.json', 'utf8')) as { value: Kit }).value;
const cases = courseCasesOf(demo);

describe('the golden vectors of courses', () => {
	it.each(Object.keys(cases))('%s: inputs give these outputs, to the bit', (name) => {
		const vectors = JSON.parse(readFileSync(file(name), 'utf8')) as CourseVector[];
		expect(vectors.map(({ rows, hash, ...inputs }) => (void rows, void hash, inputs))).toEqual(
			JSON.parse(JSON.stringify(cases[name]))
		);
		for (const vector of vectors) {
			const { rows, hash } = playCourseVector(vector, demo);
			expect({ name: vector.name, hash, rows }).toEqual({ name: vector.name, hash: vector.hash, rows: vector.rows });
		}
	});
});
