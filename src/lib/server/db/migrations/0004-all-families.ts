import { randomUUID } from 'node:crypto';
import { QueryTypes, type QueryInterface } from 'sequelize';

export const name = '0004-all-families';

interface Carrying {
	id: string;
	created_at: Date;
	presets: { id: string; family: string; name: string }[];
	place: number;
}

/** Bobs and lags stand beside the shakes: what a kit's were carried as before they could be played. */
export async function up(queries: QueryInterface): Promise<void> {
	const carrying = await queries.sequelize.query<Carrying>(
		`SELECT id, created_at, carried->'presets' AS presets,
		        (SELECT coalesce(max(position) + 1, 0)::int FROM presets WHERE project_id = projects.id) AS place
		 FROM projects WHERE json_typeof(carried->'presets') = 'array'`,
		{ type: QueryTypes.SELECT }
	);
	for (const project of carrying) {
		const taken = await queries.sequelize.query<{ key: string }>('SELECT key FROM presets WHERE project_id = $1', {
			bind: [project.id],
			type: QueryTypes.SELECT
		});
		const known = new Set(taken.map((row) => row.key));
		const rows = project.presets
			.filter((preset) => !known.has(preset.id))
			.map((preset, i) => ({
				id: randomUUID(),
				project_id: project.id,
				key: preset.id,
				family: preset.family,
				name: preset.name,
				version: 1,
				document: JSON.stringify(preset),
				position: project.place + i,
				saved_at: project.created_at
			}));
		if (rows.length === 0) continue;
		await queries.bulkInsert('presets', rows);
		await queries.bulkInsert(
			'preset_versions',
			rows.map(({ id, document, saved_at }) => ({ preset_id: id, version: 1, document, note: 'as it came', saved_at }))
		);
	}
}
