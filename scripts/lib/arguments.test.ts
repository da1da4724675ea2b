import { afterEach, describe, expect, it, vi } from 'vitest';
import { numberFlag, readArguments } from './arguments';

const known = { values: ['fps', 'preset'], switches: ['json'] };
const failing = (work: () => unknown): string => {
	let said = '';
	vi.spyOn(process.stderr, 'write').mockImplementation((text) => Boolean((said += String(text))));
	vi.spyOn(process, 'exit').mockImplementation(() => {
		throw new Error('exit');
	});
	expect(work).toThrow('exit');
	return said;
};
afterEach(() => vi.restoreAllMocks());

describe('arguments', () => {
	it('are names, flags with values and switches, in any order', () => {
		const { plain, flags } = readArguments(['kit.json', '--fps', '30', '--json', '--preset=a'], known);
		expect(plain).toEqual(['kit.json']);
		expect([...flags]).toEqual([
			['fps', '30'],
			['json', 'yes'],
			['preset', 'a']
		]);
	});

	it('that are unknown or lack their value end the program with a sentence', () => {
		expect(failing(() => readArguments(['--speed', '3'], known))).toContain('--speed is not known here');
		expect(failing(() => readArguments(['--fps'], known))).toContain('--fps needs a value');
	});

	it('numbers are within their range', () => {
		const of = (text: string) => readArguments(['--fps', text], known);
		expect(numberFlag(of('29.97'), 'fps', { min: 1, max: 100 })).toBe(29.97);
		expect(numberFlag(readArguments([], known), 'fps', { min: 1, max: 100 })).toBeUndefined();
		expect(failing(() => numberFlag(of('0'), 'fps', { min: 1, max: 100 }))).toContain(
			'--fps is "0"; a number from 1 to 100'
		);
		expect(failing(() => numberFlag(of('1.5'), 'fps', { min: 1, max: 100, whole: true }))).toContain('a whole number');
		expect(failing(() => numberFlag(of(''), 'fps', { min: 0, max: 100 }))).toContain('a number from 0');
	});
});
