import { json } from '@sveltejs/kit';
import { database } from '$lib/server/db/connect';
import { withProject } from '$lib/server/http';
import { workersOf } from '$lib/server/store/people';
import type { RequestHandler } from './$types';

/** Who has worked on it, the last first. */
export const GET: RequestHandler = ({ params }) =>
	withProject(params.project, async ({ id }) => json(await workersOf(database(), id)));
