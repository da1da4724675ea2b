import { json } from '@sveltejs/kit';
import { array, boolean, mixed, object, string } from 'yup';
import type { AnyPreset } from 'dinesis-runtime';
import { isId } from 'dinesis-runtime/tools';
import { openAnyPreset } from '$lib/documents';
import { database } from '$lib/server/db/connect';
import { problem, readBody, withProject } from '$lib/server/http';
import { presetStore } from '$lib/server/store/whole';
import type { RequestHandler } from './$types';

/** The most that one answer holds. */
const PAGE = 1000;
/** The largest body of a whole library, in characters: as large as a kit may be. */
const MOST = 20 * 1024 * 1024;

const one = object({ document: mixed().required('a preset is needed'), note: string().max(200) });
const many = object({ documents: array().of(mixed()).min(1).max(20000).required(), note: string().max(200) });
const retiring = object({
	keys: array().of(string().required()).min(1).max(20000).required('keys of presets are needed'),
	retired: boolean().required('true or false is needed')
});

/** Presets behind `?after=PLACE KEY`, `?limit=N` of them (at most a thousand), or with `?retired=1` those that were retired. */
export const GET: RequestHandler = ({ params, url }) =>
	withProject(params.project, async (project) => {
		const text = url.searchParams.get('after') ?? '';
		const given = /^([0-9A-Za-z]{1,200}) ([a-z0-9-]{1,64})$/.exec(text);
		if (text !== '' && !given) return problem(400, 'after: a place and a key are needed, as in "a1 thud"');
		const after = given ? { order: given[1]!, id: given[2]! } : undefined;
		const limit = Number(url.searchParams.get('limit') ?? PAGE);
		if (!Number.isInteger(limit) || limit < 1 || limit > PAGE)
			return problem(400, `limit: a whole number up to ${PAGE}`);
		return json(
			await presetStore.list(database(), project.id, { after, limit, retired: url.searchParams.has('retired') })
		);
	});

/** Adds a preset; its id is changed when it is taken. */
export const POST: RequestHandler = ({ request, params }) =>
	withProject(params.project, async (project) => {
		const body = await readBody(request, one);
		if (!body.ok) return body.response;
		const preset = openAnyPreset(body.value.document);
		if (!preset.ok) return problem(422, 'The preset is not sound.', [...preset.problems]);
		return json(await presetStore.add(database(), project.id, preset.value, body.value.note), { status: 201 });
	});

/** Adds many presets, all or none. */
export const PUT: RequestHandler = ({ request, params }) =>
	withProject(params.project, async (project) => {
		const body = await readBody(request, many, MOST);
		if (!body.ok) return body.response;
		const sound: AnyPreset[] = [];
		for (const [i, document] of (body.value.documents as unknown[]).entries()) {
			const preset = openAnyPreset(document);
			if (!preset.ok) return problem(422, `Preset ${i + 1} is not sound; none was added.`, [...preset.problems]);
			sound.push(preset.value);
		}
		return json(await presetStore.addMany(database(), project.id, sound, body.value.note), { status: 201 });
	});

/** Takes presets out of use, or brings them back. */
export const PATCH: RequestHandler = ({ request, params }) =>
	withProject(params.project, async (project) => {
		const body = await readBody(request, retiring);
		if (!body.ok) return body.response;
		const keys = body.value.keys as string[];
		if (!keys.every(isId)) return problem(400, 'keys: ids of presets are needed');
		return json({ changed: await presetStore.retire(database(), project.id, keys, body.value.retired) });
	});
