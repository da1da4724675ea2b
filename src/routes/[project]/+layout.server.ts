import { error } from '@sveltejs/kit';
import { presetStore } from '$lib/server/repositories/presets';
import { findProject } from '$lib/server/repositories/projects';
import { findWiring } from '$lib/server/repositories/wiring';
import type { LayoutServerLoad } from './$types';

/** How many presets come with the page; the page fetches the rest once it stands. */
const WITH_PAGE = 60;

export const load: LayoutServerLoad = async ({ params }) => {
	const project = await findProject(params.project);
	if (!project) error(404, `There is no project "${params.project}".`);
	const presets = await presetStore.list(project.id, { limit: WITH_PAGE });
	const key = (params as { preset?: string }).preset;
	if (key && !presets.some((preset) => preset.key === key)) {
		const asked = await presetStore.find(project.id, key);
		if (asked) presets.push(asked);
	}
	return { project, presets, count: await presetStore.count(project.id), wiring: (await findWiring(project.id))! };
};
