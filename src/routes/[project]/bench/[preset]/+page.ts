import { error } from '@sveltejs/kit';
import type { PageLoad } from './$types';

/** Presets made in this page are not in the server's list yet, so only a first load can say that one is missing. */
export const load: PageLoad = async ({ params, parent }) => {
	const { documents } = await parent();
	if (!documents.some((held) => held.id === params.preset) && typeof window === 'undefined')
		error(404, `There is no preset "${params.preset}" in this project.`);
	return { key: params.preset };
};
