import { redirect } from '@sveltejs/kit';
import type { PageServerLoad } from './$types';

export const load: PageServerLoad = async ({ parent, params }) => {
	const { presets } = await parent();
	const first = presets.find((preset) => preset.document.family === 'shake');
	if (first) redirect(303, `/${encodeURIComponent(params.project)}/bench/${first.key}`);
	return {};
};
