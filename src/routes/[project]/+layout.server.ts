import { error } from '@sveltejs/kit';
import { listPresets } from '$lib/server/repositories/presets';
import { findProject } from '$lib/server/repositories/projects';
import type { LayoutServerLoad } from './$types';

export const load: LayoutServerLoad = async ({ params }) => {
	const project = await findProject(params.project);
	if (!project) error(404, `There is no project "${params.project}".`);
	return { project, presets: await listPresets(project.id) };
};
