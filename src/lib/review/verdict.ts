/**
 * A verdict that one can send: each motion over many plays, what passes a limit, how it differs from another kit's, what it comes to for
 * players who want less, and what was found. As JSON for a pipeline; as a page, see `verdict-page.ts`.
 */
import { CHANNELS, type Channel, type Clear } from 'dinesis-runtime/tools';
import { silencedId, type Kit } from '$lib/documents';
import { COMFORT_LIMITS } from './comfort';
import { detailOf, FIGURE_NAMES, FIGURES, figuresOf, type FigureName, type FiguresOfPlay } from './figures';
import { motionFindings, Watched, type Grounds, type MotionFinding } from './findings';
import { playMany, seedOf, type Reviewed } from './many';
import { neededFor, playOnce, type Asked } from './motion';
import { nameIn, type Subject } from './subject';
import { apartOf, likelyAbove, type Apart, type Likely } from './spread';

export interface VerdictOptions {
	readonly subjects: readonly Subject[];
	/** Plays of each; of what runs on a course a twentieth, two at least. */
	readonly seeds: number;
	/** What is too much, by figure: it fails where it is passed. */
	readonly limits: Readonly<Partial<Record<FigureName, number>>>;
	/** Held against the same ones there, where they are. */
	readonly against?: Kit | null;
	readonly grounds?: Grounds;
	/** Told how much is done, 0–1; false gives up. */
	readonly going?: (part: number) => boolean | void;
}

export interface FigureTold {
	readonly unit: string;
	readonly mildest: number;
	readonly p5: number;
	readonly median: number;
	readonly p95: number;
	readonly worst: number;
	readonly worstSeed: number;
}

export interface Passed extends Likely {
	readonly figure: FigureName;
	readonly limit: number;
}

export interface VerdictRow {
	readonly kind: Subject['kind'];
	readonly id: string;
	readonly name: string;
	readonly seeds: number;
	readonly figures: Readonly<Record<FigureName, FigureTold>>;
	readonly passed: readonly Passed[];
	/** Against the other kit's, where it has it. */
	readonly apart: Readonly<Record<FigureName, Apart>> | null;
	/** Of the play in the middle. */
	readonly settles: number | null;
	readonly frequencies: Readonly<Partial<Record<Channel, number>>>;
	/** How far the centre of the play in the middle is off its place, in percent of the picture's height, evenly over its length. */
	readonly curve: readonly number[];
	readonly seconds: number;
	/** One play for each setting that the kit offers players. */
	readonly players: readonly { readonly id: string; readonly name: string; readonly figures: FiguresOfPlay }[];
	readonly findings: readonly (Omit<MotionFinding, 'fix'> & { readonly fix?: string })[];
}

export interface Verdict {
	readonly format: 'dinesis-review';
	readonly version: 1;
	readonly kit: string;
	readonly limits: Readonly<Partial<Record<FigureName, number>>>;
	readonly reviewed: readonly VerdictRow[];
}

/** The project's own limits on top of ours. */
export const comfortLimits = (kit: Kit): Readonly<Record<string, number>> => ({
	...COMFORT_LIMITS,
	...Object.fromEntries(
		Object.entries(kit.settings?.limits ?? {}).filter(([name]) => (FIGURE_NAMES as readonly string[]).includes(name))
	)
});

/** So many points of a curve are told. */
const POINTS = 240;

/** Null when `going` gave up. What cannot be played is left out. */
export function verdictOf(kit: Kit, options: VerdictOptions): Verdict | null {
	const { subjects, seeds, limits, against = null, grounds = {}, going } = options;
	const watched = new Watched(kit, grounds);
	const left = new Set((kit.settings?.silenced ?? []).map(({ id }) => id));
	const reviewed: VerdictRow[] = [];
	for (const [i, subject] of subjects.entries()) {
		const told = (part: number): boolean | void => going?.((i + part) / subjects.length);
		const plays = subject.kind === 'shake' ? seeds : Math.max(2, Math.ceil(seeds / 20));
		let many: Reviewed | null;
		try {
			many = playMany(askedFor(kit, subject, grounds.clear), { seeds: plays, going: told });
		} catch {
			continue;
		}
		if (!many) return null;
		const findings = motionFindings(watched, subject)
			.filter(({ check }) => !left.has(silencedId(subject.kind, subject.id, check)))
			.map(({ fix, ...found }) => ({ ...found, ...(fix && { fix: fix.label }) }));
		reviewed.push({
			...subject,
			name: nameIn(kit, subject),
			seeds: plays,
			figures: toldOf(many),
			passed: passedOf(many, limits),
			apart: apartFrom(many, against, subject, plays, grounds.clear),
			...middleOf(kit, subject, many, grounds.clear),
			players: (kit.players ?? []).map((player) => ({
				id: player.id,
				name: player.name,
				figures: figuresOf(playOnce({ ...askedFor(kit, subject, grounds.clear), player }, 1))
			})),
			findings
		});
	}
	return { format: 'dinesis-review', version: 1, kit: kit.name, limits, reviewed };
}

const askedFor = (kit: Kit, subject: Subject, clear?: Clear): Asked => ({
	kit: neededFor(kit, subject),
	subject,
	clear
});

const byFigure = <T>(of: (name: FigureName) => T): Record<FigureName, T> =>
	Object.fromEntries(FIGURE_NAMES.map((name) => [name, of(name)])) as Record<FigureName, T>;

const toldOf = ({ spread }: Reviewed): Record<FigureName, FigureTold> =>
	byFigure((name) => {
		const { mildest, p5, median, p95, worst } = spread[name];
		return { unit: FIGURES[name].unit, mildest, p5, median, p95, worst, worstSeed: seedOf(spread[name], 'worst') };
	});

function passedOf({ plays }: Reviewed, limits: VerdictOptions['limits']): Passed[] {
	return FIGURE_NAMES.flatMap((figure) => {
		const limit = limits[figure];
		if (limit === undefined) return [];
		const likely = likelyAbove(
			plays.map((play) => play[figure]),
			limit
		);
		return likely.share > 0 ? [{ figure, limit, ...likely }] : [];
	});
}

function apartFrom(
	mine: Reviewed,
	against: Kit | null,
	subject: Subject,
	seeds: number,
	clear?: Clear
): VerdictRow['apart'] {
	if (!against) return null;
	try {
		const theirs = playMany(askedFor(against, subject, clear), { seeds })!;
		return byFigure((name) =>
			apartOf(
				theirs.plays.map((play) => play[name]),
				mine.plays.map((play) => play[name])
			)
		);
	} catch {
		// It is not there.
		return null;
	}
}

function middleOf(
	kit: Kit,
	subject: Subject,
	{ spread }: Reviewed,
	clear?: Clear
): Pick<VerdictRow, 'settles' | 'frequencies' | 'curve' | 'seconds'> {
	const motion = playOnce(askedFor(kit, subject, clear), seedOf(spread.percent, 'median'));
	const { settles, frequencies, off } = detailOf(motion);
	const size = Math.max(1, Math.ceil(off.length / POINTS));
	const curve: number[] = [];
	for (let from = 0; from < off.length; from += size)
		curve.push(Math.max(...off.subarray(from, Math.min(off.length, from + size))));
	const told = Object.fromEntries(CHANNELS.filter((c) => frequencies[c]).map((c) => [c, frequencies[c]]));
	return { settles, frequencies: told, curve, seconds: (off.length - 1) / motion.track.fps };
}
