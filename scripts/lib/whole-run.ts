/** Programs that are run one after the other and never outlive the run: also when it is interrupted, nothing of them stays. */
import { spawn } from 'node:child_process';
import { chmodSync, mkdtempSync, readdirSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join, sep } from 'node:path';
import { setTimeout as wait } from 'node:timers/promises';
import { pathToFileURL } from 'node:url';
import { ROOT } from './paths';
import { beganOf, callOf, standsIn } from './processes';

const SIGNALS = ['SIGINT', 'SIGTERM', 'SIGHUP'] as const;

export class WholeRun {
	/** Temporary files of everything that runs; what works on them is known by that. */
	readonly scratch = mkdtempSync(join(tmpdir(), 'dinesis-run-'));
	private group = 0;
	private interrupted: NodeJS.Signals | null = null;

	/** `patience`: how long what is asked to end may take, in milliseconds, before it is ended. */
	constructor(private readonly patience = 8000) {
		// The database's user enters it too.
		chmodSync(this.scratch, 0o755);
		for (const signal of SIGNALS)
			process.on(signal, () => {
				this.interrupted ??= signal;
				this.tell('SIGINT');
			});
	}

	get isInterrupted(): boolean {
		return this.interrupted !== null;
	}

	/** Runs a program to its end, its output on ours; true when it went well. Once interrupted nothing is begun any more. */
	async run(
		file: string,
		args: readonly string[],
		options: { cwd: string; env?: Record<string, string> }
	): Promise<boolean> {
		if (this.interrupted) return false;
		// A group of its own: told to end, all of it is, not only its first.
		const child = spawn(file, args, {
			cwd: options.cwd,
			detached: true,
			stdio: ['ignore', 'inherit', 'inherit'],
			env: { ...process.env, TMPDIR: this.scratch, ...options.env }
		});
		this.group = child.pid ?? 0;
		const ok = await new Promise<boolean>((resolve) => {
			child.on('error', () => resolve(false));
			child.on('exit', (status) => resolve(status === 0));
		});
		if (!this.interrupted) this.group = 0;
		return ok && !this.interrupted;
	}

	/** Ends what is left, clears up, and says by which exit code an interrupted run ends; null: it was not. */
	async close(): Promise<number | null> {
		if (this.interrupted) await this.until(() => !this.tell(0));
		this.tell('SIGKILL');
		for (const signal of ['SIGINT', 'SIGKILL'] as const) {
			for (const pid of this.left()) send(pid, signal);
			await this.until(() => this.left().length === 0);
		}
		try {
			rmSync(this.scratch, { recursive: true, force: true });
		} catch {
			// A disk that a test put there is still in it: the next start of the machine clears it.
		}
		if (!this.interrupted) return null;
		return 128 + { SIGINT: 2, SIGTERM: 15, SIGHUP: 1 }[this.interrupted as (typeof SIGNALS)[number]];
	}

	/** Who works on our temporary files: databases and browsers have groups of their own. */
	private left(): number[] {
		const isBelow = (path: string): boolean => path.includes(this.scratch + sep);
		return readdirSync('/proc')
			.filter((name) => /^\d+$/.test(name))
			.map(Number)
			.filter((pid) => pid !== process.pid && beganOf(pid) !== null)
			.filter((pid) => callOf(pid).some(isBelow) || isBelow(`${standsIn(pid) ?? ''}${sep}`));
	}

	/** Sends a signal to the whole group of the program that runs; false when nobody of it is there. */
	private tell(signal: NodeJS.Signals | 0): boolean {
		return this.group > 0 && send(-this.group, signal);
	}

	private async until(done: () => boolean): Promise<void> {
		for (const by = Date.now() + this.patience; !done() && Date.now() < by;) await wait(50);
	}
}

/** Runs one script of ours in a process of its own and ends as it did; also when it is cut off, nothing of it stays. */
export async function runScript(
	path: string,
	{ node = [], args = [] }: { node?: readonly string[]; args?: readonly string[] }
): Promise<never> {
	const whole = new WholeRun();
	const tsx = pathToFileURL(join(ROOT, 'node_modules/tsx/dist/loader.mjs')).href;
	const ok = await whole.run(process.execPath, [...node, '--import', tsx, join(ROOT, path), ...args], { cwd: ROOT });
	process.exit((await whole.close()) ?? (ok ? 0 : 1));
}

function send(to: number, signal: NodeJS.Signals | 0): boolean {
	try {
		return process.kill(to, signal);
	} catch {
		return false;
	}
}
