import { DataTypes } from 'sequelize';
import type { Step } from '../step';

export const name = '0005-rigs';

/** Rigs stand beside the cues; those that a kit brought before were carried along. */
export async function up(step: Step): Promise<void> {
	await step.addColumn('projects', 'rigs', { type: DataTypes.JSON, allowNull: false, defaultValue: [] });
	await step.run(`UPDATE projects SET rigs = carried->'rigs' WHERE json_typeof(carried->'rigs') = 'array'`);
}
