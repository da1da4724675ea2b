import { json } from '@sveltejs/kit';
import { withProject } from '$lib/server/http';
import { listWiringVersions } from '$lib/server/repositories/wiring';
import type { RequestHandler } from './$types';

export const GET: RequestHandler = ({ params }) =>
	withProject(params.project, async (project) => json(await listWiringVersions(project.id)));
