/** Kills at random moments of everything that touches what is kept, and looks afterwards: it starts at once, alone, and nothing is lost. */
import { copyFileSync, existsSync, rmSync } from 'node:fs';
import { join } from 'node:path';
import { setTimeout as wait } from 'node:timers/promises';
import { combine } from 'dinesis-runtime/tools';
import { newUuid } from '../../src/lib/documents';
import { beganOf } from './processes';
import { isWell, Trial, type Started } from './trial';

export const ACTS = ['start', 'migration', 'save', 'backup', 'restore', 'stop'] as const;
export const VICTIMS = ['server', 'postmaster', 'both'] as const;
export type Act = (typeof ACTS)[number];
export type Victim = (typeof VICTIMS)[number];

export interface Finding {
	readonly round: number;
	readonly act: Act;
	readonly victim: Victim;
	readonly sentence: string;
}

export interface TortureOptions {
	readonly seed: number;
	/** Kills of each victim. */
	readonly each: number;
	readonly say: (message: string) => void;
}

export interface Tortured {
	readonly rounds: number;
	readonly saves: number;
	readonly findings: readonly Finding[];
	/** Milliseconds from a start after a kill to its address: the middle one and the longest. */
	readonly middle: number;
	readonly longest: number;
}

/** How many of the projects saved last are looked into. */
const LOOKED_AT = 5;

const kill = (pid: number | undefined): void => {
	if (pid !== undefined && beganOf(pid) !== null)
		try {
			process.kill(pid, 'SIGKILL');
		} catch {
			// It ended by itself just now.
		}
};

class Torture {
	readonly findings: Finding[] = [];
	readonly times: number[] = [];
	saves = 0;
	private trial = new Trial();
	/** Names of projects whose saving was acknowledged, and those that the backup holds. */
	private kept: string[] = [];
	private backedUp: string[] = [];
	private readonly slugs = new Map<string, string>();
	private rolls = 0;
	private round = 0;

	constructor(private readonly options: TortureOptions) {}

	private roll(below: number): number {
		return (combine(this.options.seed, ++this.rolls) >>> 0) % below;
	}

	private get backup(): string {
		return join(this.trial.folder, 'kept.backup');
	}

	async run(): Promise<void> {
		try {
			for (let i = 0; i < this.options.each; i++)
				for (const victim of VICTIMS) {
					// Shifted by one with each turn, so that every act meets every victim.
					const act = ACTS[(this.round + Math.floor(this.round / ACTS.length)) % ACTS.length]!;
					this.round++;
					const before = this.findings.length;
					await this.once(act, victim).catch((error: Error) => this.find(act, victim, error.message));
					this.options.say(
						`${this.round}: ${act}, ${victim} killed: ${this.findings.length === before ? 'held' : this.findings.at(-1)!.sentence}`
					);
				}
		} finally {
			await this.trial.clear();
		}
	}

	private find(act: Act, victim: Victim, sentence: string): void {
		this.findings.push({ round: this.round, act, victim, sentence });
	}

	/** Waits for a moment, then kills. `server`: whoever is at work. */
	private async strike(victim: Victim, worker: Started, within: number): Promise<void> {
		await wait(this.roll(within));
		const postmasters = this.trial.postmasters;
		if (victim !== 'postmaster') kill(worker.child.pid);
		if (victim !== 'server') postmasters.forEach(kill);
		// What is not the victim ends as it can.
		if (victim === 'postmaster') {
			await wait(300);
			worker.child.kill('SIGINT');
			await Promise.race([worker.ended(), wait(40_000)]);
			kill(worker.child.pid);
		}
		await worker.ended();
	}

	private async once(act: Act, victim: Victim): Promise<void> {
		if (act === 'migration') {
			// On a folder of its own: only a new one has all migrations before it.
			await this.trial.clear();
			this.trial = new Trial();
			this.kept = [];
			this.backedUp = [];
		}
		if (act === 'start' || act === 'migration') await this.strike(victim, this.trial.start(), 3500);
		else if (act === 'save') {
			const started = this.trial.start();
			const address = await started.address();
			let over = false;
			const saving = (async () => {
				while (!over) await this.save(address).catch(() => wait(20));
			})();
			await this.strike(victim, started, 1500);
			over = true;
			await saving;
		} else if (act === 'stop') {
			const started = this.trial.start();
			await started.address();
			await this.strike(victim, this.trial.run('stop'), 1200);
			await Promise.race([started.ended(), wait(100)]);
			kill(started.child.pid);
			await started.ended();
		} else {
			if (act === 'restore' && !existsSync(this.backup)) await this.takeBackup();
			const target = join(this.trial.folder, `cut-${this.round}.backup`);
			const args = act === 'backup' ? [target] : [this.backup];
			await this.strike(victim, this.trial.run(act, args), 3000);
			// A backup is whole or it is not there.
			if (existsSync(target)) copyFileSync(target, this.backup);
			if (existsSync(target)) this.backedUp = [...this.kept];
			rmSync(target, { force: true });
		}
		await this.look(act, victim);
	}

