/** One at a time across processes: a file that names who holds it. A holder that died holds nothing. */
import { linkSync, readFileSync, renameSync, rmSync, statSync, writeFileSync } from 'node:fs';
import { setTimeout as wait } from 'node:timers/promises';
import { lives, nameOf } from './processes';

const PATIENCE = 120_000;
/** An empty one that is older is written by nobody any more. */
const WRITTEN_WITHIN = 2000;

/** Runs `work` while this process alone holds the file. Throws an Error when somebody holds it for longer than two minutes. */
export async function alone<T>(file: string, work: () => Promise<T>): Promise<T> {
	const own = nameOf(process.pid);
	const giveUp = Date.now() + PATIENCE;
	for (;;) {
		try {
			writeFileSync(file, own, { flag: 'wx' });
			break;
		} catch (error) {
			if ((error as NodeJS.ErrnoException).code !== 'EEXIST') {
				// On a full disk it is there, and empty.
				rmSync(file, { force: true });
				throw error;
			}
		}
		const holder = holderOf(file);
		// An empty one is being written, or its writer was killed at just that moment.
		const isHeld = holder === '' ? ageOf(file) < WRITTEN_WITHIN : holder !== null && lives(holder);
		if (holder !== null && !isHeld) takeAway(file, holder);
		else if (Date.now() > giveUp) {
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

/** Takes a lock away whose holder is gone; one that somebody has taken since is put back. */
function takeAway(file: string, holder: string): void {
	const aside = `${file}.${process.pid}`;
	try {
		renameSync(file, aside);
		if (readFileSync(aside, 'utf8') !== holder) linkSync(aside, file);
	} catch {
		// Somebody else was quicker.
	} finally {
		rmSync(aside, { force: true });
	}
}

/** Milliseconds since it was last written to. */
function ageOf(file: string): number {
	try {
		return Date.now() - statSync(file).mtimeMs;
	} catch {
		return 0;
	}
}

function holderOf(file: string): string | null {
	try {
		return readFileSync(file, 'utf8');
	} catch {
		return null;
	}
}
