/**
 * ./dinesis review: the shakes of a kit in figures, over many plays. `--against OTHER` holds them against another kit's, `--limit` fails
 * what passes it. Exit 0, 1 when a limit is passed, 2 when the kit cannot be read.
 */
import { isShake } from 'dinesis-runtime/tools';
import type { ShakePreset } from 'dinesis-runtime';
import type { Kit } from '../src/lib/documents';
import {
	apartOf,
	FIGURE_NAMES,
	FIGURES,
	likelyAbove,
	reviewShake,
	type FigureName,
	type ReviewedShake
} from '../src/lib/review';
import { numberFlag, readArguments } from './lib/arguments';
import { partFrom, progressOn } from './lib/handed';
import { needKit } from './lib/kit-file';
import { fail, say } from './lib/say';

const args = readArguments(process.argv.slice(2), {
	values: ['only', 'tag', 'seeds', 'limit', 'against'],
	switches: ['json']
});
const seeds = numberFlag(args, 'seeds', { min: 2, max: 100_000, whole: true }) ?? 200;
const shakesOf = (kit: Kit): ShakePreset[] => kit.presets.filter(isShake);
const shakes = shakesOf(partFrom(args, needKit(args.plain[0])));
const against = args.flags.get('against');
const others = against === undefined ? null : new Map(shakesOf(needKit(against)).map((p) => [p.id, p]));

/** `percent=8,roll=2` */
const limits = (args.flags.get('limit') ?? '')
	.split(',')
	.filter(Boolean)
	.map((text): [FigureName, number] => {
		const [name = '', value = ''] = text.split('=');
		if (!FIGURE_NAMES.includes(name as FigureName))
			fail(`--limit names "${name}"; one of ${FIGURE_NAMES.join(', ')} is needed.`);
		if (!(Number(value) >= 0) || value === '') fail(`--limit ${name} is "${value}"; a number from 0 on is needed.`);
		return [name as FigureName, Number(value)];
	});

interface Told {
	readonly id: string;
	readonly name: string;
	readonly review: ReviewedShake;
	readonly passed: readonly {
		readonly figure: FigureName;
		readonly limit: number;
		readonly share: number;
		readonly from: number;
		readonly to: number;
	}[];
	readonly apart: Readonly<Partial<Record<FigureName, ReturnType<typeof apartOf>>>> | null;
}

const progress = progressOn('playing');
const told = shakes.map((preset, i): Told => {
	const review = reviewShake(preset, { seeds, going: (part) => (progress((i + part) / shakes.length), true) })!;
	const passed = limits.flatMap(([figure, limit]) => {
		const likely = likelyAbove(
			review.plays.map((play) => play[figure]),
			limit
		);
		return likely.share > 0 ? [{ figure, limit, ...likely }] : [];
	});
	const other = others?.get(preset.id);
	const theirs = other && reviewShake(other, { seeds });
	const apart = theirs
		? Object.fromEntries(
				FIGURE_NAMES.map((name) => [
					name,
					apartOf(
						theirs.plays.map((p) => p[name]),
						review.plays.map((p) => p[name])
					)
				])
			)
		: null;
	return { id: preset.id, name: preset.name, review, passed, apart };
});

const short = (value: number): string => String(Number(value.toPrecision(3)));
if (args.flags.has('json')) {
	const plain = told.map(({ id, name, review, passed, apart }) => ({
		id,
		name,
		seeds: review.seeds,
		settles: review.settles,
		frequencies: review.frequencies,
		figures: Object.fromEntries(
			FIGURE_NAMES.map((figure) => {
				const { mildest, median, worst, p5, p95, order } = review.spread[figure];
				return [figure, { unit: FIGURES[figure].unit, mildest, p5, median, p95, worst, worstSeed: order.at(-1)! + 1 }];
			})
		),
		passed,
		...(apart && { apart })
	}));
	process.stdout.write(`${JSON.stringify({ format: 'dinesis-review', version: 1, shakes: plain }, null, 2)}\n`);
} else
	for (const { id, name, review, passed, apart } of told) {
		process.stdout.write(
			`${name} (${id}), ${review.seeds} plays${review.settles === null ? '' : `, settles in ${short(review.settles)} s`}\n`
		);
		for (const figure of FIGURE_NAMES) {
			const { label, unit } = FIGURES[figure];
			const { median, p5, p95, worst, order } = review.spread[figure];
			if (worst === 0) continue;
			const than = apart?.[figure];
			const differs =
				than && than.chance < 0.01
					? `; ${than.by > 0 ? '+' : ''}${short(than.by)} ${unit} against ${against}, p ${short(than.chance)}`
					: '';
			process.stdout.write(
				`  ${label.padEnd(16)} ${short(median).padStart(7)} ${unit.padEnd(4)} (nine of ten ${short(p5)}–${short(p95)}; worst ${short(worst)}, seed ${order.at(-1)! + 1})${differs}\n`
			);
		}
		const rates = Object.entries(review.frequencies).map(([channel, hertz]) => `${channel} ${short(hertz)} Hz`);
		if (rates.length > 0) process.stdout.write(`  most at         ${rates.join(', ')}\n`);
		for (const { figure, limit, share, from, to } of passed)
			process.stdout.write(
				`  LIMIT: ${FIGURES[figure].label} above ${limit} ${FIGURES[figure].unit} in ${short(share * 100)} % of plays (${short(from * 100)}–${short(to * 100)} %)\n`
			);
	}
const bad = told.filter(({ passed }) => passed.length > 0).length;
if (bad > 0) say(`${bad} of ${told.length} shakes pass a limit.`);
process.exitCode = bad > 0 ? 1 : 0;
