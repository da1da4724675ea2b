/**
 * The one way in which documents change: a change names documents by uuid and fields by their path, is applied whole or not at all, and gets
 * the project's next number. One that began from an older version is applied too, when nobody has changed its fields since; what cannot be
 * applied is refused with the fields named, and changes nothing.
 */
import { Op, QueryTypes, type Sequelize, type Transaction } from 'sequelize';
import {
	formatOf,
	freeId,
	isBodyPath,
	judgePart,
	keysBetween,
	KINDS,
	referencesOf,
	unsound,
	woken,
	type ChangePart,
	type ChangeRequest,
	type Envelope,
	type FieldChange,
	type Judged,
	type MadeChange,
	type Refusal,
	type Reference,
	type Since,
	type Space
} from '../../documents';
import { ChangeRow, DocumentRow } from '../db/models';
import { carriedAlong } from './carry';
import { lastPlace } from './documents';

export type ChangeResult =
	| { readonly state: 'made'; readonly number: number; readonly savedAt: string }
	| { readonly state: 'refused'; readonly refusals: readonly Refusal[] };

/** The channel on which servers of one database tell each other that a project has changed. */
export const CHANNEL = 'dinesis_changes';

/** Locks the project for the rest of the transaction and gives its last number; null when there is no such project. */
export async function lockProject(
	sequelize: Sequelize,
	projectId: string,
	transaction: Transaction
): Promise<number | null> {
	const [row] = await sequelize.query<{ number: number }>(
		'SELECT change_number AS number FROM projects WHERE id = $1 FOR UPDATE',
		{ bind: [projectId], type: QueryTypes.SELECT, transaction }
	);
	return row?.number ?? null;
}

/** Makes a number the project's last one, and tells every server. */
export async function tellNumber(
	sequelize: Sequelize,
	projectId: string,
	number: number,
	transaction: Transaction
): Promise<void> {
	await sequelize.query('UPDATE projects SET change_number = $2 WHERE id = $1', {
		bind: [projectId, number],
		transaction
	});
	await sequelize.query('SELECT pg_notify($1, $2)', { bind: [CHANNEL, `${projectId} ${number}`], transaction });
}

type Work = Judged & { readonly row: DocumentRow | null };

/** Makes a change, or refuses it. */
export function makeChange(
	sequelize: Sequelize,
	projectId: string,
	request: ChangeRequest,
	now = new Date()
): Promise<ChangeResult | null> {
	return sequelize.transaction((transaction) => changeWithin(sequelize, projectId, request, now, transaction));
}

/** The same, as a part of something larger. */
export async function changeWithin(
	sequelize: Sequelize,
	projectId: string,
	request: ChangeRequest,
	now: Date,
	transaction: Transaction
): Promise<ChangeResult | null> {
	const last = await lockProject(sequelize, projectId, transaction);
	if (last === null) return null;
	const known = await ChangeRow.findOne({ where: { projectId, change: request.change }, transaction });
	if (known) return { state: 'made', number: known.number, savedAt: known.savedAt.toISOString() };
	const { judgedWell, refusals } = await judgeAll(projectId, request, request.parts, transaction);
	const works = await settleNew(sequelize, projectId, judgedWell, transaction);
	for (const work of works) refusals.push(...unsound(work));
	if (refusals.length === 0) refusals.push(...(await takenIds(projectId, works, transaction)));
	if (refusals.length === 0) refusals.push(...(await lostReferences(projectId, request, works, transaction)));
	// What points at a document goes with its id or not at all.
	if (refusals.length > 0)
		return { state: 'refused', refusals: works.some(isRenamed) ? allOf(works, refusals) : refusals };
	const more = await judgeAll(projectId, request, await carriedAlong(projectId, works, transaction), transaction);
	works.push(...more.judgedWell);
	const real = works.filter((work) => work.fields.length > 0 || work.part.alone);
	if (real.length === 0) return { state: 'made', number: last, savedAt: now.toISOString() };
	const number = last + 1;
	await write(projectId, number, request, real, now, transaction);
	await tellNumber(sequelize, projectId, number, transaction);
	return { state: 'made', number, savedAt: now.toISOString() };
}

/** Each part against what stands, and what was done since. */
async function judgeAll(
	projectId: string,
	request: ChangeRequest,
	parts: readonly ChangePart[],
	transaction: Transaction
): Promise<{ judgedWell: Work[]; refusals: Refusal[] }> {
	const rows = await DocumentRow.findAll({
		where: { projectId, id: parts.map((part) => part.document) },
		transaction
	});
	const refusals: Refusal[] = [];
	const judgedWell: Work[] = [];
	for (const part of parts) {
		const row = rows.find(({ id }) => id === part.document) ?? null;
		const judged = judgePart(request, part, row && envelopeOf(row), row ? await sinceOf(part, row, transaction) : []);
		if ('after' in judged) judgedWell.push({ ...judged, row });
		else refusals.push(...judged);
	}
	return { judgedWell, refusals };
}

