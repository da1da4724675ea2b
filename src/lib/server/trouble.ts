/** What is wrong with the database, in a sentence that says what becomes of one's work. */
const HELD = 'What you typed is held in this browser.';
export const diskIsFull = `The disk that the database lies on is full. Make room on it. ${HELD}`;

/** The codes of PostgreSQL that a user can do something about, or that say more than "it failed". */
const KNOWN: Readonly<Record<string, string>> = {
	'53100': diskIsFull,
	ENOSPC: diskIsFull,
	'57014': `The database did not answer in time. ${HELD}`,
	'57P01': `The database is ending. ${HELD}`,
	'57P03': `The database is starting. ${HELD}`,
	'53300': `The database has too many visitors. ${HELD}`
};

interface Cause {
	readonly code?: string;
	readonly name?: string;
	readonly message?: string;
	readonly parent?: Cause;
	readonly original?: Cause;
}

/** Sequelize wraps what the driver says. */
export function sentenceOf(error: unknown): string {
	for (
		let cause = error as Cause | undefined, depth = 0;
		cause && depth < 5;
		cause = cause.parent ?? cause.original, depth++
	) {
		const known = KNOWN[cause.code ?? ''];
		if (known) return known;
		if (/no space left/i.test(cause.message ?? '')) return diskIsFull;
		if (/timeout/i.test(cause.message ?? '')) return KNOWN['57014']!;
		if (/Connection|ECONN|terminated/.test(`${cause.name} ${cause.code} ${cause.message}`))
			return `The database does not answer. ${HELD}`;
	}
	return `The server could not do this. ${HELD}`;
}

/** What is logged of a failure: a query's error carries the document that was being kept, which is nobody's to read. */
export const bareOf = (cause: unknown): Record<string, unknown> => {
	if (!(cause instanceof Error)) return { kind: typeof cause };
	const { code } = ((cause as { parent?: unknown }).parent ?? cause) as { code?: string };
	const frames = (cause.stack ?? '').split('\n').filter((line) => /^\s+at /.test(line));
	return { kind: cause.name, code, at: frames.slice(0, 6).map((line) => line.trim()) };
};
