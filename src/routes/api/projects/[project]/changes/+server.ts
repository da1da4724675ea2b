import { json } from '@sveltejs/kit';
import { array, mixed, number, object, string } from 'yup';
import { isKind, isUuid, type ChangePart, type ChangeRequest } from '$lib/documents';
import { database } from '$lib/server/db/connect';
import { problem, readBody, withProject } from '$lib/server/http';
import { changesSince, makeChange } from '$lib/server/store/change';
import type { RequestHandler } from './$types';

/** The largest body, in characters: as large as a kit may be. */
const MOST = 20 * 1024 * 1024;
const MOST_NUMBER = 2 ** 31 - 1;
/** How many fields one change may have, and how deep a field may lie. */
const MOST_FIELDS = 100_000;
const MOST_STEPS = 40;
/** How many changes one answer tells of; who has missed more asks again. */
const AT_ONCE = 500;

const uuid = string().required().test('uuid', 'a uuid is needed', isUuid);
const number_ = number().integer().min(0).max(MOST_NUMBER).required();
const change = object({
	change: uuid,
	note: string().max(200),
	window: string().max(64).required(),
	who: string().max(80),
	gesture: string().max(64),
	seen: number_,
	parts: array().of(mixed()).min(1).max(20_000).required('what is changed is needed')
});

/** What is wrong with a part; null: nothing. */
function fault(part: unknown): string | null {
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

const isOrder = (value: unknown): boolean => typeof value === 'string' && /^[0-9A-Za-z]{1,400}$/.test(value);
const isObject = (value: unknown): boolean => typeof value === 'object' && value !== null && !Array.isArray(value);

/** What stands around a body has its own few fields. */
function faultOfEnvelope(path: readonly string[], to: unknown, on: number | undefined): string | null {
	const [first] = path;
	if (path.length === 0) {
		const { kind, id, order, retired, body } = (to ?? {}) as Record<string, unknown>;
		if (on !== undefined) return 'a new document has no version';
		if (!isKind(kind)) return 'kind: the kind of a document is needed';
		if (typeof id !== 'string' || !/^[a-z0-9-]{1,64}$/.test(id))
			return 'id: an id of 1 to 64 of a–z, 0–9 and "-" is needed';
		// Without a place it stands behind all others.
		return (order === '' || isOrder(order)) && typeof retired === 'boolean' && isObject(body)
			? null
			: 'order, retired and body are needed';
	}
	if (on === undefined) return 'on: the version that the change began from is needed';
	if (first === 'order') return path.length === 1 && isOrder(to) ? null : 'order: a key of an order is needed';
	if (first === 'retired')
		return path.length === 1 && typeof to === 'boolean' ? null : 'retired: true or false is needed';
	if (first !== 'body') return `there is no field “${first}” of a document that could be changed`;
	return path.length > 1 || isObject(to) ? null : 'body: an object is needed';
}

/** Makes a change. 409 with the refused fields when it cannot be made; either way what was made behind `seen` comes along. */
export const POST: RequestHandler = ({ request, params }) =>
	withProject(params.project, async (project) => {
		const body = await readBody(request, change, MOST);
		if (!body.ok) return body.response;
		const parts = body.value.parts as ChangePart[];
		for (const [i, part] of parts.entries()) {
			const wrong = fault(part);
			if (wrong) return problem(400, `parts[${i}]: ${wrong}`);
		}
		const asked: ChangeRequest = {
			change: body.value.change,
			note: body.value.note ?? '',
			window: body.value.window,
			who: body.value.who ?? '',
			gesture: body.value.gesture ?? '',
			seen: body.value.seen,
			// A whole save is for the routes of whole documents.
			parts: parts.map(({ document, on, fields }) => ({ document, on, fields }))
		};
		const result = await makeChange(database(), project.id, asked);
		if (!result) return problem(404, `There is no project "${params.project}".`);
		const changes = await changesSince(project.id, asked.seen, AT_ONCE);
		if (result.state === 'made') return json({ number: result.number, changes });
		return json({ message: result.refusals[0]!.message, refusals: result.refusals, changes }, { status: 409 });
	});

/** What was made behind the number `?after=N`, at most some hundreds at a time. */
export const GET: RequestHandler = ({ params, url }) =>
	withProject(params.project, async (project) => {
		const after = Number(url.searchParams.get('after') ?? 'x');
		if (!Number.isInteger(after) || after < 0 || after > MOST_NUMBER) return problem(400, 'after: a number is needed');
		return json({ changes: await changesSince(project.id, after, AT_ONCE) });
	});
