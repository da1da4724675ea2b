/** Rows of a CSV file, one after the other, each with its cells by the names of the header; what is wrong with one is told by its number. */
import papaparse from 'papaparse';
import type { Problem } from 'dinesis-runtime';

export const MOST_PROBLEMS = 50;

export interface Rows {
	/** Takes a row; its line in the file counts from 1, the header's. */
	row(cells: Readonly<Record<string, string>>, line: number): void;
	/** Looks at the header before the first row. */
	header(names: readonly string[]): void;
	readonly problems: Problem[];
}

/** Goes through a text until its end, until fifty problems, or until `most` rows. */
export function eachRow(text: string, rows: Rows, most: number): void {
	const { problems } = rows;
	const add = (line: number, message: string): void => void problems.push({ place: `row ${line}`, message });
	let names: string[] | null = null;
	let line = 0;
	let taken = 0;
	papaparse.parse<string[]>(text.trim(), {
		skipEmptyLines: false,
		step: ({ data: cells, errors }, parser) => {
			line++;
			if (cells.every((cell) => cell.trim() === '')) return;
			if (errors.length > 0 && errors[0]!.type === 'Quotes') add(line, 'has a quotation mark that is not closed');
			else if (names === null) {
				names = cells.map((cell) => cell.trim());
				const twice = names.find((name, i) => name !== '' && names!.indexOf(name) !== i);
				if (twice !== undefined) add(line, `has two columns "${twice}"`);
				rows.header(names);
			} else if (cells.length !== names.length) add(line, `has ${cells.length} cells; the header has ${names.length}`);
			else if (++taken > most) {
				problems.push({ place: '', message: `has more than ${most} rows; so many are not read` });
				parser.abort();
			} else rows.row(Object.fromEntries(names.map((name, i) => [name, cells[i]!.trim()])), line);
			if (problems.length >= MOST_PROBLEMS) parser.abort();
		}
	});
}

/** A cell as a number; undefined where it is empty; as it is written where it is no number, so that it can be shown. */
export function numberIn(cell: string | undefined): number | string | undefined {
	if (cell === undefined || cell === '') return undefined;
	const value = Number(cell);
	return Number.isFinite(value) ? value : cell;
}
