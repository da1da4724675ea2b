import { execFileSync } from 'node:child_process';
import { mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { createRuntime, openKit } from 'dinesis-runtime';
import { ROOT } from './lib/paths';

const example = /```js\n([\s\S]*?)```/.exec(readFileSync(join(ROOT, 'runtime/README.md'), 'utf8'))![1]!;
let folder: string;
const run = (command: string, ...args: string[]): string =>
	execFileSync(command, args, { cwd: folder, encoding: 'utf8', stdio: ['ignore', 'pipe', 'pipe'] });

beforeAll(() => {
	// Outside the repository, and empty.
	folder = mkdtempSync(join(tmpdir(), 'dinesis-pack-'));
	const path = execFileSync(
		process.execPath,
		['--import', join(ROOT, 'node_modules/tsx/dist/loader.mjs'), join(ROOT, 'scripts/pack.ts')],
		{
			encoding: 'utf8',
			stdio: ['ignore', 'pipe', 'pipe']
		}
	).trim();
	writeFileSync(join(folder, 'package.json'), '{ "name": "a-game", "private": true, "type": "module" }');
	run('npm', 'install', '--no-audit', '--no-fund', '--offline', path);
}, 120_000);
afterAll(() => rmSync(folder, { recursive: true, force: true }));

describe('the package that a game installs', () => {
	it('runs the example of its own README, with the numbers that the tool gives', () => {
		writeFileSync(join(folder, 'example.js'), example);
		const printed = run('node', 'example.js');
		const parsed = new Function(`${/const parsed = ([\s\S]*?\n\};)/.exec(example)![0]} return parsed;`)() as unknown;
		const read = openKit(parsed);
		if (!read.ok) throw new Error('The example’s kit cannot be read.');
		const runtime = createRuntime(read.value, { seed: 1 });
		const body = { pose: [0, 0, 0, 0, 0], speed: 0, grounded: true };
		runtime.advance(0, body);
		runtime.raise('landing');
		const { offset, fov } = runtime.advance(1 / 60, body);
		expect(offset[1]).not.toBe(0);
		const numbers = printed.match(/-?\d+(\.\d+)?(e-?\d+)?/g)!.map(Number);
		expect(numbers.slice(7, 14)).toEqual([...offset]);
		expect(numbers[14]).toBe(fov);
	});

	it('has types under which the example compiles strictly, and a wrong call does not', () => {
		const compile = (text: string, way: object): string => {
			writeFileSync(join(folder, 'example.ts'), text);
			const compilerOptions = {
				strict: true,
				noEmit: true,
				target: 'es2022',
				lib: ['es2022', 'dom'],
				types: [],
				...way
			};
			writeFileSync(join(folder, 'tsconfig.json'), JSON.stringify({ compilerOptions, files: ['example.ts'] }));
			try {
				return run(process.execPath, join(ROOT, 'node_modules/typescript/bin/tsc'));
			} catch (trouble) {
				return (trouble as { stdout: string }).stdout;
			}
		};
		for (const way of [{ module: 'esnext', moduleResolution: 'bundler' }, { module: 'nodenext' }]) {
			expect(compile(example, way)).toBe('');
			expect(compile(`${example}\nruntime.raise(3);`, way)).toMatch(/^example\.ts.*TS2345/);
		}
	}, 120_000);

	it('brings nothing else along', () => {
		const installed = JSON.parse(readFileSync(join(folder, 'node_modules/dinesis-runtime/package.json'), 'utf8'));
		expect([installed.dependencies, installed.license, installed.type]).toEqual([undefined, 'UNLICENSED', 'module']);
		for (const name of ['index', 'core', 'single', 'wire']) {
			const code = readFileSync(join(folder, `node_modules/dinesis-runtime/dist/${name}.js`), 'utf8');
			const from = [...code.matchAll(/^import .* from "([^"]+)"/gm)].map((m) => m[1]);
			expect(from.filter((one) => one !== './core.js')).toEqual([]);
			if (name === 'index' || name === 'core')
				expect(code).not.toMatch(/\b(window|document|process|fetch|setTimeout|WebSocket)\s*[.(]/);
		}
	});

	it('what is made behind the one door is known behind the other', () => {
		writeFileSync(
			join(folder, 'wire.js'),
			`import { createRuntime, openKit } from 'dinesis-runtime';
import { connect, frameAt, momentOf } from 'dinesis-runtime/wire';
${/const parsed = [\s\S]*?\n\};/.exec(example)![0]}
const kit = openKit(parsed).value;
const runtime = createRuntime(kit, { seed: 1 });
const body = { pose: [0, 0, 0, 0, 0], speed: 0, grounded: true };
runtime.advance(0, body);
runtime.raise('landing');
runtime.advance(1 / 60, body);
const wire = connect(runtime, 'ws://127.0.0.1:9/wire/none');
const plays = frameAt(JSON.parse(JSON.stringify(momentOf(runtime.frame, kit))), kit).director.viewers[0].player.plays;
console.log(wire.state, plays.length);
wire.close();
`
		);
		expect(run('node', 'wire.js').trim()).toMatch(/^(away|refused) 1$/);
	});
});
