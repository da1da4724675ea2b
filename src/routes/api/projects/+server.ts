import { json } from '@sveltejs/kit';
import { object } from 'yup';
import { KIT_FORMAT, KIT_VERSION, NO_LINKS } from 'dinesis-runtime/tools';
import { database } from '$lib/server/db/connect';
import { readBody } from '$lib/server/http';
import { nameOf, projectName } from '$lib/server/names';
import { addProject, listShelf } from '$lib/server/repositories/projects';
import type { RequestHandler } from './$types';

const schema = object({ name: projectName });

/** The shelf: every project in use, or with `?retired=1` those that were retired. */
export const GET: RequestHandler = async ({ url }) =>
	json(await listShelf(database(), url.searchParams.has('retired')));

/** Makes an empty project. */
export const POST: RequestHandler = async ({ request }) => {
	const body = await readBody(request, schema);
	if (!body.ok) return body.response;
	const empty = { events: [], parameters: [], presets: [], cues: [], rigs: [], courses: [], world: NO_LINKS };
	const name = nameOf(body.value.name);
	return json(await addProject(database(), { format: KIT_FORMAT, version: KIT_VERSION, name, ...empty }), {
		status: 201
	});
};
