/** What was done in a project, told as stretches of work with what came of them; and documents as they were at any of its numbers. */
import { Op, QueryTypes, type Sequelize } from 'sequelize';
import {
	differences,
	documentOf,
	SINGLE,
	STRETCHES,
	stretchesOf,
	woken,
	type Envelope,
	type History,
	type Line,
	type Noted,
	type Scope,
	type Stretch,
	type ToldDocument,
	type ToldStretch
} from '../../documents';
import { ChangeRow, DocumentRow, MarkRow } from '../db/models';
import { storedOf, type StoredDocument } from './documents';
import { NOT_YET, passed, passingAt, pastOf, type Passing } from './past';

export interface Mark {
	readonly name: string;
	readonly starred: boolean;
	readonly who: string;
}

const MOST_NUMBERS = 600;
const MOST_STRETCHES = 30;
const MOST_DOCUMENTS = 12;
const MOST_LINES = 40;

interface NumberRow extends Omit<Noted, 'at'> {
	readonly savedAt: Date;
	readonly some: readonly string[];
}

const numbersOf = (
	sequelize: Sequelize,
	projectId: string,
	{ uuids, kinds }: Scope,
	[after, before]: readonly [number, number],
	most: number
): Promise<NumberRow[]> =>
	sequelize.query<NumberRow>(
		`SELECT c.number, max(c.saved_at) AS "savedAt", max(c.who) AS who, max(c."window") AS "window", max(c.gesture) AS gesture,
		        max(c.note) AS note, count(*)::int AS documents, (array_agg(c.document_id ORDER BY d.place COLLATE "C"))[1:${MOST_DOCUMENTS}] AS some
		 FROM changes c JOIN documents d ON d.id = c.document_id
		 WHERE c.project_id = $1 AND c.number > $2 AND c.number < $3
		   AND ($4::uuid[] IS NULL OR c.document_id = ANY($4::uuid[])) AND ($5::text[] IS NULL OR d.kind = ANY($5::text[]))
		 GROUP BY c.number ORDER BY c.number DESC LIMIT $6`,
		{ bind: [projectId, after, before, uuids ?? null, kinds ?? null, most], type: QueryTypes.SELECT }
	);

export interface Asked extends Scope {
	/** Only what was done before this number, and behind that one. */
	readonly before?: number;
	readonly after?: number;
	/** Each change by itself. */
	readonly single?: boolean;
}

/** The history of a scope, its newest part first. */
export async function historyOf(
	sequelize: Sequelize,
	projectId: string,
	{ before = 2 ** 31 - 1, after = 0, single = false, ...scope }: Asked
): Promise<History> {
	const rows = (await numbersOf(sequelize, projectId, scope, [after, before], MOST_NUMBERS)).reverse();
	const marks = new Map((await MarkRow.findAll({ where: { projectId } })).map((mark) => [mark.number, mark]));
	const noted = rows.map(({ savedAt, ...rest }): Noted => ({ ...rest, at: savedAt.getTime() }));
	const all = stretchesOf(noted, { ...(single ? SINGLE : STRETCHES), ends: new Set(marks.keys()) });
	// The oldest may have begun before what was read.
	const whole = rows.length < MOST_NUMBERS ? all : all.slice(all.length > 1 ? 1 : 0);
	const shown = whole.slice(-MOST_STRETCHES);
	const [first] = shown;
	const told = await tell(shown, rows);
	const isAll = !first || (rows.length < MOST_NUMBERS && shown.length === all.length);
	const stretches = told.map((stretch) => {
		const mark = marks.get(stretch.last);
		return { ...stretch, name: mark?.name ?? '', starred: mark?.starred ?? false };
	});
	return { stretches: stretches.reverse(), before: isAll ? null : first.first };
}

type Bare = Omit<ToldStretch, 'name' | 'starred'>;

