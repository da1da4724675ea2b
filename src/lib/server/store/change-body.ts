/** What a part of a change must look like when it comes from outside; what its fields mean is judged later. */
import { isKind, isUuid, type ChangePart } from '../../documents';

/** How many fields one part may have, and how deep a field may lie. */
const MOST_FIELDS = 100_000;
const MOST_STEPS = 40;
const MOST_NUMBER = 2 ** 31 - 1;

/** What is wrong with a part; null: nothing. */
export function faultOfPart(part: unknown): string | null {
	const { document, on, fields } = (part ?? {}) as Partial<ChangePart>;
	if (!isUuid(document)) return 'document: the uuid of a document is needed';
	if (on !== undefined && !(Number.isInteger(on) && on >= 1 && on <= MOST_NUMBER)) return 'on: a version is needed';
	if (!Array.isArray(fields) || fields.length === 0 || fields.length > MOST_FIELDS) return 'fields: a list is needed';
	for (const field of fields as readonly { path?: unknown; to?: unknown }[]) {
		const path = field?.path;
		if (
			!Array.isArray(path) ||
			path.length > MOST_STEPS ||
			!path.every((s) => typeof s === 'string' && s.length <= 200)
		)
			return 'path: a list of names is needed';
		const wrong = faultOfEnvelope(path as string[], field.to, on);
		if (wrong) return wrong;
	}
	return null;
}

const isId = (value: unknown): boolean => typeof value === 'string' && /^[a-z0-9-]{1,64}$/.test(value);
const NO_ID = 'id: an id of 1 to 64 of a–z, 0–9 and "-" is needed';
const isOrder = (value: unknown): boolean => typeof value === 'string' && /^[0-9A-Za-z]{1,400}$/.test(value);
const isObject = (value: unknown): boolean => typeof value === 'object' && value !== null && !Array.isArray(value);

/** What stands around a body has its own few fields. */
function faultOfEnvelope(path: readonly string[], to: unknown, on: number | undefined): string | null {
	const [first] = path;
	if (path.length === 0) {
		const { kind, id, order, retired, settled = false, body } = (to ?? {}) as Record<string, unknown>;
		if (on !== undefined) return 'a new document has no version';
		if (!isKind(kind)) return 'kind: the kind of a document is needed';
		if (!isId(id)) return NO_ID;
		if (typeof settled !== 'boolean') return 'settled: true or false is needed';
		// Without a place it stands behind all others.
		return (order === '' || isOrder(order)) && typeof retired === 'boolean' && isObject(body)
			? null
			: 'order, retired and body are needed';
	}
	if (on === undefined) return 'on: the version that the change began from is needed';
	if (first === 'order') return path.length === 1 && isOrder(to) ? null : 'order: a key of an order is needed';
	if (first === 'id') return path.length === 1 && isId(to) ? null : NO_ID;
	if (first === 'retired' || first === 'settled')
		return path.length === 1 && typeof to === 'boolean' ? null : `${first}: true or false is needed`;
	if (first !== 'body') return `there is no field “${first}” of a document that could be changed`;
	return path.length > 1 || isObject(to) ? null : 'body: an object is needed';
}
