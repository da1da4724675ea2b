import { json } from '@sveltejs/kit';
import { boolean, object, string } from 'yup';
import { database } from '$lib/server/db/connect';
import { readBody, withProject } from '$lib/server/http';
import { noteGone, noteHere, whoIsHere } from '$lib/server/store/presence';
import type { RequestHandler } from './$types';

const here = object({
	window: string().max(64).required('the name of the window is needed'),
	browser: string().max(64).required('the name of the browser is needed'),
	who: string().max(40),
	document: string().max(80),
	left: boolean()
});

/** Who has the project open. */
export const GET: RequestHandler = ({ params }) =>
	withProject(params.project, async (project) => json(await whoIsHere(database(), project.id)));

/** A window says that it is there and what it shows, or that it goes. Answers with all that are there. */
export const PUT: RequestHandler = ({ request, params }) =>
	withProject(params.project, async (project) => {
		const body = await readBody(request, here);
		if (!body.ok) return body.response;
		const { window, browser, who = '', document = '', left } = body.value;
		if (left) await noteGone(database(), project.id, window);
		else await noteHere(database(), project.id, { window, browser, who, document });
		return json(await whoIsHere(database(), project.id));
	});
