/** Values that were not taken: what of a change goes on by itself, and what waits beside its field. */
import { newUuid, overlap, type ChangePart, type FieldChange, type Path, type Refusal } from '$lib/documents';
import type { Pending } from './pending';

/** A field whose value here was refused: what everybody has stands, and this waits beside it until one takes or drops it. */
export interface Refused {
	readonly id: string;
	readonly document: string;
	readonly path: Path;
	/** The value that was refused; undefined: it was to be taken out. */
	readonly mine: unknown;
	readonly label: string;
	readonly reason: Refusal['reason'];
	readonly message: string;
	readonly who: string;
	readonly savedAt: string;
}

/** What becomes of a change that was refused: parts that go on without the fields at fault, and those fields with the values they had here. */
export function sorted(
	{ label, parts }: Pending,
	refusals: readonly Refusal[]
): { readonly rest: readonly ChangePart[]; readonly waiting: readonly Refused[] } {
	const waiting: Refused[] = [];
	const rest: ChangePart[] = [];
	for (const part of parts) {
		const { document } = part;
		const mine = refusals.filter((refusal) => refusal.document === document);
		const good: FieldChange[] = [];
		for (const field of part.fields) {
			const refusal = mine.find(({ path }) => overlap(path, field.path));
			if (!refusal) {
				good.push(field);
				continue;
			}
			const { reason, message, who = '', savedAt = '' } = refusal;
			const { path, to } = field;
			waiting.push({ id: newUuid(), document, path, mine: to, label, reason, message, who, savedAt });
		}
		if (good.length > 0) rest.push({ ...part, fields: good });
	}
	return { rest, waiting };
}

const same = (a: Refused, b: Refused): boolean => a.document === b.document && overlap(a.path, b.path);

/** Those that waited before, but for fields of which a later value waits now. */
export const withWaiting = (before: readonly Refused[], more: readonly Refused[]): Refused[] => [
	...before.filter((old) => !more.some((one) => same(old, one))),
	...more
];

/** Without those whose field one has set oneself since. */
export const withoutSet = (
	list: readonly Refused[],
	document: string,
	fields: readonly { readonly path: Path }[]
): readonly Refused[] => {
	const rest = list.filter((one) => one.document !== document || !fields.some(({ path }) => overlap(path, one.path)));
	return rest.length < list.length ? rest : list;
};
