/** The door to shakes alone. */
import type { PlayerOptions } from './options';
import { Player } from './player';
import type { PresetOfAnyFamily } from './types';

/**
 * A player of shakes alone, for a game that has cameras and events of its own; presets of other families are passed over.
 *
 *     const player = createPlayer(kit.presets, { seed: 1 });
 *     player.fire('thud', { strength: 0.5 });
 *     player.advance(1 / 60);
 *     player.offset; // x, y, z in metres, pitch, yaw, roll in degrees, fov in degrees
 */
export const createPlayer = (presets: readonly PresetOfAnyFamily[], options?: PlayerOptions): Player =>
	new Player(presets, options);
