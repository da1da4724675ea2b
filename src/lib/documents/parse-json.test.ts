import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { decodeText, parseJson } from './parse-json';

const said = (text: string): string => {
	const parsed = parseJson(text);
	return parsed.ok ? 'ok' : `${parsed.place} ${parsed.message}`.trim();
};

describe('strict JSON', () => {
	it('is what JSON.parse gives, for whatever JSON.stringify writes', () => {
		fc.assert(
			fc.property(fc.jsonValue({ maxDepth: 6 }), fc.constantFrom(undefined, 2), (value, indent) => {
				const text = JSON.stringify(value, null, indent);
				const parsed = parseJson(text);
				// Of whole numbers beyond 2^53 nobody knows which one was meant.
				const beyond = /(?<![\d.eE+-])-?\d{16,}(?![\d.eE])/.test(text.replace(/"(?:[^"\\]|\\.)*"/g, '""'));
				if (!beyond) expect(parsed).toEqual({ ok: true, value: JSON.parse(text) });
			}),
			{ seed: 12, numRuns: 500 }
		);
	});

	it.each([
		[
			'{"a":1,"b":{"a":2,"c":3,"a":4}}',
			'b.a line 1, column 25: the object has a field of this name already; one of them would be lost'
		],
		[
			'{"a":1,\n "\\u0061":2}',
			'a line 2, column 2: the object has a field of this name already; one of them would be lost'
		],
		['{"a":[0,1e999]}', 'a[1] line 1, column 9: 1e999 is too large for a number'],
		['{"a":-1e400}', 'a line 1, column 6: -1e400 is too large for a number'],
		[
			'{"x":{"y":9007199254740993}}',
			'x.y line 1, column 11: 9007199254740993 is beyond 2^53 and would be rounded; write it as a text'
		],
		[
			'[123456789012345678901234567890]',
			'[0] line 1, column 2: 12345678901234567890123… is beyond 2^53 and would be rounded; write it as a text'
		],
		[
			'{"a":',
			'a line 1, column 6: the text ends here; a value is needed (numbers must be finite; JSON knows no NaN or Infinity)'
		]
	])('refuses what would be lost: %s', (text, wanted) => expect(said(text)).toBe(wanted));

	it.each([
		'9007199254740991',
		'-9007199254740991',
		'1e3',
		'0.1234567890123456789',
		'{"a":"{\\"b\\":1,\\"b\\":2}"}',
		'{"a":1,"A":2}',
		'{"__proto__":1}',
		'"\\\\"'
	])('takes %s', (text) => expect(parseJson(text)).toEqual({ ok: true, value: JSON.parse(text) }));

	it('−0 is 0, as it is written', () => {
		const parsed = parseJson('{"a":-0,"b":[-0.0,{"c":-0}],"d":-1}') as {
			value: { a: number; b: [number, { c: number }] };
		};
		expect(Object.is(parsed.value.a, 0) && Object.is(parsed.value.b[0], 0) && Object.is(parsed.value.b[1].c, 0)).toBe(
			true
		);
		expect(Object.is((parseJson('-0') as { value: number }).value, 0)).toBe(true);
	});

	it.each([
		['lists', `${'['.repeat(100_000)}${']'.repeat(100_000)}`],
		['objects', `${'{"a":'.repeat(100_000)}1${'}'.repeat(100_000)}`],
		['lists that do not end', '['.repeat(1_000_000)]
	])('%s nested without end are refused at two hundred', (_, text) => {
		expect(said(text)).toMatch(/nested more than 200 deep/);
		// A person reads the place.
		expect(said(text).length).toBeLessThan(300);
	});

	it('a text of 10 MB that is not closed, a million fields, a name of a megabyte', () => {
		expect(said(`{"a":"${'x'.repeat(10_000_000)}`)).toMatch(
			/^a line 1, column \d+: the text ends here; a text is not closed/
		);
		const fields = Array.from({ length: 1_000_000 }, (_, i) => `"k${i}":${i}`).join();
		expect(said(`{${fields}}`)).toBe('ok');
		expect(said(`{${fields},"k77":0}`)).toMatch(/^k77 .*a field of this name already/);
		expect(said(`{"${'n'.repeat(1_000_000)}":1e999}`).length).toBeLessThan(200);
	});
});

describe('bytes as text', () => {
	const bytes = (...parts: (string | number[])[]): Uint8Array =>
		Uint8Array.from(parts.flatMap((part) => (typeof part === 'string' ? [...new TextEncoder().encode(part)] : part)));

	it('takes UTF-8', () => {
		expect(decodeText(bytes('a ü 灯 🕯\n'))).toEqual({ ok: true, value: 'a ü 灯 🕯\n' });
	});

	it.each([
		['a lonely byte', bytes('one\ntwo ü', [0xff], 'x'), /^line 2, column 6: is no UTF-8 \(ff\)/],
		['a character that is cut off', bytes('ab', [0xe7, 0x81]), /^line 1, column 3: is no UTF-8 \(e7\)/],
		['half a pair of UTF-16', bytes([0xed, 0xa0, 0x80]), /^line 1, column 1: /],
		['an overlong slash', bytes('x', [0xc0, 0xaf]), /^line 1, column 2: /],
		['what lies beyond Unicode', bytes([0xf4, 0x90, 0x80, 0x80]), /^line 1, column 1: /]
	])('%s is refused with its place', (_, given, wanted) => {
		const decoded = decodeText(given);
		expect(decoded.ok ? 'ok' : decoded.message).toMatch(wanted);
	});

	it('finds the fault wherever the engine does', () => {
		fc.assert(
			fc.property(fc.uint8Array({ maxLength: 12 }), (given) => {
				let sound = true;
				try {
					new TextDecoder('utf-8', { fatal: true }).decode(given);
				} catch {
					sound = false;
				}
				const decoded = decodeText(given);
				expect(decoded.ok).toBe(sound);
				expect(decoded.ok ? '' : decoded.message).not.toMatch(/the end/);
			}),
			{ seed: 3, numRuns: 2000 }
		);
	});
});
