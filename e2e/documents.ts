/** Documents of a project, made and changed by a journey over the same routes that the page uses. */
import { randomUUID } from 'node:crypto';
import { expect, type APIRequestContext, type APIResponse } from '@playwright/test';
import {
	creation,
	openWiring,
	partsTowards,
	WIRING_KINDS,
	wiringOf,
	type AnyDocument,
	type ChangePart,
	type Held,
	type KindName
} from '../src/lib/documents';

/** The project's own address, whatever page of it one has. */
const api = (project: string): string => {
	const { origin, pathname } = new URL(project);
	return `${origin}/api/projects/${pathname.split('/')[1]}`;
};

export async function readDocuments(
	request: APIRequestContext,
	project: string,
	kinds: readonly KindName[]
): Promise<Held[]> {
	const answer = await request.get(`${api(project)}/documents?kinds=${kinds.join(',')}`);
	return (await answer.json()) as Held[];
}

export const sendParts = (
	request: APIRequestContext,
	project: string,
	parts: readonly ChangePart[],
	headers: Record<string, string> = { origin: new URL(project).origin }
): Promise<APIResponse> =>
	request.post(`${api(project)}/changes`, {
		headers,
		data: { change: randomUUID(), note: '', window: 'journey', who: '', seen: 0, parts },
		timeout: 120_000
	});

/** Adds documents behind all others; an id that is taken gets the next free one. */
export async function addDocuments(
	request: APIRequestContext,
	project: string,
	kind: KindName,
	documents: readonly AnyDocument[]
): Promise<void> {
	const parts = documents.map((document) => ({ document: randomUUID(), fields: [creation(kind, document, '')] }));
	const added = await sendParts(request, project, parts);
	expect(added.status(), await added.text()).toBe(200);
}

/** Makes events, game values, cues, rigs and world links those of a wiring as a kit has it. */
export async function wire(request: APIRequestContext, project: string, wiring: object): Promise<void> {
	const opened = openWiring(wiring);
	if (!opened.ok) throw new Error(JSON.stringify(opened.problems));
	const held = await readDocuments(request, project, WIRING_KINDS);
	const world = 'world' in wiring ? opened.value.world : wiringOf(held).world;
	const saved = await sendParts(request, project, partsTowards(held, [], { ...opened.value, world }));
	expect(saved.status(), await saved.text()).toBe(200);
}

/** Takes documents out of use. */
export async function retire(
	request: APIRequestContext,
	project: string,
	kind: KindName,
	...ids: string[]
): Promise<void> {
	const held = (await readDocuments(request, project, [kind])).filter(({ id }) => ids.includes(id));
	const fields = [{ path: ['retired'], to: true }];
	await sendParts(
		request,
		project,
		held.map(({ uuid, version }) => ({ document: uuid, on: version, fields }))
	);
}
