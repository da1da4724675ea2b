import { describe, expect, it } from 'vitest';
import { wholeKit, writeKit } from '$lib/documents';
import { NO_LINKS } from 'dinesis-runtime/tools';
import { OWN_WORLD } from '$lib/handover';
import { openTargets, type Kept } from './targets';

const kit = writeKit(wholeKit('K', [], { events: [], parameters: [], cues: [], rigs: [], world: NO_LINKS }, []));
const kept = (name: string): Kept => ({
	name,
	made: '2026-01-01T00:00:00.000Z',
	as: {
		scope: 'all',
		chosen: [],
		target: 'kit',
		rig: '',
		wish: {
			of: { preset: 'x' },
			content: 'offset',
			fps: 60,
			seeds: [1],
			strength: 1,
			seconds: null,
			loop: null,
			keys: null,
			world: OWN_WORLD
		}
	},
	kit
});
/** A store with room for so many letters. */
function storeOf(room = Infinity) {
	const held = new Map<string, string>();
	return {
		held,
		getItem: (key: string) => held.get(key) ?? null,
		setItem: (key: string, text: string) => {
			if (text.length > room) throw new Error('full');
			held.set(key, text);
		}
	};
}
const names = (list: readonly Kept[]): string => list.map(({ name }) => name).join('');

describe('what was handed over', () => {
	it('is kept by project, the newest first, each name once, six at most', () => {
		const store = storeOf();
		const targets = openTargets('p', store);
		for (const name of 'abcdefga') targets.keep(kept(name));
		expect(names(targets.list())).toBe('agfedc');
		expect(names(openTargets('p', store).list())).toBe('agfedc');
		expect(openTargets('q', store).list()).toEqual([]);
		expect(names(targets.drop(targets.list()[1]!))).toBe('afedc');
	});

	it('where there is no room the older ones go; what cannot be read is begun anew', () => {
		const store = storeOf(JSON.stringify([kept('a'), kept('b')]).length);
		const targets = openTargets('p', store);
		for (const name of 'abc') targets.keep(kept(name));
		expect(names(openTargets('p', store).list())).toBe('cb');
		store.held.set('dinesis-handover p', '{"half":');
		expect(openTargets('p', store).list()).toEqual([]);
	});

	it('tells the kit that it was made of, as long as that can be read', () => {
		const targets = openTargets('p', storeOf());
		expect(targets.kitOf(kept('a'))?.name).toBe('K');
		expect(targets.kitOf({ ...kept('a'), kit: '{}' })).toBeNull();
	});
});
