import { DataTypes } from 'sequelize';
import type { Step } from '../step';

export const name = '0009-marks';

/** Names and stars that somebody gave to a moment of the project's history. */
export async function up(step: Step): Promise<void> {
	const needed = { allowNull: false };
	await step.createTable('marks', {
		project_id: {
			type: DataTypes.UUID,
			primaryKey: true,
			references: { model: 'projects', key: 'id' },
			onDelete: 'CASCADE'
		},
		number: { type: DataTypes.INTEGER, primaryKey: true },
		name: { type: DataTypes.TEXT, ...needed },
		starred: { type: DataTypes.BOOLEAN, ...needed },
		who: { type: DataTypes.TEXT, ...needed },
		saved_at: { type: DataTypes.DATE, ...needed }
	});
}
