/** ./dinesis pack: builds the run-time and prints the path of its package, ready for `npm install`. `--to FOLDER`: somewhere else. */
import { execFileSync } from 'node:child_process';
import { cpSync, mkdirSync, readdirSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { join, resolve } from 'node:path';
import { build } from 'vite';
import { readArguments } from './lib/arguments';
import { ROOT } from './lib/paths';
import { say } from './lib/say';

const args = readArguments(process.argv.slice(2), { values: ['to'] });
const folder = resolve(args.flags.get('to') ?? join(ROOT, 'packed'));
const stage = join(folder, 'runtime');
const own = JSON.parse(readFileSync(join(ROOT, 'runtime/package.json'), 'utf8')) as {
	version: string;
	license: string;
};

/** Relative imports with their ending, so that every way of resolving them finds the files. */
function nameEndings(folder: string): void {
	for (const entry of readdirSync(folder, { withFileTypes: true, recursive: true })) {
		if (!entry.isFile() || !entry.name.endsWith('.d.ts')) continue;
		const path = join(entry.parentPath, entry.name);
		const text = readFileSync(path, 'utf8');
		writeFileSync(path, text.replace(/((?:from|import\()\s*['"])(\.\.?\/[^'"]+)(['"])/g, '$1$2.js$3'));
	}
}

rmSync(stage, { recursive: true, force: true });
mkdirSync(stage, { recursive: true });
const entry = (name: string): string => join(ROOT, `runtime/src/${name}.ts`);
const bundle = (entries: Readonly<Record<string, string>>, shared: string): Promise<unknown> =>
	build({
		configFile: false,
		logLevel: 'error',
		root: ROOT,
		build: {
			outDir: join(stage, 'dist'),
			emptyOutDir: false,
			sourcemap: true,
			lib: { entry: { ...entries }, formats: ['es'], fileName: (_, name) => `${name}.js` },
			rollupOptions: { output: { chunkFileNames: `${shared}.js` } }
		}
	});
// What both doors lead to is one and the same: a play made behind the one is known behind the other.
await bundle({ index: entry('index'), wire: entry('wire/index') }, 'core');
// For a page without npm: all of it in one file.
await bundle({ single: entry('single') }, 'single-part');
execFileSync(
	process.execPath,
	[
		join(ROOT, 'node_modules/typescript/bin/tsc'),
		'-p',
		join(ROOT, 'runtime/tsconfig.pack.json'),
		'--outDir',
		join(stage, 'types')
	],
	{ stdio: ['ignore', 'inherit', 'inherit'] }
);
nameEndings(join(stage, 'types'));
cpSync(join(ROOT, 'runtime/README.md'), join(stage, 'README.md'));
writeFileSync(
	join(stage, 'package.json'),
	`${JSON.stringify(
		{
			name: 'dinesis-runtime',
			version: own.version,
			description: 'Plays the camera motion of a Dinesis kit in a game.',
			license: own.license,
			type: 'module',
			sideEffects: false,
			exports: {
				'.': { types: './types/index.d.ts', default: './dist/index.js' },
				'./wire': { types: './types/wire/index.d.ts', default: './dist/wire.js' }
			},
			files: ['dist', 'types', 'README.md']
		},
		null,
		2
	)}\n`
);
const [packed] = JSON.parse(
	execFileSync('npm', ['pack', '--json', '--pack-destination', folder], {
		cwd: stage,
		encoding: 'utf8',
		stdio: ['ignore', 'pipe', 'ignore']
	})
) as { filename: string; size: number }[];
say(`dinesis-runtime ${own.version}, ${(packed!.size / 1024).toFixed(0)} KB packed`);
process.stdout.write(`${join(folder, packed!.filename)}\n`);
