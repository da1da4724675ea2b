/** ./dinesis backup FILE: everything kept, in one file of PostgreSQL's own archive format. */
import { spawnSync } from 'node:child_process';
import { existsSync, renameSync, rmSync, statSync } from 'node:fs';
import { resolve } from 'node:path';
import { readArguments } from './lib/arguments';
import { fail, say } from './lib/say';
import { withDatabase } from './lib/with-database';

const target = resolve(
	readArguments(process.argv.slice(2), {}).plain[0] ?? fail('A file to write is needed: ./dinesis backup FILE')
);
if (existsSync(target)) fail(`${target} is there already; name another file. Nothing was written.`);
await withDatabase((url) => {
	const partial = `${target}.partial`;
	const done = spawnSync('pg_dump', ['--format=custom', '--no-owner', `--file=${partial}`, `--dbname=${url}`], {
		encoding: 'utf8'
	});
	if (done.status !== 0) {
		rmSync(partial, { force: true });
		throw new Error(`pg_dump failed: ${done.stderr ?? done.error?.message}`);
	}
	renameSync(partial, target);
	say(`${target} written (${Math.ceil(statSync(target).size / 1024)} kB)`);
}).catch((error: Error) => fail(error.message, 1));
