import { isUuid } from '$lib/documents';
import { problem, withProject } from '$lib/server/http';
import { fileName } from '$lib/ui/save-text';
import { readBackup } from '$lib/server/repositories/backups';
import type { RequestHandler } from './$types';

/** The kit file of one. */
export const GET: RequestHandler = ({ params }) =>
	withProject(params.project, async (project) => {
		const found = isUuid(params.backup) ? await readBackup(project.id, params.backup) : null;
		if (!found) return problem(404, 'There is no such backup of this project.');
		const { savedAt } = found.backup;
		const file = encodeURIComponent(
			`${fileName(project.name)}, ${savedAt.slice(0, 16).replace(/[T:]/g, ' ')}.kit.json`
		);
		return new Response(found.kit, {
			headers: {
				'content-type': 'application/json; charset=utf-8',
				'content-disposition': `attachment; filename="backup.kit.json"; filename*=UTF-8''${file}`,
				'cache-control': 'no-store'
			}
		});
	});
