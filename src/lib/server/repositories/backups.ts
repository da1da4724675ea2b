/** Copies of whole projects that somebody wanted kept: made, listed, read again. */
import { Op, type Sequelize } from 'sequelize';
import { writeKit } from '../../documents';
import { BackupRow } from '../db/models';
import { readWholeKit, type Project } from './projects';

/** So many are kept of a project; the oldest makes room. */
export const MOST_BACKUPS = 100;

export interface Backup {
	readonly id: string;
	/** Of the project's last change in it. */
	readonly number: number;
	readonly name: string;
	readonly who: string;
	readonly bytes: number;
	readonly savedAt: string;
}

const plain = ({ id, number, name, who, bytes, savedAt }: BackupRow): Backup => ({
	id,
	number,
	name,
	who,
	bytes,
	savedAt: savedAt.toISOString()
});

/** The newest first. */
export async function listBackups(projectId: string): Promise<Backup[]> {
	const rows = await BackupRow.findAll({
		where: { projectId },
		attributes: { exclude: ['kit'] },
		order: [
			['savedAt', 'DESC'],
			['number', 'DESC']
		]
	});
	return rows.map(plain);
}

/** Copies everything of a project that is in use. */
export async function makeBackup(
	sequelize: Sequelize,
	project: Pick<Project, 'id' | 'number'>,
	{ name, who }: Pick<Backup, 'name' | 'who'>,
	now = new Date()
): Promise<Backup | null> {
	const kit = await readWholeKit(sequelize, project.id);
	if (!kit) return null;
	const text = writeKit(kit);
	const row = await BackupRow.create({
		projectId: project.id,
		number: project.number,
		name,
		who,
		bytes: Buffer.byteLength(text),
		kit: text,
		savedAt: now
	});
	const tooMany = (await listBackups(project.id)).slice(MOST_BACKUPS);
	if (tooMany.length > 0) await BackupRow.destroy({ where: { id: { [Op.in]: tooMany.map(({ id }) => id) } } });
	return plain(row);
}

/** The kit file of one; null when the project has none of that name. */
export async function readBackup(projectId: string, id: string): Promise<{ backup: Backup; kit: string } | null> {
	const row = await BackupRow.findOne({ where: { projectId, id } });
	return row && { backup: plain(row), kit: row.kit };
}
