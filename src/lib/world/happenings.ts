/** What the stand-in game raises while one walks through it, and its values. */
import type { EventValue } from 'dinesis-runtime/tools';
import type { HappeningKind, WorldValueKind } from '../documents';

const speed = (max: number): EventValue => ({ id: 'speed', unit: 'm/s', min: 0, max });

export const HAPPENINGS: readonly HappeningKind[] = [
	{
		id: 'landing',
		name: 'Landing',
		about: 'feet meet the ground after a fall',
		kind: 'moment',
		placed: false,
		numbers: [speed(12)]
	},
	{
		id: 'footfall',
		name: 'Footfall',
		about: 'each step on the ground',
		kind: 'moment',
		placed: false,
		numbers: [speed(6)]
	},
	{
		id: 'stroke',
		name: 'Stroke of the oars',
		about: 'the oars begin to pull',
		kind: 'moment',
		placed: false,
		numbers: [speed(4)]
	},
	{
		id: 'aground',
		name: 'Aground',
		about: 'the skiff runs against the rock',
		kind: 'moment',
		placed: true,
		numbers: [speed(4)]
	},
	{
		id: 'set-down',
		name: 'Load set down',
		about: 'what hangs on the crane meets the quay',
		kind: 'moment',
		placed: true,
		numbers: [speed(3)]
	},
	{ id: 'jump', name: 'Jump', about: 'leaving the ground by oneself', kind: 'moment', placed: false, numbers: [] },
	{
		id: 'impact',
		name: 'Impact of a cask',
		about: 'a cask hits the ground or a wall',
		kind: 'moment',
		placed: true,
		numbers: [speed(12)]
	},
	{
		id: 'running',
		name: 'Running',
		about: 'from the first fast steps to the last',
		kind: 'state',
		placed: false,
		numbers: []
	},
	{ id: 'creeping', name: 'Creeping', about: 'moving slowly on purpose', kind: 'state', placed: false, numbers: [] },
	{ id: 'airborne', name: 'In the air', about: 'no ground under the feet', kind: 'state', placed: false, numbers: [] },
	{ id: 'climbing', name: 'Climbing', about: 'on the ladder', kind: 'state', placed: false, numbers: [] },
	{ id: 'rowing', name: 'Rowing', about: 'in the skiff', kind: 'state', placed: false, numbers: [] },
	{
		id: 'craning',
		name: 'At the crane',
		about: 'working it: one sees its load',
		kind: 'state',
		placed: false,
		numbers: []
	},
	{ id: 'hoisting', name: 'Hoisting', about: 'the crane’s winch runs', kind: 'state', placed: false, numbers: [] },
	{ id: 'holding', name: 'Holding on', about: 'while the hold key is down', kind: 'state', placed: false, numbers: [] },
	{
		id: 'door',
		name: 'Door closing',
		about: 'the lamp room’s door falls shut behind one, in 3 s',
		kind: 'state',
		placed: true,
		numbers: []
	},
	{
		id: 'gallery',
		name: 'On the gallery',
		about: 'the balcony over the sea',
		kind: 'state',
		placed: false,
		numbers: []
	},
	{ id: 'indoors', name: 'Indoors', about: 'in the lamp room', kind: 'state', placed: false, numbers: [] },
	{
		id: 'quay',
		name: 'Down on the quay',
		about: 'the lowest level, by the water',
		kind: 'state',
		placed: false,
		numbers: []
	}
];

/** Each from 0 to 1; a game value takes it over its own range. */
export const WORLD_VALUES: readonly WorldValueKind[] = [
	{ id: 'exertion', name: 'Exertion', about: 'grows while running and climbing, wears off at rest' },
	{ id: 'exposure', name: 'Out in the cold', about: 'grows outdoors, fastest on the gallery; wears off indoors' },
	{ id: 'hold', name: 'Holding on', about: '1 while the hold key is down' },
	{ id: 'pace', name: 'Pace', about: 'how fast one moves, 1 at a full run' }
];
