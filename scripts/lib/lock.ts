/** One at a time across processes: a file that names who holds it. A holder that died holds nothing. */
import { readFileSync, rmSync, writeFileSync } from 'node:fs';
import { setTimeout as wait } from 'node:timers/promises';
import { lives, nameOf } from './processes';

const PATIENCE = 120_000;

/** Runs `work` while this process alone holds the file. Throws an Error when somebody holds it for longer than two minutes. */
export async function alone<T>(file: string, work: () => Promise<T>): Promise<T> {
	const own = nameOf(process.pid);
	const giveUp = Date.now() + PATIENCE;
	for (;;) {
		try {
			writeFileSync(file, own, { flag: 'wx' });
			break;
		} catch (error) {
			if ((error as NodeJS.ErrnoException).code !== 'EEXIST') throw error;
		}
		const holder = holderOf(file);
		// An empty one is being written, or its writer was killed at just that moment.
		if (holder !== null && holder !== '' && !lives(holder)) rmSync(file, { force: true });
		else if (Date.now() > giveUp) {
			if (holder === '') rmSync(file, { force: true });
			else
				throw new Error(
					`Another Dinesis (process ${holder?.split('-')[0]}) is busy with the database and does not let go.`
				);
		}
		await wait(50);
	}
	try {
		return await work();
	} finally {
		if (holderOf(file) === own) rmSync(file, { force: true });
	}
}

function holderOf(file: string): string | null {
	try {
		return readFileSync(file, 'utf8');
	} catch {
		return null;
	}
}
