/** The inputs of the golden vectors of shakes: each pattern and its numbers, gains, what is played again, places and drives. */
import { EASE_NAMES } from '../src/math/ease';
import type { Act, Inputs, Vector } from './play';

export type Case = Pick<Vector, 'name' | 'kit' | 'inputs' | 'every'>;
/** By file. */
export type Cases = Readonly<Record<string, readonly Case[]>>;

export const noise = { kind: 'noise' };
export const layer = (pattern: object, channels: object, part: object = {}): object => ({
	id: 'l',
	pattern,
	channels,
	...part
});
const xy = { x: { amplitude: 0.1, frequency: 3 }, roll: { amplitude: 2, frequency: 5 } };
export const shake = (part: object = {}, timing: object = {}): object => ({
	id: 'a',
	family: 'shake',
	name: 'A',
	timing: { mode: 'burst', duration: 1, fadeIn: { time: 0.1 }, fadeOut: { time: 0.4 }, ...timing },
	layers: [layer(noise, xy)],
	...part
});
const fires = (...acts: Act[]): Inputs => ({ kind: 'shake', seed: 7, fps: 60, seconds: 3, acts });
export const once: Act = { at: 0, fire: 'a' };
export const plays = (name: string, part: object, timing: object = {}, acts: readonly Act[] = [once]): Case => ({
	name,
	kit: { presets: [shake(part, timing)] },
	inputs: fires(...acts),
	every: 15
});
const with_ = (name: string, pattern: object, channels: object = xy, part: object = {}): Case =>
	plays(name, { layers: [layer(pattern, channels, part)] });
export const continuous = { mode: 'continuous' };

/** Each pattern with its fields, where a channel begins, and what layers do. */
export const patterns: readonly Case[] = [
	with_('noise: one octave', noise),
	with_('noise: six octaves, lacunarity 3, persistence 0.6', { ...noise, octaves: 6, lacunarity: 3, persistence: 0.6 }),
	with_('noise from its zero', noise, { x: { amplitude: 1, frequency: 4, start: 'zero' } }),
	...['sine', 'triangle', 'square', 'sawtooth'].map((shape) => with_(`wave: ${shape}`, { kind: 'wave', shape })),
	with_('a set phase; a negative amplitude', { kind: 'wave' }, { x: { amplitude: -1, frequency: 2, start: 0.3 } }),
	...['hold', 'straight', 'eased', 'damped'].map((between) => with_(`jumps: ${between}`, { kind: 'jumps', between })),
	with_(
		'jumps in a disc',
		{ kind: 'jumps', within: 'disc', between: 'damped' },
		{ x: { amplitude: 1, frequency: 4 }, y: { amplitude: 2 } }
	),
	with_(
		'jumps in a ball, from the centre',
		{ kind: 'jumps', within: 'ball', between: 'straight' },
		{
			x: { amplitude: 1, frequency: 4, start: 'zero' },
			y: { amplitude: 2, start: 'zero' },
			z: { amplitude: 3, start: 'zero' }
		}
	),
	...['hold', 'damped'].map((between) =>
		with_(`jumps after uneven times: ${between}`, { kind: 'jumps', between, jitter: 0.8 })
	),
	...[true, false].map((loop) =>
		with_(
			`keys ${loop ? 'looped' : 'once'}, with an ease, slopes and none`,
			{ kind: 'keys', cycle: 0.7, loop },
			{
				y: {
					amplitude: 1,
					keys: [
						{ at: 0.1, value: 0.5, ease: 'back-out' },
						{ at: 0.4, value: -1, out: 3 },
						{ at: 0.8, value: 0.7, in: -2 }
					]
				}
			}
		)
	),
	with_(
		'keys from anywhere',
		{ kind: 'keys', cycle: 0.5 },
		{ y: { amplitude: 1, start: 'random', keys: [{ at: 0.25, value: 1 }] } }
	),
	...[0.1, 0.7].map((damping) => with_(`kick: damping ${damping}`, { kind: 'kick', damping })),
	plays('layers: amounts, rates, delays, one mute, one that is seeded by another name', {
		amount: 1.5,
		rate: 0.8,
		layers: [
			layer(noise, xy, { id: 'one', amount: 0.5, rate: 2 }),
			layer({ kind: 'wave' }, { y: { amplitude: 0.2, frequency: 3 } }, { id: 'two', delay: 0.3 }),
			layer(noise, xy, { id: 'three', mute: true }),
			layer(noise, { z: { amplitude: 1, frequency: 2 } }, { id: 'four', seededBy: 'was' })
		]
	}),
	plays('a flat view plays only its channels', {
		view: 'flat',
		layers: [layer(noise, { ...xy, z: { amplitude: 1 }, fov: { amplitude: 3, frequency: 1 } })]
	}),
	plays('a pinned seed', { seed: 99 })
];

