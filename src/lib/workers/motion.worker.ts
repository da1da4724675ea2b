/** Measures, drawings and neighbours, off the page's thread. */
import { expose } from 'comlink';
import { measureShake, neighboursOf, outlineOf } from '$lib/analysis';
import type { MotionDoor } from './protocol';

const SEEDS = 32;
/** Six neighbours are measured some thirty times in all: fewer seeds tell them apart well enough. */
const NEIGHBOUR_SEEDS = 8;

const door: MotionDoor = {
	card: (preset) => ({ measure: measureShake(preset, SEEDS), outline: outlineOf(preset) }),
	neighbours: (preset, options) => neighboursOf(preset, options, (p) => measureShake(p, NEIGHBOUR_SEEDS))
};
expose(door);
