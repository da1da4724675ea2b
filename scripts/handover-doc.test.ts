import { execFileSync } from 'node:child_process';
import { copyFileSync, mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { afterAll, beforeAll, expect, it } from 'vitest';
import { createRuntime, openKit } from 'dinesis-runtime';
import { listing } from './lib/listings';
import { ROOT } from './lib/paths';

const DEMO = join(ROOT, 'demo/lamp-at-morrowskerry.kit.json');
const LOADER = `file://${join(ROOT, 'node_modules/tsx/dist/loader.mjs')}`;
let folder = '';
const dinesis = (name: string, ...args: string[]): string =>
	execFileSync(process.execPath, ['--import', LOADER, join(ROOT, `scripts/${name}.ts`), ...args], {
		cwd: folder,
		encoding: 'utf8',
		stdio: ['ignore', 'pipe', 'pipe']
	});
beforeAll(() => (folder = mkdtempSync(join(tmpdir(), 'dinesis-handover-'))));
afterAll(() => rmSync(folder, { recursive: true, force: true }));

it('the plain loop of docs/handover.md moves the camera as the tool does', () => {
	copyFileSync(DEMO, join(folder, 'lamp.kit.json'));
	// Every command of the page that writes something, as it stands there.
	const page = readFileSync(join(ROOT, 'docs/handover.md'), 'utf8');
	for (const [, name, args] of page.matchAll(/^\.\/dinesis (export) (.+)$/gm)) dinesis(name!, ...args!.split(' '));
	expect(dinesis('names', 'lamp.kit.json', '--as', 'csharp')).toContain('WaveBreaks = "wave-breaks"');
	writeFileSync(join(folder, 'package.json'), '{ "name": "a-game", "private": true, "type": "module" }');
	const npm = (...args: string[]): string =>
		execFileSync('npm', args, { cwd: folder, encoding: 'utf8', stdio: ['ignore', 'pipe', 'pipe'] });
	npm('install', '--no-audit', '--no-fund', '--offline', dinesis('pack').trim());
	writeFileSync(join(folder, 'loop.js'), listing('docs/handover.md', 'loop.js'));
	const printed = execFileSync(process.execPath, ['--no-warnings', 'loop.js'], { cwd: folder, encoding: 'utf8' })
		.trim()
		.split('\n')
		.map((line) => JSON.parse(line) as number[]);

	// The same by hand, with the kit as the tool has it.
	const read = openKit(JSON.parse(readFileSync(DEMO, 'utf8')));
	if (!read.ok) throw new Error('The demo cannot be read.');
	const runtime = createRuntime(read.value, { seed: 1, rig: 'keepers-eyes' });
	const body = { pose: [0, 0, 8, 0, 0], speed: 0, grounded: true };
	runtime.advance(0, body);
	const seen: number[][] = [];
	for (let i = 0; i < 60; i++) {
		body.pose[2]! -= 1.4 / 60;
		body.speed = 1.4;
		if (i === 30) runtime.raise('wave-breaks', { values: { height: 6 }, place: [0, -4, -12] });
		const { camera, offset, fov } = runtime.advance(1 / 60, body);
		if (i % 20 === 19) seen.push([...camera, ...offset, fov]);
	}
	expect(printed).toEqual(seen);
	// It moves, and the wave is felt.
	expect(Math.abs(seen[2]![7 + 3]!)).toBeGreaterThan(0.05);
}, 120_000);
