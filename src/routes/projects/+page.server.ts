import { database } from '$lib/server/db/connect';
import { listShelf, readFact } from '$lib/server/repositories/projects';
import type { PageServerLoad } from './$types';

export const load: PageServerLoad = async () => ({
	shelf: await listShelf(database()),
	demo: (await readFact(database(), 'demo')) ?? ''
});
