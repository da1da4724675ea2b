/** Who has worked on a project, by the names that their changes bear. */
import { QueryTypes, type Sequelize } from 'sequelize';

export interface Worker {
	readonly who: string;
	readonly changes: number;
	readonly lastAt: string;
}

/** Behind a number of the project, the last who worked first; who bore no name is not told apart from others of that kind. */
export async function workersOf(sequelize: Sequelize, projectId: string, after = 0): Promise<Worker[]> {
	const rows = await sequelize.query<{ who: string; changes: number; last: Date }>(
		`SELECT who, count(DISTINCT number)::int AS changes, max(saved_at) AS last
		 FROM changes WHERE project_id = $1 AND number > $2 GROUP BY who ORDER BY last DESC, who LIMIT 200`,
		{ bind: [projectId, after], type: QueryTypes.SELECT }
	);
	return rows.map(({ who, changes, last }) => ({ who, changes, lastAt: last.toISOString() }));
}
