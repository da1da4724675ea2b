/**
 * ./dinesis check: what is wrong with a kit, its motion too (`--quick` leaves that out). What it leaves alone with a reason is not told.
 * Exit 1 when there are errors, 2 when it cannot be read.
 */
import { checkKit } from '../src/lib/documents/findings';
import { documentsIn, sayProblem, silencedId } from '../src/lib/documents';
import { checkMotion } from '../src/lib/review/findings';
import { clearInGrounds, withinGrounds } from '../src/lib/world/clear';
import { progressOn } from './lib/handed';
import { sarifOf } from './lib/sarif';
import { readArguments } from './lib/arguments';
import { readKitFile } from './lib/kit-file';
import { fail, say } from './lib/say';

const args = readArguments(process.argv.slice(2), { switches: ['json', 'sarif', 'quick'] });
const path = args.plain[0] ?? fail('A kit file is needed: ./dinesis check KIT');
const asJson = args.flags.has('json');
const result = readKitFile(path);
if (!result.ok) {
	if (asJson) process.stdout.write(`${JSON.stringify({ readable: false, problems: result.problems }, null, 2)}\n`);
	say(`${path} cannot be read.`);
	for (const problem of result.problems) process.stderr.write(`  ${sayProblem(problem)}\n`);
	process.exit(2);
}
const kit = result.value;
const moving = args.flags.has('quick')
	? []
	: checkMotion(kit, { clear: clearInGrounds, within: withinGrounds }, progressOn('looking at the motion'));
const left = new Set((kit.settings?.silenced ?? []).map(({ id }) => id));
const places = [...documentsIn(kit)];
/** The document that a place is in. */
const isLeft = ({ place, check }: { readonly place: string; readonly check: string }): boolean => {
	const row = places.find(({ at }) => at !== '' && place.startsWith(at)) ?? places.at(-1)!;
	return left.has(silencedId(row.kind, row.document.id, check));
};
const all = [...checkKit(kit), ...moving];
const findings = all.filter((finding) => !isLeft(finding));
const alone = all.length - findings.length;
if (args.flags.has('sarif')) process.stdout.write(`${JSON.stringify(sarifOf(path, findings), null, 2)}\n`);
else if (asJson) {
	const plain = findings.map(({ check, level, place, sentence, why, fix }) => ({
		check,
		level,
		place,
		sentence,
		why,
		fix: fix?.label
	}));
	process.stdout.write(`${JSON.stringify({ readable: true, findings: plain }, null, 2)}\n`);
} else {
	for (const f of findings) process.stdout.write(`${f.level}: ${f.place}: ${f.sentence}\n`);
	const apart = alone > 0 ? `, ${alone} left alone with a reason` : '';
	say(`${path}: ${findings.length === 0 ? 'nothing found' : `${findings.length} found`}${apart}.`);
}
process.exit(findings.some((f) => f.level === 'error') ? 1 : 0);
