import { json } from '@sveltejs/kit';
import { problem, withProject } from '$lib/server/http';
import { presetStore } from '$lib/server/repositories/presets';
import type { RequestHandler } from './$types';

export const GET: RequestHandler = ({ params }) =>
	withProject(params.project, async (project) => {
		const number = Number(params.version);
		const document = Number.isInteger(number) ? await presetStore.findVersion(project.id, params.preset, number) : null;
		return document ? json(document) : problem(404, `There is no version ${params.version} of this preset.`);
	});
