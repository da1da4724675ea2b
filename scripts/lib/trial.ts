/** A Dinesis on a data folder of its own, to be killed: for the tests of starting and ending, and for `./dinesis torture`. */
import { spawn, type ChildProcess } from 'node:child_process';
import { chmodSync, existsSync, mkdtempSync, readFileSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { setTimeout as wait } from 'node:timers/promises';
import { Cluster } from './cluster';
import { ROOT } from './paths';
import { beganOf, postmastersOn } from './processes';

const TSX = join(ROOT, 'node_modules/tsx/dist/loader.mjs');

export interface Started {
	readonly child: ChildProcess;
	/** What it said so far. */
	said(): string;
	/** Its address, once it has told it. Throws an Error with what it said when it ends before. */
	address(): Promise<string>;
	/** Its exit code, once it has ended. */
	ended(): Promise<number | null>;
}

export class Trial {
	readonly folder = mkdtempSync(join(tmpdir(), 'dinesis-trial-'));

	constructor(private readonly env: Readonly<Record<string, string>> = {}) {
		chmodSync(this.folder, 0o755);
	}

	get data(): string {
		return join(this.folder, 'data');
	}

	/** Runs a script as `./dinesis` would. */
	run(
		script: string,
		args: readonly string[] = [],
		options: { env?: Record<string, string>; cwd?: string } = {}
	): Started {
		const env: Record<string, string | undefined> = {
			...process.env,
			DINESIS_DATA: this.data,
			PORT: '0',
			...this.env,
			...options.env
		};
		for (const name of [
			'DATABASE_URL',
			'TEST_DATABASE_URL',
			'HOST',
			'ACCESS_KEY',
			'DINESIS_OPEN',
			'VITEST',
			'NODE_ENV'
		])
			if (options.env?.[name] === undefined) delete env[name];
		const child = spawn(process.execPath, ['--import', TSX, join(ROOT, `scripts/${script}.ts`), ...args], {
			cwd: options.cwd ?? this.folder,
			env,
			detached: true,
			stdio: ['ignore', 'pipe', 'pipe']
		});
		let said = '';
		for (const stream of [child.stdout!, child.stderr!]) stream.on('data', (text: Buffer) => (said += text.toString()));
		const ended = new Promise<number | null>((resolve) => child.on('exit', (code) => resolve(code)));
		return {
			child,
			said: () => said,
			ended: () => ended,
			address: async () => {
				let over = false;
				void ended.then(() => (over = true));
				for (;;) {
					const address = /Dinesis is at (\S+)/.exec(said)?.[1];
					if (address) return address;
					if (over) throw new Error(`It ended before it was there:\n${said}`);
					await wait(20);
				}
			}
		};
	}

	start(env: Record<string, string> = {}): Started {
		return this.run('start', ['--no-demo'], { env });
	}

	/** Runs a script to its end. */
	async done(
		script: string,
		args: readonly string[] = [],
		env: Record<string, string> = {}
	): Promise<{ code: number | null; said: string }> {
		const started = this.run(script, args, { env });
		const code = await started.ended();
		return { code, said: started.said() };
	}

	/** Where the cluster's files are: beside the data, or below /var/lib. */
	get cluster(): string {
		return join(this.data, 'postgres/cluster');
	}

	/** Numbers of the PostgreSQL servers on its files. */
	get postmasters(): number[] {
		return postmastersOn(this.cluster);
	}

	get note(): { pid: number } | null {
		const path = join(this.data, 'running.json');
		return existsSync(path) ? (JSON.parse(readFileSync(path, 'utf8')) as { pid: number }) : null;
	}

	/** Ends what is left and takes the folder away. */
	async clear(): Promise<void> {
		const pid = this.note?.pid;
		if (pid !== undefined && beganOf(pid) !== null && pid !== process.pid) process.kill(pid, 'SIGKILL');
		await wait(50);
		if (existsSync(join(this.data, 'postgres')))
			await Cluster.endOrphan({ folder: join(this.data, 'postgres'), say: () => undefined });
		rmSync(this.folder, { recursive: true, force: true });
	}
}

/** Waits until it is so; after `most` milliseconds it throws an Error that says what was waited for. */
export async function until(what: string, isSo: () => boolean | Promise<boolean>, most = 30_000): Promise<void> {
	const giveUp = Date.now() + most;
	while (!(await isSo())) {
		if (Date.now() > giveUp) throw new Error(`Waited in vain until ${what}.`);
		await wait(25);
	}
}

/** Whether a Dinesis at an address says that all is well. */
export async function isWell(address: string): Promise<boolean> {
	try {
		return (await fetch(`${address}/api/health`, { signal: AbortSignal.timeout(12_000) })).ok;
	} catch {
		return false;
	}
}
