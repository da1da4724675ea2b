import { DataTypes } from 'sequelize';
import type { Step } from '../step';

export const name = '0008-presence';

/** Which windows have a project open, and what they look at: for a moment, and of no worth when it is gone. */
export async function up(step: Step): Promise<void> {
	const needed = { allowNull: false };
	await step.createTable('presence', {
		window: { type: DataTypes.TEXT, primaryKey: true },
		project_id: {
			type: DataTypes.UUID,
			...needed,
			references: { model: 'projects', key: 'id' },
			onDelete: 'CASCADE'
		},
		browser: { type: DataTypes.TEXT, ...needed },
		who: { type: DataTypes.TEXT, ...needed },
		document: { type: DataTypes.TEXT, ...needed },
		seen_at: { type: DataTypes.DATE, ...needed }
	});
}
