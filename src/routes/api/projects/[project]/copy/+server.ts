import { json } from '@sveltejs/kit';
import { object } from 'yup';
import { database } from '$lib/server/db/connect';
import { problem, readBody, withProject } from '$lib/server/http';
import { nameOf, projectName } from '$lib/server/names';
import { addProject, readWholeKit } from '$lib/server/repositories/projects';
import type { RequestHandler } from './$types';

const schema = object({ name: projectName });

/** Makes another project with everything that this one has in use. */
export const POST: RequestHandler = ({ request, params }) =>
	withProject(params.project, async (project) => {
		const body = await readBody(request, schema);
		if (!body.ok) return body.response;
		const kit = await readWholeKit(database(), project.id);
		if (!kit) return problem(404, `There is no project "${params.project}".`);
		return json(await addProject(database(), { ...kit, name: nameOf(body.value.name) }), { status: 201 });
	});
