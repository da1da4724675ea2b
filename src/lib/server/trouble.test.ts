import { describe, expect, it } from 'vitest';
import { bareOf, sentenceOf } from './trouble';

const wrapped = (name: string, parent: object): Error => Object.assign(new Error('x'), { name, parent });

describe('what is wrong with the database', () => {
	it.each([
		['a full disk by its code', wrapped('SequelizeDatabaseError', { code: '53100' }), /disk .* is full/],
		[
			'a full disk in words',
			wrapped('SequelizeDatabaseError', { code: 'XX000', message: 'could not extend file: No space left on device' }),
			/disk .* is full/
		],
		['a query given up', wrapped('SequelizeDatabaseError', { message: 'Query read timeout' }), /not answer in time/],
		['a statement given up', wrapped('SequelizeDatabaseError', { code: '57014' }), /not answer in time/],
		['nobody there', wrapped('SequelizeConnectionRefusedError', { code: 'ECONNREFUSED' }), /does not answer/],
		[
			'cut off',
			wrapped('SequelizeDatabaseError', { message: 'Connection terminated unexpectedly' }),
			/does not answer/
		],
		['a fault of ours', new TypeError('undefined is not a function'), /could not do this/],
		['nothing at all', null, /could not do this/]
	])('%s', (_, error, sentence) => {
		expect(sentenceOf(error)).toMatch(sentence);
		expect(sentenceOf(error)).toMatch(/held in this browser/);
	});
});

describe('what is logged', () => {
	it('tells what kind of failure it was and where, and holds no document', () => {
		const document = '{"name":"Secret of the keeper"}';
		const cause = Object.assign(wrapped('SequelizeDatabaseError', { code: '22001', detail: document }), {
			message: `invalid input: ${document}`,
			sql: `UPDATE presets SET document = '${document}'`,
			parameters: [document]
		});
		const logged = bareOf(cause);
		expect(logged).toMatchObject({ kind: 'SequelizeDatabaseError', code: '22001' });
		expect(JSON.stringify(logged)).not.toContain('Secret');
		expect(bareOf('Secret')).toEqual({ kind: 'string' });
	});
});
