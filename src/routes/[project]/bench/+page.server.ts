import { redirect } from '@sveltejs/kit';
import type { PageServerLoad } from './$types';

export const load: PageServerLoad = async ({ parent, params }) => {
	const { presets } = await parent();
	if (presets[0]) redirect(303, `/${params.project}/bench/${presets[0].key}`);
	return {};
};
