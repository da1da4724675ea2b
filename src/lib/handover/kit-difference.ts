/** What is new, gone and changed from one kit to another, document by document and field by field. */
import {
	differences,
	documentsIn,
	sayDifference,
	treeOf,
	type AnyDocument,
	type Difference,
	type Kit,
	type KindName
} from '../documents';

export interface DocumentDifference {
	readonly kind: KindName;
	readonly id: string;
	readonly name: string;
	readonly standing: 'new' | 'gone' | 'changed';
	/** Of one that changed. */
	readonly fields: readonly Difference[];
	/** As it was, and as it is; null where there was none. */
	readonly was: AnyDocument | null;
	readonly is: AnyDocument | null;
}

const keyOf = ({ kind, document }: { readonly kind: KindName; readonly document: AnyDocument }): string =>
	`${kind} ${document.id}`;

/** `from` the older one. In the order of the newer kit; what is gone comes last. */
export function kitDifference(from: Kit, to: Kit): DocumentDifference[] {
	const before = new Map([...documentsIn(from)].map((one) => [keyOf(one), one]));
	const found: DocumentDifference[] = [];
	for (const { kind, document } of documentsIn(to)) {
		const key = keyOf({ kind, document });
		const old = before.get(key)?.document ?? null;
		before.delete(key);
		const named = { kind, id: document.id, name: document.name ?? document.id, was: old, is: document };
		if (!old) {
			found.push({ ...named, standing: 'new', fields: [] });
			continue;
		}
		const fields = differences(kind, treeOf(kind, old), treeOf(kind, document));
		if (fields.length > 0) found.push({ ...named, standing: 'changed', fields });
	}
	for (const { kind, document } of before.values())
		found.push({
			kind,
			id: document.id,
			name: document.name ?? document.id,
			was: document,
			is: null,
			standing: 'gone',
			fields: []
		});
	return found;
}

/** A line for each document, and one for each of its fields. */
export const sayKitDifference = (list: readonly DocumentDifference[]): string[] =>
	list.flatMap(({ kind, id, name, standing, fields }) => [
		`${standing}: ${kind} ${id}${name === id ? '' : ` (${name})`}`,
		...fields.map((field) => `    ${sayDifference(field)}`)
	]);
