import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { Director, type Decision } from '../frame/director';
import { newCue, newPlay, newPreset } from '../kit/fresh';
import type { ShakePreset } from '../shake/types';
import { CueEngine } from './engine';
import type { BuildUp, Cue, CueConditions, GameEvent, Miss, Order, Picks, PlayAction } from './types';

const hit: GameEvent = {
	id: 'hit',
	name: 'Hit',
	kind: 'moment',
	placed: true,
	tags: ['blow'],
	mayCarry: ['enemy', 'friend'],
	values: [{ id: 'speed', unit: 'm/s', min: 0, max: 10 }]
};
const cueOf = (play: Partial<PlayAction>, conditions: Partial<CueConditions> = {}): Cue => {
	const fresh = newCue('c', 'hit', 'a');
	return { ...fresh, conditions: { ...fresh.conditions, ...conditions }, actions: [{ ...newPlay('a'), ...play }] };
};

/** What an engine hands out when the event comes at these times. */
function plays(cue: Cue, times: readonly number[], seed = 1): (Order & { kind: 'play' })[] {
	const engine = new CueEngine([hit], [cue], { seed });
	const list: Order[] = [];
	for (const at of times) {
		engine.raise({ event: 'hit', phase: 'happens' }, at);
		engine.advanceTo(at, (order) => list.push(order));
	}
	return list as (Order & { kind: 'play' })[];
}
const picked = (picks: Picks | undefined, weights: readonly number[], count: number, seed = 1): string => {
	const pick = weights.map((weight, i) => ({ preset: 'abcdef'[i]!, weight }));
	const every = Array.from({ length: count }, (_, i) => i);
	return plays(cueOf(picks ? { pick, picks } : { pick }), every, seed)
		.map(({ preset }) => preset)
		.join('');
};

describe('how one of several is picked', () => {
	it('in turn: in their order, again and again; one with a weight of 0 is passed over', () => {
		expect(picked('in-turn', [1, 5, 1], 7)).toBe('abcabca');
		expect(picked('in-turn', [1, 0, 1], 5)).toBe('acaca');
		expect(picked('in-turn', [0, 0], 3)).toBe('');
	});

	it('without a repeat never twice running, whatever the weights; said or left out it is the same', () => {
		fc.assert(
			fc.property(
				fc.array(fc.integer({ min: 1, max: 9 }), { minLength: 2, maxLength: 6 }),
				fc.nat(1e6),
				(weights, seed) => {
					const row = picked('no-repeat', weights, 30, seed);
					expect(/(.)\1/.test(row)).toBe(false);
					expect(picked(undefined, weights, 30, seed)).toBe(row);
				}
			),
			{ numRuns: 50 }
		);
	});

	it('any: by weight alone, so that repeats come as often as chance has them', () => {
		const row = picked('any', [3, 1], 4000);
		const share = [...row].filter((letter) => letter === 'a').length / row.length;
		expect(Math.abs(share - 0.75)).toBeLessThan(0.03);
		// Independent draws repeat in 0.75² + 0.25² of all cases.
		const repeats = [...row].filter((letter, i) => i > 0 && letter === row[i - 1]).length / (row.length - 1);
		expect(Math.abs(repeats - 0.625)).toBeLessThan(0.03);
	});
});

describe('building up and coming down', () => {
	const strengths = (buildUp: BuildUp, times: readonly number[]): number[] =>
		plays(cueOf({ buildUp }), times).map(({ strength }) => Number(strength.toFixed(6)));

	it('within the window each repetition adds; after it, with no way down, it begins anew', () => {
		expect(strengths({ by: 0.5, most: 2, coolDown: 1 }, [0, 1, 2, 3, 4.5])).toEqual([1, 1.5, 2, 2, 1]);
	});

	it('after the window it comes down, with one more, as fast as from the most to 1', () => {
		const buildUp = { by: 0.5, most: 3, coolDown: 1, downOver: 4 };
		// From 3, two above 1, down over 4 s: half a step is gone with each second past the window.
		expect(strengths(buildUp, [0, 1, 2, 3, 4, 6])).toEqual([1, 1.5, 2, 2.5, 3, 2.5]);
		expect(strengths(buildUp, [0, 1, 2, 3, 4, 7])).toEqual([1, 1.5, 2, 2.5, 3, 2]);
		expect(strengths(buildUp, [0, 1, 2, 3, 4, 9])).toEqual([1, 1.5, 2, 2.5, 3, 1]);
		expect(strengths(buildUp, [0, 1, 3])).toEqual([1, 1.5, 1.5]);
	});

	it('what is felt never jumps at either end of the way down', () => {
		const buildUp = { by: 0.3, most: 4, coolDown: 1, downOver: 3 };
		const at = (late: number): number => strengths(buildUp, [0, 1, 2, 3, 4 + late]).at(-1)!;
		expect(at(1e-6)).toBeCloseTo(at(0), 4);
		expect(at(3 - 1e-6)).toBeCloseTo(at(3), 4);
	});
});

