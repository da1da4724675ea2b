/** ./dinesis restore FILE: puts a backup in place of what is kept now, whole or not at all. ./dinesis restore --list: those that were made by themselves. */
import { existsSync } from 'node:fs';
import { resolve } from 'node:path';
import { BACKUPS, backUp, faultOf, listBackups, putBack } from './lib/archive';
import { readArguments } from './lib/arguments';
import { prepareDatabase } from './lib/prepare';
import { beforeRunning, findRunning } from './lib/running';
import { fail, say, tell } from './lib/say';
import { withDatabase } from './lib/with-database';

const args = readArguments(process.argv.slice(2), { switches: ['list'] });
if (args.flags.has('list')) {
	const list = listBackups();
	if (list.length === 0)
		say(
			`there is none in ${BACKUPS} yet: one is made each day, and before what is kept is brought up to a new version`
		);
	for (const { path, bytes, at } of list)
		tell(
			`${at.toISOString().slice(0, 16).replace('T', ' ')}  ${String(Math.ceil(bytes / 1024)).padStart(8)} kB  ${path}`
		);
	process.exit(0);
}
const named =
	args.plain[0] ??
	fail('A backup is needed: ./dinesis restore FILE (./dinesis restore --list shows those made by themselves)');
const source = !existsSync(named) && existsSync(resolve(BACKUPS, named)) ? resolve(BACKUPS, named) : resolve(named);
const fault = await faultOf(source);
if (fault) fail(`${fault} Nothing was changed.`);

// A server that starts meanwhile waits until it is done.
await beforeRunning(async () => {
	if (findRunning()) fail('Dinesis runs. End it first (./dinesis stop), so that nobody works on what is replaced.');
	await withDatabase(async (url) => {
		const kept = await backUp(url, 'before-restore').catch((error: Error) => {
			say(`what is kept now could not be backed up first: ${error.message}`);
			return null;
		});
		await putBack(url, source, (aside) => prepareDatabase(aside, { demo: false, say: () => undefined }));
		say(`${source} restored${kept ? `; what was kept before is in ${kept}` : ''}`);
	});
}).catch((error: Error) => fail(error.message, 1));
