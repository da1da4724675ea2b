import { json } from '@sveltejs/kit';
import { boolean, mixed, object, string } from 'yup';
import { openAnyPreset } from '$lib/documents';
import { database } from '$lib/server/db/connect';
import { baseVersion, problem, readBody, withProject } from '$lib/server/http';
import { presetStore } from '$lib/server/store/whole';
import type { RequestHandler } from './$types';

const saving = object({
	base: baseVersion,
	document: mixed().required('a preset is needed'),
	note: string().max(200)
});
const retiring = object({ retired: boolean().required('true or false is needed') });

const unknown = (key: string): Response => problem(404, `There is no preset "${key}" in this project.`);

export const GET: RequestHandler = ({ params }) =>
	withProject(params.project, async (project) => {
		const found = await presetStore.find(project.id, params.preset);
		return found ? json(found) : unknown(params.preset);
	});

/** Saves a new version. 409 with both versions when the one it began from is no longer the newest. */
export const PUT: RequestHandler = ({ request, params }) =>
	withProject(params.project, async (project) => {
		const body = await readBody(request, saving);
		if (!body.ok) return body.response;
		const preset = openAnyPreset(body.value.document);
		if (!preset.ok) return problem(422, 'The preset is not sound.', [...preset.problems]);
		const { base, note } = body.value;
		const result = await presetStore.save(database(), project.id, params.preset, base, preset.value, note);
		if (result.state === 'unknown') return unknown(params.preset);
		if (result.state === 'stale')
			return json(
				{
					message: `Version ${result.theirs.version} was saved since you began from version ${base}.`,
					yours: preset.value,
					theirs: result.theirs
				},
				{ status: 409 }
			);
		return json(result);
	});

/** Takes it out of use, or brings it back. */
export const PATCH: RequestHandler = ({ request, params }) =>
	withProject(params.project, async (project) => {
		const body = await readBody(request, retiring);
		if (!body.ok) return body.response;
		const changed = await presetStore.retire(database(), project.id, [params.preset], body.value.retired);
		return changed > 0 ? json({ retired: body.value.retired }) : unknown(params.preset);
	});
