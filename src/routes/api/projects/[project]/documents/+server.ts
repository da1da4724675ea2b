import { json } from '@sveltejs/kit';
import { isKind, isUuid } from '$lib/documents';
import { database } from '$lib/server/db/connect';
import { problem, withProject } from '$lib/server/http';
import { listDocuments } from '$lib/server/store/documents';
import type { RequestHandler } from './$types';

/** The most that one answer holds. */
const PAGE = 1000;
/** So many are asked for by name at most. */
const MOST_NAMED = 100;

/**
 * Documents in the project's order, as they are kept: `?kinds=shake,bob`, behind `?after=PLACE ID`, `?limit=N` of them (at most a
 * thousand), or with `?retired=1` those that are out of use. `?uuids=U,V`: these, in use or not (at most a hundred).
 */
export const GET: RequestHandler = ({ params, url }) =>
	withProject(params.project, async (project) => {
		const kinds = (url.searchParams.get('kinds') ?? '').split(',').filter(Boolean);
		if (!kinds.every(isKind)) return problem(400, 'kinds: kinds of documents are needed');
		const text = url.searchParams.get('after') ?? '';
		const given = /^([0-9A-Za-z]{1,400}) ([a-z0-9-]{1,64})$/.exec(text);
		if (text !== '' && !given) return problem(400, 'after: a place and an id are needed, as in "a1 thud"');
		const uuids = url.searchParams.get('uuids')?.split(',');
		if (uuids && (uuids.length > MOST_NAMED || !uuids.every(isUuid)))
			return problem(400, `uuids: at most ${MOST_NAMED} uuids of documents, between commas`);
		const limit = Number(url.searchParams.get('limit') ?? PAGE);
		if (!Number.isInteger(limit) || limit < 1 || limit > PAGE)
			return problem(400, `limit: a whole number up to ${PAGE}`);
		return json(
			await listDocuments(database(), project.id, {
				...(kinds.length > 0 && { kinds }),
				...(given && { after: { order: given[1]!, id: given[2]! } }),
				limit,
				...(uuids && { uuids }),
				retired: uuids ? 'either' : url.searchParams.has('retired')
			})
		);
	});
