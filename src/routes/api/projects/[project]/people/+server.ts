import { json } from '@sveltejs/kit';
import { database } from '$lib/server/db/connect';
import { numberOf, problem, withProject } from '$lib/server/http';
import { workersOf } from '$lib/server/store/people';
import type { RequestHandler } from './$types';

/** Who has worked on it, behind the number `?after=N`; the last first. */
export const GET: RequestHandler = ({ params, url }) =>
	withProject(params.project, async ({ id }) => {
		const after = numberOf(url.searchParams.get('after') ?? '0');
		return after === null ? problem(400, 'after: a number is needed') : json(await workersOf(database(), id, after));
	});
