import { json } from '@sveltejs/kit';
import { object, string } from 'yup';
import { database } from '$lib/server/db/connect';
import { problem, readBody, withProject } from '$lib/server/http';
import { listBackups, makeBackup } from '$lib/server/repositories/backups';
import type { RequestHandler } from './$types';

const wanted = object({ name: string().max(120), who: string().max(80) });

/** Those of the project, the newest first. */
export const GET: RequestHandler = ({ params }) =>
	withProject(params.project, async ({ id }) => json(await listBackups(id)));

/** Makes one of all that is in use. */
export const POST: RequestHandler = ({ request, params }) =>
	withProject(params.project, async (project) => {
		const body = await readBody(request, wanted);
		if (!body.ok) return body.response;
		const { name = '', who = '' } = body.value;
		const made = await makeBackup(database(), project, { name: name.trim(), who });
		return made ? json(made, { status: 201 }) : problem(404, `There is no project "${params.project}".`);
	});
