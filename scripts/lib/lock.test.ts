import { existsSync, mkdtempSync, readFileSync, rmSync, utimesSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { afterAll, describe, expect, it } from 'vitest';
import { needFolder, plain } from './folder';
import { alone } from './lock';
import { nameOf } from './processes';

const folder = mkdtempSync(join(tmpdir(), 'dinesis-lock-'));
afterAll(() => rmSync(folder, { recursive: true, force: true }));

describe('one at a time', () => {
	it('in their order, and nobody holds it afterwards', async () => {
		const file = join(folder, 'a');
		const log: string[] = [];
		const work = (name: string) => async (): Promise<string> => {
			log.push(`${name} begins`);
			expect(readFileSync(file, 'utf8')).toBe(nameOf(process.pid));
			await new Promise((resolve) => setTimeout(resolve, 5));
			log.push(`${name} ends`);
			return name;
		};
		expect(await Promise.all([alone(file, work('one')), alone(file, work('two')), alone(file, work('three'))])).toEqual(
			['one', 'two', 'three']
		);
		for (let i = 0; i < log.length; i += 2) expect(log[i + 1]).toBe(log[i]!.replace('begins', 'ends'));
		expect(existsSync(file)).toBe(false);
	});

	it('what fails lets go', async () => {
		const file = join(folder, 'b');
		await expect(alone(file, () => Promise.reject(new Error('no')))).rejects.toThrow('no');
		expect(await alone(file, async () => 'yes')).toBe('yes');
	});

	it.each([
		['a process that is gone', '4194000-1'],
		['a number that has come to another', `${process.pid}-1`]
	])('%s holds nothing', async (_, holder) => {
		const file = join(folder, 'c');
		writeFileSync(file, holder);
		expect(await alone(file, async () => 'mine')).toBe('mine');
	});
});

it('an empty one, whose writer was cut off, holds nothing for long', async () => {
	const file = join(folder, 'e');
	writeFileSync(file, '');
	const long = new Date(Date.now() - 3000);
	utimesSync(file, long, long);
	expect(await alone(file, async () => 'mine')).toBe('mine');
});

describe('obstacles of the file system', () => {
	it.each([
		['EROFS', /cannot be written to\. Make it writable, or set DINESIS_DATA/],
		['EACCES', /may not be written by you/],
		['ENOSPC', /full disk\. Make room on it, then start again; what was saved is kept/],
		['EDQUOT', /you may use no more/],
		['ENOTDIR', /has a file where a folder is needed/]
	])('%s is a sentence', (code, sentence) => {
		expect(plain(Object.assign(new Error(code), { code }), '/x').message).toMatch(sentence);
	});

	it('any other error stays what it is', () => {
		const error = new Error('else');
		expect(plain(error, '/x')).toBe(error);
		expect(plain('text', '/x').message).toBe('text');
	});

	it('a folder is made with those above it; one that is there is enough', () => {
		const deep = join(folder, 'd/e/f');
		needFolder(deep);
		needFolder(deep);
		expect(existsSync(deep)).toBe(true);
		writeFileSync(join(folder, 'file'), '');
		expect(() => needFolder(join(folder, 'file/under'))).toThrow(/file where a folder is needed/);
	});
});
