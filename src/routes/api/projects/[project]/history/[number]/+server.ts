import { json } from '@sveltejs/kit';
import { boolean, object, string } from 'yup';
import { database } from '$lib/server/db/connect';
import { numberOf, problem, readBody, scopeOf, withProject } from '$lib/server/http';
import { markAt, thenAt } from '$lib/server/store/history';
import type { RequestHandler } from './$types';

const mark = object({
	name: string().max(120),
	starred: boolean(),
	who: string().max(80)
});

const unknown = (number: string): Response =>
	problem(404, `Nothing of this project was changed under the number ${number}.`);

/** Documents as they were when the project stood at a number: those of the scope that were changed since. */
export const GET: RequestHandler = ({ params, url }) =>
	withProject(params.project, async (project) => {
		const scope = scopeOf(url);
		if (typeof scope === 'string') return problem(400, scope);
		const number = numberOf(params.number);
		if (number === null || number < 1 || number > project.number) return unknown(params.number);
		return json(await thenAt(database(), project.id, number, scope));
	});

/** Names a moment, or marks it with a star; an empty name and no star take both away. */
export const PUT: RequestHandler = ({ request, params }) =>
	withProject(params.project, async (project) => {
		const body = await readBody(request, mark);
		if (!body.ok) return body.response;
		const number = numberOf(params.number);
		const { name = '', starred = false, who = '' } = body.value;
		const found = number !== null && (await markAt(project.id, number, { name: name.trim(), starred, who }));
		return found ? json({ name: name.trim(), starred }) : unknown(params.number);
	});
