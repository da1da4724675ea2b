import { describe, expect, it } from 'vitest';
import { newBob, newLag, newLean, newPreset, newRig, NO_LINKS } from 'dinesis-runtime/tools';
import { newCourse } from '../new-course';
import type { Rig, ShakePreset } from 'dinesis-runtime';
import { checkKit } from '../findings';
import type { Kit } from '../kit';

const rig: Rig = { ...newRig('eyes', 'Eyes'), bob: 'steps', lag: 'heavy' };
const box = { x: [0, 1] as const, y: null, z: null, area: null, soft: 0 };
const kit: Kit = {
	format: 'dinesis-kit',
	version: 1,
	name: 'k',
	cues: [],
	rigs: [rig],
	presets: [newBob('steps', 'Steps'), newLag('heavy', 'Heavy'), newPreset('thud', 'Thud')],
	courses: [{ ...newCourse('c', 'C'), rig: 'eyes' }],
	world: NO_LINKS,
	events: [],
	parameters: []
};
const goesOn = (id: string, view: 'space' | 'flat'): ShakePreset => {
	const base = newPreset(id, id);
	return { ...base, view, timing: { ...base.timing, mode: 'continuous' } };
};
const lets = { only: [], not: [], share: 0.5, channels: {} };
const places = (part: Partial<Kit>): string[] =>
	checkKit({ ...kit, ...part })
		.filter(({ place }) => !place.startsWith('courses[0].rig') || part.rigs?.length === 0)
		.map((f) => `${f.level} ${f.place}`);

const ordered = (order: Rig['order']): Rig => ({ ...rig, limits: box, order });

describe('rigs are checked', () => {
	it('a sound one has nothing to be found', () => expect(places({})).toEqual([]));

	it.each<[string, Partial<Kit>, string[]]>([
		['a bob that is gone', { rigs: [{ ...rig, bob: 'gone' }] }, ['error rigs[0].bob']],
		['a shake for a lag', { rigs: [{ ...rig, lag: 'thud' }] }, ['error rigs[0].lag']],
		[
			'own motion that is gone, that ends by itself, that is for the other view',
			{
				rigs: [
					{ ...rig, motion: ['gone', 'thud', 'px', 'hum'].map((preset) => ({ id: preset, preset, strength: 1 })) }
				],
				presets: [...kit.presets, goesOn('hum', 'space'), goesOn('px', 'flat')]
			},
			['error rigs[0].motion[0].preset', 'warning rigs[0].motion[1].preset', 'warning rigs[0].motion[2].preset']
		],
		['nothing let through', { rigs: [{ ...rig, lets: { ...lets, share: 0 } }] }, ['note rigs[0].lets']],
		['a tag that no shake has', { rigs: [{ ...rig, lets: { ...lets, not: ['wind'] } }] }, ['note rigs[0].lets.not[0]']],
		['a stage left out', { rigs: [{ ...rig, bypass: ['bob'] }] }, ['note rigs[0].bypass']],
		[
			'a lag that follows the shake',
			{ rigs: [{ ...rig, order: ['shakes', 'lag', 'limits', 'bob', 'lean', 'ceiling'] }] },
			['warning rigs[0].order[1]']
		],
		[
			'limits that clamp the shake, and may be left by the lag',
			{ rigs: [{ ...rig, bob: null, limits: box, order: ['bob', 'lean', 'shakes', 'limits', 'lag', 'ceiling'] }] },
			['warning rigs[0].order[4]', 'warning rigs[0].order[3]', 'note rigs[0].order[4]']
		],
		[
			'the same order without limits and lag',
			{ rigs: [{ ...rig, lag: null, order: ['bob', 'lean', 'shakes', 'limits', 'lag', 'ceiling'] }] },
			[]
		],
		[
			'a ceiling that the lean comes after, and one that bends the bob',
			{
				rigs: [
					{
						...rig,
						lean: newLean(),
						ceiling: { y: 0.01 },
						order: ['lag', 'limits', 'bob', 'shakes', 'ceiling', 'lean']
					}
				]
			},
			['warning rigs[0].order[4]', 'warning rigs[0].ceiling']
		],
		[
			'metres in a flat picture',
			{ rigs: [{ ...rig, view: { ...rig.view, kind: 'flat' } }] },
			['warning rigs[0].bob', 'warning rigs[0].lag']
		],
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

	it('an order that takes motion away is put right by the fix', () => {
		const wrong = ordered(['bob', 'lean', 'shakes', 'limits', 'lag', 'ceiling']);
		const [finding] = checkKit({ ...kit, rigs: [wrong] }).filter(({ level }) => level === 'warning');
		const fixed = finding!.fix!.apply(wrong) as Rig;
		expect(checkKit({ ...kit, rigs: [fixed] })).toEqual([]);
	});
});
