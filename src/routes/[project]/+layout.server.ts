import { error } from '@sveltejs/kit';
import { PRESET_KINDS, WIRING_KINDS } from '$lib/documents';
import { database } from '$lib/server/db/connect';
import { findProject, readFact } from '$lib/server/repositories/projects';
import { changesOf, countDocuments, findDocument, listDocuments, listStubs } from '$lib/server/store/documents';
import type { LayoutServerLoad } from './$types';

/** How many presets come with the page; the page fetches the rest once it stands. */
const WITH_PAGE = 60;

export const load: LayoutServerLoad = async ({ params, untrack }) => {
	// Its number first: what is changed while the documents are read is heard of again.
	const project = await findProject(params.project);
	if (!project) error(404, `There is no project "${params.project}".`);
	if (project.retired) error(410, `“${project.name}” is retired. The page of all projects brings it back.`);
	const { id, slug, name, number } = project;
	const demo = (await readFact(database(), 'demo')) === slug;
	const presets = await listDocuments(database(), id, { kinds: PRESET_KINDS, limit: WITH_PAGE });
	// What is asked for within the project later on is there already, or is fetched by the page.
	const asked = untrack(() => (params as { preset?: string }).preset);
	if (asked && !presets.some((held) => held.id === asked)) {
		const found = await findDocument(id, 'preset', asked);
		if (found) presets.push(found);
	}
	const held = await listDocuments(database(), id, { kinds: WIRING_KINDS });
	return {
		project: { id, slug, name, demo },
		number,
		documents: [...presets, ...held],
		wiring: await changesOf(database(), id, WIRING_KINDS),
		stubs: await listStubs(id, WIRING_KINDS),
		count: await countDocuments(id, PRESET_KINDS)
	};
};
