import { describe, expect, it } from 'vitest';
import { newBob, newCue, newPreset, newRig, KIT_FORMAT } from 'dinesis-runtime/tools';
import { arrivals, differences, wiringBeside } from './merge';
import { type Kit } from './kit';

const kit = (presets: Kit['presets']): Kit => ({
	format: KIT_FORMAT,
	version: 1,
	name: 'K',
	events: [],
	parameters: [],
	cues: [],
	rigs: [],
	courses: [],
	world: { events: [], values: [] },
	presets
});

describe('what a kit brings', () => {
	it('is new, the same to the letter whatever the order of its fields, or differs', () => {
		const here = newPreset('a', 'A');
		const { name, ...rest } = here;
		const reordered = { ...rest, name };
		const list = arrivals(
			kit([reordered, { ...newPreset('b', 'B'), amount: 2 }, newPreset('c', 'C'), newBob('d', 'D')]),
			(id) => (id === 'a' ? here : id === 'b' ? newPreset('b', 'B') : undefined)
		);
		expect(list.map((a) => [a.preset.id, a.standing])).toEqual([
			['a', 'same'],
			['b', 'differs'],
			['c', 'new'],
			['d', 'new']
		]);
	});
});

describe('mine beside what somebody else kept', () => {
	const nothing = { events: [], parameters: [], cues: [], rigs: [], world: { events: [], values: [] } };
	const [c, d] = [newCue('c', 'e', 'thud'), newCue('d', 'e', 'thud')];

	it('what only mine has comes along, what differs as a copy, what is alike once', () => {
		const mine = {
			...nothing,
			cues: [{ ...c, once: 1 } as never, d],
			rigs: [newRig('eyes', 'Eyes'), newRig('x', 'X')]
		};
		const theirs = { ...nothing, cues: [c], rigs: [{ ...newRig('eyes', 'Eyes'), name: 'Sight' }] };
		const both = wiringBeside(mine, theirs);
		expect(both.cues.map((cue) => [cue.id, cue.on])).toEqual([
			['c', true],
			['c-mine', false],
			['d', true]
		]);
		expect(both.rigs.map((rig) => [rig.id, rig.name])).toEqual([
			['eyes', 'Sight'],
			['eyes-mine', 'Eyes, mine'],
			['x', 'X']
		]);
		expect(wiringBeside(theirs, theirs)).toEqual(theirs);
	});

	it('a copy takes a free id', () => {
		const mine = { ...nothing, cues: [{ ...c, on: false }] };
		const both = wiringBeside(mine, { ...nothing, cues: [c, { ...d, id: 'c-mine' }] });
		expect(both.cues.map((cue) => cue.id)).toEqual(['c', 'c-mine', 'c-mine-2']);
	});
});

describe('where two documents differ', () => {
	it('is told by place, entries of lists by their ids', () => {
		const one = {
			amount: 1,
			layers: [
				{ id: 'a', amount: 1 },
				{ id: 'b', amount: 1 }
			],
			tags: ['x']
		};
		const two = {
			amount: 2,
			layers: [
				{ id: 'b', amount: 3 },
				{ id: 'a', amount: 1 }
			],
			tags: ['x', 'y']
		};
		expect(differences(one, two)).toEqual([
			{ place: 'amount', mine: 1, theirs: 2 },
			{ place: 'layers › b › amount', mine: 1, theirs: 3 },
			{ place: 'tags', mine: ['x'], theirs: ['x', 'y'] }
		]);
		expect(differences(one, one)).toEqual([]);
	});

	it('an entry that only one has, and another order, are differences too', () => {
		const [a, b] = [{ id: 'a' }, { id: 'b' }];
		expect(differences({ l: [a, b] }, { l: [a] })).toEqual([{ place: 'l › b', mine: b, theirs: undefined }]);
		expect(differences({ l: [a, b] }, { l: [b, a] })).toMatchObject([{ place: 'l › order' }]);
	});
});
