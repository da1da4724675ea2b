import { json } from '@sveltejs/kit';
import { mixed, object, string } from 'yup';
import { openCourse } from '$lib/documents';
import { database } from '$lib/server/db/connect';
import { baseVersion, problem, readBody, withProject } from '$lib/server/http';
import { courseStore } from '$lib/server/store/whole';
import type { RequestHandler } from './$types';

const MOST = 20 * 1024 * 1024;
const saving = object({
	base: baseVersion,
	document: mixed().required('a course is needed'),
	note: string().max(200)
});

const unknown = (key: string): Response => problem(404, `There is no course "${key}" in this project.`);

export const GET: RequestHandler = ({ params }) =>
	withProject(params.project, async (project) => {
		const found = await courseStore.find(project.id, params.course);
		return found ? json(found) : unknown(params.course);
	});

/** Saves a new version. 409 with both versions when the one it began from is no longer the newest. */
export const PUT: RequestHandler = ({ request, params }) =>
	withProject(params.project, async (project) => {
		const body = await readBody(request, saving, MOST);
		if (!body.ok) return body.response;
		const course = openCourse(body.value.document);
		if (!course.ok) return problem(422, 'The course is not sound.', [...course.problems]);
		const { base, note } = body.value;
		const result = await courseStore.save(database(), project.id, params.course, base, course.value, note);
		if (result.state === 'unknown') return unknown(params.course);
		if (result.state === 'saved') return json(result);
		return json(
			{
				message: `Version ${result.theirs.version} was saved since you began from version ${base}.`,
				yours: course.value,
				theirs: result.theirs
			},
			{ status: 409 }
		);
	});
