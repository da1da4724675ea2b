import { json } from '@sveltejs/kit';
import { mixed, object, string } from 'yup';
import { openWiring } from '$lib/documents';
import { database } from '$lib/server/db/connect';
import { baseVersion, problem, readBody, withProject } from '$lib/server/http';
import { findWiring, saveWiring } from '$lib/server/store/wiring';
import type { RequestHandler } from './$types';

const saving = object({
	base: baseVersion,
	document: mixed().required('events, parameters and cues are needed'),
	note: string().max(200)
});
/** The largest body, in characters. */
const MOST = 8 * 1024 * 1024;

/** The project's events, game values and cues. */
export const GET: RequestHandler = ({ params }) =>
	withProject(params.project, async (project) => json(await findWiring(database(), project.id)));

/** Saves a new version. 409 with both versions when the one it began from is no longer the newest. */
export const PUT: RequestHandler = ({ request, params }) =>
	withProject(params.project, async (project) => {
		const body = await readBody(request, saving, MOST);
		if (!body.ok) return body.response;
		const wiring = openWiring(body.value.document);
		if (!wiring.ok) return problem(422, 'Events, game values or cues are not sound.', [...wiring.problems]);
		const { base, note } = body.value;
		const result = await saveWiring(database(), project.id, base, wiring.value, note);
		if (result.state === 'saved') return json(result);
		return json(
			{
				message: `Version ${result.theirs.version} was saved since you began from version ${base}.`,
				yours: wiring.value,
				theirs: result.theirs
			},
			{ status: 409 }
		);
	});
