import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { newCue, newPlay, newPreset } from '../kit/fresh';
import type { GameEvent, Cue, CueConditions, Occurrence, Order, PlayAction } from './types';
import type { GameParameter } from '../drives/types';
import type { Kit } from '../kit/types';
import type { ShakePreset } from '../shake/types';
import { Director } from '../frame/director';
import { CueEngine, MOST_CHAINED } from './engine';

const event = (id: string, part: Partial<GameEvent> = {}): GameEvent => ({
	id,
	name: id,
	kind: 'moment',
	placed: false,
	tags: [],
	values: [],
	...part
});
const hit = event('hit', { values: [{ id: 'speed', unit: 'm/s', min: 0, max: 10 }], tags: ['blow'] });
const run = event('run', { kind: 'state' });
const events = [hit, run, event('echo')];
const when = (part: Partial<CueConditions>): Partial<Cue> => ({
	conditions: { ...newCue('x', 'hit', 'a').conditions, ...part }
});
const cue = (part: Partial<Cue> = {}, play: Partial<PlayAction> = {}): Cue => ({
	...newCue('c', 'hit', 'a'),
	actions: [{ ...newPlay('a'), ...play }],
	...part
});
const happens = (part: Partial<Occurrence> = {}): Occurrence => ({ event: 'hit', phase: 'happens', ...part });

/** Raises events at their times and lists what was handed out. */
function orders(
	cues: readonly Cue[],
	raised: readonly (readonly [number, Occurrence])[],
	until = 10,
	readValue?: (id: string) => number | undefined,
	seed = 1
): { list: Order[]; engine: CueEngine } {
	const engine = new CueEngine(events, cues, { seed, readValue });
	const list: Order[] = [];
	for (const [at, occurrence] of raised) {
		engine.advanceTo(at, (order) => list.push(order));
		engine.raise(occurrence);
	}
	engine.advanceTo(until, (order) => list.push(order));
	return { list, engine };
}
const said = (list: readonly Order[]): unknown[] =>
	list.map((o) => [
		o.kind,
		o.at,
		o.kind === 'play' ? o.preset : o.kind === 'stop' ? o.what : o.kind === 'camera' ? o.rig : o.parameter
	]);

