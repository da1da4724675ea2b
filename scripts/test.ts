/** ./dinesis test [PART]: runs the parts and closes with one line, `N passed, N failed`. */
import { spawnSync } from 'node:child_process';
import { mkdtempSync, readFileSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { ROOT } from './lib/paths';
import { fail, say } from './lib/say';

interface Count {
	passed: number;
	failed: number;
}

/** What is read of the runners' reports: Vitest's counts, Playwright's `stats`. */
interface Report {
	numPassedTests: number;
	numFailedTests: number;
	numFailedTestSuites: number;
	stats: { expected: number; flaky: number; unexpected: number };
}

const scratch = mkdtempSync(join(tmpdir(), 'dinesis-results-'));
const run = (file: string, args: string[], env: Record<string, string> = {}): boolean =>
	spawnSync(file, args, { cwd: ROOT, stdio: ['ignore', 'inherit', 'inherit'], env: { ...process.env, ...env } })
		.status === 0;
const one = (ok: boolean): Count => ({ passed: ok ? 1 : 0, failed: ok ? 0 : 1 });
const sum = (...counts: Count[]): Count => ({
	passed: counts.reduce((n, c) => n + c.passed, 0),
	failed: counts.reduce((n, c) => n + c.failed, 0)
});

/** Runs a test runner that writes a JSON report; a runner that failed without counting a failure counts as one. */
function counted(name: string, ok: boolean, read: (report: Report) => Count): Count {
	let count: Count;
	try {
		count = read(JSON.parse(readFileSync(join(scratch, `${name}.json`), 'utf8')) as Report);
	} catch {
		return { passed: 0, failed: 1 };
	}
	return !ok && count.failed === 0 ? { ...count, failed: 1 } : count;
}

const vitest = (name: string, ...projects: string[]): Count =>
	counted(
		name,
		run('npx', [
			'vitest',
			'run',
			...projects.flatMap((p) => ['--project', p]),
			'--reporter=default',
			'--reporter=json',
			`--outputFile.json=${join(scratch, `${name}.json`)}`
		]),
		(report) => ({
			passed: report.numPassedTests,
			failed: report.numFailedTests + (report.numFailedTestSuites > 0 && report.numFailedTests === 0 ? 1 : 0)
		})
	);

const PARTS: Record<string, () => Count> = {
	lint: () =>
		sum(
			one(run('npx', ['prettier', '--check', '--log-level=warn', '.'])),
			one(run('npx', ['eslint', '.', '--max-warnings=0']))
		),
	types: () =>
		sum(
			one(run('npx', ['tsc', '-p', 'runtime/tsconfig.json'])),
			one(run('npx', ['svelte-kit', 'sync'])),
			one(run('npx', ['svelte-check', '--tsconfig', './tsconfig.json', '--fail-on-warnings']))
		),
	unit: () => vitest('unit', 'unit', 'page'),
	server: () => vitest('server', 'server'),
	e2e: () =>
		counted(
			'e2e',
			run('npx', ['playwright', 'test'], { PLAYWRIGHT_JSON_OUTPUT_NAME: join(scratch, 'e2e.json') }),
			({ stats }) => ({
				passed: stats.expected + stats.flaky,
				failed: stats.unexpected
			})
		)
};

const wanted = process.argv[2] ?? 'all';
if (wanted !== 'all' && !PARTS[wanted])
	fail(`"${wanted}" is no part of the tests. Parts: ${Object.keys(PARTS).join(', ')}.`);

let total: Count = { passed: 0, failed: 0 };
for (const [name, part] of Object.entries(PARTS)) {
	if (wanted !== 'all' && wanted !== name) continue;
	const began = performance.now();
	const count = part();
	total = sum(total, count);
	say(`${name}: ${count.passed} passed, ${count.failed} failed in ${Math.round((performance.now() - began) / 1000)} s`);
}
rmSync(scratch, { recursive: true, force: true });
process.stdout.write(`${total.passed} passed, ${total.failed} failed\n`);
process.exit(total.failed === 0 && total.passed > 0 ? 0 : 1);
