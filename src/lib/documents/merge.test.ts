import { describe, expect, it } from 'vitest';
import { newBob, newPreset, KIT_FORMAT } from 'dinesis-runtime/tools';
import { arrivals } from './merge';
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
