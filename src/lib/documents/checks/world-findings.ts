/** What is usually wrong with the links to the stand-in game: they name what is not there, or begin what nothing ends. */
import type { WorldLinks } from 'dinesis-runtime/tools';
import type { Kit } from '../kit';
import type { ProjectFacts } from '../kinds/project';
import type { Finding } from './types';

export function checkWorld(
	{ events: links, values }: WorldLinks,
	{ events, parameters }: Pick<Kit, 'events' | 'parameters'>
): Finding<ProjectFacts>[] {
	const found: Finding<ProjectFacts>[] = [];
	const add = (place: string, sentence: string): void =>
		void found.push({ check: 'world', level: 'error', place, sentence });
	links.forEach((link, i) => {
		if (!events.some(({ id }) => id === link.event))
			add(`world.events[${i}].event`, `There is no event “${link.event}”, so “${link.from}” raises nothing.`);
	});
	values.forEach((link, i) => {
		if (!parameters.some(({ id }) => id === link.parameter))
			add(
				`world.values[${i}].parameter`,
				`There is no game value “${link.parameter}”, so “${link.from}” sets nothing.`
			);
	});
	return found;
}
