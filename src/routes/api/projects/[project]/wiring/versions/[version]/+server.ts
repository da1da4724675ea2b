import { json } from '@sveltejs/kit';
import { database } from '$lib/server/db/connect';
import { problem, versionOf, withProject } from '$lib/server/http';
import { findWiringVersion } from '$lib/server/store/wiring';
import type { RequestHandler } from './$types';

export const GET: RequestHandler = ({ params }) =>
	withProject(params.project, async (project) => {
		const number = versionOf(params.version);
		const document = number !== null ? await findWiringVersion(database(), project.id, number) : null;
		return document ? json(document) : problem(404, `There is no version ${params.version} of the cues and rigs.`);
	});
