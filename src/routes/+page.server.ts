import { redirect } from '@sveltejs/kit';
import { presetStore } from '$lib/server/repositories/presets';
import { listProjects } from '$lib/server/repositories/projects';
import type { PageServerLoad } from './$types';

/** Straight to the first thing that moves; without a project, to the page that makes one. */
export const load: PageServerLoad = async () => {
	const [project] = await listProjects();
	if (!project) return {};
	const preset = (await presetStore.list(project.id)).find((p) => p.document.family === 'shake');
	redirect(303, preset ? `/${project.slug}/bench/${preset.key}` : `/${project.slug}/bench`);
};
