import { DataTypes, type QueryInterface } from 'sequelize';

export const name = '0005-rigs';

/** Rigs stand beside the cues; those that a kit brought before were carried along. */
export async function up(queries: QueryInterface): Promise<void> {
	await queries.addColumn('projects', 'rigs', { type: DataTypes.JSON, allowNull: false, defaultValue: [] });
	await queries.sequelize.query(
		`UPDATE projects SET rigs = carried->'rigs' WHERE json_typeof(carried->'rigs') = 'array'`
	);
}
