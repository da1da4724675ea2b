import { spawnSync } from 'node:child_process';
import { mkdtempSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { afterAll, beforeAll, expect, it } from 'vitest';
import { silencedId } from '../src/lib/documents';
import { ROOT } from './lib/paths';

let folder = '';
beforeAll(() => (folder = mkdtempSync(join(tmpdir(), 'dinesis-check-'))));
afterAll(() => rmSync(folder, { recursive: true, force: true }));
const run = (...args: string[]) =>
	spawnSync(process.execPath, ['--import', 'tsx', join(ROOT, 'scripts/check.ts'), ...args], {
		cwd: ROOT,
		encoding: 'utf8'
	});
function kit(name: string, settings: object): string {
	const path = join(folder, name);
	const presets = [
		{
			id: 'capsizes',
			family: 'shake',
			name: 'Capsizes',
			timing: { mode: 'burst', duration: 2, fadeIn: { time: 0.5 }, fadeOut: { time: 0.5 } },
			layers: [
				{ id: 'a', pattern: { kind: 'wave', shape: 'sine' }, channels: { roll: { amplitude: 30, frequency: 0.5 } } }
			]
		}
	];
	writeFileSync(path, JSON.stringify({ format: 'dinesis-kit', version: 1, name: 'K', presets, settings }));
	return path;
}

it('tells what is wrong with the motion, and why it matters; --quick looks at settings alone', () => {
	const path = kit('loud.json', {});
	const { status, stdout } = run(path, '--json');
	const { findings } = JSON.parse(stdout) as {
		findings: { check: string; place: string; why?: string; fix?: string }[];
	};
	expect([status, findings.map(({ check, place }) => [check, place])]).toEqual([
		0,
		[['too-much-roll', 'presets[0].amount']]
	]);
	expect([findings[0]!.why!.length > 20, findings[0]!.fix]).toEqual([
		true,
		expect.stringContaining('Lower the amount')
	]);
	expect(JSON.parse(run(path, '--json', '--quick').stdout)).toEqual({ readable: true, findings: [] });
});

it('what the project leaves alone with a reason is counted, not told', () => {
	const one = { kind: 'shake', of: 'capsizes', check: 'too-much-roll', reason: 'the ship goes down' };
	const silenced = [{ ...one, id: silencedId(one.kind, one.of, one.check) }];
	const { stdout, stderr } = run(kit('meant.json', { silenced }));
	expect([stdout, stderr]).toEqual(['', expect.stringContaining('nothing found, 1 left alone with a reason')]);
});
