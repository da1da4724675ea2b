import { DataTypes } from 'sequelize';
import type { Step } from '../step';

export const name = '0002-wiring';

/** Cues get a place of their own, and events, game values and cues together a version that saves count up. */
export async function up(step: Step): Promise<void> {
	const needed = { allowNull: false };
	await step.addColumn('projects', 'cues', { type: DataTypes.JSON, ...needed, defaultValue: [] });
	await step.addColumn('projects', 'wiring_version', { type: DataTypes.INTEGER, ...needed, defaultValue: 1 });
	// What a kit's cues were carried as before there was a room for them.
	await step.run(`UPDATE projects SET cues = carried->'cues' WHERE json_typeof(carried->'cues') = 'array'`);
	await step.createTable('wiring_versions', {
		project_id: {
			type: DataTypes.UUID,
			primaryKey: true,
			references: { model: 'projects', key: 'id' },
			onDelete: 'CASCADE'
		},
		version: { type: DataTypes.INTEGER, primaryKey: true },
		document: { type: DataTypes.JSON, ...needed },
		note: { type: DataTypes.TEXT, ...needed, defaultValue: '' },
		saved_at: { type: DataTypes.DATE, ...needed }
	});
}