const envelopeOf = (row: DocumentRow): Envelope => ({
	kind: row.kind,
	id: row.key,
	order: row.place,
	retired: row.retiredAt !== null,
	settled: row.settled,
	body: woken(row.kind, row.format, row.body)
});

async function sinceOf(part: ChangePart, row: DocumentRow, transaction: Transaction): Promise<Since[]> {
	if (row.version === part.on) return [];
	const rows = await ChangeRow.findAll({
		where: { documentId: row.id, version: { [Op.gt]: part.on ?? 0 } },
		order: [['version', 'ASC']],
		transaction
	});
	return rows.map(({ window, who, savedAt, fields }) => ({ window, who, savedAt: savedAt.toISOString(), fields }));
}

/** A new document whose id is taken gets the next free one; one without a place stands behind all others. */
async function settleNew(
	sequelize: Sequelize,
	projectId: string,
	works: readonly Work[],
	transaction: Transaction
): Promise<Work[]> {
	const fresh = works.filter((work) => work.before === null);
	const taken = new Map<Space, Set<string>>();
	for (const space of new Set(fresh.map(({ after }) => KINDS[after.kind].space))) {
		const rows = await DocumentRow.findAll({ where: { projectId, space }, attributes: ['key'], transaction });
		taken.set(space, new Set(rows.map((row) => row.key)));
	}
	const homeless = fresh.filter(({ after }) => after.order === '').length;
	const last = homeless > 0 ? await lastPlace(sequelize, projectId, transaction) : null;
	const places = keysBetween(last, null, homeless);
	return works.map((work) => {
		if (work.before !== null) return work;
		const ids = taken.get(KINDS[work.after.kind].space)!;
		const id = ids.has(work.after.id) ? freeId(work.after.id, ids) : work.after.id;
		ids.add(id);
		const order = work.after.order === '' ? places.shift()! : work.after.order;
		const after = { ...work.after, id, order, body: { ...(work.after.body as object), id } };
		return { ...work, after, fields: [{ path: [], to: after }] };
	});
}

const isRenamed = ({ before, after }: Work): boolean => before !== null && before.id !== after.id;

/** Every field of a change, refused for the reasons that some of them are. */
function allOf(works: readonly Work[], refusals: readonly Refusal[]): Refusal[] {
	const [{ reason, message }] = refusals as [Refusal];
	const named = (document: string, path: readonly string[]): Refusal | undefined =>
		refusals.find((one) => one.document === document && one.path.join('/') === path.join('/'));
	return works.flatMap(({ part }) =>
		part.fields.map(({ path }) => named(part.document, path) ?? { document: part.document, path, reason, message })
	);
}

/** Ids that documents wish for and others have, in use or not. */
async function takenIds(projectId: string, works: readonly Work[], transaction: Transaction): Promise<Refusal[]> {
	const refusals: Refusal[] = [];
	for (const { part, after } of works.filter(isRenamed)) {
		const { space, word } = KINDS[after.kind];
		const other = await DocumentRow.findOne({
			where: { projectId, space, key: after.id, id: { [Op.ne]: part.document } },
			transaction
		});
		if (!other) continue;
		const message = `“${after.id}” is the id of another ${word}${other.retiredAt ? ', out of use' : ''}.`;
		refusals.push({ document: part.document, path: ['id'], reason: 'unsound', message });
	}
	return refusals;
}

/** Whether somebody changed the field of a document after a number. */
async function changedSince(
	documentId: string,
	field: string,
	seen: number,
	transaction: Transaction
): Promise<boolean> {
	const rows = await ChangeRow.findAll({
		where: { documentId, number: { [Op.gt]: seen } },
		attributes: ['fields'],
		transaction
	});
	return rows.some(({ fields }) => fields.some(({ path }) => path[0] === field));
}

const nameOf = ({ space, id }: Reference): string => `${space} ${id}`;
/**
 * References that two people break together: one points at what the other takes out of use, and neither knew. What was out of use before
 * may be pointed at, as an earlier version that is restored may; the findings say so.
 */
