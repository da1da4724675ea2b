import { describe, expect, it } from 'vitest';
import type { Cue, GameEvent } from 'dinesis-runtime';
import { newCue, newPreset } from 'dinesis-runtime/tools';
import { comparedWith, creation, type AnyDocument, type Coming, type Held, type KindName } from '$lib/documents';
import { apartOf, comingWith, kitThen, linesOf, pairsOfKit, pairsOfVersion, type Parted } from './against';
import { playsHere, roomPlaying } from './beside';
import { rigKey, WIRING } from './opened';

const thud = newPreset('thud', 'Thud');
const slam = newPreset('slam', 'Slam');
const hit: GameEvent = { id: 'hit', name: 'Hit', kind: 'moment', placed: false, tags: [], values: [] };
const held = (kind: KindName, document: AnyDocument, retired = false): Held => ({
	...(creation(kind, document, 'a1').to as Held),
	retired,
	uuid: `u-${document.id}`,
	version: 1,
	savedAt: ''
});
const longer = { ...thud, timing: { ...thud.timing, duration: 9 } };
const compared = (coming: readonly Coming[], here: readonly Held[]) => {
	const arrivals = comparedWith(coming, here);
	const pairs = pairsOfKit(arrivals, here);
	return { arrivals, pairs, apart: Object.fromEntries(pairs.map((pair) => [pair.id, apartOf(pair)])) };
};

describe('a kit held against the project', () => {
	it('tells what is changed, only there and only here; what is the same stands together', () => {
		const { apart } = compared(
			[
				{ kind: 'shake', document: longer },
				{ kind: 'shake', document: newPreset('fresh', 'Fresh') },
				{ kind: 'event', document: hit }
			],
			[held('shake', thud), held('shake', slam), held('event', hit)]
		);
		expect(apart).toEqual({ thud: 'changed', fresh: 'there', hit: null, slam: 'here' });
	});

	it('what is out of use here is only there; where it is in neither, there is nothing to say', () => {
		const { apart, pairs } = compared(
			[{ kind: 'shake', document: thud }],
			[held('shake', thud, true), held('shake', slam, true)]
		);
		expect(apart).toEqual({ thud: 'there' });
		expect(pairs[0]!.held!.uuid).toBe('u-thud');
	});

	it('a kit that says nothing of the settings does not take them away', () => {
		const facts = {
			id: 'project',
			world: { events: [], values: [] },
			settings: {},
			carried: {}
		} as unknown as AnyDocument;
		expect(compared([], [held('project', facts)]).pairs).toEqual([]);
	});

	it('fields are told from there to here', () => {
		const { pairs } = compared([{ kind: 'shake', document: longer }], [held('shake', thud)]);
		const lines = linesOf({ ...pairs[0]!, apart: 'changed' });
		expect(lines.map(({ was, is, unit }) => [was, is, unit])).toEqual([['9', String(thud.timing.duration), 's']]);
	});

	it('one that is only there brings what it points at and is not here, and nothing else', () => {
		const here = [held('event', hit)];
		const { arrivals, pairs } = compared(
			[
				{ kind: 'shake', document: thud },
				{ kind: 'shake', document: slam },
				{ kind: 'event', document: hit },
				{ kind: 'cue', document: newCue('c', 'hit', 'thud') as Cue }
			],
			here
		);
		const cue = pairs.find(({ id }) => id === 'c')!;
		expect(comingWith(cue, arrivals, here).map(({ arrival }) => arrival.document.id)).toEqual(['c', 'thud']);
	});
});

it('the project as it was: made since is only here, retired since only there', () => {
	const was = held('shake', longer);
	const pairs = pairsOfVersion([
		{ now: held('shake', thud), was },
		{ now: held('shake', slam), was: null },
		{ now: { ...held('event', hit), retired: true }, was: held('event', hit) }
	]);
	expect(pairs.map(apartOf)).toEqual(['changed', 'here', 'there']);
	expect(linesOf({ ...pairs[1]!, apart: 'here' } as Parted)).toEqual([]);
});

it('each kind is played by its own room, and what sets motion off by a rig’s', () => {
	const wish = (kind: KindName, id: string) => ({ kind, was: { id } as AnyDocument, from: 'a kit' });
	expect(playsHere(wish('shake', 'thud'), 'thud')).toBe(true);
	expect(playsHere(wish('shake', 'thud'), 'slam')).toBe(false);
	expect(playsHere(wish('rig', 'eyes'), rigKey('eyes'))).toBe(true);
	expect(playsHere(wish('rig', 'eyes'), rigKey('other'))).toBe(false);
	for (const of of [rigKey('eyes'), WIRING]) expect(playsHere(wish('cue', 'c'), of)).toBe(true);
	expect(playsHere(wish('cue', 'c'), 'thud')).toBe(false);
	expect(roomPlaying('bob', 'walk')).toEqual({ room: 'bench', document: 'walk' });
	expect(roomPlaying('event', 'hit')).toEqual({ room: 'rig', document: '' });
	expect(roomPlaying('course', 'walk')).toBe(null);
});

describe('the project as it was', () => {
	const then = (now: Held, was: Held | null) => ({ now, was });
	it('is made of what stands here and of what was otherwise then: changed, gone since, not made yet', () => {
		const [kept, changed, gone, fresh] = [
			held('shake', thud),
			held('shake', slam),
			held('event', hit, true),
			held('shake', newPreset('fresh', 'Fresh'))
		] as const;
		const was = { ...changed, ...(creation('shake', { ...slam, name: 'As it was' }, 'a0').to as Held) };
		const kit = kitThen(
			'Quay',
			[kept, changed, gone, fresh],
			[then(changed, was), then(gone, { ...gone, retired: false }), then(fresh, null)]
		);
		// In the order of then.
		expect(kit.presets.map(({ id }) => id)).toEqual(['slam', 'thud']);
		expect(kit.presets[0]!.name).toBe('As it was');
		expect(kit.events.map(({ id }) => id)).toEqual(['hit']);
	});

	it('what was renamed since goes by the id that it had', () => {
		const now = held('shake', thud);
		const was = { ...now, id: 'thump' };
		expect(kitThen('Quay', [now], [then(now, was)]).presets.map(({ id }) => id)).toEqual(['thump']);
	});
});
