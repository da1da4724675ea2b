/** A server in memory, for tests: one project, changes judged as the real one judges them, numbered and told of. */
import {
	byPlace,
	changedBy,
	creation,
	firstKeys,
	freeId,
	judgePart,
	keyBehind,
	KINDS,
	newUuid,
	unsound,
	type AnyDocument,
	type Envelope,
	type Held,
	type Judged,
	type KindName,
	type MadeChange,
	type Refusal
} from '$lib/documents';
import type { Answer } from '../api';
import type { ChangeSent, Heard, Line } from '../outbox.svelte';
import type { Opened } from '../session.svelte';

const AWAY = { ok: false, away: true, status: 0, message: 'The server does not answer.' } as const;

export class MemoryServer {
	readonly documents = new Map<string, Held>();
	readonly changes: MadeChange[] = [];
	/** Nobody gets through. */
	away = false;
	/** The next answers are lost on the way: what was sent is done all the same. */
	losing = 0;
	sends = 0;
	reads = 0;
	/** It answers, and takes nothing: with this sentence. */
	refuses = '';
	/** Documents as they were at first, their first versions. */
	readonly first: ReadonlyMap<string, Held>;
	readonly listeners = new Set<(number: number) => void>();

	/** What a page is opened with: all that is in use, or what `only` lets through of it. */
	opened(only: (held: Held) => boolean = () => true): Omit<Opened, 'project'> {
		const inUse = this.all.filter(({ retired }) => !retired);
		const count = inUse.filter(({ kind }) => KINDS[kind].space === 'preset').length;
		return { number: this.number, documents: inUse.filter(only), stubs: [], count };
	}

	constructor(documents: readonly [KindName, AnyDocument][]) {
		const keys = firstKeys(documents.length);
		documents.forEach(([kind, document], i) => {
			const uuid = newUuid();
			const envelope = creation(kind, document, keys[i]!).to as Envelope;
			this.documents.set(uuid, { ...envelope, uuid, version: 1, savedAt: '2026-01-01T08:00:00.000Z' });
		});
		this.first = new Map(this.documents);
	}

	/** Documents that were changed behind a number, as they are and as they were then. */
	thenAt(number: number, uuids?: readonly string[]): { now: Held; was: Envelope | null }[] {
		const touched = new Set(
			this.changes.filter((c) => c.number > number).flatMap(({ parts }) => parts.map((p) => p.document))
		);
		return this.all
			.filter(({ uuid }) => touched.has(uuid) && (!uuids || uuids.includes(uuid)))
			.map((now) => {
				const fields = this.changes
					.filter((change) => change.number <= number)
					.flatMap(({ parts }) => parts.filter(({ document }) => document === now.uuid).flatMap((part) => part.fields));
				return { now, was: changedBy(this.first.get(now.uuid) ?? null, fields) as Envelope | null };
			});
	}

	get number(): number {
		return this.changes.length;
	}

	get all(): Held[] {
		return [...this.documents.values()];
	}

	named(uuids: readonly string[]): Held[] {
		return uuids.flatMap((uuid) => this.documents.get(uuid) ?? []);
	}

	find(id: string): Held {
		return this.all.find((held) => held.id === id)!;
	}

	line(reachable: () => boolean = () => true): Line {
		const answer = async <T>(make: () => Answer<T>): Promise<Answer<T>> => {
			await Promise.resolve();
			if (this.away || !reachable()) return AWAY;
			const made = make();
			await Promise.resolve();
			if (this.losing > 0 || !reachable()) {
				this.losing--;
				return AWAY;
			}
			return made;
		};
		return {
			send: (change) => answer(() => this.make(change)),
			since: (number) => answer(() => ({ ok: true, value: { changes: this.changes.slice(number) } })),
			named: (uuids) => answer(() => ({ ok: true, value: this.named(uuids) }))
		};
	}

	make(request: ChangeSent): Answer<Heard> {
		this.sends++;
		const since = (): readonly MadeChange[] => this.changes.slice(request.seen);
		const known = this.changes.find((made) => made.change === request.change);
		if (known) return { ok: true, value: { number: known.number, changes: since() } };
		const refusals: Refusal[] = [];
		const judged: Judged[] = [];
		for (const part of request.parts) {
			const held = this.documents.get(part.document) ?? null;
			const later = this.changes.flatMap(({ window, who, savedAt, parts }) =>
				parts
					.filter(({ document, version }) => document === part.document && version > (part.on ?? 0))
					.map(({ fields }) => ({ window, who, savedAt, fields }))
			);
			const result = judgePart(request, part, held && envelopeOf(held), later);
			if ('after' in result) judged.push(this.withId(result, judged));
			else refusals.push(...result);
		}
		for (const each of judged) refusals.push(...unsound(each));
		if (refusals.length > 0)
			return {
				ok: false,
				away: false,
				status: 409,
				message: refusals[0]!.message,
				body: { refusals, changes: since() }
			};
		const real = judged.filter(({ fields }) => fields.length > 0);
		if (real.length > 0) this.write(request, real);
		return { ok: true, value: { number: this.number, changes: since() } };
	}

