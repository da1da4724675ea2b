/** What is usually wrong with rigs, bobs and the links to the stand-in game: they name what is not there. */
import { isBob, isLag, type Kit } from '../kit/types';
import type { Finding } from './types';

/** Everything found in a kit's rigs, in who is seen through them, and in its world links; places begin at the kit's root. */
export function checkRigs(
	kit: Pick<Kit, 'rigs' | 'presets' | 'courses' | 'world' | 'events' | 'parameters'>
): Finding[] {
	const found: Finding[] = [];
	const add = (level: Finding['level'], place: string, sentence: string): void =>
		void found.push({ check: 'rig', level, place, sentence });
	kit.rigs.forEach((rig, i) => {
		const bob = kit.presets.find((p) => p.id === rig.bob);
		const lag = kit.presets.find((p) => p.id === rig.lag);
		if (rig.bob !== null && !(bob && isBob(bob)))
			add('error', `rigs[${i}].bob`, `There is no head bob “${rig.bob}”; the rig goes without one.`);
		if (rig.lag !== null && !(lag && isLag(lag)))
			add('error', `rigs[${i}].lag`, `There is no camera lag “${rig.lag}”; the view goes along at once.`);
		if (rig.bypass.length > 0)
			add(
				'note',
				`rigs[${i}].bypass`,
				`${rig.bypass.join(', ')} ${rig.bypass.length === 1 ? 'is' : 'are'} left out of “${rig.name}”.`
			);
	});
	kit.courses.forEach((course, i) => {
		if (course.rig !== null && !kit.rigs.some((rig) => rig.id === course.rig))
			add('error', `courses[${i}].rig`, `There is no rig “${course.rig}”; the course is seen without one.`);
	});
	kit.world.events.forEach((link, i) => {
		if (!kit.events.some((event) => event.id === link.event))
			add('error', `world.events[${i}].event`, `There is no event “${link.event}”, so “${link.from}” raises nothing.`);
	});
	kit.world.values.forEach((link, i) => {
		if (!kit.parameters.some((p) => p.id === link.parameter))
			add(
				'error',
				`world.values[${i}].parameter`,
				`There is no game value “${link.parameter}”, so “${link.from}” sets nothing.`
			);
	});
	kit.presets.forEach((preset, i) => {
		if (!isBob(preset)) return;
		if (preset.gaits.length === 0 && preset.idle === null && preset.landing === null)
			add(
				'warning',
				`presets[${i}].gaits`,
				`“${preset.name}” has no gait, no landing and no breathing: it does nothing.`
			);
		for (let g = 1; g < preset.gaits.length; g++)
			if (preset.gaits.slice(0, g).some((gait) => gait.speed === preset.gaits[g]!.speed))
				add(
					'error',
					`presets[${i}].gaits[${g}].speed`,
					'Two gaits are made for the same speed; the later one is never heard.'
				);
	});
	return found;
}
