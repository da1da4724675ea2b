/** What has left the tool is known outside by its id. */
import { randomUUID } from 'node:crypto';
import type { Sequelize } from 'sequelize';
import { DocumentRow } from '../db/models';
import { makeChange } from './change';

/** All that is in use stops following its name. Nothing is changed where it does not follow it any more. */
export async function settleIds(sequelize: Sequelize, projectId: string, seen: number): Promise<void> {
	const rows = await DocumentRow.findAll({ where: { projectId, settled: false, retiredAt: null } });
	if (rows.length === 0) return;
	const parts = rows.map(({ id, version }) => ({
		document: id,
		on: version,
		fields: [{ path: ['settled'], to: true }]
	}));
	await makeChange(sequelize, projectId, { change: randomUUID(), note: '', window: '', who: '', seen, parts });
}
