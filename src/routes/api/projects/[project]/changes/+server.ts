import { json } from '@sveltejs/kit';
import { array, mixed, number, object, string } from 'yup';
import { isUuid, type ChangePart, type ChangeRequest } from '$lib/documents';
import { database } from '$lib/server/db/connect';
import { problem, readBody, withProject } from '$lib/server/http';
import { changesSince, makeChange } from '$lib/server/store/change';
import { faultOfPart } from '$lib/server/store/change-body';
import type { RequestHandler } from './$types';

/** The largest body, in characters: as large as a kit may be. */
const MOST = 20 * 1024 * 1024;
const MOST_NUMBER = 2 ** 31 - 1;
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

/** Makes a change. 409 with the refused fields when it cannot be made; either way what was made behind `seen` comes along. */
export const POST: RequestHandler = ({ request, params }) =>
	withProject(params.project, async (project) => {
		const body = await readBody(request, change, MOST);
		if (!body.ok) return body.response;
		const parts = body.value.parts as ChangePart[];
		for (const [i, part] of parts.entries()) {
			const wrong = faultOfPart(part);
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
