/** What a game carries of the run-time, bundled for it alone, minified, gzip; the bound stands behind (docs/architecture.md says why). */
import { mkdirSync, writeFileSync } from 'node:fs';
import { gzipSync } from 'node:zlib';
import { join } from 'node:path';
import { build } from 'vite';
import { ROOT } from '../scripts/lib/paths';

const CARRIED: readonly [what: string, names: string, bound: number][] = [
	['everything, with the reader', 'createRuntime, openKit', 36.7],
	['everything, without the reader', 'createRuntime', 29.2],
	['shakes alone', 'createPlayer', 11.2]
];
const folder = join(ROOT, 'packed/games');
mkdirSync(folder, { recursive: true });
let failed = false;
for (const [what, names, bound] of CARRIED) {
	const entry = join(folder, `${names.replace(/\W+/g, '-')}.ts`);
	writeFileSync(entry, `export { ${names} } from 'dinesis-runtime';\n`);
	const built = (await build({
		configFile: false,
		logLevel: 'error',
		root: ROOT,
		// One script is minified whole; of a module, names and spaces would stay.
		build: { write: false, target: 'es2022', lib: { entry, formats: ['iife'], name: 'game' } }
	})) as { output: { code: string }[] }[];
	const size = gzipSync(built[0]!.output[0]!.code, { level: 9 }).length / 1024;
	const holds = size <= bound;
	failed ||= !holds;
	process.stdout.write(
		`${holds ? 'holds ' : 'MISSES'}  ${what.padEnd(32)} ${`${size.toFixed(1)} KB`.padEnd(12)} ≤ ${bound} KB\n`
	);
}
process.exit(failed ? 1 : 0);
