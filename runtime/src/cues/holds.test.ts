import { describe, expect, it } from 'vitest';
import { newCue, newPlay, newPreset } from '../kit/fresh';
import type { GameEvent, Cue, PlayAction } from './types';
import type { ShakePreset } from '../shake/types';
import { Director } from '../frame/director';

const linear = (time: number) => ({ time, ease: 'linear' }) as const;
const event = (id: string, kind: GameEvent['kind'], placed = false): GameEvent => ({
	id,
	name: id,
	kind,
	placed,
	tags: [],
	values: []
});
const events = [event('hit', 'moment', true), event('door', 'state'), event('end', 'moment')];
const preset = (id: string, part: Partial<ShakePreset> = {}, continuous = true): ShakePreset => {
	const base = newPreset(id, id);
	const mode = continuous ? 'continuous' : 'burst';
	return {
		...base,
		timing: { ...base.timing, mode, duration: 1, fadeIn: linear(0), fadeOut: linear(0.5) },
		overlap: { rule: 'restart', limit: 8 },
		layers: [
			{
				...base.layers[0]!,
				pattern: { kind: 'wave', shape: 'square' },
				channels: { x: { amplitude: 1, frequency: 0, start: 'zero' } }
			}
		],
		...part
	};
};
const cue = (part: Partial<Cue>, ...actions: Cue['actions']): Cue => ({ ...newCue('c', 'hit', 'a'), ...part, actions });
const play = (id: string, part: Partial<PlayAction> = {}): PlayAction => ({ ...newPlay('a', id), ...part });
const make = (cues: readonly Cue[], presets = [preset('a')], viewers: readonly string[] = ['one']): Director =>
	new Director({ events, parameters: [], presets, cues }, { viewers });
const x = (director: Director, time: number, viewer = 0): number => {
	director.advanceTo(time);
	return director.viewers[viewer]!.player.offset[0]!;
};
const door = (phase: 'starts' | 'ends', key: string) => ({ event: 'door', phase, key }) as const;

describe('what plays is held by each start that asked for it', () => {
	const lasts = cue({ event: 'door', when: 'lasts' }, play('1'));

	it('of two states that asked for one play, it goes on until both have ended', () => {
		const director = make([lasts]);
		director.raise(door('starts', 'left'));
		director.advanceTo(1);
		director.raise(door('starts', 'right'));
		director.advanceTo(2);
		director.raise(door('ends', 'left'));
		expect([x(director, 2.1), x(director, 3)]).toEqual([1, 1]);
		director.raise(door('ends', 'right'));
		expect(x(director, 3.25)).toBeCloseTo(0.5, 9);
		expect(x(director, 3.6)).toBe(0);
	});

	it('an ignored start holds it too', () => {
		const director = make([lasts], [preset('a', { overlap: { rule: 'ignore', limit: 8 } })]);
		for (const key of ['left', 'right']) director.raise(door('starts', key));
		director.advanceTo(1);
		director.raise(door('ends', 'left'));
		expect(x(director, 2)).toBe(1);
	});

	it('“stop what it began” means all keys, and what earlier firings still have waiting', () => {
		const stack = preset('a', { overlap: { rule: 'stack', limit: 8 } });
		const director = make(
			[
				cue({ event: 'hit' }, play('1', { fromPlace: false }), play('2', { delay: 2, fromPlace: false })),
				cue({ id: 'e', event: 'end' }, { id: '1', kind: 'raise', event: 'hit', delay: 0 }),
				cue({ id: 'other', event: 'hit' }, play('1', { delay: 0.5, strength: 0.25, fromPlace: false }))
			],
			[stack]
		);
		// The same cue once more, with its own stop after its own play.
		const stops = cue(
			{ event: 'hit' },
			{ id: '3', kind: 'stop', what: 'own', cut: false, delay: 0.2 },
			play('2', { delay: 1 })
		);
		director.raise({ event: 'hit', phase: 'happens', key: 'one' });
		director.raise({ event: 'hit', phase: 'happens', key: 'two' });
		expect(x(director, 0.1)).toBe(2);
		director.rewire({ events, parameters: [], cues: [stops] });
		director.raise({ event: 'hit', phase: 'happens', key: 'three' });
		// At 0.3 everything that the cue began goes; of its plays only the last firing's own comes at 1.1; `other` is not its own.
		expect(x(director, 0.25)).toBe(2);
		expect(x(director, 0.9)).toBeCloseTo(0.5, 9);
		expect(x(director, 1.2)).toBeCloseTo(1.5, 9);
		expect(x(director, 2.5)).toBeCloseTo(1.5, 9);
	});
});