describe('a cue', () => {
	it('plays when its event happens, after its delay; another event, or one that is off, does nothing', () => {
		const { list } = orders(
			[cue({}, { delay: 0.5 }), cue({ id: 'off', on: false }), cue({ id: 'gone', event: 'nowhere' })],
			[
				[1, happens()],
				[2, happens({ event: 'echo' })]
			]
		);
		expect(said(list)).toEqual([['play', 1.5, 'a']]);
	});

	it.each<[string, Partial<Cue>, Partial<Occurrence>, boolean]>([
		['a tag it carries', when({ tags: ['oil'] }), { tags: ['oil', 'wet'] }, true],
		['a tag of its kind', when({ tags: ['blow'] }), {}, true],
		['a tag it lacks', when({ tags: ['oil'] }), { tags: ['wet'] }, false],
		['enough', when({ values: [{ of: 'speed', from: 2, to: null }] }), { values: { speed: 2 } }, true],
		['too little', when({ values: [{ of: 'speed', from: 2, to: null }] }), { values: { speed: 1.9 } }, false],
		['too much', when({ values: [{ of: 'speed', from: null, to: 5 }] }), { values: { speed: 5.1 } }, false],
		['a number it does not carry', when({ values: [{ of: 'speed', from: 0, to: null }] }), {}, false],
		['a game value', when({ parameters: [{ of: 'cold', from: 0.5, to: 1 }] }), {}, true],
		['a game value elsewhere', when({ parameters: [{ of: 'cold', from: 0.8, to: 1 }] }), {}, false],
		['never', when({ chance: 0 }), {}, false]
	])('answers or not: %s', (_, part, occurrence, answers) => {
		const { list } = orders([cue(part)], [[0, happens(occurrence)]], 1, (id) => (id === 'cold' ? 0.6 : undefined));
		expect(list).toHaveLength(answers ? 1 : 0);
	});

	it('not again within its cool-down; only once, until it is armed again', () => {
		const three: [number, Occurrence][] = [
			[0, happens()],
			[0.1, happens()],
			[0.2, happens()]
		];
		expect(said(orders([cue(when({ coolDown: 0.2 }))], three).list)).toEqual([
			['play', 0, 'a'],
			['play', 0.2, 'a']
		]);
		const { list, engine } = orders([cue(when({ once: true }))], three);
		expect(list).toHaveLength(1);
		engine.rearm('c');
		engine.raise(happens());
		engine.advanceTo(20, (order) => list.push(order));
		expect(list).toHaveLength(2);
	});

	it('its chance holds over many', () => {
		const raised = Array.from({ length: 4000 }, (_, i): [number, Occurrence] => [i / 100, happens()]);
		const { list } = orders([cue(when({ chance: 0.6 }))], raised, 100);
		// Three standard deviations of 4000 tosses at 0.6 are 93.
		expect(Math.abs(list.length - 2400)).toBeLessThan(93);
	});

	it('picks by weight and never the same twice running', () => {
		const pick = [
			{ preset: 'a', weight: 1 },
			{ preset: 'b', weight: 1 },
			{ preset: 'c', weight: 4 },
			{ preset: 'd', weight: 0 }
		];
		const raised = Array.from({ length: 3000 }, (_, i): [number, Occurrence] => [i / 100, happens()]);
		const names = orders([cue({}, { pick })], raised, 100).list.map((o) => (o.kind === 'play' ? o.preset : ''));
		expect(names.every((name, i) => i === 0 || name !== names[i - 1])).toBe(true);
		expect(names).not.toContain('d');
		// After c comes a or b; after a, c four times in five. So c takes 4/9 of all: x = (1 − x)·4/5.
		expect(names.filter((n) => n === 'c').length / 3000).toBeCloseTo(4 / 9, 1);
	});

	it('strength by a number the event carries, over its range', () => {
		const strength = {
			by: 'speed',
			curve: [
				{ at: 0, value: 0.2, in: 1.3, out: 1.3 },
				{ at: 1, value: 1.5, in: 1.3, out: 1.3 }
			]
		};
		const of = (speed: number | undefined): number => {
			const [order] = orders(
				[cue({}, { strength })],
				[[0, happens(speed === undefined ? {} : { values: { speed } })]]
			).list;
			return (order as Order & { kind: 'play' }).strength;
		};
		expect(of(5)).toBeCloseTo(0.85, 12);
		expect(of(900)).toBeCloseTo(1.5, 12);
		expect(of(undefined)).toBeCloseTo(0.2, 12);
	});

	it('builds up over repetitions and cools down', () => {
		const buildUp = { by: 0.5, most: 2, coolDown: 1 };
		const strengths = orders(
			[cue({}, { buildUp })],
			[0, 0.5, 1.5, 2, 3.1].map((at): [number, Occurrence] => [at, happens()])
		).list.map((o) => (o.kind === 'play' ? o.strength : 0));
		expect(strengths).toEqual([1, 1.5, 2, 2, 1]);
	});

	it('stops, sets and raises, in the order of cues and of actions; what is due at once keeps that order', () => {
		const list = orders(
			[
				cue({
					actions: [
						{ id: '15', kind: 'stop', what: { tag: 'ladder' }, cut: false, delay: 0.1 },
						newPlay('a'),
						{ id: '16', kind: 'set', parameter: 'cold', to: 1, delay: 0.1 },
						{ id: '17', kind: 'raise', event: 'echo', delay: 0.1 }
					]
				}),
				cue({ id: 'second' }),
				cue({ id: 'echoes', event: 'echo' }, { pick: [{ preset: 'b', weight: 1 }] })
			],
			[[1, happens()]]
		).list;
		expect(said(list)).toEqual([
			['play', 1, 'a'],
			['play', 1, 'a'],
			['stop', 1.1, { tag: 'ladder' }],
			['set', 1.1, 'cold'],
			['play', 1.1, 'b']
		]);
	});

	it('a chain that raises itself is cut, and that is told', () => {
		const loop = cue({
			id: 'loop',
			event: 'echo',
			actions: [newPlay('a'), { id: '18', kind: 'raise', event: 'echo', delay: 0 }]
		});
		const { list, engine } = orders([loop], [[0, happens({ event: 'echo' })]]);
		expect(list).toHaveLength(MOST_CHAINED + 1);
		expect(engine.cutChains.get('loop')).toBe(1);
	});
});

describe('a state', () => {
	const lasts = cue({ event: 'run', when: 'lasts' }, { delay: 0.5 });
	const state = (phase: 'starts' | 'ends', key?: string): Occurrence => ({ event: 'run', phase, key });

	it('begins what lasts and lets it go; what was still to come is not begun', () => {
		expect(
			said(
				orders(
					[lasts],
					[
						[1, state('starts')],
						[3, state('ends')],
						[5, state('starts')],
						[5.2, state('ends')]
					]
				).list
			)
		).toEqual([
			['play', 1.5, 'a'],
			['stop', 3, 'held'],
			['stop', 5.2, 'held']
		]);
	});

	it('begun twice begins once; an end without a start is told; keys tell two of a kind apart', () => {
		const { list, engine } = orders(
			[cue({ event: 'run', when: 'starts' }), cue({ id: 'e', event: 'run', when: 'ends' })],
			[
				[0, state('starts', 'left')],
				[1, state('starts', 'left')],
				[2, state('starts', 'right')],
				[3, state('ends', 'middle')],
				[4, state('ends', 'left')]
			]
		);
		expect(list.map((o) => [o.cue, o.at])).toEqual([
			['c', 0],
			['c', 2],
			['e', 4]
		]);
		expect(engine.looseEnds.get('run')).toBe(1);
	});
});

