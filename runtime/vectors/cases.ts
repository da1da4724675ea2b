/** The inputs of all golden vectors: the demo's documents, and small kits for each field of the format and each rule. */
import { isBob } from '../src/bob/types';
import { isLag } from '../src/lag/types';
import { isShake } from '../src/shake/types';
import { type Kit } from '../src/kit/types';
import { EASE_NAMES } from '../src/math/ease';
import type { Act, Inputs, Stretch, Vector } from './play';

export type Case = Pick<Vector, 'name' | 'kit' | 'inputs' | 'every'>;
/** By file. */
export type Cases = Readonly<Record<string, readonly Case[]>>;

const noise = { kind: 'noise' };
const layer = (pattern: object, channels: object, part: object = {}): object => ({
	id: 'l',
	pattern,
	channels,
	...part
});
const xy = { x: { amplitude: 0.1, frequency: 3 }, roll: { amplitude: 2, frequency: 5 } };
const shake = (part: object = {}, timing: object = {}): object => ({
	id: 'a',
	family: 'shake',
	name: 'A',
	timing: { mode: 'burst', duration: 1, fadeIn: { time: 0.1 }, fadeOut: { time: 0.4 }, ...timing },
	layers: [layer(noise, xy)],
	...part
});
const fires = (...acts: Act[]): Inputs => ({ kind: 'shake', seed: 7, fps: 60, seconds: 3, acts });
const once: Act = { at: 0, fire: 'a' };
const plays = (name: string, part: object, timing: object = {}, acts: readonly Act[] = [once]): Case => ({
	name,
	kit: { presets: [shake(part, timing)] },
	inputs: fires(...acts),
	every: 15
});
const with_ = (name: string, pattern: object, channels: object = xy, part: object = {}): Case =>
	plays(name, { layers: [layer(pattern, channels, part)] });
const continuous = { mode: 'continuous' };

