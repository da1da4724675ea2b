/**
 * ./dinesis vectors --write: writes the golden vectors anew from what the code gives. Only on purpose: they are what every run-time is
 * held against, so a changed one is a changed motion, and the note of the change says which and why. Without --write it tells which differ.
 */
import { existsSync, readFileSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { casesOf, playVector, type Vector } from 'dinesis-runtime/vectors';
import { courseCasesOf, playCourseVector } from '../src/lib/course/vectors/cases';
import { readArguments } from './lib/arguments';
import { needKit } from './lib/kit-file';
import { DEMO_KIT, ROOT } from './lib/paths';
import { say } from './lib/say';

const args = readArguments(process.argv.slice(2), { switches: ['write'] });
const demo = needKit(DEMO_KIT);
let differ = 0;

type Played = Omit<Vector, 'inputs'>;
function compare<Case extends { readonly name: string }>(
	folder: string,
	all: Readonly<Record<string, readonly Case[]>>,
	play: (one: Case) => Pick<Vector, 'rows' | 'hash'>
): void {
	for (const [file, cases] of Object.entries(all)) {
		const path = join(ROOT, folder, `${file}.json`);
		const before = existsSync(path) ? (JSON.parse(readFileSync(path, 'utf8')) as Played[]) : [];
		const vectors = cases.map((one) => ({ ...one, ...play(one) }));
		for (const vector of vectors) {
			const hash = before.find((v) => v.name === vector.name)?.hash;
			if (hash === vector.hash) continue;
			differ++;
			say(`${file}: ${vector.name} ${hash === undefined ? 'is new' : 'differs'}`);
		}
		if (args.flags.has('write'))
			writeFileSync(
				path,
				`[\n${vectors
					.map((v) =>
						JSON.stringify(v)
							.replace(/"rows":\[/, '\n"rows":[\n')
							.replace(/\],\[/g, '],\n[')
					)
					.join(',\n')}\n]\n`
			);
	}
}
compare('runtime/vectors', casesOf(demo), (one) => playVector(one, demo));
compare('src/lib/course/vectors', courseCasesOf(demo), (one) => playCourseVector(one, demo));
say(
	differ === 0
		? 'every vector is as it was'
		: `${differ} vectors are new or differ${args.flags.has('write') ? '; written' : ''}`
);
process.exit(differ > 0 && !args.flags.has('write') ? 1 : 0);