async function lostReferences(
	projectId: string,
	{ seen }: ChangeRequest,
	works: readonly Work[],
	transaction: Transaction
): Promise<Refusal[]> {
	const refusals: Refusal[] = [];
	const refuse = (work: Work, message: string): void => {
		for (const { path } of work.fields) refusals.push({ document: work.part.document, path, reason: 'gone', message });
	};
	for (const work of works) {
		const { before, after, fields } = work;
		if (after.retired || !fields.some(({ path }) => path.length === 0 || isBodyPath(path))) continue;
		const had = new Set(before ? referencesOf(before.kind, before.body).map(nameOf) : []);
		const wanted = referencesOf(after.kind, after.body).filter((reference) => !had.has(nameOf(reference)));
		if (wanted.length === 0) continue;
		const retired = await DocumentRow.findAll({
			where: { projectId, key: wanted.map(({ id }) => id), retiredAt: { [Op.ne]: null } },
			attributes: ['id', 'kind', 'space', 'key'],
			transaction
		});
		for (const { space, id } of wanted) {
			const lost = retired.find((row) => row.space === space && row.key === id);
			if (lost && (await changedSince(lost.id, 'retired', seen, transaction)))
				refuse(work, `The ${KINDS[lost.kind].word} “${id}” was taken out of use meanwhile.`);
		}
	}
	const leaving = works.filter(({ before, after }) => before && !before.retired && after.retired);
	if (leaving.length === 0) return refusals;
	const own = new Set(works.map(({ part }) => part.document));
	const recent = await ChangeRow.findAll({ where: { projectId, number: { [Op.gt]: seen } }, transaction });
	const rows = await DocumentRow.findAll({
		where: { id: [...new Set(recent.map((row) => row.documentId))].filter((id) => !own.has(id)), retiredAt: null },
		transaction
	});
	for (const row of rows) {
		const pointsAt = new Set(referencesOf(row.kind, woken(row.kind, row.format, row.body)).map(nameOf));
		for (const work of leaving)
			if (pointsAt.has(`${KINDS[work.after.kind].space} ${work.after.id}`))
				refuse(work, `The ${KINDS[row.kind].word} “${row.key}” was pointed at it meanwhile.`);
	}
	return refusals;
}

async function write(
	projectId: string,
	number: number,
	request: ChangeRequest,
	works: readonly Work[],
	now: Date,
	transaction: Transaction
): Promise<void> {
	const common = {
		projectId,
		number,
		change: request.change,
		window: request.window,
		who: request.who,
		gesture: request.gesture ?? '',
		note: request.note,
		savedAt: now
	};
	const fresh = works.filter((work) => work.row === null);
	const kept = works.map(({ row, after, fields }) => fieldsToKeep(row, after, fields));
	await DocumentRow.bulkCreate(
		fresh.map(({ part, after }) => ({
			id: part.document,
			projectId,
			kind: after.kind,
			space: KINDS[after.kind].space,
			key: after.id,
			place: after.order,
			format: formatOf(after.kind),
			version: 1,
			body: after.body,
			retiredAt: after.retired ? now : null,
			settled: after.settled ?? false,
			savedAt: now
		})),
		{ transaction }
	);
	for (const { row, before, after } of works) {
		if (!row) continue;
		await row.update(
			{
				version: row.version + 1,
				key: after.id,
				place: after.order,
				settled: after.settled ?? false,
				...(before!.retired !== after.retired && { retiredAt: after.retired ? now : null }),
				...(before!.body !== after.body && { body: after.body, format: formatOf(after.kind) }),
				savedAt: now
			},
			{ transaction }
		);
	}
	await ChangeRow.bulkCreate(
		works.map(({ part, row, after }, i) => ({
			...common,
			documentId: part.document,
			version: row?.version ?? 1,
			format: formatOf(after.kind),
			fields: kept[i]!
		})),
		{ transaction }
	);
}

/** A tree of an older format is told whole at its first change in the newest one: paths of one format mean nothing in another. */
const fieldsToKeep = (row: DocumentRow | null, after: Envelope, fields: readonly FieldChange[]): FieldChange[] =>
	row && row.format > 0 && row.format < formatOf(row.kind)
		? [{ path: ['body'], to: after.body }, ...fields.filter(({ path }) => !isBodyPath(path))]
		: [...fields];

/** What was made behind a number, in its order: at most so many changes, each of them whole. */
export async function changesSince(projectId: string, number: number, most = 1000): Promise<MadeChange[]> {
	const last = await ChangeRow.findAll({
		where: { projectId, number: { [Op.gt]: number } },
		attributes: ['number'],
		group: ['number'],
		order: [['number', 'ASC']],
		limit: most
	});
	if (last.length === 0) return [];
	const rows = await ChangeRow.findAll({
		where: { projectId, number: { [Op.gt]: number, [Op.lte]: last.at(-1)!.number } },
		order: [
			['number', 'ASC'],
			['documentId', 'ASC']
		]
	});
	const made: MadeChange[] = [];
	for (const row of rows) {
		const part = { document: row.documentId, version: row.version, fields: row.fields };
		const last = made.at(-1);
		if (last?.number === row.number) (last.parts as (typeof part)[]).push(part);
		else
			made.push({
				number: row.number,
				change: row.change,
				note: row.note,
				window: row.window,
				who: row.who,
				savedAt: row.savedAt.toISOString(),
				parts: [part]
			});
	}
	return made;
}
