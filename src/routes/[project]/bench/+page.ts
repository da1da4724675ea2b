import { redirect } from '@sveltejs/kit';
import type { PageLoad } from './$types';

/** The first shake. Here and not on the server: a room is reached while that is away. */
export const load: PageLoad = async ({ parent, params }) => {
	const { documents } = await parent();
	const first = documents.find((held) => held.kind === 'shake');
	if (first) redirect(303, `/${encodeURIComponent(params.project)}/bench/${first.id}`);
	return {};
};
