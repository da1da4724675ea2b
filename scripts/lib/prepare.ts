/** Brings a database up to date and loads the demo once. */
import { addProject, readFact, writeFact } from '../../src/lib/server/repositories/projects';
import { connect, migrate } from '../../src/lib/server/db/connect';
import { needKit } from './kit-file';
import { DEMO_KIT } from './paths';

export async function prepareDatabase(
	url: string,
	options: { demo: boolean; say: (message: string) => void }
): Promise<void> {
	const sequelize = connect(url, { unhurried: true });
	try {
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
