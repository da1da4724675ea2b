/** Documents of a project, such as presets and courses: kept, saved as ever new versions, retired, never lost. */
import { Op, UniqueConstraintError, type Model, type ModelStatic, type Sequelize } from 'sequelize';
import { freeId } from '../../documents';

export interface Stored<T> {
	readonly key: string;
	readonly version: number;
	readonly savedAt: string;
	/** Its place in the project's order; rising, with gaps. */
	readonly position: number;
	readonly document: T;
}

export type SaveResult<T> =
	| { readonly state: 'saved'; readonly version: number; readonly savedAt: string }
	| { readonly state: 'stale'; readonly theirs: Stored<T> }
	| { readonly state: 'unknown' };

export interface VersionEntry {
	readonly version: number;
	readonly savedAt: string;
	readonly note: string;
}

/** A part of a project's documents, in its order. */
export interface Part {
	/** Only those behind this place; left out: from the first on. */
	readonly after?: number;
	readonly limit?: number;
	/** Those that were retired instead of those in use. */
	readonly retired?: boolean;
}

interface Row {
	id: string;
	projectId: string;
	key: string;
	name: string;
	version: number;
	document: unknown;
	position: number;
	retiredAt: Date | null;
	savedAt: Date;
}
interface VersionRow {
	ownerId: string;
	version: number;
	document: unknown;
	note: string;
	savedAt: Date;
}
/** A table as this file sees it. */
type Table<R extends object> = ModelStatic<Model<R, Partial<R>> & R>;

export const MOST_VERSIONS = 500;

export class DocumentStore<T extends { readonly id: string; readonly name: string }> {
	private readonly rows: Table<Row>;
	private readonly versions: Table<VersionRow>;

	constructor(
		rows: unknown,
		versions: unknown,
		/** What else of a document has a column of its own. */
		private readonly columns: (document: T) => object = () => ({}),
		/** Makes a document of today's out of one that was stored earlier. */
		private readonly open: (document: T) => T = (document) => document
	) {
		this.rows = rows as Table<Row>;
		this.versions = versions as Table<VersionRow>;
	}

	async list(projectId: string, part: Part = {}): Promise<Stored<T>[]> {
		const rows = await this.rows.findAll({
			where: {
				projectId,
				retiredAt: part.retired ? { [Op.ne]: null } : null,
				...(part.after === undefined ? {} : { position: { [Op.gt]: part.after } })
			},
			order: [['position', 'ASC']],
			limit: part.limit
		});
		return rows.map((row) => this.stored(row));
	}

	/** How many are in use. */
	count(projectId: string): Promise<number> {
		return this.rows.count({ where: { projectId, retiredAt: null } });
	}

	async find(projectId: string, key: string): Promise<Stored<T> | null> {
		const row = await this.rowOf(projectId, key);
		return row && this.stored(row);
	}

	async isInUse(projectId: string, key: string): Promise<boolean> {
		return (await this.rows.count({ where: { projectId, key, retiredAt: null } })) > 0;
	}

	/** Adds a document at the end of the project; when its id is taken it gets the next free one. */
	async add(sequelize: Sequelize, projectId: string, document: T, note = '', now = new Date()): Promise<Stored<T>> {
		for (let attempt = 0; ; attempt++) {
			try {
				return (await this.addMany(sequelize, projectId, [document], note, now))[0]!;
			} catch (error) {
				// Somebody took the id in between: choose again.
				if (!(error instanceof UniqueConstraintError) || attempt > 5) throw error;
			}
		}
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
		return sequelize.transaction(async (transaction) => {
			const rows = await this.rows.findAll({
				where: { projectId },
				attributes: ['key', 'position'],
				transaction
			});
			const taken = new Set(rows.map((row) => row.key));
			let position = rows.reduce((most, row) => Math.max(most, row.position + 1), 0);
			const own = documents.map((document) => {
				const key = freeId(document.id, taken);
				taken.add(key);
				return { ...document, id: key };
			});
			const made = await this.rows.bulkCreate(
				own.map((document) => ({
					...this.columns(document),
					projectId,
					key: document.id,
					name: document.name,
					version: 1,
					document,
					position: position++,
					savedAt: now
				})),
				{ transaction, returning: true }
			);
			await this.versions.bulkCreate(
				made.map((row) => ({
					ownerId: row.id,
					version: 1,
					document: row.document,
					note,
					savedAt: now
				})) as Partial<VersionRow>[],
				{ transaction }
			);
			return made.map((row) => this.stored(row));
		});
	}

	/**
	 * Saves a new version, if `base` is the newest one; otherwise nothing changes and the newest comes back. The version is
	 * counted up by the statement that checks it, so that of two saves at once one is stale.
	 */
	async save(
		sequelize: Sequelize,
		projectId: string,
		key: string,
		base: number,
		document: T,
		note = '',
		now = new Date()
	): Promise<SaveResult<T>> {
		const own = { ...document, id: key };
		return sequelize.transaction(async (transaction) => {
			const [count, rows] = await this.rows.update(
				{ ...this.columns(own), document: own, name: own.name, version: base + 1, savedAt: now },
				{ where: { projectId, key, version: base }, returning: true, transaction }
			);
			if (count === 0) {
				const newest = await this.rows.findOne({ where: { projectId, key }, transaction });
				return newest ? { state: 'stale' as const, theirs: this.stored(newest) } : { state: 'unknown' as const };
			}
			await this.versions.create(
				{ ownerId: rows[0]!.id, version: base + 1, document: own, note, savedAt: now },
				{ transaction }
			);
			return { state: 'saved' as const, version: base + 1, savedAt: now.toISOString() };
		});
	}

	/** All versions, newest first; null when there is no such document. */
	async listVersions(projectId: string, key: string): Promise<VersionEntry[] | null> {
		const row = await this.rowOf(projectId, key);
		if (!row) return null;
		const rows = await this.versions.findAll({
			where: { ownerId: row.id },
			attributes: ['version', 'note', 'savedAt'],
			order: [['version', 'DESC']],
			limit: MOST_VERSIONS
		});
		return rows.map((v) => ({ version: v.version, note: v.note, savedAt: v.savedAt.toISOString() }));
	}

	async findVersion(projectId: string, key: string, version: number): Promise<T | null> {
		const row = await this.rowOf(projectId, key);
		const found = row && (await this.versions.findOne({ where: { ownerId: row.id, version } }));
		return found ? this.open(found.document as T) : null;
	}

	/** Takes documents out of use, or brings them back; nothing is deleted. Returns how many changed. */
	async retire(projectId: string, keys: readonly string[], retired: boolean, now = new Date()): Promise<number> {
		const [count] = await this.rows.update(
			{ retiredAt: retired ? now : null },
			{
				where: { projectId, key: [...keys], retiredAt: retired ? null : { [Op.ne]: null } }
			}
		);
		return count;
	}

	private rowOf(projectId: string, key: string): Promise<Row | null> {
		return this.rows.findOne({ where: { projectId, key } });
	}

	private stored(row: Row): Stored<T> {
		const { key, version, savedAt, position, document } = row;
		return { key, version, savedAt: savedAt.toISOString(), position, document: this.open(document as T) };
	}
}
