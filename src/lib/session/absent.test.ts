import { describe, expect, it } from 'vitest';
import { newPreset } from 'dinesis-runtime/tools';
import { creation, type MadePart } from '$lib/documents';
import { Absent } from './absent';

const back: MadePart = { document: 'd', version: 3, fields: [{ path: ['retired'], to: false }] };
const amount = (version: number): MadePart => ({
	document: 'd',
	version,
	fields: [{ path: ['body', 'amount'], to: version }]
});

describe('what a window does not hold', () => {
	it('is asked for when it comes into use, and not before', () => {
		const absent = new Absent();
		absent.hear(amount(2));
		absent.hear({ ...back, fields: [{ path: ['retired'], to: true }] });
		expect(absent.wanted).toEqual([]);
		absent.hear(back);
		expect(absent.wanted).toEqual(['d']);
		absent.asked(['d']);
		absent.came({ uuid: 'd', version: 3 });
		expect(absent.wanted).toEqual([]);
	});

	it('is asked for once more when it was read before what was heard of it meanwhile', () => {
		const absent = new Absent();
		absent.hear(back);
		absent.hear(amount(4));
		absent.asked(['d']);
		absent.came({ uuid: 'd', version: 3 });
		expect(absent.wanted).toEqual(['d']);
		absent.asked(['d']);
		absent.came({ uuid: 'd', version: 4 });
		expect(absent.wanted).toEqual([]);
		// What is heard from then on is applied elsewhere; an old page of documents asks for nothing.
		absent.came({ uuid: 'd', version: 1 });
		expect(absent.wanted).toEqual([]);
	});

	it('is needed by unsent changes, but for what they make or what is here', () => {
		const absent = new Absent();
		const made = { document: 'new', fields: [creation('shake', newPreset('new', 'New'), 'a1')] };
		const part = (document: string) => ({ document, on: 1, fields: [{ path: ['retired'], to: false }] });
		absent.need([made, part('here'), part('gone')], (document) => document === 'here');
		expect(absent.wanted).toEqual(['gone']);
		// It is not there at all: nobody asks again.
		absent.asked(['gone']);
		expect(absent.wanted).toEqual([]);
	});
});
