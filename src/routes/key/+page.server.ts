import { fail, redirect } from '@sveltejs/kit';
import { string } from 'yup';
import { isKey, letIn } from '$lib/server/access';
import type { Actions } from './$types';

const key = string().required().max(200);

export const actions: Actions = {
	default: async ({ request, cookies, url }) => {
		const given = (await request.formData()).get('key');
		if (!key.isValidSync(given) || !isKey(given)) return fail(403, { wrong: true });
		letIn(cookies);
		const to = url.searchParams.get('to') ?? '/';
		// Only our own pages: "//elsewhere" would be another host.
		redirect(303, /^\/(?!\/|\\)/.test(to) ? to : '/');
	}
};
