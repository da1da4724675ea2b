/**
 * The second door, for a tool that makes kits: the shapes that documents are checked by, new documents, and the parts of the motion one by
 * one, to draw and to measure them. A game needs none of it.
 */
export { BobRun } from './bob/bob';
export { bobSteps, compileBob, type CompiledBob } from './bob/compile';
export { BOB_SHAPES, cyclesOf, isBob, type BobChannel, type BobGait, type BobShape } from './bob/types';
export { BENDS_FROM, applyCeilings, compileCeilings, isBent, type Ceilings } from './chain/ceiling';
export { letsPass } from './frame/lets';
export { type Clear } from './chain/boom';
export {
	RIG_STAGES,
	viewOf,
	type Lean,
	type LetsThrough,
	type Limits,
	type Nearer,
	type RigMotion,
	type RigStage,
	type RigView,
	type ViewKind
} from './chain/types';
export { EYES, EYE_HEIGHT } from './chain/view';
export { CueEngine } from './cues/engine';
export { NO_LINKS, VIEWERS, occurrencesOf, type EventLink, type Happening, type WorldLinks } from './cues/links';
export { PICKS, type Miss, type Picks } from './cues/types';
export type {
	Between,
	BuildUp,
	CameraAction,
	CueAction,
	CueConditions,
	CueWhen,
	EventValue,
	FeltBy,
	Occurrence,
	Order,
	PlayAction
} from './cues/types';
export { GameValues } from './drives/drives';
export type { Drive } from './drives/types';
export { CameraRun, type CameraChange } from './frame/camera';
export { Director, type Decision } from './frame/director';
export { clockOf, type Clock } from './units/clock';
export { Frame, type FrameBody, type Played } from './frame/frame';
export { RigRun } from './frame/rig';
export { gaitOf, type Gait } from './frame/stride';
export { bobPreset } from './kit/bob-shape';
export { cue } from './kit/cue-shape';
export {
	newBob,
	newCamera,
	newCue,
	newLag,
	newLagAxis,
	newLayer,
	newLean,
	newPlay,
	newPreset,
	newRig,
	nextActionId
} from './kit/fresh';
export { gameEvent, kitFields, parameter, playerSetting, worldLinks } from './kit/kit-shape';
export { ShareRun, WHOLE, type Share } from './chain/share';
export { lagPreset } from './kit/lag-shape';
export { isOfThisVersion, openKitAs } from './kit/open';
export { RANGES, rising, shakePreset, tag } from './kit/preset-shape';
export { rig } from './kit/rig-shape';
export {
	boolean,
	either,
	id,
	ID_PATTERN,
	isId,
	isRecord,
	kinds,
	list,
	number,
	object,
	openAs,
	optional,
	oneOf,
	orNull,
	own,
	placeOf,
	record,
	required,
	ruled,
	show,
	text,
	withDefault,
	type Shape
} from './kit/shape';
export { KIT_FORMAT, KIT_VERSION } from './kit/types';
export { LagRun } from './lag/lag';
export { halfLifeTrail, springTrail, trailOf } from './lag/trail';
export { LAG_AXES, isLag, type LagAxis, type LagAxisName } from './lag/types';
export { shortestTurn } from './math/angles';
export { compileCurve, runCurve, type CompiledCurve, type CurvePoint } from './math/curve';
export { EASE_NAMES, compileEase, easeAt, overshoots, runEase, type Ease, type EaseHandles } from './math/ease';
export { LN2, acos, clamp, cos, exp2, log2, sin } from './math/scalar';
export { JUMPS_BETWEEN, JUMPS_WITHIN, type JumpsPattern } from './patterns/jumps';
export type { Key } from './patterns/keys';
export type { ChannelSettings, Pattern, PatternKind, Start } from './patterns/pattern';
export { WAVE_SHAPES, waveAt, type WaveShape } from './patterns/wave';
export { combine, hashText, mix, signedUnit } from './random/hash';
export { compileGain, gainAt, stopGain } from './shake/gain';
export { Play } from './shake/play';
export type { Outcome } from './shake/options';
export { Player } from './shake/player';
export { fallOff } from './shake/reach';
export { OVERLAP_RULES, isShake, type Layer, type OverlapRule, type Reach, type Space } from './shake/types';
export {
	CHANNELS,
	CHANNEL_COUNT,
	channelsOf,
	familyOf,
	unitOf,
	type Channel,
	type ChannelFamily,
	type View
} from './units/channels';
export { toDegrees, toRadians, type Degrees, type Hertz, type Metres, type Seconds } from './units/quantities';
export { anglesOf, putLook, timesQuaternion, turnBy } from './math/look';
