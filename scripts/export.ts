/**
 * ./dinesis export: a kit as what a game takes: a part of it, a module, names, calls, curves. With `--watch` again whenever the file changes.
 * Exit 0 when it is written, 2 when it cannot be.
 */
import { statSync, watchFile } from 'node:fs';
import { checkKit } from '../src/lib/documents/findings';
import { sayProblem } from '../src/lib/documents';
import { readArguments } from './lib/arguments';
import { FLAGS, handOver } from './lib/hand-over';
import { sinkFor } from './lib/handed';
import { needKit, readKitFile } from './lib/kit-file';
import { fail, say } from './lib/say';

const args = readArguments(process.argv.slice(2), { values: [...FLAGS, 'out'], switches: ['pose', 'watch'] });
const path = args.plain[0] ?? fail('A kit file is needed: ./dinesis export KIT --as TARGET');
const target = args.flags.get('as') ?? fail('--as TARGET is needed. ./dinesis help lists them.');
const out = args.flags.get('out');

async function once(kit: ReturnType<typeof needKit>): Promise<void> {
	const errors = checkKit(kit).filter(({ level }) => level === 'error');
	for (const { place, sentence } of errors) say(`error: ${place}: ${sentence}`);
	const sink = sinkFor(out);
	await handOver(kit, target, args, sink);
	sink.end();
	if (out !== undefined) say(`${out} is written.`);
}
await once(needKit(path));
if (args.flags.has('watch')) {
	if (out === undefined) fail('--watch needs --out FILE: on stdout nobody could tell where one ends.');
	say(`waiting for changes of ${path} (Ctrl+C ends it)`);
	let before = statSync(path).mtimeMs;
	watchFile(path, { interval: 300 }, ({ mtimeMs }) => {
		if (mtimeMs === 0 || mtimeMs === before) return;
		before = mtimeMs;
		const read = readKitFile(path);
		// A file that is half written is read again when it is whole.
		if (read.ok) void once(read.value);
		else say(`${path} cannot be read: ${sayProblem(read.problems[0]!)}`);
	});
}
