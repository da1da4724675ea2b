import { json } from '@sveltejs/kit';
import { database } from '$lib/server/db/connect';
import { numberOf, problem, scopeOf, withProject } from '$lib/server/http';
import { historyOf } from '$lib/server/store/history';
import type { RequestHandler } from './$types';

/**
 * What was done, as stretches of work, the newest first: to all documents, or `?of=UUID,UUID`, or `?kinds=cue,event`; only what was done
 * `?before=NUMBER` and `?after=NUMBER`, with `?single=1` each change by itself.
 */
export const GET: RequestHandler = ({ params, url }) =>
	withProject(params.project, async (project) => {
		const scope = scopeOf(url);
		if (typeof scope === 'string') return problem(400, scope);
		const [before, after] = ['before', 'after'].map((name) => {
			const text = url.searchParams.get(name);
			return text === null ? undefined : (numberOf(text) ?? NaN);
		});
		if (Number.isNaN(before) || Number.isNaN(after))
			return problem(400, 'before, after: numbers of changes are needed');
		const single = url.searchParams.has('single');
		return json(await historyOf(database(), project.id, { ...scope, before, after, single }));
	});
