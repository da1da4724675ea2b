/**
 * ./dinesis review: the motion of a kit in figures, over many plays. `--of KIND,…` says what (shakes if left out), `--against OTHER` holds it
 * against another kit's, `--limit` and `--comfort` fail what passes a limit, `--json` and `--html` are the verdict to send. Exit 0, 1 when
 * a limit is passed, 2 when the kit cannot be read.
 */
import {
	FIGURE_NAMES,
	FIGURES,
	said,
	SUBJECT_KINDS,
	subjectsOf,
	type FigureName,
	type SubjectKind
} from '../src/lib/review';
import { comfortLimits, verdictOf, type Verdict } from '../src/lib/review/verdict';
import { verdictPage } from '../src/lib/review/verdict-page';
import { clearInGrounds, withinGrounds } from '../src/lib/world/clear';
import { numberFlag, readArguments } from './lib/arguments';
import { partFrom, progressOn, sinkFor } from './lib/handed';
import { needKit } from './lib/kit-file';
import { fail, say } from './lib/say';

const args = readArguments(process.argv.slice(2), {
	values: ['of', 'only', 'tag', 'seeds', 'limit', 'against', 'out'],
	switches: ['json', 'html', 'comfort']
});
const seeds = numberFlag(args, 'seeds', { min: 2, max: 100_000, whole: true }) ?? 200;
const kit = needKit(args.plain[0]);
const part = partFrom(args, kit);
const kinds = (args.flags.get('of') ?? 'shake').split(',').map((kind) => kind.trim());
for (const kind of kinds)
	if (!SUBJECT_KINDS.includes(kind as SubjectKind))
		fail(`--of names "${kind}"; one of ${SUBJECT_KINDS.join(', ')} is needed, several with commas.`);
const against = args.flags.get('against');

/** `percent=8,roll=2` */
const own = (args.flags.get('limit') ?? '')
	.split(',')
	.filter(Boolean)
	.map((text): [FigureName, number] => {
		const [name = '', value = ''] = text.split('=');
		if (!FIGURE_NAMES.includes(name as FigureName))
			fail(`--limit names "${name}"; one of ${FIGURE_NAMES.join(', ')} is needed.`);
		if (!(Number(value) >= 0) || value === '') fail(`--limit ${name} is "${value}"; a number from 0 on is needed.`);
		return [name as FigureName, Number(value)];
	});
const limits: Partial<Record<FigureName, number>> = {
	...(args.flags.has('comfort') && comfortLimits(kit)),
	...Object.fromEntries(own)
};

const asked = subjectsOf(part).filter(({ kind }) => kinds.includes(kind));
const verdict = verdictOf(kit, {
	subjects: asked,
	seeds,
	limits,
	against: against === undefined ? null : needKit(against),
	grounds: { clear: clearInGrounds, within: withinGrounds },
	going: progressOn('playing')
})!;

function told({ reviewed }: Verdict): string {
	const lines: string[] = [];
	for (const { kind, id, name, seeds: plays, figures, passed, apart, settles, frequencies, findings } of reviewed) {
		lines.push(`${name} (${kind} ${id}), ${plays} plays${settles === null ? '' : `, settles in ${said(settles)} s`}`);
		for (const figure of FIGURE_NAMES) {
			const { label, unit } = FIGURES[figure];
			const { median, p5, p95, worst, worstSeed } = figures[figure];
			if (worst === 0) continue;
			const than = apart?.[figure];
			const differs =
				than && than.chance < 0.01
					? `; ${than.by > 0 ? '+' : ''}${said(than.by)} ${unit} against ${against}, p ${said(than.chance)}`
					: '';
			lines.push(
				`  ${label.padEnd(16)} ${said(median).padStart(7)} ${unit.padEnd(8)} (nine of ten ${said(p5)}–${said(p95)}; worst ${said(worst)}, seed ${worstSeed})${differs}`
			);
		}
		const rates = Object.entries(frequencies).map(([channel, hertz]) => `${channel} ${said(hertz)} Hz`);
		if (rates.length > 0) lines.push(`  most of it at    ${rates.join(', ')}`);
		for (const { figure, limit, share, from, to } of passed)
			lines.push(
				`  LIMIT: ${FIGURES[figure].label} above ${limit} ${FIGURES[figure].unit} in ${said(share * 100)} % of plays (${said(from * 100)}–${said(to * 100)} %)`
			);
		for (const { level, sentence } of findings) lines.push(`  ${level}: ${sentence}`);
	}
	return lines.map((line) => `${line}\n`).join('');
}
const sink = sinkFor(args.flags.get('out'));
await sink.write(
	args.flags.has('json')
		? `${JSON.stringify(verdict, null, 2)}\n`
		: args.flags.has('html')
			? verdictPage(verdict, against)
			: told(verdict)
);
sink.end();
const bad = verdict.reviewed.filter(({ passed }) => passed.length > 0).length;
if (bad > 0) say(`${bad} of ${verdict.reviewed.length} pass a limit.`);
process.exitCode = bad > 0 ? 1 : 0;
