import { json } from '@sveltejs/kit';
import { array, boolean, mixed, object, string } from 'yup';
import { isId } from 'dinesis-runtime/tools';
import { openCourse } from '$lib/documents';
import { database } from '$lib/server/db/connect';
import { problem, readBody, withProject } from '$lib/server/http';
import { courseStore } from '$lib/server/store/whole';
import type { RequestHandler } from './$types';

/** The largest body, in characters: a long take holds many moments. */
const MOST = 20 * 1024 * 1024;

const one = object({ document: mixed().required('a course is needed'), note: string().max(200) });
const retiring = object({
	keys: array().of(string().required()).min(1).max(1000).required('keys of courses are needed'),
	retired: boolean().required('true or false is needed')
});

/** All courses in use, or with `?retired=1` those that were retired. */
export const GET: RequestHandler = ({ params, url }) =>
	withProject(params.project, async (project) =>
		json(await courseStore.list(database(), project.id, { retired: url.searchParams.has('retired') }))
	);

/** Adds a course; its id is changed when it is taken. */
export const POST: RequestHandler = ({ request, params }) =>
	withProject(params.project, async (project) => {
		const body = await readBody(request, one, MOST);
		if (!body.ok) return body.response;
		const course = openCourse(body.value.document);
		if (!course.ok) return problem(422, 'The course is not sound.', [...course.problems]);
		return json(await courseStore.add(database(), project.id, course.value, body.value.note), { status: 201 });
	});

/** Takes courses out of use, or brings them back. */
export const PATCH: RequestHandler = ({ request, params }) =>
	withProject(params.project, async (project) => {
		const body = await readBody(request, retiring);
		if (!body.ok) return body.response;
		const keys = body.value.keys as string[];
		if (!keys.every(isId)) return problem(400, 'keys: ids of courses are needed');
		return json({ changed: await courseStore.retire(database(), project.id, keys, body.value.retired) });
	});
