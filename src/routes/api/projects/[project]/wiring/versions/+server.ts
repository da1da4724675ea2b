import { json } from '@sveltejs/kit';
import { database } from '$lib/server/db/connect';
import { withProject } from '$lib/server/http';
import { listWiringVersions } from '$lib/server/store/wiring';
import type { RequestHandler } from './$types';

export const GET: RequestHandler = ({ params }) =>
	withProject(params.project, async (project) => json(await listWiringVersions(database(), project.id)));