async function tell(stretches: readonly Stretch[], rows: readonly NumberRow[]): Promise<Bare[]> {
	const within = ({ first, last }: Stretch): NumberRow[] =>
		rows.filter(({ number }) => number >= first && number <= last);
	const of = stretches.map((stretch) => {
		const numbers = within(stretch);
		return { stretch, uuids: [...new Set(numbers.flatMap(({ some }) => some))].slice(0, MOST_DOCUMENTS), numbers };
	});
	const wanted = [...new Set(of.flatMap(({ uuids }) => uuids))];
	const documents = new Map((await DocumentRow.findAll({ where: { id: wanted } })).map((row) => [row.id, row]));
	const changes = await ChangeRow.findAll({
		where: {
			documentId: wanted,
			number: { [Op.between]: [stretches[0]?.first ?? 0, stretches.at(-1)?.last ?? 0] }
		},
		order: [['version', 'ASC']]
	});
	const byDocument = new Map<string, ChangeRow[]>();
	for (const change of changes) {
		const own = byDocument.get(change.documentId);
		if (own) own.push(change);
		else byDocument.set(change.documentId, [change]);
	}
	const passing = new Map<string, Passing>();
	for (const uuid of wanted) {
		const { kind } = documents.get(uuid)!;
		const before = byDocument.get(uuid)![0]!.version - 1;
		passing.set(uuid, (before > 0 ? await passingAt({ uuid, kind }, before) : null) ?? NOT_YET);
	}
	return of.map(({ stretch, uuids, numbers }) => {
		const told: ToldDocument[] = [];
		// Those that are left out here may be told of later: their bodies go on as well.
		for (const uuid of wanted) {
			const own = byDocument.get(uuid)!.filter(({ number }) => number >= stretch.first && number <= stretch.last);
			if (own.length === 0) continue;
			const { kind } = documents.get(uuid)!;
			const before = passing.get(uuid)!;
			passing.set(
				uuid,
				own.reduce((here, change) => passed(kind, here, change), before)
			);
			if (uuids.includes(uuid)) told.push(tellOne(documents.get(uuid)!, own, before, passing.get(uuid)!));
		}
		const left = numbers.some(({ documents, some }) => documents > some.length)
			? Math.max(...numbers.map(({ documents }) => documents)) - told.length
			: new Set(numbers.flatMap(({ some }) => some)).size - told.length;
		return { ...stretch, documents: told, more: Math.max(0, left) };
	});
}

/** What some changes, one after the other, did to a document. */
function tellOne(row: DocumentRow, changes: readonly ChangeRow[], before: Passing, after: Passing): ToldDocument {
	const { id: uuid, kind } = row;
	const awake = ({ body, format }: Passing) => (body === null ? null : woken(kind, format, body));
	const [was, is] = [awake(before), awake(after)];
	// Of one that was made in it: what was done to it from there on.
	const since = was ?? awake(passed(kind, before, changes[0]!));
	const lines = differences(kind, since, is).map(({ path, label, was, is, unit, entry }): Line => ({
		path,
		label,
		was,
		is,
		unit,
		entry
	}));
	const fields = changes.flatMap((change) => change.fields);
	const last = (name: string): unknown => fields.findLast(({ path }) => path[0] === name)?.to;
	const became = (): ToldDocument['became'] => {
		if (last('retired') === true) return 'retired';
		if (was === null) return 'made';
		if (last('retired') === false) return 'back';
		return last('order') !== undefined && lines.length === 0 ? 'moved' : null;
	};
	const { name = '' } = documentOf(kind, is ?? was) as { name?: string };
	return {
		uuid,
		kind,
		id: row.key,
		name,
		version: changes.at(-1)!.version,
		became: became(),
		lines: lines.slice(0, MOST_LINES),
		more: Math.max(0, lines.length - MOST_LINES)
	};
}

/** A document as it is, and as it was then; `was` is null where it was not made yet. */
export interface Then {
	readonly now: StoredDocument;
	readonly was: Envelope | null;
}

/** Those documents of a scope, as they were when the project stood at a number, that were changed since. */
export async function thenAt(sequelize: Sequelize, projectId: string, number: number, scope: Scope): Promise<Then[]> {
	const since = await sequelize.query<{ id: string }>(
		`SELECT DISTINCT c.document_id AS id FROM changes c JOIN documents d ON d.id = c.document_id
		 WHERE c.project_id = $1 AND c.number > $2
		   AND ($3::uuid[] IS NULL OR c.document_id = ANY($3::uuid[])) AND ($4::text[] IS NULL OR d.kind = ANY($4::text[]))`,
		{ bind: [projectId, number, scope.uuids ?? null, scope.kinds ?? null], type: QueryTypes.SELECT }
	);
	const rows = await DocumentRow.findAll({ where: { id: since.map(({ id }) => id) }, order: [['place', 'ASC']] });
	const then: Then[] = [];
	for (const row of rows) {
		const now = storedOf(row);
		then.push({ now, was: await pastOf(now, number) });
	}
	return then;
}

/** Names a moment of the project, or marks it with a star; with neither it is as all others. False when there is no such moment. */
export async function markAt(projectId: string, number: number, mark: Mark, now = new Date()): Promise<boolean> {
	if ((await ChangeRow.count({ where: { projectId, number } })) === 0) return false;
	if (mark.name === '' && !mark.starred) await MarkRow.destroy({ where: { projectId, number } });
	else await MarkRow.upsert({ projectId, number, ...mark, savedAt: now });
	return true;
}
