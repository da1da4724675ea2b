/** Who has a project open, and where: windows say so now and then, and one that is silent for a while is gone. */
import { QueryTypes, type Sequelize } from 'sequelize';
import { CHANNEL } from './change';

export interface Here {
	readonly window: string;
	/** A person is a browser with a name. */
	readonly browser: string;
	readonly who: string;
	/** The key of the document that it shows; empty: none. */
	readonly document: string;
}

/** Seconds after which a silent window is gone. */
const GONE_S = 30;

const tell = async (sequelize: Sequelize, projectId: string): Promise<void> => {
	await sequelize.query('SELECT pg_notify($1, $2)', { bind: [CHANNEL, `${projectId} here`] });
};

/** Those that are there now. */
export const whoIsHere = (sequelize: Sequelize, projectId: string, now = new Date()): Promise<Here[]> =>
	sequelize.query<Here>(
		`SELECT "window", browser, who, document FROM presence
		 WHERE project_id = $1 AND seen_at > $2 ORDER BY who, "window"`,
		{ bind: [projectId, new Date(now.getTime() - GONE_S * 1000)], type: QueryTypes.SELECT }
	);

/** A window is there, and looks at something. Everybody is told when that is news. */
export async function noteHere(sequelize: Sequelize, projectId: string, here: Here, now = new Date()): Promise<void> {
	const { window, browser, who, document } = here;
	const before = await whoIsHere(sequelize, projectId, now);
	await sequelize.query('DELETE FROM presence WHERE seen_at < $1', {
		bind: [new Date(now.getTime() - 10 * GONE_S * 1000)]
	});
	await sequelize.query(
		`INSERT INTO presence ("window", project_id, browser, who, document, seen_at) VALUES ($1, $2, $3, $4, $5, $6)
		 ON CONFLICT ("window") DO UPDATE SET project_id = $2, browser = $3, who = $4, document = $5, seen_at = $6`,
		{ bind: [window, projectId, browser, who, document, now] }
	);
	const known = before.find((other) => other.window === window);
	if (!known || known.who !== who || known.document !== document) await tell(sequelize, projectId);
}

/** A window has gone. */
export async function noteGone(sequelize: Sequelize, projectId: string, window: string): Promise<void> {
	await sequelize.query('DELETE FROM presence WHERE "window" = $1 AND project_id = $2', { bind: [window, projectId] });
	await tell(sequelize, projectId);
}
