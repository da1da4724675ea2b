/** The inputs of all golden vectors: the demo's documents, and small kits for each field of the format and each rule. */
import { isBob } from '../src/bob/types';
import { isLag } from '../src/lag/types';
import { isShake } from '../src/shake/types';
import { type Kit } from '../src/kit/types';
import type { Act, Inputs, Stretch } from './play';
import { continuous, gain, layer, patterns, plays2, shake, type Case, type Cases } from './shake-cases';

export type { Case, Cases };

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
		'bob: a limp: height once a stride, roll with each step',
		{
			gaits: [
				gait(
					{},
					{
						y: {
							amplitude: 0.03,
							shape: 'keys',
							every: 'stride',
							keys: [
								{ at: 0, value: -1 },
								{ at: 0.3, value: 0.4 },
								{ at: 0.5, value: -0.2 },
								{ at: 0.8, value: 1 }
							]
						},
						roll: { amplitude: 0.5, every: 'step', shape: 'rectified' }
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
	...['any', 'in-turn'].map((picks) =>
		seen(`cue: picks ${picks}`, [
			cue([play({ picks, pick: [{ preset: 'a' }, { preset: 'b', weight: 0 }, { preset: 'c', weight: 2 }] })])
		])
	),
	seen('cue: builds up', [cue([play({ buildUp: { by: 0.5, most: 2, coolDown: 0.7 } })])]),
	seen('cue: builds up and comes down', [cue([play({ buildUp: { by: 0.5, most: 3, coolDown: 0.2, downOver: 1.5 } })])]),
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

/** Looks over its right shoulder at a point ahead, and comes nearer twice while one walks. */
const overTheShoulder = rigged('rig: chase to the side, ahead, nearer', {
	view: {
		kind: 'chase',
		back: 3,
		down: 15,
		side: 0.6,
		ahead: 5,
		nearer: { off: 0.25, least: 0.8, comes: 0.05, goes: 0.4 }
	}
});
const owns: readonly Case[] = [
	rigged('rig: its own motion', {
		motion: [
			{ id: 'a', preset: 'b', strength: 0.5 },
			{ id: 'gone', preset: 'a' }
		]
	}),
	rigged('rig: lets some tags and channels through', {
		lets: { not: ['hum'], share: 0.8, channels: { y: 0.5, roll: 0 } }
	}),
	seen(
		'rig: over to one with the same motion and more, which lets less through',
		[cue([{ kind: 'camera', rig: 'other', over: 0.6 }, play()])],
		{ presets: [...presets, shake({ id: 'd' }, continuous)] },
		[
			{ id: 'r', name: 'R', motion: [{ id: 'a', preset: 'b' }] },
			{
				id: 'other',
				name: 'O',
				motion: [
					{ id: 'a', preset: 'b', strength: 2 },
					{ id: 'two', preset: 'd' }
				],
				lets: { only: ['nothing'] }
			}
		]
	),
	{
		...overTheShoulder,
		inputs: {
			...(overTheShoulder.inputs as Inputs & { kind: 'frame' }),
			way: around.map((part, i) => (i % 2 === 1 ? { ...part, room: 2 - i / 4 } : part))
		}
	}
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

/** What a player wants: the same stretch for all, whole frames, so that one can be made of another. */
const wants = (name: string, player: object): Case => ({
	name: `player: ${name}`,
	kit: {
		...scene,
		presets: [
			shake(
				{
					layers: [
						layer(
							{ kind: 'wave', shape: 'sine' },
							Object.fromEntries(
								['x', 'y', 'z', 'pitch', 'yaw', 'roll', 'fov'].map((channel, c) => [
									channel,
									{ amplitude: 0.1 + 0.05 * c, frequency: 3 + c, start: 0.1 * c }
								])
							)
						)
					]
				},
				{ duration: 0.7 }
			),
			body({ gaits: [gait({}, sine)] })
		],
		rigs: [{ id: 'r', name: 'R', bob: 'b' }],
		cues: [cue([play()])]
	},
	inputs: {
		kind: 'frame',
		rig: 'r',
		seed: 5,
		from: [0, 0, 0, 0, 0],
		way: [stretch(120, { to: [0, 0, -1.4, 0, 0], speed: 1.4 }), stretch(120)],
		acts: [
			{ at: 0, player },
			{ at: 0.1, raise: { event: 'hit', phase: 'happens', values: { v: 1 } } }
		]
	},
	every: 1
});
const players: readonly Case[] = [
	wants('all of it', {}),
	wants('a share', { intensity: 0.35 }),
	wants('no rotation', { rotation: false }),
	wants('no roll', { roll: false }),
	wants('no lens', { lens: false, intensity: 1.5 }),
	wants('no bob', { bob: false }),
	wants('gentle', { gentle: true }),
	wants('gentle, less and level', { gentle: true, roll: false, intensity: 0.7 })
];

export const casesOf = (demo: Kit): Cases => ({
	demo: ofDemo(demo),
	patterns,
	gain,
	plays: plays2,
	bobs,
	lags,
	cues,
	rigs: [...rigs, ...owns],
	players
});
