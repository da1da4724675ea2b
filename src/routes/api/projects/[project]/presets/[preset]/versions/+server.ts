import { json } from '@sveltejs/kit';
import { problem, withProject } from '$lib/server/http';
import { presetStore } from '$lib/server/store/whole';
import type { RequestHandler } from './$types';

export const GET: RequestHandler = ({ params }) =>
	withProject(params.project, async (project) => {
		const versions = await presetStore.listVersions(project.id, params.preset);
		return versions ? json(versions) : problem(404, `There is no preset "${params.preset}" in this project.`);
	});
