import { spawn, spawnSync } from 'node:child_process';
import { copyFileSync, existsSync, mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { readKit } from '../src/lib/documents';
import { ROOT } from './lib/paths';
import { TARGETS } from './lib/hand-over';

const DEMO = join(ROOT, 'demo/lamp-at-morrowskerry.kit.json');
const LOADER = `file://${join(ROOT, 'node_modules/tsx/dist/loader.mjs')}`;
const command = (name: string, ...args: string[]) =>
	spawnSync(process.execPath, ['--import', LOADER, join(ROOT, `scripts/${name}.ts`), ...args], {
		encoding: 'buffer',
		maxBuffer: 1 << 28
	});
let folder = '';
const at = (name: string): string => join(folder, name);
beforeAll(() => (folder = mkdtempSync(join(tmpdir(), 'dinesis-export-'))));
afterAll(() => rmSync(folder, { recursive: true }));

describe('./dinesis export', () => {
	it('hands over every target, and nothing but it stands on stdout', () => {
		for (const target of TARGETS) {
			const curves = ['csv', 'json', 'gltf', 'glb'].includes(target);
			const { status, stdout, stderr } = command(
				'export',
				DEMO,
				'--as',
				target,
				...(curves ? ['--preset', 'wave-on-tower'] : [])
			);
			expect([target, status, stderr.toString()]).toEqual([target, 0, '']);
			expect(stdout.length, target).toBeGreaterThan(100);
			if (target === 'glb') expect(stdout.toString('latin1', 0, 4)).toBe('glTF');
			if (target === 'kit') expect(stdout.toString()).toBe(readFileSync(DEMO, 'utf8'));
			if (target === 'kit-min') expect(readKit(stdout.toString())).toEqual(readKit(readFileSync(DEMO, 'utf8')));
		}
	}, 120_000);

	it('a part draws in what it needs; a file is there as a whole', () => {
		const { status } = command('export', DEMO, '--as', 'kit', '--only', 'cue:wave', '--out', at('part.json'));
		expect(status).toBe(0);
		const read = readKit(readFileSync(at('part.json'), 'utf8'));
		if (!read.ok) throw new Error('not read');
		expect(read.value.cues.map(({ id }) => id)).toEqual(['wave']);
		expect(read.value.presets.length).toBeGreaterThan(0);
		expect(existsSync(at('part.json.part'))).toBe(false);
	});

	it.each([
		[['--as', 'song'], /--as is "song"/],
		[['--as', 'csv'], /--preset ID or --course ID/],
		[['--as', 'csv', '--preset', 'gone'], /no shake "gone"/],
		[['--as', 'csv', '--preset', 'wave-on-tower', '--axes', 'up=w'], /up is “w”/],
		[['--as', 'glb', '--preset', 'wave-on-tower', '--axes', 'up=z'], /world of its own/],
		[['--as', 'kit', '--only', 'ship:x'], /kind:id is needed/],
		[['--as', 'kit', '--tag', 'nothing-has-it'], /Nothing in the kit is tagged/],
		[['--as', 'csv', '--preset', 'wave-on-tower', '--keys', 'square'], /linear or cubic/]
	])('%j ends with 2 and says why', (args, said) => {
		const { status, stdout, stderr } = command('export', DEMO, ...args);
		expect([status, stdout.length]).toEqual([2, 0]);
		expect(stderr.toString()).toMatch(said);
	});

	it('with --watch it is made again when the file changes, and waits out a broken one', async () => {
		const [kit, out] = [at('watched.json'), at('watched.py')];
		copyFileSync(DEMO, kit);
		const watching = spawn(process.execPath, [
			'--import',
			LOADER,
			join(ROOT, 'scripts/export.ts'),
			kit,
			'--as',
			'names-python',
			'--out',
			out,
			'--watch'
		]);
		const heard = (what: string): Promise<void> =>
			new Promise((done) => {
				let text = '';
				const hear = (part: Buffer): void => {
					text += part.toString();
					if (!text.includes(what)) return;
					watching.stderr.off('data', hear);
					done();
				};
				watching.stderr.on('data', hear);
			});
		await heard('waiting for changes');
		const broken = heard('cannot be read');
		writeFileSync(kit, '{ "format":');
		await broken;
		const again = heard('is written');
		writeFileSync(kit, readFileSync(DEMO, 'utf8').replaceAll('"wave-breaks"', '"wave-hits"'));
		await again;
		expect(readFileSync(out, 'utf8')).toContain('WAVE_HITS = "wave-hits"');
		watching.kill();
	}, 60_000);
});

describe('./dinesis diff, names and check --sarif', () => {
	it('what changed is told, and by the exit code', () => {
		expect(command('diff', DEMO, DEMO).status).toBe(0);
		const later = at('later.json');
		writeFileSync(later, readFileSync(DEMO, 'utf8').replace('"name": "The bad knee"', '"name": "The worse knee"'));
		const { status, stdout } = command('diff', DEMO, later);
		expect([status, stdout.toString()]).toEqual([
			1,
			'changed: bob bad-knee (The worse knee)\n    name The bad knee → The worse knee\n'
		]);
		expect(JSON.parse(command('diff', DEMO, later, '--json').stdout.toString())).toMatchObject([
			{ id: 'bad-knee', standing: 'changed', fields: [{ path: ['name'], was: 'The bad knee', is: 'The worse knee' }] }
		]);
		expect(command('diff', DEMO, at('not-there.json')).status).toBe(2);
	});

	it('findings as SARIF name their places', () => {
		const { status, stdout } = command('check', DEMO, '--sarif');
		expect(status).toBe(0);
		const { version, runs } = JSON.parse(stdout.toString()) as {
			version: string;
			runs: { results: { level: string; locations: { logicalLocations: { fullyQualifiedName: string }[] }[] }[] }[];
		};
		expect(version).toBe('2.1.0');
		expect(runs[0]!.results[0]!.locations[0]!.logicalLocations[0]!.fullyQualifiedName).toMatch(/^events\[\d+\]/);
	});

	it('names end with 2 for a language that is none', () => {
		expect(command('names', DEMO, '--as', 'latin').status).toBe(2);
		expect(command('names', DEMO).stdout.toString()).toContain('export type EventId');
	});
});