describe('what an action remembers is its own', () => {
	const order = (cues: readonly Cue[], times: number): string[][] => {
		const director = make(
			cues,
			['a', 'p1', 'p2', 'p3'].map((id) => preset(id, {}, false))
		);
		const lists: string[][] = [];
		for (let i = 1; i <= times; i++) {
			director.raise({ event: 'hit', phase: 'happens' });
			director.advanceTo(i * 5);
			lists.push(director.done.flatMap((o) => (o.kind === 'play' ? [o.preset] : [])));
		}
		return lists;
	};
	const one = (id: string, ...presets: string[]): PlayAction =>
		play(id, { pick: presets.map((preset) => ({ preset, weight: 1 })) });

	it('a pick beside another action: each of its presets comes, none twice running', () => {
		const two = order([cue({}, play('1'), one('2', 'p1', 'p2'))], 40).map((list) => list[1]!);
		expect(new Set(two)).toEqual(new Set(['p1', 'p2']));
		const three = order([cue({}, play('1'), one('2', 'p1', 'p2', 'p3'))], 200).map((list) => list[1]!);
		for (const id of ['p1', 'p2', 'p3']) expect(three.filter((p) => p === id).length).toBeGreaterThan(45);
		expect(three.every((p, i) => i === 0 || p !== three[i - 1])).toBe(true);
	});

	it('chance comes from the id, or from the one that it was once: moved or renamed, the picks stay', () => {
		const [first, second] = [one('1', 'p1', 'p2', 'p3'), one('2', 'p1', 'p2', 'p3')];
		const picks = order([cue({}, first, second)], 30);
		const moved = order([cue({}, second, first)], 30);
		expect(moved.map(([b, a]) => [a, b])).toEqual(picks);
		const renamed = order([cue({ id: 'd', seededBy: 'c' }, { ...first, id: 'boom', seededBy: '1' }, second)], 30);
		expect(renamed).toEqual(picks);
		expect(order([cue({}, { ...first, id: 'boom' }, second)], 30)).not.toEqual(picks);
	});

	it('builds up by itself, and starts over what still runs: felt up to the most, and not past it', () => {
		const buildUp = { by: 0.5, most: 2, coolDown: 10 };
		const stack = preset('a', { overlap: { rule: 'stack', limit: 8 } });
		const director = make([cue({}, play('1', { strength: 0 }), play('2', { buildUp }))], [stack]);
		const felt: number[] = [];
		for (let i = 0; i < 5; i++) {
			director.raise({ event: 'hit', phase: 'happens' });
			felt.push(x(director, i + 0.5));
		}
		expect(felt).toEqual([1, 1.5, 2, 2, 2]);
	});

	it('is copied deep by a fork', () => {
		const director = make(
			[cue({}, one('1', 'p1', 'p2', 'p3'))],
			['p1', 'p2', 'p3'].map((id) => preset(id, {}, false))
		);
		const picks = (which: Director, from: number): string[] =>
			Array.from({ length: 12 }, (_, i) => {
				which.raise({ event: 'hit', phase: 'happens' });
				which.advanceTo(from + i + 1);
				return (which.done[0] as { preset: string }).preset;
			});
		picks(director, 0);
		const fork = director.fork();
		const ahead = picks(fork, 12);
		expect(picks(director, 12)).toEqual(ahead);
	});
});

describe('what happens', () => {
	it('with a state means its start', () => {
		const director = make([cue({ event: 'door', when: 'happens' }, play('1'))], [preset('a', {}, false)]);
		director.raise(door('starts', 'a'));
		expect(x(director, 0.1)).toBe(1);
		director.raise(door('ends', 'a'));
		director.advanceTo(5);
		expect(director.done).toEqual([]);
	});

	it('to somebody without a place is at that body: the other one feels it over the distance', () => {
		const reach = { full: 1, edge: 11, falloff: 'linear', listener: 'body', travelSpeed: null } as const;
		const director = make([cue({}, play('1'))], [preset('a', { reach })], ['one', 'two']);
		director.viewers[0]!.player.setBody(0, 0, 0);
		director.viewers[1]!.player.setBody(6, 0, 0);
		director.raise({ event: 'hit', phase: 'happens', who: 'two' });
		expect([x(director, 0.1, 1), x(director, 0.1, 0)]).toEqual([1, 0.5]);
	});

	it('between two frames is answered at its moment, in order', () => {
		const director = make(
			[cue({}, play('1'))],
			[preset('a', { timing: { ...preset('a').timing, fadeIn: linear(1) } })]
		);
		director.advanceTo(3);
		director.raise({ event: 'hit', phase: 'happens' }, 3.25);
		expect(x(director, 3.5)).toBeCloseTo(0.25, 12);
	});

	it('is the same at every frame rate, also when one comes in the frame in which the one before ends', () => {
		const rows = [30, 60, 120].map((fps) => {
			const director = make([cue({}, play('1'))], [preset('a', {}, false)]);
			const seen: number[] = [];
			for (let i = 1; i <= 3 * fps; i++) {
				// 1 s long; the second one comes 4 ms before the first one is over.
				if (i === 1) director.raise({ event: 'hit', phase: 'happens' }, 0);
				if (i === fps) director.raise({ event: 'hit', phase: 'happens' }, 0.996);
				director.advanceTo(i / fps);
				if (i % (fps / 30) === 0)
					seen.push(director.viewers[0]!.player.offset[0]!, director.viewers[0]!.player.playsFired);
			}
			return seen;
		});
		rows[0]!.forEach((v, i) => {
			expect(rows[1]![i]).toBeCloseTo(v, 12);
			expect(rows[2]![i]).toBeCloseTo(v, 12);
		});
		expect(rows[0]!.at(-1)).toBe(1);
	});
});
