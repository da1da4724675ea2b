/** ./dinesis diff: what is new, gone and changed from one kit to another. Exit 0 when nothing is, 1 when something is, 2 when one cannot be read. */
import { kitDifference, sayKitDifference } from '../src/lib/handover';
import { readArguments } from './lib/arguments';
import { needKit } from './lib/kit-file';
import { fail } from './lib/say';

const args = readArguments(process.argv.slice(2), { switches: ['json'] });
const [from, to] = args.plain;
if (from === undefined || to === undefined) fail('Two kit files are needed: ./dinesis diff OLDER NEWER');
const list = kitDifference(needKit(from), needKit(to));
if (args.flags.has('json')) {
	const plain = list.map(({ kind, id, name, standing, fields }) => ({
		kind,
		id,
		name,
		standing,
		fields: fields.map(({ path, from: was, to: is }) => ({ path, was, is }))
	}));
	process.stdout.write(`${JSON.stringify(plain, null, 2)}\n`);
} else for (const line of sayKitDifference(list)) process.stdout.write(`${line}\n`);
process.exitCode = list.length === 0 ? 0 : 1;
