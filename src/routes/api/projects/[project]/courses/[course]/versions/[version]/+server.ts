import { json } from '@sveltejs/kit';
import { problem, versionOf, withProject } from '$lib/server/http';
import { courseStore } from '$lib/server/store/whole';
import type { RequestHandler } from './$types';

export const GET: RequestHandler = ({ params }) =>
	withProject(params.project, async (project) => {
		const number = versionOf(params.version);
		const document = number !== null ? await courseStore.findVersion(project.id, params.course, number) : null;
		return document ? json(document) : problem(404, `There is no version ${params.version} of this course.`);
	});
