/** A kit as text, and what is wrong with one. */
import type { Problem } from 'dinesis-runtime';
import type { Kit } from './kit';

/** A kit as text: two spaces of indent, fields in the order they have, a line break at the end. */
export const writeKit = (kit: Kit): string => `${JSON.stringify(kit, null, 2)}\n`;

/** A problem in one line. */
export const sayProblem = (problem: Problem): string =>
	problem.place ? `${problem.place} ${problem.message}` : problem.message;
