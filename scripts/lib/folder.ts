/** Folders that are written to: asked before anything is changed, and told in a sentence. */
import { accessSync, constants, existsSync, mkdirSync, statSync } from 'node:fs';
import { dirname } from 'node:path';

const WHY: Readonly<Record<string, string>> = {
	EROFS: 'lies on a medium that cannot be written to',
	EACCES: 'may not be written by you',
	EPERM: 'may not be written by you',
	ENOSPC: 'lies on a full disk',
	EDQUOT: 'lies on a disk of which you may use no more',
	ENOTDIR: 'has a file where a folder is needed',
	ENOENT: 'cannot be made there'
};

/** An error of the file system as a sentence that says what to do; any other error as it is. */
export function plain(error: unknown, path: string): Error {
	const { code = '' } = error as NodeJS.ErrnoException;
	const why = WHY[code];
	if (!why) return error instanceof Error ? error : new Error(String(error));
	const help =
		code === 'ENOSPC' || code === 'EDQUOT'
			? 'Make room on it, then start again; what was saved is kept.'
			: 'Make it writable, or set DINESIS_DATA to a folder that is.';
	return new Error(`${path} ${why}. ${help}`);
}

/** One by one: where none can be made (as below /proc) making all at once never comes back. */
function make(path: string): void {
	if (!existsSync(dirname(path))) make(dirname(path));
	if (!existsSync(path)) mkdirSync(path);
}

/** Makes the folder, or sees that it can be written to. Throws an Error that says in a sentence why not, and what to do. */
export function needFolder(path: string): void {
	try {
		if (existsSync(path)) accessSync(path, constants.W_OK | constants.X_OK);
		else make(path);
	} catch (error) {
		const { uid } = existingAbove(path);
		const own = process.getuid?.();
		const { code } = error as NodeJS.ErrnoException;
		if (own !== undefined && own !== 0 && uid !== own && code !== 'EROFS' && code !== 'ENOSPC')
			throw new Error(
				`${path} belongs to ${uid === 0 ? 'root' : `the user number ${uid}`}, who once started Dinesis here. Give it back: sudo chown -R "$(id -un)" ${path}`
			);
		throw plain(error, path);
	}
}

function existingAbove(path: string): { uid: number } {
	let here = path;
	while (!existsSync(here)) here = dirname(here);
	return statSync(here);
}
