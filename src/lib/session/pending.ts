/** Changes on their way, and how those that come soon after one another become one. */
import { changedBy, joined, newEnvelope, type ChangePart, type FieldChange } from '$lib/documents';
import type { Fields } from './steps';

/** A change that the server has not acknowledged. */
export interface Pending {
	readonly change: string;
	readonly label: string;
	readonly note: string;
	/** The drag or run of presses that it is a part of; empty: it stands by itself. */
	readonly gesture: string;
	readonly parts: readonly ChangePart[];
	/** It is on its way: nothing can be joined to it any more. */
	readonly sent: boolean;
	/** What comes soon after it goes with it. */
	readonly open: boolean;
	/** How many changes of its own drag were joined to its first one. */
	readonly joins: number;
}

/** Fields by document, in their order. */
export function merged(changes: readonly Fields[]): Fields[] {
	const by = new Map<string, FieldChange[]>();
	for (const { document, fields } of changes) by.set(document, joined(by.get(document) ?? [], fields));
	return [...by].map(([document, fields]) => ({ document, fields }));
}

/** What was changed in a document before it was made at all is a part of its making. */
function together(part: ChangePart, later: readonly FieldChange[]): readonly FieldChange[] {
	if (!newEnvelope(part)) return joined(part.fields, later);
	const whole = changedBy(null, [...part.fields, ...later]);
	return whole === null ? part.fields : [{ path: [], to: whole }];
}

/** Parts by document: each began where the first of them did. */
export function mergedParts(parts: readonly ChangePart[]): ChangePart[] {
	const by = new Map<string, ChangePart>();
	for (const part of parts) {
		const known = by.get(part.document);
		by.set(part.document, known ? { ...known, fields: together(known, part.fields) } : part);
	}
	return [...by.values()];
}
