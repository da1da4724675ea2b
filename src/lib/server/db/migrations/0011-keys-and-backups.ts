import { DataTypes } from 'sequelize';
import type { Step } from '../step';

export const name = '0011-keys-and-backups';

/** A key for each project, by which a game that runs elsewhere reads it; and copies of a project that somebody wanted kept. */
export async function up(step: Step): Promise<void> {
	const needed = { allowNull: false };
	await step.addColumn('projects', 'share_key', { type: DataTypes.TEXT, allowNull: false, defaultValue: '' });
	await step.createTable('backups', {
		id: { type: DataTypes.UUID, primaryKey: true },
		project_id: {
			type: DataTypes.UUID,
			...needed,
			references: { model: 'projects', key: 'id' },
			onDelete: 'CASCADE'
		},
		number: { type: DataTypes.INTEGER, ...needed },
		name: { type: DataTypes.TEXT, ...needed },
		who: { type: DataTypes.TEXT, ...needed },
		bytes: { type: DataTypes.INTEGER, ...needed },
		kit: { type: DataTypes.TEXT, ...needed },
		saved_at: { type: DataTypes.DATE, ...needed }
	});
	await step.run('CREATE INDEX IF NOT EXISTS backups_of_project ON backups (project_id, saved_at)');
}
