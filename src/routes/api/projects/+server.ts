import { json } from '@sveltejs/kit';
import { object, string } from 'yup';
import { KIT_FORMAT, KIT_VERSION, NO_LINKS } from '$lib/core';
import { database } from '$lib/server/db/connect';
import { readBody } from '$lib/server/http';
import { addProject } from '$lib/server/repositories/projects';
import type { RequestHandler } from './$types';

const schema = object({ name: string().trim().required('a name is needed').max(120, 'at most 120 characters') });

/** Makes an empty project. */
export const POST: RequestHandler = async ({ request }) => {
	const body = await readBody(request, schema);
	if (!body.ok) return body.response;
	const empty = { events: [], parameters: [], presets: [], cues: [], rigs: [], courses: [], world: NO_LINKS };
	const project = await addProject(database(), {
		format: KIT_FORMAT,
		version: KIT_VERSION,
		name: body.value.name.trim(),
		...empty
	});
	return json(project, { status: 201 });
};
