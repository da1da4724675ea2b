/**
 * What a game installs: plays the presets of a kit exactly as the tool does. No dependency, no DOM, no clock of its own.
 *
 *     import { createRuntime, openKit } from 'dinesis-runtime';
 *     const read = openKit(JSON.parse(text)); // a checked kit, or problems with their places
 *     const runtime = createRuntime(read.value, { seed: 1, rig: 'eyes' });
 *     runtime.raise('cask-set-down', { values: { impact: 6 }, place: [2, 0, -3] });
 *     const { camera, offset } = runtime.advance(dt, { pose, speed, grounded });
 */
export { createRuntime, Runtime } from './runtime';
export type {
	EventOptions,
	PlayerSettings,
	PlayOptions,
	RuntimeBody,
	RuntimeOptions,
	RuntimeView,
	Snapshot,
	Trouble
} from './runtime';
export { openKit } from '../src/lib/core/kit/open';
export { createPlayer } from '../src/lib/core/shake/player';
export type { FireOptions, Player, PlayerOptions } from '../src/lib/core/shake/player';
export { Director, type DirectorOptions, type Viewer } from '../src/lib/core/cues/director';
export type { Occurrence, Order } from '../src/lib/core/cues/types';
export { bakeCourse, type BakeOptions } from '../src/lib/core/course/bake';
export { Replay } from '../src/lib/core/course/replay';
export { CourseRun, GRID_HZ } from '../src/lib/core/course/run';
export { Frame, type FrameBody, type FrameOptions } from '../src/lib/core/frame/frame';
export { CameraRun, obeyCamera, type CameraChange } from '../src/lib/core/chain/camera';
export { RigRun } from '../src/lib/core/chain/rig';
export type { Rig, RigStage, RigView } from '../src/lib/core/chain/types';
export { GameValues } from '../src/lib/core/shake/drives';
export type { Course } from '../src/lib/core/course/types';
export type { Play } from '../src/lib/core/shake/play';
export { applyCeilings, compileCeilings, type Ceilings } from '../src/lib/core/chain/ceiling';
export { CHANNELS } from '../src/lib/core/units/channels';