/** Each pattern with its fields, where a channel begins, and what layers do. */
const patterns: readonly Case[] = [
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
const gain: readonly Case[] = [
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
const plays2: readonly Case[] = [
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

const stretch = (steps: number, part: Partial<Stretch> = {}): Stretch => ({ steps, ...part });
const body = (part: object): object => ({ id: 'b', family: 'bob', name: 'B', ...part });
const gait = (part: object, channels: object): object => ({ id: 'walk', speed: 1.4, steps: 1.9, channels, ...part });
const steps = (
	name: string,
	part: object,
	way: readonly Stretch[],
	lands?: readonly (readonly [number, number])[]
): Case => ({
	name,
	kit: { presets: [body(part)] },
	inputs: { kind: 'bob', preset: 'b', seed: 3, way, ...(lands && { lands }) },
	every: 30
});
const walked = [
	stretch(60),
	stretch(180, { speed: 1.4 }),
	stretch(60, { speed: 2.2 }),
	stretch(60),
	stretch(60, { speed: 1, grounded: false }),
	stretch(60, { speed: 1 })
];
const sine = { y: { amplitude: 0.02, phase: 0.75 }, x: { amplitude: 0.01 }, roll: { amplitude: 0.5, phase: 0.1 } };
const bobs: readonly Case[] = [
	...['sine', 'rectified', 'noise'].map((shape) =>
		steps(
			`bob: ${shape}`,
			{ gaits: [gait({}, { y: { amplitude: 0.02, phase: 0.75, shape }, x: { amplitude: 0.01, shape } })] },
			walked
		)
	),
	steps(
		'bob: keys',
		{
			gaits: [
				gait(
					{},
					{
						pitch: {
							amplitude: 1,
							shape: 'keys',
							keys: [
								{ at: 0.2, value: 1 },
								{ at: 0.7, value: -0.5 }
							]
						}
					}
				)
			]
		},
		walked
	),
	steps(
		'bob: gaits blend by speed; times to blend and to settle',
		{
			gaits: [gait({}, sine), gait({ id: 'run', speed: 4, steps: 2.9 }, { y: { amplitude: 0.06, phase: 0.7 } })],
			blendTime: 0.1,
			settleTime: 1
		},
		walked
	),
	steps(
		'bob: landings, one upon another',
		{
			gaits: [gait({}, sine)],
			landing: { dip: 0.03, most: 0.1, nod: 30, frequency: 2, damping: 0.4 }
		},
		walked,
		[
			[10, 2],
			[30, 9],
			[40, 9]
		]
	),
	steps(
		'bob: breathing, seeded by another name',
		{
			seededBy: 'was',
			gaits: [gait({}, sine)],
			idle: { channels: { y: { amplitude: 0.004, frequency: 0.3 } } }
		},
		walked
	)
];

const trail = (name: string, axes: object, part: object = {}): Case => ({
	name,
	kit: { presets: [{ id: 'l', family: 'lag', name: 'L', axes, ...part }] },
	inputs: {
		kind: 'lag',
		preset: 'l',
		from: [0, 0, 0, 0, 170, 0],
		way: [
			stretch(60, { to: [2, 0, -1, 40, 200, 0] }),
			stretch(30, { to: [1, 1, -1, 95, 100, 5] }),
			stretch(120),
			stretch(1, { to: [30, 0, 0, -95, 0, 0] }),
			stretch(60)
		]
	},
	every: 20
});
const every = (axis: object): object =>
	Object.fromEntries(['x', 'y', 'z', 'pitch', 'yaw', 'roll'].map((name) => [name, axis]));
const lags: readonly Case[] = [
	trail('lag: half-life', every({ halfLife: 0.2 })),
	trail('lag: half-life, settling slower', every({ halfLife: 0.1, settle: 0.6 })),
	...[0.3, 1, 1.8].map((damping) =>
		trail(`lag: spring, damping ${damping}`, every({ follow: 'spring', frequency: 1.5, damping }))
	),
	trail('lag: at most', every({ halfLife: 0.5, atMost: 0.4 })),
	trail('lag: a quiet area that leads', every({ halfLife: 0.2, quiet: 0.3 }), { leadsBy: 0.3, leadHalfLife: 0.1 }),
	trail('lag: leads', every({ halfLife: 0.2 }), { leadsBy: 0.5 }),
	trail('lag: snaps', { x: { halfLife: 0.3 }, yaw: { follow: 'none' } }, { snapsBeyond: 5 })
];

export const scene = {
	events: [
		{ id: 'hit', name: 'Hit', placed: true, tags: ['metal'], values: [{ id: 'v', unit: 'm/s', min: 0, max: 10 }] },
		{ id: 'hum', name: 'Hum', kind: 'state' },
		{ id: 'echo', name: 'Echo' },
		{ id: 'foot', name: 'Foot', values: [{ id: 'v', unit: 'm/s', min: 0, max: 5 }] }
	],
	parameters: [{ id: 'cold', name: 'Cold' }],
	world: { events: [{ from: 'footfall', event: 'foot', numbers: { v: 'speed' } }], values: [] }
};
export const presets = [
	shake({ reach: { full: 1, edge: 20 }, tags: ['blow'] }),
	shake(
		{ id: 'b', layers: [layer({ kind: 'wave' }, { y: { amplitude: 0.1, frequency: 4 } })], tags: ['hum'] },
		continuous
	),
	shake({ id: 'c' }),
	body({ id: 'bob', gaits: [gait({}, sine)], landing: { dip: 0.03, most: 0.2, nod: 10, frequency: 2, damping: 0.5 } }),
	body({ id: 'other', gaits: [gait({}, { y: { amplitude: 0.05 } })] }),
	{
		id: 'lag',
		family: 'lag',
		name: 'Lag',
		axes: { x: { halfLife: 0.2 }, z: { halfLife: 0.2 }, yaw: { halfLife: 0.1 } }
	}
];
const hit = (at: number, part: object = {}): Act => ({
	at,
	raise: { event: 'hit', phase: 'happens', values: { v: 5 }, place: [2, 0, -2], tags: ['metal'], who: 'one', ...part }
});
const hum = (at: number, phase: string, key = 'k'): Act => ({ at, raise: { event: 'hum', phase, key, who: 'one' } });
const around: readonly Stretch[] = [
	stretch(60, { speed: 0 }),
	stretch(120, { to: [0, 0, -1.4, 30, -20], speed: 1.4 }),
	stretch(30, { to: [0.5, -1, -2, 60, 10], speed: 1, grounded: false }),
	stretch(90, { speed: 0 })
];
const acted = [
	hit(0.1),
	hum(0.304, 'starts'),
	hit(0.5, { place: undefined }),
	hit(0.9),
	hit(1.1),
	hum(1.5, 'starts', 'j'),
	hum(1.8, 'ends'),
	hit(2),
	hum(2.2, 'ends', 'j')
];
const seen = (
	name: string,
	cues: readonly object[],
	part: object = {},
	rigs: readonly object[] = [{ id: 'r', name: 'R', bob: 'bob' }],
	rig: string | null = 'r'
): Case => ({
	name,
	kit: { ...scene, presets, rigs, cues, ...part },
	inputs: { kind: 'frame', rig, seed: 5, from: [0, 0, 0, 0, 0], way: around, acts: acted },
	every: 30
});
export const play = (part: object = {}): object => ({ kind: 'play', pick: [{ preset: 'a' }], ...part });
export const cue = (actions: readonly object[], part: object = {}): object => ({
	id: 'q',
	event: 'hit',
	actions,
	...part
});
const on = (conditions: object): object => ({ conditions });
const cues: readonly Case[] = [
	seen('cue: plays', [cue([play()])]),
	seen('cue: strength by a number, length, rate, delay, not from its place', [
		cue([
			play({
				strength: {
					by: 'v',
					curve: [
						{ at: 0, value: 0 },
						{ at: 1, value: 1 }
					]
				},
				length: 0.4,
				rate: 2,
				delay: 0.107,
				fromPlace: false
			})
		])
	]),
	seen('cue: picks, each action by itself', [
		cue([
			play(),
			play({
				id: 'pick',
				seededBy: 'was',
				pick: [{ preset: 'a', weight: 2 }, { preset: 'c' }, { preset: 'b', weight: 0 }]
			})
		])
	]),
	seen('cue: builds up', [cue([play({ buildUp: { by: 0.5, most: 2, coolDown: 0.7 } })])]),
	seen('cue: conditions: a tag, a number, a game value, a chance, cooling down', [
		cue(
			[play()],
			on({ tags: ['metal'], values: [{ of: 'v', from: 2 }], parameters: [{ of: 'cold', to: 0.5 }], coolDown: 0.45 })
		),
		cue([play({ pick: [{ preset: 'c' }] })], { id: 'p', ...on({ chance: 0.5 }) })
	]),
	seen('cue: once', [cue([play()], on({ once: true }))]),
	seen('cue: lasts with a state; held by each start', [
		cue([play({ pick: [{ preset: 'b' }] })], { event: 'hum', when: 'lasts' })
	]),
	seen('cue: a state’s start, its end, and what happens with it', [
		cue([play()], { event: 'hum', when: 'starts' }),
		cue([play({ pick: [{ preset: 'c' }] })], { id: 'p', event: 'hum', when: 'ends' }),
		cue([play({ pick: [{ preset: 'c' }] })], { id: 's', event: 'hum', when: 'happens' })
	]),
	...[{ what: 'own' }, { what: 'all', cut: true }, { what: { preset: 'b' } }, { what: { tag: 'hum' } }].map((stop) =>
		seen(`cue: stops ${JSON.stringify(stop.what)}`, [
			cue([play({ pick: [{ preset: 'b' }] }), play({ delay: 0.3 }), { kind: 'stop', delay: 0.2, ...stop }])
		])
	),
	seen('cue: sets a value that another one asks for, and raises an event', [
		cue([
			{ kind: 'set', parameter: 'cold', to: 1 },
			{ kind: 'raise', event: 'echo', delay: 0.05 }
		]),
		cue([play()], { id: 'p', event: 'echo', ...on({ parameters: [{ of: 'cold', from: 0.5 }] }) })
	]),
	...['one', 'reach', 'everyone'].map((feltBy) => seen(`cue: felt by ${feltBy}`, [cue([play()], { feltBy })])),
	seen('cue: footfalls', [cue([play({ strength: 0.2 })], { event: 'foot' })]),
	seen(
		'cue: changes the camera: a rig while a state lasts, a bob and sizes for good',
		[
			cue([{ kind: 'camera', rig: 'chase', over: 0.4 }], { event: 'hum', when: 'lasts' }),
			cue([{ kind: 'camera', bob: 'other', sizes: { walk: 1.5 }, over: 0.3 }], { id: 'p' })
		],
		{},
		[
			{ id: 'r', name: 'R', bob: 'bob' },
			{ id: 'chase', name: 'C', view: { kind: 'chase', back: 5 }, lag: 'lag' }
		]
	)
];
const rigged = (name: string, rig: object): Case =>
	seen(
		name,
		[cue([play({ strength: 2 })]), cue([play({ pick: [{ preset: 'b' }] })], { id: 'p', event: 'hum', when: 'lasts' })],
		{},
		[{ id: 'r', name: 'R', bob: 'bob', lag: 'lag', ...rig }]
	);
const all = {
	lean: { rollByTurn: 0.05, rollByStrafe: 1, swayByStrafe: 0.02 },
	limits: { x: [-0.3, 0.4], y: [0, 3], z: [-1.5, 1], soft: 0.3 },
	ceiling: { x: 0.05, y: 0.05, roll: 1 }
};
const rigs: readonly Case[] = [
	seen('without a rig', [cue([play()])], {}, [], null),
	...[
		{ kind: 'eyes' },
		{ kind: 'chase', back: 3, down: 40 },
		{ kind: 'fixed', place: [3, 3, 3] },
		{ kind: 'flat', pixelsPerMetre: 20 }
	].map((view) => rigged(`rig: ${view.kind}`, { view, ...all })),
	rigged('rig: an area', {
		limits: {
			area: [
				[-0.2, 0.5],
				[0.4, 0.5],
				[0.4, -1],
				[-0.2, -1.2]
			],
			soft: 0.2
		}
	}),
	rigged('rig: stages left out', { ...all, bypass: ['bob', 'limits'] }),
	rigged('rig: shakes before the lag', { ...all, order: ['shakes', 'bob', 'lag', 'limits', 'lean', 'ceiling'] }),
	rigged('rig: limits last', { ...all, order: ['lag', 'bob', 'lean', 'shakes', 'limits', 'ceiling'] }),
	rigged('rig: the ceiling first', { ...all, order: ['ceiling', 'lag', 'limits', 'bob', 'lean', 'shakes'] })
];

/** Everything of the demo. */
function ofDemo(kit: Kit): readonly Case[] {
	const whole = (name: string, inputs: Inputs, every: number): Case => ({ name, kit: 'demo', inputs, every });
	return [
		...kit.presets.filter(isShake).map((p) =>
			whole(
				`shake ${p.id}`,
				{
					kind: 'shake',
					seed: 11,
					fps: 60,
					seconds: 4,
					acts: [
						{ at: 0, fire: p.id },
						{ at: 1.5, fire: p.id, with: { strength: 0.5 } },
						{ at: 2.5, stop: 'all' }
					]
				},
				11
			)
		),
		...kit.presets
			.filter(isBob)
			.map((p) => whole(`bob ${p.id}`, { kind: 'bob', preset: p.id, seed: 3, way: walked }, 60)),
		...kit.presets
			.filter(isLag)
			.map((p) => whole(`lag ${p.id}`, { ...(lags[0]!.inputs as Inputs & { kind: 'lag' }), preset: p.id }, 30)),
		...kit.rigs.map((rig) =>
			whole(`rig ${rig.id}`, { kind: 'frame', rig: rig.id, seed: 5, from: [0, 0, 0, 0, 0], way: around, acts: [] }, 60)
		)
	];
}

export const casesOf = (demo: Kit): Cases => ({
	demo: ofDemo(demo),
	patterns,
	gain,
	plays: plays2,
	bobs,
	lags,
	cues,
	rigs
});
