import { json } from '@sveltejs/kit';
import { mixed, object, string } from 'yup';
import { openPreset } from '$lib/core';
import { database } from '$lib/server/db/connect';
import { problem, readBody, withProject } from '$lib/server/http';
import { addPreset } from '$lib/server/repositories/presets';
import type { RequestHandler } from './$types';

const schema = object({ document: mixed().required('a preset is needed'), note: string().max(200) });

/** Adds a preset; its id is changed when it is taken. */
export const POST: RequestHandler = ({ request, params }) =>
	withProject(params.project, async (project) => {
		const body = await readBody(request, schema);
		if (!body.ok) return body.response;
		const preset = openPreset(body.value.document);
		if (!preset.ok) return problem(422, 'The preset is not sound.', [...preset.problems]);
		return json(await addPreset(database(), project.id, preset.value, body.value.note), { status: 201 });
	});
