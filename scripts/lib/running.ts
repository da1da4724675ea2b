/** Which Dinesis runs on this data folder, if any. */
import { readFileSync, renameSync, rmSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { needFolder, plain } from './folder';
import { alone } from './lock';
import { DATA } from './paths';
import { beganOf } from './processes';

export interface Running {
	readonly pid: number;
	/** Empty while it is still starting. */
	readonly address: string;
	/** When the process began, from the kernel, so that another process with the same number is not taken for it. */
	readonly began: string;
}

const FILE = join(DATA, 'running.json');

/** The one that runs; null when none does, also when one was killed and left its note behind. */
export function findRunning(): Running | null {
	try {
		const note = JSON.parse(readFileSync(FILE, 'utf8')) as Running;
		return note.began !== null && beganOf(note.pid) === note.began ? note : null;
	} catch {
		return null;
	}
}

/** Throws an Error that says in a sentence why it cannot be noted. */
export function noteRunning(address: string): void {
	needFolder(DATA);
	try {
		// Whole or not at all: a note that is half written names nobody.
		const fresh = `${FILE}.${process.pid}`;
		writeFileSync(fresh, JSON.stringify({ pid: process.pid, address, began: beganOf(process.pid) }));
		renameSync(fresh, FILE);
	} catch (error) {
		throw plain(error, DATA);
	}
}

/** Takes our own note away; never throws. */
export function forgetRunning(): void {
	try {
		if (findRunning()?.pid === process.pid) rmSync(FILE, { force: true });
	} catch {
		// It names a process that is gone: nobody takes it for one that runs.
	}
}

/** Runs `work` while nobody begins to run. Throws an Error that says in a sentence why that cannot be noted. */
export function beforeRunning<T>(work: () => Promise<T>): Promise<T> {
	needFolder(DATA);
	return alone(join(DATA, 'running.lock'), work);
}
