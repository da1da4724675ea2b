import { describe, expect, it } from 'vitest';
import { newBob, newCourse, newLag, newPreset } from '../kit/defaults';
import { NO_LINKS } from '../course/happenings';
import type { Rig } from '../chain/rig';
import { checkRigs } from './rig-findings';

const rig: Rig = { id: 'eyes', name: 'Eyes', about: '', bob: 'steps', lag: 'heavy', ceiling: null, bypass: [] };
const kit = {
	rigs: [rig],
	presets: [newBob('steps', 'Steps'), newLag('heavy', 'Heavy'), newPreset('thud', 'Thud')],
	courses: [{ ...newCourse('c', 'C'), rig: 'eyes' }],
	world: NO_LINKS,
	events: [],
	parameters: []
};
const places = (part: Partial<Parameters<typeof checkRigs>[0]>): string[] =>
	checkRigs({ ...kit, ...part }).map((f) => `${f.level} ${f.place}`);

describe('rigs are checked', () => {
	it('a sound one has nothing to be found', () => expect(places({})).toEqual([]));

	it.each<[string, Partial<Parameters<typeof checkRigs>[0]>, string[]]>([
		['a bob that is gone', { rigs: [{ ...rig, bob: 'gone' }] }, ['error rigs[0].bob']],
		['a shake for a lag', { rigs: [{ ...rig, lag: 'thud' }] }, ['error rigs[0].lag']],
		['a stage left out', { rigs: [{ ...rig, bypass: ['bob'] }] }, ['note rigs[0].bypass']],
		['a course without its rig', { rigs: [] }, ['error courses[0].rig']],
		[
			'links to what is not there',
			{
				world: {
					events: [{ from: 'landing', event: 'gone', numbers: {} }],
					values: [{ from: 'hold', parameter: 'gone' }]
				}
			},
			['error world.events[0].event', 'error world.values[0].parameter']
		],
		[
			'a bob that does nothing',
			{ presets: [...kit.presets, { ...newBob('no', 'No'), gaits: [] }] },
			['warning presets[3].gaits']
		],
		[
			'two gaits of one speed',
			{
				presets: [
					...kit.presets,
					{ ...newBob('two', 'Two'), gaits: [0, 1].map((i) => ({ ...newBob('x', 'X').gaits[0]!, id: `g${i}` })) }
				]
			},
			['error presets[3].gaits[1].speed']
		]
	])('%s', (_, part, expected) => expect(places(part)).toEqual(expected));
});
