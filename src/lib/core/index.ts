/** The one door into the core. */
export { CHANNELS, CHANNEL_COUNT, channelsOf, familyOf, unitOf } from './units/channels';
export type { Channel, ChannelFamily, View } from './units/channels';
export { toDegrees, toRadians } from './units/quantities';
export type { Cycles, Degrees, Hertz, Metres, Radians, Seconds } from './units/quantities';
export { clamp, clamp01, log2 as log2Of } from './math/scalar';
export { compileEase, easeAt, EASE_NAMES, overshoots, runEase } from './math/ease';
export type { Ease, EaseHandles, EaseName } from './math/ease';
export { compileCurve, runCurve } from './math/curve';
export type { CurvePoint } from './math/curve';
export { combine, hashText, mix, unit } from './random/hash';
export { waveAt, WAVE_SHAPES } from './patterns/wave';
export type { WavePattern, WaveShape } from './patterns/wave';
export { JUMPS_BETWEEN, JUMPS_WITHIN } from './patterns/jumps';
export type { JumpsPattern } from './patterns/jumps';
export type { Key, KeysPattern } from './patterns/keys';
export type { KickPattern } from './patterns/kick';
export type { NoisePattern } from './patterns/noise';
export { compileGain, gainAt, stopGain, type GainShape } from './shake/gain';
export { GameValues } from './shake/drives';
export { fallOff } from './shake/reach';
export { createPlayer, Player } from './shake/player';
export type { FireOptions, Outcome, PlayerOptions } from './shake/player';
export type { Play } from './shake/play';
export { naturalLength, sampleShake } from './analysis/sample';
export type { SampleOptions, Track } from './analysis/sample';
export { applyCeilings, BENDS_FROM, compileCeilings, isBent } from './chain/ceiling';
export type { Ceilings } from './chain/ceiling';
export { OUTLINE_POINTS, outlineOf } from './analysis/outline';
export type { OutlineLine } from './analysis/outline';
export { togetherness } from './analysis/togetherness';
export { distanceOf, NEIGHBOURS, neighboursOf } from './variations/neighbours';
export type { Freedom, Neighbour, NeighbourOptions } from './variations/neighbours';
export { measureShake } from './analysis/measure';
export type { Measure } from './analysis/measure';
export { pictureMovement, REFERENCE } from './analysis/picture';
export { checkCue, checkKit, checkPreset, checkRig } from './checks';
export type { CheckContext, CueFinding, Finding, Fix, Level, Wired } from './checks';
export { BobRun, bobSteps, bobWeights, compileBob } from './bob/bob';
export type { CompiledBob, Walking } from './bob/bob';
export { BOB_SHAPES, STEP_CHANNELS } from './bob/types';
export type { BobChannel, BobGait, BobIdle, BobLanding, BobPreset, BobShape } from './bob/types';
export { bobAlong, sampleBob } from './bob/sample';
export { followTrack, LagRun, shortestTurn, trailOf } from './lag/lag';
export { LAG_AXES } from './lag/types';
export type { LagAxis, LagAxisName, LagPreset } from './lag/types';
export { readBodyTrack, bodyTrackToCsv, type BodyTrack } from './formats/body-track';
export { bakeCourse, type BakeOptions } from './course/bake';
export { compilePath, placeAt } from './course/path';
export { gaitOf, GAITS, stepsPerSecond, Stride } from './frame/stride';
export type { Gait } from './frame/stride';
export { eventFrom, linkTo, NO_LINKS, occurrencesOf, VIEWERS } from './cues/links';
export type { EventLink, Happening, HappeningKind, ValueLink, WorldLinks, WorldValueKind } from './cues/links';
export { Frame, type FrameBody, type FrameOptions } from './frame/frame';
export { Replay } from './course/replay';
export { CourseRun, GRID_HZ } from './course/run';
export type { Played } from './frame/frame';
export type { Course, CourseArea, CourseEvent, CourseValue, Trace, Way, Waypoint } from './course/types';
export { compileWay, pathSeconds, poseAt, traceAt, TRACE_NUMBERS } from './course/way';
export { putLook } from './math/look';
export { EYE_HEIGHT, EYES, RigRun } from './chain/rig';
export { CameraRun, obeyCamera } from './chain/camera';
export type { CameraChange } from './chain/camera';
export { applyLimits, compileLimits, hullOf } from './chain/limits';
export { RIG_STAGES, VIEW_KINDS, viewOf } from './chain/types';
export type { Lean, Limits, Rig, RigStage, RigView, ViewKind } from './chain/types';
export { CueEngine, MOST_CHAINED } from './cues/engine';
export { Director } from './cues/director';
export { CUE_WHENS, FELT_BY } from './cues/types';
export type {
	Amount,
	Between,
	BuildUp,
	CameraAction,
	Cue,
	CueAction,
	CueConditions,
	CueWhen,
	FeltBy,
	Occurrence,
	Order,
	PlayAction,
	RaiseAction,
	SetAction,
	StopAction
} from './cues/types';
export { History } from './history/history';
export {
	freeId,
	newBob,
	newCamera,
	newCourse,
	newCue,
	newLag,
	newLagAxis,
	newLayer,
	newLean,
	newPlay,
	newPreset,
	newRig,
	nextActionId
} from './kit/defaults';
export { copyLayer, layerName, orderLayers, withSolo } from './kit/layers';
export { arrivals, differences, wiringBeside } from './kit/merge';
export type { Arrival, Choice, Difference, Standing } from './kit/merge';
export { kitJsonSchema } from './kit/kit-shape';
export { LIMITS } from './kit/preset-shape';
export { PATTERN_KINDS } from './patterns/table';
export { MOST_BYTES, openKit, readKit, sayProblem, writeKit } from './kit/read';
export { openAnyPreset, openPreset } from './kit/read-preset';
export { openCourse } from './kit/read-course';
export { openWiring } from './kit/read-wiring';
export type { Wiring } from './kit/read-wiring';
export type { ReadResult } from './kit/read-preset';
export { isId, show } from './kit/shape';
export type { Problem } from './kit/shape';
export { isBob, isLag, isShake, KIT_FORMAT, KIT_VERSION, OVERLAP_RULES } from './kit/types';
export type {
	AnyPreset,
	ChannelSettings,
	Drive,
	EventValue,
	Fade,
	GameEvent,
	GameParameter,
	Growth,
	Kit,
	Layer,
	Life,
	OverlapRule,
	Pattern,
	PatternKind,
	Reach,
	ShakePreset,
	Space,
	Start,
	Timing
} from './kit/types';
export { hear } from './analysis/onsets';
export type { Heard, Onset } from './analysis/onsets';
export { sortEvents, takeToCourse, traceToPath, trimCourse } from './course/edit';
export { soundToTake, type SoundLinks } from './course/from-sound';
export { presetsOf, surveyCourse } from './course/survey';
export type { Survey, SurveyPlay } from './course/survey';
export { Recorder } from './course/record';
export { readWav, type Sound } from './formats/wav';
export { trackToCsv } from './formats/csv';
export { readEventLog, type EventLog } from './formats/event-log';