describe('what did not happen says why', () => {
	const missed = (cue: Cue, times: readonly number[], values = {}, tags?: readonly string[]): Miss[] => {
		const engine = new CueEngine([hit], [cue], { readValue: (id) => (id === 'fear' ? 0.2 : undefined) });
		const list: Miss[] = [];
		engine.onMiss = (miss) => list.push(miss);
		for (const at of times) {
			engine.raise({ event: 'hit', phase: 'happens', values, tags }, at);
			engine.advanceTo(at, () => undefined);
		}
		return list;
	};

	it.each<[string, Partial<CueConditions>, string, string, number]>([
		['not that kind of thing', { tags: ['enemy'] }, 'not-tagged', 'enemy', NaN],
		['too slow', { values: [{ of: 'speed', from: 5, to: null }] }, 'value', 'speed', 3],
		['not carried at all', { values: [{ of: 'mass', from: 5, to: null }] }, 'value', 'mass', NaN],
		['a game value', { parameters: [{ of: 'fear', from: 0.5, to: null }] }, 'parameter', 'fear', 0.2],
		['chance', { chance: 0 }, 'chance', '', 0]
	])('%s', (_, conditions, why, of, is) => {
		expect(missed(cueOf({}, conditions), [1], { speed: 3 })).toEqual([{ at: 1, cue: 'c', event: 'hit', why, of, is }]);
	});

	it('cooling down says for how long still; only once says so', () => {
		expect(missed(cueOf({}, { coolDown: 2 }), [1, 1.5]).map(({ why, is }) => [why, is])).toEqual([
			['cooling-down', 1.5]
		]);
		expect(missed(cueOf({}, { once: true }), [1, 9]).map(({ at, why }) => [at, why])).toEqual([[9, 'spent']]);
		expect(missed(cueOf({ pick: [{ preset: 'a', weight: 0 }] }), [1]).map(({ why }) => why)).toEqual([
			'nothing-to-pick'
		]);
	});

	it('a tag that the thing carries lets it through, beside those of the event', () => {
		expect(missed(cueOf({}, { tags: ['enemy', 'blow'] }), [1], {}, ['blow', 'enemy'])).toEqual([]);
	});
});

describe('what became of a play', () => {
	const near = { full: 2, edge: 10, falloff: 'linear' as const, listener: 'camera' as const, travelSpeed: null };
	const presets: ShakePreset[] = [
		{ ...newPreset('a', 'A'), reach: near },
		{ ...newPreset('flat', 'Flat'), view: 'flat' },
		{ ...newPreset('once', 'Once'), overlap: { rule: 'ignore', limit: 1 } },
		{ ...newPreset('loud', 'Loud'), priority: 5, duck: 0.2, duckTime: 0 }
	];
	function decided(cue: Cue, places: readonly (readonly [number, number, number] | undefined)[], first?: string) {
		const director = new Director({ events: [hit], parameters: [], presets, cues: [cue] }, { viewers: ['one'] });
		const list: Decision[] = [];
		director.explain((decision) => list.push(decision));
		director.viewers[0]!.player.view = 'space';
		if (first) director.viewers[0]!.player.fire(first);
		director.advance(0.01);
		for (const place of places) {
			director.raise({ event: 'hit', phase: 'happens', place });
			director.advance(0.1);
		}
		return list.map((d) => (d.kind === 'played' ? [d.outcome, Number(d.felt.toFixed(3))] : [d.why]));
	}
	const of = (preset: string, part: Partial<PlayAction> = {}): Cue => cueOf({ pick: [{ preset, weight: 1 }], ...part });

	it('is felt in full, in part, or not at all with the distance', () => {
		expect(
			decided(of('a'), [
				[0, 0, -1],
				[0, 0, -6],
				[0, 0, -12]
			])
		).toEqual([
			['started', 1],
			['started', 0.5],
			['out-of-reach', 0]
		]);
	});

	it('another view, too weak, ignored while it plays, ducked by a higher priority, no such preset', () => {
		expect(decided(of('flat'), [undefined])).toEqual([['other-view', 1]]);
		expect(decided(of('a', { strength: 0.005 }), [undefined])).toEqual([['too-weak', 1]]);
		expect(decided(of('once'), [undefined, undefined])).toEqual([
			['started', 1],
			['ignored', 1]
		]);
		expect(decided(of('a'), [[0, 0, -1]], 'loud')).toEqual([['ducked', 0.2]]);
		expect(decided(of('nobody'), [undefined])).toEqual([['unknown', 1]]);
	});

	it('goes on being told after the wiring was changed, and not by a fork', () => {
		const director = new Director({ events: [hit], parameters: [], presets, cues: [of('a')] });
		let heard = 0;
		director.explain(() => heard++);
		director.rewire({ events: [hit], parameters: [], cues: [cueOf({}, { tags: ['enemy'] })] });
		director.raise({ event: 'hit', phase: 'happens' });
		director.advance(0.1);
		expect(heard).toBe(1);
		const fork = director.fork();
		fork.raise({ event: 'hit', phase: 'happens' });
		fork.advance(0.1);
		expect(heard).toBe(1);
		director.explain(null);
		director.raise({ event: 'hit', phase: 'happens' });
		director.advance(0.1);
		expect(heard).toBe(1);
	});
});