	/** Another window's change, straight away. */
	meddle(id: string, path: readonly string[], to: unknown, who = 'Bea'): void {
		const { uuid, version } = this.find(id);
		const parts = [{ document: uuid, on: version, fields: [{ path, to }] }];
		const made = this.make({
			change: newUuid(),
			note: '',
			window: 'meddler',
			who,
			gesture: '',
			seen: this.number,
			parts
		});
		if (!made.ok) throw new Error(made.message);
	}

	private withId(judged: Judged, before: readonly Judged[]): Judged {
		if (judged.before) return judged;
		const { space } = KINDS[judged.after.kind];
		const others = [...this.all, ...before.map((each) => each.after)];
		const taken = others.filter(({ kind }) => KINDS[kind].space === space).map(({ id }) => id);
		const id = taken.includes(judged.after.id) ? freeId(judged.after.id, taken) : judged.after.id;
		const orders = others.map(({ order }) => order).sort();
		const order = judged.after.order || keyBehind(orders.at(-1) ?? null);
		const after = { ...judged.after, id, order, body: { ...(judged.after.body as object), id } };
		return { ...judged, after, fields: [{ path: [], to: after }] };
	}

	private write(request: ChangeSent, judged: readonly Judged[]): void {
		const number = this.number + 1;
		const savedAt = new Date(Date.UTC(2026, 0, 1, 9, 0, number)).toISOString();
		const parts = judged.map(({ part, fields, after }) => {
			const version = (this.documents.get(part.document)?.version ?? 0) + 1;
			this.documents.set(part.document, { ...after, uuid: part.document, version, savedAt });
			return { document: part.document, version, fields };
		});
		const { change, note, window, who } = request;
		// As it comes over the line.
		this.changes.push(JSON.parse(JSON.stringify({ number, change, note, window, who, savedAt, parts })) as MadeChange);
		for (const listener of this.listeners) listener(number);
	}
}

const envelopeOf = ({ kind, id, order, retired, settled = false, body }: Held): Envelope => ({
	kind,
	id,
	order,
	retired,
	settled,
	body
});

/** What a history of changes makes of a document, from nothing: what the server holds must be that. */
export const replayed = (changes: readonly MadeChange[], first: Held): unknown =>
	changes
		.flatMap((change) => change.parts.filter((part) => part.document === first.uuid))
		.reduce<unknown>((held, part) => changedBy(held, part.fields) ?? held, first);

const isIn = (list: string | null, name: string): boolean => list === null || list.split(',').includes(name);

/** The same server behind `fetch`, with the routes that a page asks. */
export function fetchFrom(server: MemoryServer): (address: string, init?: RequestInit) => Promise<Response> {
	const line = server.line();
	const respond = async (answer: Promise<Answer<Heard>>): Promise<Response> => {
		const given = await answer;
		if (given.ok) return Response.json(given.value);
		if (given.away) throw new TypeError('no network');
		return Response.json({ message: given.message, ...(given.body as object) }, { status: given.status });
	};
	return async (address, init = {}) => {
		const { pathname, searchParams } = new URL(address, 'http://quay');
		if (server.away) throw new TypeError('no network');
		if (server.refuses) return Response.json({ message: server.refuses }, { status: 422 });
		if (pathname.endsWith('/changes'))
			return init.method === 'POST'
				? respond(line.send(JSON.parse(init.body as string) as ChangeSent))
				: respond(line.since(Number(searchParams.get('after'))));
		if (pathname.endsWith('/documents')) {
			server.reads++;
			const uuids = searchParams.get('uuids');
			if (uuids) return Response.json(server.named(uuids.split(',')));
			const after = searchParams.get('after') ?? '';
			const list = server.all
				.filter((held) => held.retired === searchParams.has('retired') && isIn(searchParams.get('kinds'), held.kind))
				.sort(byPlace)
				.filter((held) => `${held.order} ${held.id}` > after);
			return Response.json(list.slice(0, Number(searchParams.get('limit') ?? 1000)));
		}
		const then = /\/history\/(\d+)$/.exec(pathname);
		if (then) return Response.json(server.thenAt(Number(then[1]), searchParams.get('of')?.split(',')));
		return Response.json({ message: 'unknown' }, { status: 404 });
	};
}
