/** Points of a curve and poses of a cycle as a hand changes them: each act gives the list anew, sound whatever was asked for. */
import { compileCurve, runCurve } from 'dinesis-runtime/tools';

export interface Point {
	/** Its place, as a share of the whole: 0–1, rising from point to point. */
	readonly at: number;
	readonly value: number;
	/** Slopes arriving and leaving, in values per whole; left out: the curve chooses. */
	readonly in?: number;
	readonly out?: number;
}

export interface PointRules {
	readonly least: number;
	readonly most: number;
	/** As near as two may come. */
	readonly gap: number;
	/** The steepest slope, in values per whole. */
	readonly steepest: number;
	/** How many there may be. */
	readonly count: number;
}

/** What a kit takes of a curve of strength. */
export const CURVE: PointRules = { least: 0, most: 10, gap: 0.004, steepest: 60, count: 64 };
/** What it takes of poses. */
export const POSES: PointRules = { least: -1, most: 1, gap: 0.005, steepest: 80, count: 64 };

export const within = (v: number, least: number, most: number): number => Math.min(most, Math.max(least, v));
// No −0: it would be another number to a comparison.
export const clean = (v: number): number => Math.round(v * 1e5) / 1e5 + 0;

/** A round step, about a thirtieth of a range: 1, 2 or 5 of a power of ten, so that 0 and 1 are reached. */
export function roundStep(range: number): number {
	const wanted = range / 30;
	const power = 10 ** Math.floor(Math.log10(wanted) + 1e-9);
	const of = [5, 2, 1].find((n) => n * power <= wanted * (1 + 1e-9)) ?? 1;
	return Number((of * power).toPrecision(1));
}

/** The nearest multiple of a step. */
export const snapTo = (v: number, step: number): number => clean(Math.round(v / step) * step);

/** One step on from a number: to the next multiple, so that a crooked one becomes round. */
export function stepped(v: number, step: number, times: number): number {
	const exact = v / step;
	const near = Math.round(exact);
	const from = Math.abs(exact - near) < 1e-6 ? near : times > 0 ? Math.floor(exact) : Math.ceil(exact);
	return clean((from + times) * step);
}

/** One put elsewhere: between its neighbours, within what is allowed. */
export function moved<P extends Point>(
	points: readonly P[],
	i: number,
	{ at = points[i]!.at, value = points[i]!.value }: { readonly at?: number; readonly value?: number },
	{ least, most, gap }: PointRules
): P[] {
	const from = i === 0 ? 0 : points[i - 1]!.at + gap;
	const to = i === points.length - 1 ? 1 : points[i + 1]!.at - gap;
	const put = { at: clean(within(at, from, Math.max(from, to))), value: clean(within(value, least, most)) };
	return points.map((point, k) => (k === i ? { ...point, ...put } : point));
}

/** A new one; null where one is already, beyond the ends, or where there are enough. */
export function added<P extends Point>(
	points: readonly P[],
	at: number,
	value: number,
	{ least, most, gap, count }: PointRules
): P[] | null {
	if (at < 0 || at > 1 || points.length >= count || points.some((p) => Math.abs(p.at - at) < gap)) return null;
	const made = { at: clean(at), value: clean(within(value, least, most)) } as P;
	return [...points, made].sort((a, b) => a.at - b.at);
}

/** A new one behind another, on the curve as it is: half of the way to the next; behind the last, half of the way to the end. */
export function addedBehind<P extends Point>(points: readonly P[], i: number, rules: PointRules): P[] | null {
	const here = points[i];
	if (!here) return added(points, 0, rules.least < 0 ? 0 : 1, rules);
	const next = points[i + 1]?.at ?? 1;
	// Behind a last one that stands at the end there is room before it.
	const [from, to] = next - here.at < 2 * rules.gap && i > 0 ? [points[i - 1]!.at, here.at] : [here.at, next];
	const at = (from + to) / 2;
	return added(points, at, runCurve(compileCurve(points), at), rules);
}

/** Which one of a list was not in it before. */
export const newOne = (before: readonly Point[], after: readonly Point[]): number =>
	Math.max(
		0,
		after.findIndex(({ at }) => !before.some((point) => point.at === at))
	);

/** Without one of them; the last one stays. */
export const removed = <P extends Point>(points: readonly P[], i: number): P[] | null =>
	points.length < 2 ? null : points.filter((_, k) => k !== i);

/** One with a slope of its own on a side; null: the curve's again. */
export function sloped<P extends Point>(
	points: readonly P[],
	i: number,
	side: 'in' | 'out' | 'both',
	slope: number | null,
	{ steepest }: PointRules
): P[] {
	return points.map((point, k) => {
		if (k !== i) return point;
		const put = { ...point };
		for (const one of side === 'both' ? (['in', 'out'] as const) : [side])
			if (slope === null) delete (put as { in?: number; out?: number })[one];
			else Object.assign(put, { [one]: clean(within(slope, -steepest, steepest)) });
		return put;
	});
}

/** All of them so many times as high; slopes go with them. */
export const scaled = <P extends Point>(points: readonly P[], by: number, rules: PointRules): P[] =>
	points.map((point) => ({
		...point,
		value: clean(within(point.value * by, rules.least, rules.most)),
		...slopes(point, by, rules)
	}));

/**
 * All of them so many times as far apart, from the beginning on. What would come behind the end falls away; the curve then ends where it
 * would be there.
 */
export function stretched<P extends Point>(points: readonly P[], by: number, rules: PointRules): P[] {
	if (!(by > 0) || points.length === 0) return [...points];
	const far = points.map((point) => ({ ...point, at: clean(point.at * by), ...slopes(point, 1 / by, rules) }));
	const inside = far.filter(({ at }) => at <= 1);
	if (inside.length < far.length && (inside.at(-1)?.at ?? 0) < 1 - rules.gap)
		inside.push({ at: 1, value: clean(runCurve(compileCurve(far), 1)) } as P);
	return spread(inside, rules);
}

function slopes({ in: arrive, out: leave }: Point, by: number, { steepest }: PointRules): Pick<Point, 'in' | 'out'> {
	const put = (v: number): number => clean(within(v * by, -steepest, steepest));
	return { ...(arrive !== undefined && { in: put(arrive) }), ...(leave !== undefined && { out: put(leave) }) };
}

/** Only those that keep their distance from the one before. */
export function spread<P extends Point>(points: readonly P[], { gap }: PointRules): P[] {
	const kept: P[] = [];
	for (const point of points) if (kept.length === 0 || point.at - kept.at(-1)!.at >= gap - 1e-9) kept.push(point);
	return kept;
}