/** Gain: fades and eases, life, growth, stops, lengths. */
export const gain: readonly Case[] = [
	...EASE_NAMES.filter((ease) => !ease.startsWith('back')).map((ease) =>
		plays(`fades: ${ease}`, {}, { fadeIn: { time: 0.4, ease }, fadeOut: { time: 0.5, ease } })
	),
	plays(
		'fades: a bezier',
		{},
		{ fadeIn: { time: 0.4, ease: [0.2, 0.1, 0.6, 1] }, fadeOut: { time: 0.5, ease: [0.8, 0, 0.9, 0.4] } }
	),
	plays('fades longer than the whole', {}, { fadeIn: { time: 1 }, fadeOut: { time: 2 } }),
	plays('no fades', {}, { fadeIn: { time: 0 }, fadeOut: { time: 0 } }),
	plays('a delay', {}, { delay: 0.35 }),
	plays('life: halves', {}, { life: { decayHalfLife: 0.2 } }),
	plays('life: loses a part each second', {}, { ...continuous, life: { decayPerSecond: 0.6 } }),
	plays(
		'life: points',
		{},
		{
			life: {
				points: [
					{ at: 0, value: 1 },
					{ at: 0.3, value: 0.2, out: 2 },
					{ at: 1, value: 1.5 }
				]
			}
		}
	),
	plays('growth', {}, { ...continuous, growth: { from: 0.2, to: 2, over: 1.5 } }),
	plays('stopped while it rises, while it falls, and cut', {}, { duration: 2 }, [
		once,
		{ at: 0.05, stop: 'all' },
		{ at: 1, fire: 'a' },
		{ at: 2.4, stop: 'a' },
		{ at: 2.5, fire: 'a' },
		{ at: 2.8, stop: 'cut' }
	]),
	plays('a length of its own, a strength and a rate', {}, {}, [
		{ at: 0, fire: 'a', with: { length: 2.2, strength: 0.6, rate: 1.5 } }
	]),
	plays('a continuous one with a length', {}, continuous, [
		{ at: 0, fire: 'a', with: { length: 1.7 } },
		{ at: 2, fire: 'a', with: { length: 0.3 } }
	])
];

const again = (rule: string): Act[] => [
	{ at: 0, fire: 'a', with: { strength: 0.4 } },
	{ at: 0.403, fire: 'a', with: { strength: 1, rate: 2 } },
	{ at: 0.9, stop: 'all' },
	{ at: 1.007, fire: 'a', with: { length: rule === 'extend' ? 0.6 : 1.2 } }
];
const far = { full: 2, edge: 12, falloff: 'quad-out', travelSpeed: 20 };
/** Played again, priorities, distance, spaces, drives. */
export const plays2: readonly Case[] = [
	...['stack', 'restart', 'extend', 'ignore'].flatMap((rule) => [
		plays(`played again: ${rule}`, { overlap: { rule, limit: 2 } }, { life: { decayHalfLife: 1 } }, again(rule)),
		plays(`played again on its way: ${rule}`, { overlap: { rule, limit: 2 }, reach: far }, { delay: 0.05 }, [
			{ at: 0, fire: 'a', with: { at: [8, 0, 0] } },
			{ at: 0.2, fire: 'a', with: { at: [3, 0, 0], strength: 0.5 } },
			{ at: 0.5, fire: 'a', with: { at: [20, 0, 0] } },
			{ at: 0.8, fire: 'a', with: { at: [6, 0, 0] } },
			{ at: 0.9, stop: 'all' }
		])
	]),
	plays(
		'a kick played again gives way to a new one',
		{ overlap: { rule: 'restart' }, layers: [layer({ kind: 'kick' }, xy)] },
		{},
		[once, { at: 0.5, fire: 'a' }]
	),
	plays('a kick extended', { overlap: { rule: 'extend' }, layers: [layer({ kind: 'kick' }, xy)] }, {}, [
		once,
		{ at: 0.5, fire: 'a' }
	]),
	{
		name: 'priorities: a higher one ducks the lower ones',
		kit: { presets: [shake({}, continuous), shake({ id: 'b', priority: 2, duck: 0.25, duckTime: 0.2 })] },
		inputs: fires(once, { at: 0.5, fire: 'b' }),
		every: 15
	},
	...['camera', 'world', 'source'].map((space) => ({
		name: `space: ${space}`,
		kit: { presets: [shake({ space })] },
		inputs: {
			...fires({ at: 0, fire: 'a', with: { at: [3, 1, -5] } }),
			rest: [0, 1.6, 0, 0, 0.3826834323650898, 0, 0.9238795325112867]
		} as Inputs,
		every: 15
	})),
	plays('distance: full, between, beyond the edge', { reach: { full: 1, edge: 5 } }, {}, [
		{ at: 0, fire: 'a', with: { at: [0, 0, 1] } },
		{ at: 1, fire: 'a', with: { at: [0, 0, 3] } },
		{ at: 2, fire: 'a', with: { at: [0, 0, 6] } }
	]),
	{
		name: 'drives: a game value raises amount and rate',
		kit: {
			parameters: [{ id: 'cold', name: 'Cold', min: 0, max: 10 }],
			presets: [
				shake(
					{
						drives: [
							{
								parameter: 'cold',
								to: 'amount',
								curve: [
									{ at: 0, value: 0.2 },
									{ at: 1, value: 2 }
								]
							},
							{
								parameter: 'cold',
								to: 'rate',
								curve: [
									{ at: 0, value: 1 },
									{ at: 1, value: 3 }
								]
							}
						]
					},
					continuous
				)
			]
		},
		inputs: fires(once, { at: 0.5, set: 'cold', to: 4 }, { at: 1.5, set: 'cold', to: 10 }),
		every: 15
	}
];
