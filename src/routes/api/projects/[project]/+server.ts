import { json } from '@sveltejs/kit';
import { boolean, object } from 'yup';
import { problem, readBody, withProject } from '$lib/server/http';
import { nameOf, projectName } from '$lib/server/names';
import { renameProject, retireProject } from '$lib/server/repositories/projects';
import type { RequestHandler } from './$types';

const change = object({ name: projectName.optional(), retired: boolean() });

/** Renames a project, or takes it off the shelf or brings it back. */
export const PATCH: RequestHandler = ({ request, params }) =>
	withProject(params.project, async (project) => {
		const body = await readBody(request, change);
		if (!body.ok) return body.response;
		const { name, retired } = body.value;
		if (name === undefined && retired === undefined) return problem(400, 'name or retired is needed');
		if (name !== undefined) await renameProject(project.id, nameOf(name));
		if (retired !== undefined) await retireProject(project.id, retired);
		return json({ slug: project.slug, name: name === undefined ? project.name : nameOf(name) });
	});
