/** ./dinesis check: what is wrong with a kit. Exit 1 when there are errors, 2 when it cannot be read. */
import { checkKit } from '../src/lib/documents/findings';
import { sayProblem } from '../src/lib/documents';
import { sarifOf } from './lib/sarif';
import { readArguments } from './lib/arguments';
import { readKitFile } from './lib/kit-file';
import { fail, say } from './lib/say';

const args = readArguments(process.argv.slice(2), { switches: ['json', 'sarif'] });
const path = args.plain[0] ?? fail('A kit file is needed: ./dinesis check KIT');
const asJson = args.flags.has('json');
const result = readKitFile(path);
if (!result.ok) {
	if (asJson) process.stdout.write(`${JSON.stringify({ readable: false, problems: result.problems }, null, 2)}\n`);
	say(`${path} cannot be read.`);
	for (const problem of result.problems) process.stderr.write(`  ${sayProblem(problem)}\n`);
	process.exit(2);
}
const findings = checkKit(result.value);
if (args.flags.has('sarif')) process.stdout.write(`${JSON.stringify(sarifOf(path, findings), null, 2)}\n`);
else if (asJson) {
	const plain = findings.map(({ check, level, place, sentence, fix }) => ({
		check,
		level,
		place,
		sentence,
		fix: fix?.label
	}));
	process.stdout.write(`${JSON.stringify({ readable: true, findings: plain }, null, 2)}\n`);
} else {
	for (const f of findings) process.stdout.write(`${f.level}: ${f.place}: ${f.sentence}\n`);
	say(`${path}: ${findings.length === 0 ? 'nothing found' : `${findings.length} found`}.`);
}
process.exit(findings.some((f) => f.level === 'error') ? 1 : 0);