const none = { time: 0, ease: 'linear' } as const;
const preset = (id: string, part: Partial<ShakePreset> = {}, mode: 'burst' | 'continuous' = 'burst'): ShakePreset => {
	const base = newPreset(id, id);
	return {
		...base,
		timing: { ...base.timing, mode, duration: 1, fadeIn: none, fadeOut: { time: 0.5, ease: 'linear' } },
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
const cold: GameParameter = { id: 'cold', name: 'Cold', min: 0, max: 1, rest: 0 };
const kit = (cues: readonly Cue[], presets = [preset('a'), preset('b', {}, 'continuous')]): Kit => ({
	format: 'dinesis-kit',
	version: 1,
	name: 'k',
	events,
	parameters: [cold],
	presets,
	cues,
	rigs: [],
	world: { events: [], values: [] }
});

describe('the director', () => {
	it('plays as of the moment it was due, whatever the frame rate', () => {
		for (const fps of [30, 144]) {
			const director = new Director(kit([cue({}, { delay: 0.105, strength: 0.5 })]));
			director.raise(happens());
			for (let i = 1; i <= fps * 0.9; i++) director.advanceTo(i / fps);
			const { player } = director.viewers[0]!;
			expect(player.plays[0]!.trigger).toBeCloseTo(0.105, 12);
			// Fades over its last half second: at 0.9 s its age is 0.795.
			expect(player.advanceTo(0.9)[0]).toBeCloseTo(0.5 * (1 - (0.795 - 0.5) / 0.5), 9);
		}
	});

	it('lets what lasts go with its fade, and only what this cue began for this key', () => {
		const director = new Director(kit([cue({ event: 'run', when: 'lasts' }, { pick: [{ preset: 'b', weight: 1 }] })]));
		director.raise({ event: 'run', phase: 'starts', key: '1' });
		director.raise({ event: 'run', phase: 'starts', key: '2' });
		director.advanceTo(1);
		const { player } = director.viewers[0]!;
		expect(player.offset[0]).toBeCloseTo(2, 12);
		director.raise({ event: 'run', phase: 'ends', key: '1' });
		director.advanceTo(1.25);
		// Let go as of the moment that it ended, a step ago.
		expect(player.offset[0]).toBeCloseTo(1.5, 12);
		director.advanceTo(9);
		expect(player.plays).toHaveLength(1);
	});

	it('gives each viewer a mix of their own: the one it happened to, those in reach, everybody', () => {
		const reach = { full: 2, edge: 4, falloff: 'linear' as const, listener: 'camera' as const, travelSpeed: null };
		const felt = (feltBy: Cue['feltBy']): number[] => {
			const director = new Director(kit([cue({ feltBy })], [preset('a', { reach })]), { viewers: ['ann', 'ben'] });
			director.viewers[1]!.player.setRest(0, 0, 100, 0, 0, 0, 1);
			director.raise(happens({ who: 'ann', place: [0, 0, -3] }));
			director.advanceTo(0.1);
			director.advanceTo(0.2);
			return director.viewers.map((v) => v.player.offset[0]!);
		};
		expect(felt('one')).toEqual([0.5, 0]);
		expect(felt('reach')).toEqual([0.5, 0]);
		expect(felt('everyone')).toEqual([1, 1]);
	});

	it('goes on with changed cues: what plays goes on, and a state that is on can still end', () => {
		const lasts = cue({ event: 'run', when: 'lasts' }, { pick: [{ preset: 'b', weight: 1 }] });
		const director = new Director(kit([lasts]));
		director.raise({ event: 'run', phase: 'starts' });
		director.advanceTo(1);
		director.rewire(kit([{ ...lasts, conditions: { ...lasts.conditions, coolDown: 3 } }]));
		director.advanceTo(2);
		expect(director.viewers[0]!.player.offset[0]).toBe(1);
		director.raise({ event: 'run', phase: 'ends' });
		director.advanceTo(3);
		expect(director.viewers[0]!.player.offset[0]).toBe(0);
		expect(director.engine.looseEnds.size).toBe(0);
	});

	it('goes on in the middle: what is due comes, and what a cue remembers stays', () => {
		const once = cue({ ...when({ once: true }) }, { delay: 0.5 });
		const director = new Director(kit([once]));
		director.raise(happens());
		director.advanceTo(0.2);
		director.rewire(kit([{ ...once, feltBy: 'one' }]));
		director.raise(happens());
		director.advanceTo(1);
		expect(director.viewers[0]!.player.plays.map((p) => p.trigger)).toEqual([0.5]);
	});

	it.each<[string, (lasts: Cue) => Cue[]]>([
		['taken out', () => []],
		['switched off', (lasts) => [{ ...lasts, on: false }]],
		['moved to another event', (lasts) => [{ ...lasts, event: 'hit', when: 'happens' }]]
	])('a cue that is %s while its state is on lets go of what it began', (_, change) => {
		const lasts = cue({ event: 'run', when: 'lasts' }, { pick: [{ preset: 'b', weight: 1 }] });
		const director = new Director(kit([lasts]));
		director.raise({ event: 'run', phase: 'starts', key: 'k' });
		director.advanceTo(1);
		director.rewire(kit(change(lasts)));
		director.advanceTo(1.1);
		director.advanceTo(2);
		expect(director.viewers[0]!.player.plays).toHaveLength(0);
	});

	it('takes in new game values and lets go of presets that are not in use any more', () => {
		const director = new Director(kit([cue({}, { pick: [{ preset: 'b', weight: 1 }] })]));
		const { player } = director.viewers[0]!;
		director.set('cold', 0.7);
		const fear: GameParameter = { id: 'fear', name: 'Fear', min: 0, max: 1, rest: 0.3 };
		director.rewire({ ...kit([]), parameters: [{ ...cold, max: 0.5 }, fear], cues: [cue()] });
		expect([player.values.get('cold'), player.values.get('fear')]).toEqual([0.5, 0.3]);
		director.raise(happens());
		director.advanceTo(0.1);
		expect(player.plays.map((p) => p.presetId)).toEqual(['a']);
		director.usePresets([preset('b', {}, 'continuous'), preset('c')]);
		director.raise(happens());
		director.advanceTo(3);
		expect(player.plays).toHaveLength(0);
		director.rewire(kit([cue({}, { pick: [{ preset: 'c', weight: 1 }] })]));
		director.raise(happens());
		director.advanceTo(3.1);
		expect(player.plays.map((p) => p.presetId)).toEqual(['c']);
	});

	it('sets game values, which conditions and drives read', () => {
		const director = new Director(
			kit([
				cue({ actions: [{ id: '19', kind: 'set', parameter: 'cold', to: 0.9, delay: 0 }] }),
				cue({ id: 'icy', event: 'echo', ...when({ parameters: [{ of: 'cold', from: 0.5, to: null }] }) })
			])
		);
		director.raise(happens({ event: 'echo' }));
		director.advanceTo(1);
		expect(director.viewers[0]!.player.plays).toHaveLength(0);
		director.raise(happens());
		director.advanceTo(2);
		director.raise(happens({ event: 'echo' }));
		director.advanceTo(3);
		expect(director.viewers[0]!.player.playsFired).toBe(1);
	});

	it('whatever happens: no play without a cause, and no motion left once every state has ended', () => {
		const cues = [
			cue({}, { strength: 0.7 }),
			cue({ id: 'l', event: 'run', when: 'lasts' }, { pick: [{ preset: 'b', weight: 1 }], delay: 0.2 }),
			cue({ id: 's', event: 'echo', actions: [{ id: '20', kind: 'stop', what: 'all', cut: false, delay: 0.1 }] })
		];
		const step = fc.record({
			dt: fc.double({ min: 0.001, max: 0.7, noNaN: true }),
			what: fc.constantFrom<Occurrence | null>(
				happens(),
				{ event: 'run', phase: 'starts', key: 'a' },
				{ event: 'run', phase: 'ends', key: 'a' },
				{ event: 'run', phase: 'starts', key: 'b' },
				{ event: 'run', phase: 'ends', key: 'b' },
				{ event: 'echo', phase: 'happens' },
				null
			)
		});
		fc.assert(
			fc.property(fc.array(step, { maxLength: 30 }), (steps) => {
				const director = new Director(kit(cues));
				const { player } = director.viewers[0]!;
				let time = 0;
				let causes = 0;
				for (const { dt, what } of steps) {
					if (what) {
						director.raise(what);
						if (what.phase !== 'ends' && what.event !== 'echo') causes++;
					}
					director.advanceTo((time += dt));
					expect(player.playsFired).toBeLessThanOrEqual(causes);
				}
				for (const key of ['a', 'b']) director.raise({ event: 'run', phase: 'ends', key });
				for (let i = 0; i < 40; i++) director.advanceTo((time += 0.1));
				expect(player.plays).toHaveLength(0);
				expect([...player.offset]).toEqual([0, 0, 0, 0, 0, 0, 0]);
			}),
			{ numRuns: 300 }
		);
	});
});
