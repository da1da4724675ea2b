/** What the endpoints share: bodies read and checked at the edge, and answers for what cannot be done. */
import { json } from '@sveltejs/kit';
import { ValidationError, type AnyObjectSchema, type InferType } from 'yup';
import { findProject, type Project } from './repositories/projects';

export const problem = (status: number, message: string, problems: unknown[] = []): Response =>
	json({ message, problems }, { status });

export type Body<T> = { readonly ok: true; readonly value: T } | { readonly ok: false; readonly response: Response };

/** Reads a JSON body of at most `most` bytes and checks it against a schema. */
export async function readBody<S extends AnyObjectSchema>(
	request: Request,
	schema: S,
	most = 2_000_000
): Promise<Body<InferType<S>>> {
	const refuse = (status: number, message: string): Body<never> => ({ ok: false, response: problem(status, message) });
	const text = await request.text();
	if (text.length > most) return refuse(413, `The body is ${text.length} bytes long; at most ${most} are taken.`);
	let parsed: unknown;
	try {
		parsed = JSON.parse(text);
	} catch {
		return refuse(400, 'The body is not JSON.');
	}
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
