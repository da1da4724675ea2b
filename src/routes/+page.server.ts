import { redirect } from '@sveltejs/kit';
import { database } from '$lib/server/db/connect';
import { findDocument } from '$lib/server/store/documents';
import { findProject, listProjects, readFact } from '$lib/server/repositories/projects';
import { addressOf, LAST_COOKIE, placeOf } from '$lib/session/places';
import type { PageServerLoad } from './$types';

const ROOMS = ['bench', 'library', 'cues', 'rig', 'course', 'handover'];

/** Where one was last; at the first visit, the demo: something moves at once. Without any project, the shelf. */
export const load: PageServerLoad = async ({ cookies }) => {
	const last = placeOf(cookies.get(LAST_COOKIE) ?? '');
	const known = last && ROOMS.includes(last.room) ? await findProject(last.slug) : null;
	if (last && known && !known.retired) {
		const asked = last.room === 'bench' && last.document ? await findDocument(known.id, 'preset', last.document) : null;
		const gone = last.room === 'bench' && last.document && (!asked || asked.retired);
		redirect(303, addressOf(gone ? { ...last, document: '' } : last));
	}
	const projects = await listProjects();
	const demo = await readFact(database(), 'demo');
	const project = projects.find((each) => each.slug === demo) ?? projects[0];
	redirect(303, project ? `/${encodeURIComponent(project.slug)}/bench` : '/projects');
};
