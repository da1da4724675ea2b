import { json } from '@sveltejs/kit';
import { MOST_BYTES, readKit } from '$lib/documents';
import { database } from '$lib/server/db/connect';
import { problem } from '$lib/server/http';
import { nameOf, projectName } from '$lib/server/names';
import { addProject } from '$lib/server/repositories/projects';
import type { RequestHandler } from './$types';

/** Makes a project of a kit (the body is the file) with everything in it; `?name=` calls it otherwise than the file does. */
export const POST: RequestHandler = async ({ request, url }) => {
	const bytes = new Uint8Array(await request.arrayBuffer());
	if (bytes.length > MOST_BYTES)
		return problem(413, `The file is ${Math.ceil(bytes.length / 1048576)} MB; a kit may have up to 20 MB.`);
	const kit = readKit(bytes);
	if (!kit.ok) return problem(422, 'The file is no sound kit; nothing was made of it.', [...kit.problems]);
	const name = url.searchParams.get('name') ?? kit.value.name;
	const fault = await projectName.validate(name, { strict: true }).then(
		() => null,
		(error: Error) => error.message
	);
	if (fault) return problem(400, `name: ${fault}`);
	return json(await addProject(database(), { ...kit.value, name: nameOf(name) }), { status: 201 });
};
