/** ./dinesis test [PART]: runs the parts and closes with one line, `N passed, N failed`. */
import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import { ROOT } from './lib/paths';
import { fail, say } from './lib/say';
import { WholeRun } from './lib/whole-run';

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

const run = (file: string, args: string[], env: Record<string, string> = {}): Promise<boolean> =>
	whole.run(file, args, { cwd: ROOT, env });
const one = (ok: boolean): Count => ({ passed: ok ? 1 : 0, failed: ok ? 0 : 1 });
const sum = (...counts: Count[]): Count => ({
	passed: counts.reduce((n, c) => n + c.passed, 0),
	failed: counts.reduce((n, c) => n + c.failed, 0)
});

/** Runs a test runner that writes a JSON report; a runner that failed without counting a failure counts as one. */
function counted(name: string, ok: boolean, read: (report: Report) => Count): Count {
	let count: Count;
	try {
		count = read(JSON.parse(readFileSync(join(whole.scratch, `${name}.json`), 'utf8')) as Report);
	} catch {
		return { passed: 0, failed: 1 };
	}
	return !ok && count.failed === 0 ? { ...count, failed: 1 } : count;
}

const vitest = async (name: string, ...projects: string[]): Promise<Count> =>
	counted(
		name,
		await run('npx', [
			'vitest',
			'run',
			...projects.flatMap((p) => ['--project', p]),
			'--reporter=default',
			'--reporter=json',
			`--outputFile.json=${join(whole.scratch, `${name}.json`)}`
		]),
		(report) => ({
			passed: report.numPassedTests,
			failed: report.numFailedTests + (report.numFailedTestSuites > 0 && report.numFailedTests === 0 ? 1 : 0)
		})
	);

const PARTS: Record<string, () => Promise<Count>> = {
	lint: async () =>
		sum(
			one(await run('npx', ['prettier', '--check', '--log-level=warn', '.'])),
			one(await run('npx', ['eslint', '.', '--max-warnings=0']))
		),
	types: async () =>
		sum(
			one(await run('npx', ['tsc', '-p', 'runtime/tsconfig.json'])),
			one(await run('npx', ['svelte-kit', 'sync'])),
			one(await run('npx', ['svelte-check', '--tsconfig', './tsconfig.json', '--fail-on-warnings']))
		),
	unit: () => vitest('unit', 'unit', 'page'),
	server: () => vitest('server', 'server'),
	e2e: async () =>
		counted(
			'e2e',
			await run('npx', ['playwright', 'test'], { PLAYWRIGHT_JSON_OUTPUT_NAME: join(whole.scratch, 'e2e.json') }),
			({ stats }) => {
				if (stats.flaky > 0) say(`${stats.flaky} passed only at their second try: that may be a fault, look above`);
				return { passed: stats.expected + stats.flaky, failed: stats.unexpected };
			}
		)
};

const wanted = process.argv[2] ?? 'all';
if (wanted !== 'all' && !PARTS[wanted])
	fail(`"${wanted}" is no part of the tests. Parts: ${Object.keys(PARTS).join(', ')}.`);

const whole = new WholeRun();
let total: Count = { passed: 0, failed: 0 };
for (const [name, part] of Object.entries(PARTS)) {
	if (whole.isInterrupted || (wanted !== 'all' && wanted !== name)) continue;
	const began = performance.now();
	const count = await part();
	total = sum(total, count);
	say(`${name}: ${count.passed} passed, ${count.failed} failed in ${Math.round((performance.now() - began) / 1000)} s`);
}
const interrupted = await whole.close();
if (interrupted !== null) say('interrupted; what was begun is ended');
process.stdout.write(`${total.passed} passed, ${total.failed} failed\n`);
process.exit(interrupted ?? (total.failed === 0 && total.passed > 0 ? 0 : 1));
