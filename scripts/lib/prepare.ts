/** Brings a database up to date, with a backup of what it holds before that, and loads the demo once. */
import { addProject, readFact, writeFact } from '../../src/lib/server/repositories/projects';
import { connect, migrate, pendingMigrations } from '../../src/lib/server/db/connect';
import { backUp } from './archive';
import { needKit } from './kit-file';
import { DEMO_KIT } from './paths';

export interface PrepareOptions {
	readonly demo: boolean;
	readonly say: (message: string) => void;
	/** Backs up what is there before it is brought up to date. */
	readonly backUp?: boolean;
}

export async function prepareDatabase(url: string, options: PrepareOptions): Promise<void> {
	const sequelize = connect(url, { unhurried: true });
	try {
		const { pending, holdsData } = await pendingMigrations(sequelize);
		if (options.backUp && holdsData && pending.length > 0)
			options.say(`what is kept was backed up first: ${await backUp(url, `before-${pending[0]}`)}`);
		const steps = await migrate(sequelize);
		if (steps.length > 0) options.say(`database brought up to date (${steps.join(', ')})`);
		if (options.demo && (await readFact(sequelize, 'demo')) === null) {
			const project = await addProject(sequelize, needKit(DEMO_KIT));
			await writeFact(sequelize, 'demo', project.slug);
			options.say('demo project "Lamp at Morrowskerry" loaded');
		}
	} finally {
		await sequelize.close();
	}
}
