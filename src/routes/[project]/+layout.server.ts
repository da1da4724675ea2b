import { error } from '@sveltejs/kit';
import { presetStore } from '$lib/server/store/whole';
import { database } from '$lib/server/db/connect';
import { findProject, readFact } from '$lib/server/repositories/projects';
import { findWiring } from '$lib/server/store/wiring';
import type { LayoutServerLoad } from './$types';

/** How many presets come with the page; the page fetches the rest once it stands. */
const WITH_PAGE = 60;

export const load: LayoutServerLoad = async ({ params }) => {
	const project = await findProject(params.project);
	if (!project) error(404, `There is no project "${params.project}".`);
	if (project.retired) error(410, `“${project.name}” is retired. The page of all projects brings it back.`);
	const demo = (await readFact(database(), 'demo')) === project.slug;
	const presets = await presetStore.list(database(), project.id, { limit: WITH_PAGE });
	const key = (params as { preset?: string }).preset;
	if (key && !presets.some((preset) => preset.key === key)) {
		const asked = await presetStore.find(project.id, key);
		if (asked) presets.push(asked);
	}
	return {
		project: { id: project.id, slug: project.slug, name: project.name, demo },
		presets,
		count: await presetStore.count(project.id),
		wiring: (await findWiring(database(), project.id))!
	};
};
