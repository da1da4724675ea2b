/** Many plays of what is under review: how its figures are spread, and which play shows what. */
import { figuresOf, FIGURE_NAMES, JUDGED, type FigureName, type FiguresOfPlay, type Judged } from './figures';
import { playOnce, type Asked } from './motion';
import { spreadOf, type Spread } from './spread';

export interface Reviewed {
	/** Plays with the seeds 1 … `seeds`, counted from 0: seed 1 is play 0. */
	readonly seeds: number;
	readonly plays: readonly FiguresOfPlay[];
	readonly spread: Readonly<Record<FigureName, Spread>>;
}

export interface ManyOptions {
	readonly seeds: number;
	readonly judged?: Judged;
	/** Asked after each play with how much is done, 0–1; false gives up. */
	readonly going?: (part: number) => boolean | void;
}

/** Null when `going` gave up. Throws an Error that says what is not there. */
export function playMany(asked: Asked, { seeds, judged = JUDGED, going }: ManyOptions): Reviewed | null {
	const plays: FiguresOfPlay[] = [];
	for (let seed = 1; seed <= seeds; seed++) {
		plays.push(figuresOf(playOnce(asked, seed), judged));
		if (going?.(seed / seeds) === false) return null;
	}
	return { seeds, plays, spread: spreadsOf(plays) };
}

export const spreadsOf = (plays: readonly FiguresOfPlay[]): Record<FigureName, Spread> =>
	Object.fromEntries(FIGURE_NAMES.map((name) => [name, spreadOf(plays.map((play) => play[name]))])) as Record<
		FigureName,
		Spread
	>;

/** The seed whose play is the mildest, the one in the middle, or the worst in a figure. */
export function seedOf({ order }: Spread, which: 'mildest' | 'median' | 'worst'): number {
	const at = { mildest: 0, median: Math.floor((order.length - 1) / 2), worst: order.length - 1 }[which];
	return order[at]! + 1;
}