	private async takeBackup(): Promise<void> {
		const { code, said } = await this.trial.done('backup', [this.backup]);
		if (code !== 0) throw new Error(`a backup in peace failed: ${said}`);
		this.backedUp = [...this.kept];
	}

	/** A project, and in it a document made by a change: acknowledged when both are. */
	private async save(address: string): Promise<void> {
		const name = `Quay ${this.round} ${this.saves}`;
		const send = async (path: string, body: object): Promise<{ slug: string }> => {
			const answer = await fetch(`${address}/api/projects${path}`, {
				method: 'POST',
				headers: { 'content-type': 'application/json', origin: address },
				body: JSON.stringify(body),
				signal: AbortSignal.timeout(12_000)
			});
			if (!answer.ok) throw new Error(`a save was answered with ${answer.status}`);
			return (await answer.json()) as { slug: string };
		};
		const { slug } = await send('', { name });
		const body = { id: 'hit', name: 'Hit', kind: 'moment', placed: false, tags: [], values: {} };
		const to = { kind: 'event', id: 'hit', order: '', retired: false, body };
		const parts = [{ document: newUuid(), fields: [{ path: [], to }] }];
		await send(`/${slug}/changes`, { change: newUuid(), window: 'torture', seen: 1, note: '', who: '', parts });
		this.slugs.set(name, slug);
		this.kept.push(name);
		this.saves++;
	}

	/** Whether the documents are there that changes made in the projects saved last. */
	private async holdsChanges(address: string): Promise<boolean> {
		for (const name of this.kept.slice(-LOOKED_AT)) {
			const answer = await fetch(`${address}/api/projects/${this.slugs.get(name)}/documents?kinds=event`);
			const list = answer.ok ? ((await answer.json()) as { id: string; version: number }[]) : [];
			if (list.length !== 1 || list[0]!.id !== 'hit') return false;
		}
		return true;
	}

	/** It starts the first time, alone, with all that was acknowledged; and it ends without leaving anything. */
	private async look(act: Act, victim: Victim): Promise<void> {
		const before = Date.now();
		const started = this.trial.start();
		const address = await started.address();
		this.times.push(Date.now() - before);
		if (this.trial.postmasters.length !== 1)
			this.find(act, victim, `${this.trial.postmasters.length} database servers run`);
		if (!(await isWell(address))) this.find(act, victim, 'it is not well');
		const page = await (await fetch(`${address}/projects`)).text();
		const has = (names: readonly string[]): boolean =>
			names.every((name) => page.includes(`"${name}"`) || page.includes(name));
		if (act === 'restore' && this.backedUp.length < this.kept.length && !has(this.kept)) {
			// Restored before the kill: then it is what the backup held, all of it.
			if (!has(this.backedUp)) this.find(act, victim, 'of what the backup held something is lost');
			this.kept = this.kept.filter((name) => page.includes(name));
		} else if (!has(this.kept)) this.find(act, victim, `of ${this.kept.length} acknowledged saves some are lost`);
		if (!(await this.holdsChanges(address))) this.find(act, victim, 'an acknowledged change is lost');
		await this.save(address);
		started.child.kill('SIGINT');
		await started.ended();
		if (this.trial.postmasters.length > 0) this.find(act, victim, 'a database server was left behind');
	}
}

export async function torture(options: TortureOptions): Promise<Tortured> {
	const work = new Torture(options);
	await work.run();
	const times = [...work.times].sort((a, b) => a - b);
	return {
		rounds: options.each * VICTIMS.length,
		saves: work.saves,
		findings: work.findings,
		middle: times[times.length >> 1] ?? 0,
		longest: times.at(-1) ?? 0
	};
}
