import { spawn } from 'node:child_process';
import { existsSync, readdirSync, readFileSync } from 'node:fs';
import { join } from 'node:path';
import { setTimeout as wait } from 'node:timers/promises';
import { describe, expect, it } from 'vitest';
import { ROOT } from './lib/paths';
import { beganOf, callOf } from './lib/processes';

/** Runs a program in a whole run, as `./dinesis test` does its parts, and says what that came to. */
const OWNER = `
	import { WholeRun } from ${JSON.stringify(join(ROOT, 'scripts/lib/whole-run.ts'))};
	const whole = new WholeRun(300);
	process.stdout.write('scratch ' + whole.scratch + '\\n');
	const first = await whole.run('sh', ['-c', process.argv[1]], { cwd: '/' });
	const second = await whole.run('true', [], { cwd: '/' });
	const code = await whole.close();
	process.stdout.write('ran ' + first + ' ' + second + '\\n');
	process.exit(code ?? 0);
`;
function begin(script: string) {
	const args = ['--import', join(ROOT, 'node_modules/tsx/dist/loader.mjs'), '--input-type=module', '-e', OWNER, script];
	const child = spawn(process.execPath, args, { stdio: ['ignore', 'pipe', 'inherit'] });
	let said = '';
	child.stdout.on('data', (text: Buffer) => (said += text.toString()));
	const ended = new Promise<number | null>((resolve) => child.on('exit', resolve));
	/** The numbers of the processes that the program told of. */
	const told = async (count: number): Promise<number[]> => {
		for (;;) {
			const pids = [...said.matchAll(/^pid (\d+)$/gm)].map(([, pid]) => Number(pid));
			if (pids.length >= count) return pids;
			await wait(20);
		}
	};
	return { child, ended, told, said: () => said, scratch: () => /scratch (\S+)/.exec(said)![1]! };
}
/** Ignores being asked; in a group of its own, known only by the folder that it stands in. */
const STUBBORN = `(cd "$TMPDIR" && mkdir -p far && cd far && exec setsid sh -c 'trap "" INT TERM; echo pid $$; while :; do sleep 1; done') &`;

describe('a run of several programs', () => {
	it('goes on after one that failed, and clears up', async () => {
		const run = begin('touch "$TMPDIR/made"; exit 3');
		expect(await run.ended).toBe(0);
		expect(run.said()).toContain('ran false true');
		expect(existsSync(run.scratch())).toBe(false);
	});

	it('ends what a program left behind', async () => {
		const run = begin(`${STUBBORN} exit 0`);
		const [pid] = await run.told(1);
		expect(await run.ended).toBe(0);
		expect(run.said()).toContain('ran true true');
		expect(beganOf(pid!)).toBeNull();
	}, 60_000);

	it.each([
		['SIGINT', 130],
		['SIGTERM', 143]
	] as const)(
		'interrupted by %s, it begins nothing more and leaves nobody',
		async (signal, code) => {
			const run = begin(`${STUBBORN} echo pid $$; sleep 1000`);
			const pids = await run.told(2);
			expect(pids.map(beganOf)).not.toContain(null);
			run.child.kill(signal);
			expect(await run.ended).toBe(code);
			expect(run.said()).toContain('ran false false');
			expect(pids.map(beganOf)).toEqual([null, null]);
			expect(existsSync(run.scratch())).toBe(false);
		},
		60_000
	);
});

function parentOf(pid: number): number {
	try {
		return Number(readFileSync(`/proc/${pid}/stat`, 'utf8').split(') ').at(-1)!.split(' ')[1]);
	} catch {
		return 0;
	}
}

describe('./dinesis test', () => {
	it('cut off leaves none of its programs', async () => {
		const child = spawn(
			process.execPath,
			['--import', join(ROOT, 'node_modules/tsx/dist/loader.mjs'), join(ROOT, 'scripts/test.ts'), 'types'],
			{ stdio: 'ignore' }
		);
		const ended = new Promise<number | null>((resolve) => child.on('exit', resolve));
		const runners = (): number[] =>
			readdirSync('/proc')
				.map(Number)
				.filter((pid) => pid > 0 && parentOf(pid) === child.pid && callOf(pid).includes('runtime/tsconfig.json'));
		while (runners().length === 0) await wait(20);
		const begun = runners();
		child.kill('SIGTERM');
		expect(await ended).toBe(143);
		expect(begun.map(beganOf)).toEqual([null]);
	}, 60_000);
});
