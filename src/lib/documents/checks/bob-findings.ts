/** What is usually wrong with head bobs. */
import type { BobPreset } from 'dinesis-runtime';
import type { Finding } from './types';

export function checkBob(bob: BobPreset): Finding<BobPreset>[] {
	const { gaits, idle, landing, name } = bob;
	const found: Finding<BobPreset>[] = [];
	if (gaits.length === 0 && idle === null && landing === null)
		found.push({
			check: 'bob',
			level: 'warning',
			place: 'gaits',
			sentence: `“${name}” has no gait, no landing and no breathing: it does nothing.`
		});
	for (let g = 1; g < gaits.length; g++)
		if (gaits.slice(0, g).some((gait) => gait.speed === gaits[g]!.speed))
			found.push({
				check: 'bob',
				level: 'error',
				place: `gaits[${g}].speed`,
				sentence: 'Two gaits are made for the same speed; the later one is never heard.'
			});
	return found;
}
