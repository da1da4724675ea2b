import { json } from '@sveltejs/kit';
import { problem, withProject } from '$lib/server/http';
import { courseStore } from '$lib/server/store/whole';
import type { RequestHandler } from './$types';

export const GET: RequestHandler = ({ params }) =>
	withProject(params.project, async (project) => {
		const versions = await courseStore.listVersions(project.id, params.course);
		return versions ? json(versions) : problem(404, `There is no course "${params.course}" in this project.`);
	});
