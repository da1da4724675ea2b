/**
 * What a game installs: plays the presets of a kit exactly as the tool does. No dependency, no DOM, no clock of its own.
 *
 *     import { createRuntime, openKit } from 'dinesis-runtime';
 *     const read = openKit(JSON.parse(text)); // a checked kit, or problems with their places
 *     const runtime = createRuntime(read.value, { seed: 1, rig: 'eyes' });
 *     runtime.raise('cask-set-down', { values: { impact: 6 }, place: [2, 0, -3] });
 *     const { camera, offset } = runtime.advance(dt, { pose, speed, grounded });
 */
export { createRuntime, Runtime } from './game/runtime';
export type {
	EventOptions,
	PlayerSettings,
	PlayOptions,
	RuntimeBody,
	RuntimeOptions,
	RuntimeFrame,
	Snapshot,
	Trouble
} from './game/runtime';
export { createPlayer } from './shake/create';
export type { FireOptions, PlayerOptions } from './shake/options';
export type { Player } from './shake/player';
export { openKit } from './kit/open';
export type { Problem, ReadResult } from './kit/shape';
export type { AnyPreset, Kit, PlayerSetting } from './kit/types';
export type { ShakePreset } from './shake/types';
export type { BobPreset } from './bob/types';
export type { LagPreset } from './lag/types';
export type { Rig } from './chain/types';
export type { Clear } from './chain/boom';
export type { Cue, GameEvent } from './cues/types';
export type { GameParameter } from './drives/types';
export { CHANNELS, type Channel } from './units/channels';
