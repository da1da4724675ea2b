/** Which Dinesis runs on this data folder, if any. */
import { mkdirSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { DATA } from './paths';

export interface Running {
	readonly pid: number;
	/** Empty while it is still starting. */
	readonly address: string;
	/** When the process began, from the kernel, so that another process with the same number is not taken for it. */
	readonly began: string;
}

const FILE = join(DATA, 'running.json');

function beganOf(pid: number): string | null {
	try {
		// Field 22 of /proc/PID/stat, counted behind the name in brackets.
		return readFileSync(`/proc/${pid}/stat`, 'utf8').split(') ')[1]?.split(' ')[19] ?? null;
	} catch {
		return null;
	}
}

/** The one that runs; null when none does, also when one was killed and left its note behind. */
export function findRunning(): Running | null {
	try {
		const note = JSON.parse(readFileSync(FILE, 'utf8')) as Running;
		return beganOf(note.pid) === note.began ? note : null;
	} catch {
		return null;
	}
}

export function noteRunning(address: string): void {
	mkdirSync(DATA, { recursive: true });
	writeFileSync(FILE, JSON.stringify({ pid: process.pid, address, began: beganOf(process.pid) }));
}

export const forgetRunning = (): void => rmSync(FILE, { force: true });
