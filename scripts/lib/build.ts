/** Builds the application into a folder named after its sources, so that a running one is never built over. */
import { spawnSync } from 'node:child_process';
import { createHash } from 'node:crypto';
import { existsSync, mkdirSync, readdirSync, readFileSync, renameSync, rmSync, statSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { plain } from './folder';
import { ROOT } from './paths';

/** Where the run-time's package lies among what is served: packed, and unpacked. */
const PACKAGE = 'run-time';
/** Where the stand-in game lies, beside what the tool serves. */
export const STAND_IN = 'stand-in';
const SOURCES = [
	'src',
	'runtime',
	'static',
	'demo',
	'scripts/pack.ts',
	'package-lock.json',
	'svelte.config.js',
	'vite.config.ts',
	'tsconfig.json'
];

function* filesBelow(path: string): Generator<string> {
	if (!existsSync(path)) return;
	if (statSync(path).isFile()) return void (yield path);
	for (const name of readdirSync(path).sort()) yield* filesBelow(join(path, name));
}

function sourcesHash(): string {
	const hash = createHash('sha256');
	for (const source of SOURCES)
		for (const file of filesBelow(join(ROOT, source)))
			if (!file.endsWith('.test.ts')) hash.update(file.slice(ROOT.length)).update(readFileSync(file));
	return hash.digest('hex').slice(0, 16);
}

const USER = /^used-by-(\d+)$/;

/** Marks a build as served by this process, so that no later build throws it away. */
export function useBuild(folder: string): void {
	try {
		writeFileSync(join(folder, `used-by-${process.pid}`), '');
	} catch (error) {
		// On a medium that nobody writes to nobody throws it away either.
		if ((error as NodeJS.ErrnoException).code !== 'EROFS') throw plain(error, folder);
	}
}

function isInUse(folder: string): boolean {
	return readdirSync(folder).some((name) => {
		const pid = USER.exec(name)?.[1];
		return pid !== undefined && existsSync(`/proc/${pid}`);
	});
}

/** The folder of an up-to-date build. Throws an Error with the builder's last lines when building fails. */
export function builtApplication(say: (message: string) => void): string {
	try {
		return build(say);
	} catch (error) {
		throw plain(error, ROOT);
	}
}

function run(command: string, args: readonly string[], env: NodeJS.ProcessEnv = {}): void {
	const done = spawnSync(command, args, { cwd: ROOT, encoding: 'utf8', env: { ...process.env, ...env } });
	if (done.status !== 0 && done.signal) throw new Error('Building was ended.');
	if (done.status !== 0)
		throw new Error(`Building the application failed:\n${`${done.stdout}${done.stderr}`.slice(-3000)}`);
}

function build(say: (message: string) => void): string {
	const builds = join(ROOT, 'build');
	const folder = join(builds, sourcesHash());
	const stamp = join(folder, 'complete');
	if (existsSync(stamp)) return folder;
	mkdirSync(builds, { recursive: true });
	say('building the application (the sources changed)');
	run('npx', ['vite', 'build', '--logLevel', 'warn'], { DINESIS_BUILD: folder, NODE_ENV: 'production' });
	// What a game installs is handed over by the page too, as this build plays it.
	const served = join(folder, 'client', PACKAGE);
	mkdirSync(served, { recursive: true });
	run(process.execPath, ['--import', 'tsx', 'scripts/pack.ts', '--to', served]);
	const packed = readdirSync(served).find((name) => name.endsWith('.tgz'));
	renameSync(join(served, packed!), join(served, 'dinesis-runtime.tgz'));
	const installed = join(served, 'runtime');
	const out = join(folder, STAND_IN);
	run(process.execPath, ['--import', 'tsx', 'scripts/stand-in-build.ts', '--installed', installed, '--out', out]);
	writeFileSync(stamp, new Date().toISOString());
	const older = readdirSync(builds)
		.map((name) => join(builds, name))
		.filter((path) => path !== folder && !isInUse(path))
		.sort((a, b) => statSync(b).mtimeMs - statSync(a).mtimeMs);
	for (const path of older.slice(2)) rmSync(path, { recursive: true, force: true });
	return folder;
}
