import { describe, expect, it } from 'vitest';
import { newCue, newPreset, newRig, NO_LINKS } from 'dinesis-runtime/tools';
import { wholeKit, type Kit } from '../documents';
import { kitDifference, sayKitDifference } from './kit-difference';
import { drawIn, everythingIn, partOf, standingOf, taggedIn } from './part';

const hit = { id: 'hit', name: 'Hit', kind: 'moment' as const, placed: false, tags: ['blow'], values: [] };
const kit: Kit = wholeKit(
	'K',
	[
		{
			...newPreset('thud', 'Thud'),
			tags: ['blow'],
			drives: [{ parameter: 'cold', to: 'amount', curve: [{ at: 0, value: 1 }] }]
		},
		newPreset('hum', 'Hum'),
		newPreset('alone', 'Alone')
	],
	{
		events: [hit, { ...hit, id: 'other', name: 'Other', tags: [] }],
		parameters: [{ id: 'cold', name: 'Cold', min: 0, max: 1, rest: 0 }],
		cues: [newCue('c', 'hit', 'thud'), newCue('d', 'other', 'hum')],
		rigs: [{ ...newRig('eyes', 'Eyes'), motion: [{ id: 'm', preset: 'hum', strength: 1 }] }],
		world: {
			...NO_LINKS,
			events: [
				{ from: 'landing', event: 'hit', numbers: {} },
				{ from: 'jump', event: 'other', numbers: {} }
			]
		}
	},
	[]
);
const ids = (part: Kit): string[] =>
	[...part.events, ...part.parameters, ...part.presets, ...part.cues, ...part.rigs].map(({ id }) => id);

describe('a part of a kit', () => {
	it('draws in what it needs, and what that needs, and nothing else', () => {
		const drawn = drawIn(kit, [{ kind: 'cue', id: 'c' }]);
		const part = partOf(kit, drawn);
		expect(ids(part)).toEqual(['hit', 'cold', 'thud', 'c']);
		expect(part.world.events.map((link) => link.from)).toEqual(['landing']);
		expect([
			standingOf(drawn, 'cue', 'c'),
			standingOf(drawn, 'shake', 'thud'),
			standingOf(drawn, 'rig', 'eyes')
		]).toEqual(['chosen', 'needed', null]);
		expect(ids(partOf(kit, drawIn(kit, [{ kind: 'rig', id: 'eyes' }])))).toEqual(['hum', 'eyes']);
		expect(ids(partOf(kit, drawIn(kit, [{ kind: 'cue', id: 'not there' }])))).toEqual([]);
	});

	it('of everything is the kit itself', () => {
		expect(partOf(kit, drawIn(kit, everythingIn(kit)))).toEqual(kit);
	});

	it('by a tag: presets and events that have it, and the cues between', () => {
		expect(ids(partOf(kit, drawIn(kit, taggedIn(kit, ['blow']))))).toEqual(['hit', 'cold', 'thud', 'c']);
	});
});

describe('from one kit to another', () => {
	it('what is the same is not told', () => expect(kitDifference(kit, structuredClone(kit))).toEqual([]));

	it('new, gone and changed, field by field with both values', () => {
		const later: Kit = {
			...kit,
			presets: [
				{ ...kit.presets[0]!, amount: 2 } as Kit['presets'][number],
				kit.presets[1]!,
				newPreset('fresh', 'Fresh')
			],
			rigs: []
		};
		const list = kitDifference(kit, later);
		expect(list.map(({ standing, kind, id }) => `${standing} ${kind} ${id}`)).toEqual([
			'changed shake thud',
			'new shake fresh',
			'gone shake alone',
			'gone rig eyes'
		]);
		expect(sayKitDifference(list).slice(0, 2)).toEqual([
			'changed: shake thud (Thud)',
			'    amount 1 → 2 ×'.replace(' ×', '')
		]);
		expect([list[0]!.was, list[1]!.was, list[2]!.is]).toEqual([kit.presets[0], null, null]);
	});
});
