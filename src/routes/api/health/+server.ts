import { json } from '@sveltejs/kit';
import { database } from '$lib/server/db/connect';

/** Whether the server and its database answer. */
export async function GET(): Promise<Response> {
	try {
		await database().query('SELECT 1');
		return json({ database: true });
	} catch {
		return json({ database: false }, { status: 503 });
	}
}
