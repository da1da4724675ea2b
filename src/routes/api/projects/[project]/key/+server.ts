import { json } from '@sveltejs/kit';
import { withProject } from '$lib/server/http';
import { renewShareKey, shareKeyOf } from '$lib/server/repositories/share-key';
import type { RequestHandler } from './$types';

/** The project's key. */
export const GET: RequestHandler = ({ params }) =>
	withProject(params.project, async ({ id }) => json({ key: await shareKeyOf(id) }));

/** Another one in its place. */
export const POST: RequestHandler = ({ params }) =>
	withProject(params.project, async ({ id }) => json({ key: await renewShareKey(id) }));
