/** ./dinesis backup FILE: everything kept, in one file of PostgreSQL's own archive format. */
import { existsSync, statSync } from 'node:fs';
import { resolve } from 'node:path';
import { dump } from './lib/archive';
import { readArguments } from './lib/arguments';
import { fail, say } from './lib/say';
import { withDatabase } from './lib/with-database';

const target = resolve(
	readArguments(process.argv.slice(2), {}).plain[0] ?? fail('A file to write is needed: ./dinesis backup FILE')
);
if (existsSync(target)) fail(`${target} is there already; name another file. Nothing was written.`);
await withDatabase(async (url) => {
	await dump(url, target);
	say(`${target} written (${Math.ceil(statSync(target).size / 1024)} kB)`);
}).catch((error: Error) => fail(error.message, 1));
