import { randomUUID } from 'node:crypto';
import type { Step } from '../step';

export const name = '0004-all-families';

interface Carrying {
	id: string;
	created_at: Date;
	presets: { id: string; family: string; name: string }[];
	place: number;
}

/** Bobs and lags stand beside the shakes: what a kit's were carried as before they could be played. */
export async function up(step: Step): Promise<void> {
	const carrying = await step.select<Carrying>(
		`SELECT id, created_at, carried->'presets' AS presets,
		        (SELECT coalesce(max(position) + 1, 0)::int FROM presets WHERE project_id = projects.id) AS place
		 FROM projects WHERE json_typeof(carried->'presets') = 'array'`
	);
	for (const project of carrying) {
		const taken = await step.select<{ key: string }>('SELECT key FROM presets WHERE project_id = $1', [project.id]);
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
		await step.insert('presets', rows);
	}
	await step.run(
		`INSERT INTO preset_versions (preset_id, version, document, note, saved_at)
		 SELECT id, version, document, 'as it came', saved_at FROM presets
		 WHERE NOT EXISTS (SELECT 1 FROM preset_versions WHERE preset_id = presets.id)`
	);
}
