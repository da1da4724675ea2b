/** Points of a curve as rows of a sheet: written, read, and made into points again. */
import { thinned } from '$lib/analysis';
import { clean, spread, within, type Point, type PointRules } from './points';

export interface SheetRow {
	readonly place: number;
	readonly value: number;
}

/** Points as rows for a sheet: place and value, a tab between. */
export const writeSheet = (points: readonly Point[], placeOf: (at: number) => number): string =>
	points.map(({ at, value }) => `${Number(placeOf(at).toPrecision(6))}\t${value}`).join('\n');

/**
 * Reads rows of a sheet: two numbers each, by tabs, semicolons, commas or blanks; a decimal comma where a tab or a semicolon divides. One number
 * a row is a value, a place apart each. A first row of words is a heading. Says in which row it is not understood.
 */
export function readSheet(text: string): readonly SheetRow[] | string {
	const lines = text
		.split(/\r?\n/)
		.map((line) => line.trim())
		.filter(Boolean);
	const rows: SheetRow[] = [];
	for (const [i, line] of lines.entries()) {
		const divided = /[\t;]/.test(line);
		const cells = (divided ? line.replace(/,/g, '.').split(/[\t;]/) : line.split(/[\s,]+/)).map((cell) => cell.trim());
		const numbers = cells.filter(Boolean).map(Number);
		if (numbers.some((n) => !Number.isFinite(n))) {
			if (i === 0) continue;
			return `Row ${i + 1} (“${line.slice(0, 40)}”) is not understood: a place and a value are needed.`;
		}
		if (numbers.length < 1 || numbers.length > 2)
			return `Row ${i + 1} has ${numbers.length} numbers; a place and a value are needed.`;
		rows.push(
			numbers.length === 2 ? { place: numbers[0]!, value: numbers[1]! } : { place: rows.length, value: numbers[0]! }
		);
	}
	if (rows.length === 0) return 'There is no row with numbers.';
	const sorted = [...rows].sort((a, b) => a.place - b.place);
	const twice = sorted.find((row, i) => row.place === sorted[i + 1]?.place);
	return twice ? `There are two rows for ${twice.place}.` : sorted;
}

/**
 * Points out of rows. `atOf`: the share that a place is. What is longer than the whole is pressed together, what is higher than allowed is
 * made flatter, what is too much or too near falls away: `said` tells each of these; empty: nothing had to be changed.
 */
export function pointsOfSheet(
	rows: readonly SheetRow[],
	atOf: (place: number) => number,
	rules: PointRules
): { readonly points: Point[]; readonly said: string } {
	const said: string[] = [];
	const first = Math.min(0, ...rows.map(({ place }) => atOf(place)));
	const long = Math.max(...rows.map(({ place }) => atOf(place))) - first;
	if (long > 1 + 1e-9) said.push(`pressed together to ${Number((100 / long).toPrecision(3))} %, for it was longer`);
	const high = Math.max(
		...rows.map(({ value }) => Math.max(value / rules.most, rules.least < 0 ? value / rules.least : 0))
	);
	if (high > 1 + 1e-9) said.push(`made flatter, to ${Number((100 / high).toPrecision(3))} %`);
	const low = rules.least >= 0 && rows.some(({ value }) => value < rules.least);
	if (low) said.push(`nothing below ${rules.least}`);
	const all = rows.map(({ place, value }) => ({
		at: clean((atOf(place) - first) / Math.max(1, long)),
		value: clean(within(value / Math.max(1, high), rules.least, rules.most))
	}));
	const apart = spread(all, rules);
	// Of very many, those that are farthest from what the others tell are kept.
	const points = apart.length > rules.count ? thinned(apart, rules.count) : apart;
	if (points.length < all.length) said.push(`${points.length} of ${all.length} rows kept`);
	return { points, said: said.join('; ') };
}
