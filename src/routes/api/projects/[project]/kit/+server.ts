import { writeKit } from '$lib/documents';
import { database } from '$lib/server/db/connect';
import { problem, withProject } from '$lib/server/http';
import { readWholeKit } from '$lib/server/repositories/projects';
import type { RequestHandler } from './$types';

/** Everything of the project that is in use, as a kit to keep or to send. */
export const GET: RequestHandler = ({ params }) =>
	withProject(params.project, async (project) => {
		const kit = await readWholeKit(database(), project.id);
		if (!kit) return problem(404, `There is no project "${params.project}".`);
		const file = encodeURIComponent(`${project.slug}.kit.json`);
		return new Response(writeKit(kit), {
			headers: {
				'content-type': 'application/json; charset=utf-8',
				'content-disposition': `attachment; filename="project.kit.json"; filename*=UTF-8''${file}`,
				'cache-control': 'no-store'
			}
		});
	});
