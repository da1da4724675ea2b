/** New objects, ready to play. */
import { EYES } from '../chain/view';
import { RIG_STAGES, type Lean, type Rig } from '../chain/types';
import type { CameraAction, Cue, PlayAction } from '../cues/types';
import type { BobPreset } from '../bob/types';
import type { LagAxis, LagPreset } from '../lag/types';
import type { Layer, ShakePreset } from '../shake/types';

/** A layer that is felt at once: a little noise on height and roll. */
export const newLayer = (id: string): Layer => ({
	id,
	amount: 1,
	rate: 1,
	delay: 0,
	mute: false,
	pattern: { kind: 'noise', octaves: 1, lacunarity: 2, persistence: 0.5 },
	channels: {
		y: { amplitude: 0.05, frequency: 6, start: 'random' },
		roll: { amplitude: 0.8, frequency: 5, start: 'random' }
	}
});

export const newPreset = (id: string, name: string): ShakePreset => ({
	id,
	family: 'shake',
	view: 'space',
	name,
	about: '',
	tags: [],
	suits: 'burst',
	amount: 1,
	rate: 1,
	space: 'camera',
	priority: 0,
	duck: 1,
	duckTime: 0.1,
	timing: {
		mode: 'burst',
		duration: 1,
		delay: 0,
		fadeIn: { time: 0.05, ease: 'sine-out' },
		fadeOut: { time: 0.6, ease: 'cubic-out' },
		life: null,
		growth: null
	},
	overlap: { rule: 'stack', limit: 8 },
	reach: null,
	seed: null,
	drives: [],
	layers: [newLayer('layer-1')]
});

export const newPlay = (preset: string, id = '1'): PlayAction => ({
	id,
	kind: 'play',
	pick: [{ preset, weight: 1 }],
	strength: 1,
	length: null,
	rate: 1,
	delay: 0,
	fromPlace: true,
	buildUp: null
});

export const newCamera = (rig: string | null, id = '1'): CameraAction => ({
	id,
	kind: 'camera',
	rig,
	lag: null,
	bob: null,
	sizes: {},
	over: 0.6,
	delay: 0
});

/** An id for one more action: above all numbers that its cue has, so that it remembers nothing of one that was taken out. */
export const nextActionId = (actions: readonly { readonly id: string }[]): string =>
	String(actions.reduce((most, { id }) => Math.max(most, /^\d{1,9}$/.test(id) ? Number(id) : 0), 0) + 1);

/** A cue that plays a preset whenever the event happens. */
export const newCue = (id: string, event: string, preset: string): Cue => ({
	id,
	on: true,
	event,
	when: 'happens',
	conditions: { tags: [], values: [], parameters: [], chance: 1, coolDown: 0, once: false },
	actions: [newPlay(preset)],
	feltBy: 'reach'
});

/** A quiet walk: lowest when a foot falls, a little to the side with each stride. */
export const newBob = (id: string, name: string): BobPreset => ({
	id,
	family: 'bob',
	view: 'space',
	name,
	about: '',
	tags: [],
	amount: 1,
	gaits: [
		{
			id: 'walk',
			speed: 1.4,
			steps: 1.9,
			channels: {
				y: { amplitude: 0.012, phase: 0.75, shape: 'sine' },
				x: { amplitude: 0.008, phase: 0, shape: 'sine' }
			}
		}
	],
	blendTime: 0.3,
	settleTime: 0.3,
	landing: null,
	idle: null,
	drives: []
});

export const newLagAxis = (): LagAxis => ({
	follow: 'half-life',
	halfLife: 0.15,
	settle: null,
	frequency: 2,
	damping: 1,
	atMost: null,
	quiet: 0
});

/** Position and turn a little behind. */
export const newLag = (id: string, name: string): LagPreset => ({
	id,
	family: 'lag',
	view: 'space',
	name,
	about: '',
	tags: [],
	axes: { x: newLagAxis(), y: newLagAxis(), z: newLagAxis(), yaw: newLagAxis() },
	leadsBy: 0,
	leadHalfLife: 0.15,
	snapsBeyond: null
});

/** A camera in the body's eyes, with nothing in its way. */
export const newRig = (id: string, name: string): Rig => ({
	id,
	name,
	about: '',
	view: EYES,
	lag: null,
	limits: null,
	bob: null,
	lean: null,
	ceiling: null,
	motion: [],
	lets: null,
	bypass: [],
	order: RIG_STAGES
});

/** A slight roll into turns, in metres and degrees. */
export const newLean = (): Lean => ({
	rollByTurn: 0.015,
	rollByStrafe: 0.6,
	swayByTurn: 0,
	swayByStrafe: 0,
	mostRoll: 4,
	mostSway: 0.2,
	frequency: 1.2,
	damping: 1
});
