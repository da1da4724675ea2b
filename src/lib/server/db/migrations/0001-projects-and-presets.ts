import { DataTypes } from 'sequelize';
import type { Step } from '../step';

export const name = '0001-projects-and-presets';

/** Documents are JSON, not JSONB: the order of their fields is the user's and comes back as it was. */
export async function up(step: Step): Promise<void> {
	const uuid = { type: DataTypes.UUID, primaryKey: true };
	const needed = { allowNull: false };
	await step.createTable('projects', {
		id: uuid,
		slug: { type: DataTypes.TEXT, ...needed, unique: true },
		name: { type: DataTypes.TEXT, ...needed },
		events: { type: DataTypes.JSON, ...needed },
		parameters: { type: DataTypes.JSON, ...needed },
		carried: { type: DataTypes.JSON, ...needed },
		created_at: { type: DataTypes.DATE, ...needed }
	});
	await step.createTable('presets', {
		id: uuid,
		project_id: { type: DataTypes.UUID, ...needed, references: { model: 'projects', key: 'id' }, onDelete: 'CASCADE' },
		key: { type: DataTypes.TEXT, ...needed },
		family: { type: DataTypes.TEXT, ...needed },
		name: { type: DataTypes.TEXT, ...needed },
		version: { type: DataTypes.INTEGER, ...needed },
		document: { type: DataTypes.JSON, ...needed },
		position: { type: DataTypes.INTEGER, ...needed },
		retired_at: DataTypes.DATE,
		saved_at: { type: DataTypes.DATE, ...needed }
	});
	await step.addUnique('presets', { fields: ['project_id', 'key'], name: 'presets_key' });
	await step.createTable('preset_versions', {
		preset_id: {
			type: DataTypes.UUID,
			primaryKey: true,
			references: { model: 'presets', key: 'id' },
			onDelete: 'CASCADE'
		},
		version: { type: DataTypes.INTEGER, primaryKey: true },
		document: { type: DataTypes.JSON, ...needed },
		note: { type: DataTypes.TEXT, ...needed, defaultValue: '' },
		saved_at: { type: DataTypes.DATE, ...needed }
	});
	await step.createTable('facts', {
		name: { type: DataTypes.TEXT, primaryKey: true },
		value: { type: DataTypes.TEXT, ...needed }
	});
}
