/** What the endpoints share: bodies read and checked at the edge, and answers for what cannot be done. */
import { json } from '@sveltejs/kit';
import { ValidationError, type AnyObjectSchema, type InferType } from 'yup';
import { decodeText, isKind, isUuid, parseJson, type KindName } from '../documents';
import { findProject, type Project } from './repositories/projects';

export const problem = (status: number, message: string, problems: unknown[] = []): Response =>
	json({ message, problems }, { status });

/** The greatest number that the database can count to. */
const MOST_NUMBER = 2_147_483_647;

/** A number of a change out of an address; null where it is none that can be. */
export function numberOf(text: string): number | null {
	const number = /^\d{1,10}$/.test(text) ? Number(text) : -1;
	return number >= 0 && number <= MOST_NUMBER ? number : null;
}

/** Which documents an address asks about, `of=UUID,UUID` or `kinds=cue,event`; a sentence where it names what cannot be. */
export function scopeOf(url: URL): { uuids?: string[]; kinds?: KindName[] } | string {
	const listed = (name: string): string[] => (url.searchParams.get(name) ?? '').split(',').filter(Boolean);
	const [uuids, kinds] = [listed('of'), listed('kinds')];
	if (!uuids.every(isUuid) || uuids.length > 1000) return 'of: uuids of documents are needed';
	if (!kinds.every(isKind)) return 'kinds: kinds of documents are needed';
	return { ...(uuids.length > 0 && { uuids }), ...(kinds.length > 0 && { kinds }) };
}

export type Body<T> = { readonly ok: true; readonly value: T } | { readonly ok: false; readonly response: Response };

/** Reads a JSON body of at most `most` bytes and checks it against a schema. */
export async function readBody<S extends AnyObjectSchema>(
	request: Request,
	schema: S,
	most = 2_000_000
): Promise<Body<InferType<S>>> {
	const refuse = (status: number, message: string): Body<never> => ({ ok: false, response: problem(status, message) });
	const bytes = new Uint8Array(await request.arrayBuffer());
	if (bytes.length > most) return refuse(413, `The body is ${bytes.length} bytes long; at most ${most} are taken.`);
	const text = decodeText(bytes);
	if (!text.ok) return refuse(400, `The body: ${text.message}`);
	const read = parseJson(text.value);
	if (!read.ok) return refuse(400, `The body is not JSON that can be kept. ${read.place} ${read.message}`);
	const parsed = read.value;
	try {
		return { ok: true, value: (await schema.validate(parsed, { strict: true })) as InferType<S> };
	} catch (error) {
		if (!(error instanceof ValidationError)) throw error;
		return refuse(400, `${error.path ?? 'The body'}: ${error.message}`);
	}
}

/** Runs `work` on the project of that slug, or answers that there is none. */
export async function withProject(slug: string, work: (project: Project) => Promise<Response>): Promise<Response> {
	const project = await findProject(slug);
	return project ? work(project) : problem(404, `There is no project "${slug}".`);
}
