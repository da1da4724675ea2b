import { writeKit } from '$lib/documents';
import { database } from '$lib/server/db/connect';
import { OUTSIDE } from '$lib/server/door';
import { problem, withProject } from '$lib/server/http';
import { fileName } from '$lib/ui/save-text';
import { readWholeKit } from '$lib/server/repositories/projects';
import { opensProject } from '$lib/server/repositories/share-key';
import { settleIds } from '$lib/server/store/settle';
import type { RequestHandler } from './$types';

/** Whose page asks, where it is none of ours; null: our own, or a program without pages on this machine. */
function strangerOf(request: Request, own: string): string | null {
	const origin = request.headers.get('origin');
	if (origin !== null && origin !== own) return origin;
	return request.headers.get(OUTSIDE) === null ? null : '*';
}
const bearer = (request: Request): string =>
	/^Bearer\s+(\S+)$/i.exec(request.headers.get('authorization') ?? '')?.[1] ?? '';
const shared = (origin: string): Record<string, string> => ({
	'access-control-allow-origin': origin,
	vary: 'origin'
});

/** Everything of the project that is in use, as a kit to keep or to send. A game on another origin shows the project's key. */
export const GET: RequestHandler = ({ params, request, url }) =>
	withProject(params.project, async (project) => {
		const stranger = strangerOf(request, url.origin);
		if (stranger !== null && !(await opensProject(project.id, bearer(request)))) {
			const refused = problem(401, 'The project’s key is needed: authorization: Bearer KEY. Its page shows the key.');
			for (const [name, value] of Object.entries(shared(stranger))) refused.headers.set(name, value);
			return refused;
		}
		const kit = await readWholeKit(database(), project.id);
		if (!kit) return problem(404, `There is no project "${params.project}".`);
		if (request.method === 'GET') await settleIds(database(), project.id, project.number);
		const file = encodeURIComponent(`${fileName(project.name)}.kit.json`);
		return new Response(writeKit(kit), {
			headers: {
				'content-type': 'application/json; charset=utf-8',
				'content-disposition': `attachment; filename="project.kit.json"; filename*=UTF-8''${file}`,
				'cache-control': 'no-store',
				...(stranger !== null && shared(stranger))
			}
		});
	});

/** A browser asks beforehand whether a page of another origin may show a key. */
export const OPTIONS: RequestHandler = ({ request }) =>
	new Response(null, {
		status: 204,
		headers: {
			...shared(request.headers.get('origin') ?? '*'),
			'access-control-allow-methods': 'GET',
			'access-control-allow-headers': 'authorization',
			'access-control-max-age': '600'
		}
	});
