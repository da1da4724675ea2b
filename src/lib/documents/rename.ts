/** A document under another id: what that changes in it, and in every document that points at it. */
import type { FieldChange } from './fields/changes';
import { fieldsTowards, shownOfHeld, type Held } from './held';
import { freeId } from './ids';
import { following, KINDS, type AnyDocument } from './kinds';

/** What is changed in one document. */
export interface Changed {
	readonly document: string;
	readonly fields: readonly FieldChange[];
}

/** The pattern of ids: what a game's code can have in its text. */
export const isId = (text: string): boolean => /^[a-z0-9-]{1,64}$/.test(text);

const spaceOf = ({ kind }: Pick<Held, 'kind'>) => KINDS[kind].space;

/** Those whose randomness hangs on their id: under another one it stays what it was. */
const seeded = (held: Held, document: AnyDocument & { readonly seededBy?: string }): AnyDocument =>
	held.kind === 'bob' || held.kind === 'cue'
		? ({ ...document, seededBy: document.seededBy ?? held.id } as AnyDocument)
		: document;

/** What makes `held` and all that points at it, or names it, go by another id. `others` may hold it too. */
export function renamed(held: Held, id: string, others: Iterable<Held>): Changed[] {
	const own = seeded(held, shownOfHeld(held));
	const fields: FieldChange[] = [
		{ path: ['id'], to: id },
		{ path: ['body', 'id'], to: id },
		...fieldsTowards(held, own)
	];
	const changes: Changed[] = [{ document: held.uuid, fields }];
	const space = spaceOf(held);
	for (const other of others) {
		if (other.uuid === held.uuid) continue;
		const shown = shownOfHeld<AnyDocument>(other);
		const next = following(other.kind, shown, (s, at) => (s === space && at === held.id ? id : at));
		if (next !== shown) changes.push({ document: other.uuid, fields: fieldsTowards(other, next) });
	}
	return changes;
}

/** The id that a name gives a document among others; its own where it is made of that name already. */
export function idFor(held: Held, name: string, others: Iterable<Pick<Held, 'uuid' | 'kind' | 'id'>>): string {
	const taken = new Set<string>();
	for (const other of others) if (other.uuid !== held.uuid && spaceOf(other) === spaceOf(held)) taken.add(other.id);
	return freeId(name, taken);
}

/** Who has an id in the space of a document, other than itself. */
export function ownerOf<T extends Pick<Held, 'uuid' | 'kind' | 'id'>>(
	held: Held,
	id: string,
	others: Iterable<T>
): T | undefined {
	for (const other of others)
		if (other.uuid !== held.uuid && other.id === id && spaceOf(other) === spaceOf(held)) return other;
	return undefined;
}
