/** ./dinesis restore FILE: puts a backup in place of what is kept now, whole or not at all. */
import { spawnSync } from 'node:child_process';
import { existsSync } from 'node:fs';
import { resolve } from 'node:path';
import { readArguments } from './lib/arguments';
import { findRunning } from './lib/running';
import { fail, say } from './lib/say';
import { withDatabase } from './lib/with-database';

const source = resolve(
	readArguments(process.argv.slice(2), {}).plain[0] ?? fail('A backup is needed: ./dinesis restore FILE')
);
if (!existsSync(source)) fail(`There is no file ${source}. Nothing was changed.`);
if (findRunning()) fail('Dinesis runs. End it first (./dinesis stop), so that nobody works on what is replaced.');
await withDatabase((url) => {
	const done = spawnSync(
		'pg_restore',
		['--clean', '--if-exists', '--no-owner', '--single-transaction', '--exit-on-error', `--dbname=${url}`, source],
		{ encoding: 'utf8' }
	);
	if (done.status !== 0) throw new Error(`Restoring failed and changed nothing: ${done.stderr ?? done.error?.message}`);
	say(`${source} restored`);
}).catch((error: Error) => fail(error.message, 1));
