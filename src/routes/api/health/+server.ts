import { json } from '@sveltejs/kit';
import { statfsSync } from 'node:fs';
import { database } from '$lib/server/db/connect';
import { diskIsFull, sentenceOf } from '$lib/server/trouble';

/** Room that the database needs to go on: below it a save may fail. */
const NEEDS_BYTES = 16 * 1024 * 1024;

/** Bytes that are free where the data lies; null where nobody knows. */
function room(): number | null {
	const folder = process.env.DINESIS_FOLDER;
	if (!folder) return null;
	try {
		const { bavail, bsize } = statfsSync(folder);
		return bavail * bsize;
	} catch {
		return null;
	}
}

/** Whether the server and its database answer, and what is wrong in a sentence. */
export async function GET(): Promise<Response> {
	const said = process.env.DINESIS_TROUBLE;
	if (said) return json({ database: false, message: said }, { status: 503 });
	try {
		await database().query('SELECT 1');
	} catch (error) {
		return json({ database: false, message: sentenceOf(error) }, { status: 503 });
	}
	const left = room();
	if (left !== null && left < NEEDS_BYTES) return json({ database: true, message: diskIsFull }, { status: 503 });
	return json({ database: true, message: '' });
}
