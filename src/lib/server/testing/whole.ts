/** Documents of some kinds as wholes, by their ids, for tests of what is kept: each save is a change by fields. */
import { randomUUID } from 'node:crypto';
import type { AnyPreset } from 'dinesis-runtime';
import type { Sequelize } from 'sequelize';
import {
	creation,
	documentOf,
	fieldsTowards,
	keysBetween,
	type AnyDocument,
	type ChangePart,
	type Course,
	type KindName,
	type Space
} from '../../documents';
import { ChangeRow } from '../db/models';
import { makeChange } from '../store/change';
import { bodyAt } from '../store/past';
import {
	countDocuments,
	findDocument,
	lastPlace,
	listDocuments,
	type Selection,
	type StoredDocument
} from '../store/documents';

export interface VersionEntry {
	readonly version: number;
	readonly savedAt: string;
	readonly note: string;
	readonly who: string;
}

export const MOST_VERSIONS = 500;
/** The versions of a document, newest first: of one drag the last one. */
export async function listVersions(uuid: string): Promise<VersionEntry[]> {
	const rows = await ChangeRow.findAll({
		where: { documentId: uuid },
		attributes: ['version', 'note', 'who', 'gesture', 'savedAt'],
		order: [['version', 'DESC']],
		limit: 20 * MOST_VERSIONS
	});
	const entries: VersionEntry[] = [];
	rows.forEach((row, i) => {
		const later = rows[i - 1];
		const goesOn = row.gesture !== '' && row.gesture === later?.gesture && row.note === '';
		if (!goesOn)
			entries.push({ version: row.version, savedAt: row.savedAt.toISOString(), note: row.note, who: row.who });
	});
	return entries.slice(0, MOST_VERSIONS);
}

export interface Stored<T> {
	readonly uuid: string;
	readonly key: string;
	readonly version: number;
	readonly savedAt: string;
	/** Its place in the project's order: keys that rise, compared letter by letter. */
	readonly position: string;
	readonly document: T;
}

export type SaveResult<T> =
	| { readonly state: 'saved'; readonly version: number; readonly savedAt: string }
	| { readonly state: 'stale'; readonly theirs: Stored<T> }
	| { readonly state: 'unknown' };

/** Whatever was made meanwhile was not looked at by who saves a whole. */
const SAW_ALL = Number.MAX_SAFE_INTEGER;

export const atOnce = (note: string, parts: readonly ChangePart[]) => ({
	change: randomUUID(),
	note,
	window: '',
	who: '',
	seen: SAW_ALL,
	parts
});

const whole = <T extends AnyDocument>(stored: StoredDocument): Stored<T> => ({
	uuid: stored.uuid,
	key: stored.id,
	version: stored.version,
	savedAt: stored.savedAt,
	position: stored.order,
	document: documentOf<T>(stored.kind, stored.body)
});

export class WholeDocuments<T extends AnyDocument> {
	constructor(
		private readonly space: Space,
		private readonly kinds: readonly KindName[],
		private readonly kindOf: (document: T) => KindName
	) {}

	async list(sequelize: Sequelize, projectId: string, part: Omit<Selection, 'kinds'> = {}): Promise<Stored<T>[]> {
		return (await listDocuments(sequelize, projectId, { ...part, kinds: this.kinds })).map((d) => whole<T>(d));
	}

	async isInUse(projectId: string, key: string): Promise<boolean> {
		const stored = await findDocument(projectId, this.space, key);
		return stored !== null && !stored.retired;
	}

	/** How many are in use. */
	count(projectId: string): Promise<number> {
		return countDocuments(projectId, this.kinds);
	}

	async find(projectId: string, key: string): Promise<Stored<T> | null> {
		const stored = await findDocument(projectId, this.space, key);
		return stored && whole<T>(stored);
	}

	async add(sequelize: Sequelize, projectId: string, document: T, note = '', now = new Date()): Promise<Stored<T>> {
		return (await this.addMany(sequelize, projectId, [document], note, now))[0]!;
	}

	/**
	 * Adds many at the end of the project, all or none. Ids that are taken are changed to free ones; the answer is in the order
	 * of the documents.
	 */
	async addMany(
		sequelize: Sequelize,
		projectId: string,
		documents: readonly T[],
		note = '',
		now = new Date()
	): Promise<Stored<T>[]> {
		const last = await lastPlace(sequelize, projectId);
		const places = keysBetween(last, null, documents.length);
		const parts = documents.map((document, i): ChangePart => {
			return { document: randomUUID(), fields: [creation(this.kindOf(document), document, places[i]!)] };
		});
		const made = await makeChange(sequelize, projectId, atOnce(note, parts), now);
		if (made?.state !== 'made') throw new Error(`Documents that were sound were refused: ${JSON.stringify(made)}`);
		const rows = await listDocuments(sequelize, projectId, { uuids: parts.map((part) => part.document) });
		const byUuid = new Map(rows.map((row) => [row.uuid, row]));
		return parts.map((part) => whole<T>(byUuid.get(part.document)!));
	}

	/** Saves a new version, if `base` is the newest one; otherwise nothing changes and the newest comes back. */
	async save(
		sequelize: Sequelize,
		projectId: string,
		key: string,
		base: number,
		document: T,
		note = '',
		now = new Date()
	): Promise<SaveResult<T>> {
		const stored = await findDocument(projectId, this.space, key);
		if (!stored || !this.kinds.includes(stored.kind)) return { state: 'unknown' };
		if (stored.version !== base) return { state: 'stale', theirs: whole<T>(stored) };
		const fields = fieldsTowards(stored, document);
		const part = { document: stored.uuid, on: base, fields, alone: true };
		const made = await makeChange(sequelize, projectId, atOnce(note, [part]), now);
		if (made?.state === 'made') return { state: 'saved', version: base + 1, savedAt: made.savedAt };
		return { state: 'stale', theirs: whole<T>((await findDocument(projectId, this.space, key))!) };
	}

	/** All versions, newest first; null when there is no such document. */
	async listVersions(projectId: string, key: string): Promise<VersionEntry[] | null> {
		const stored = await findDocument(projectId, this.space, key);
		return stored && listVersions(stored.uuid);
	}

	async findVersion(projectId: string, key: string, version: number): Promise<T | null> {
		const stored = await findDocument(projectId, this.space, key);
		const body = stored && (await bodyAt(stored, version));
		return body === null ? null : documentOf<T>(stored!.kind, body);
	}

	/** Takes documents out of use, or brings them back; nothing is deleted. Returns how many changed. */
	async retire(
		sequelize: Sequelize,
		projectId: string,
		keys: readonly string[],
		retired: boolean,
		now = new Date()
	): Promise<number> {
		const list = await listDocuments(sequelize, projectId, { kinds: this.kinds, ids: keys, retired: !retired });
		const parts = list.map((stored) => ({
			document: stored.uuid,
			on: stored.version,
			fields: [{ path: ['retired'], to: retired }]
		}));
		if (parts.length === 0) return 0;
		const made = await makeChange(sequelize, projectId, atOnce('', parts), now);
		return made?.state === 'made' ? parts.length : 0;
	}
}

export const presetStore = new WholeDocuments<AnyPreset>('preset', ['shake', 'bob', 'lag'], ({ family }) => family);
export const courseStore = new WholeDocuments<Course>('course', ['course'], () => 'course');
