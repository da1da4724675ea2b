/** The door of the documents: kits, presets, wirings and courses as they are read, written, checked and merged. */
export type { CueFinding, Wired } from './checks/cue-findings';
export { documentsIn } from './documents-in';
export type { Told } from './findings';
export type { Course, CourseArea, CourseEvent, CourseValue, Thing, Trace, Way, Waypoint } from './course-types';
export { cueWords } from './cue-words';
export { decisionWords, isFelt } from './decision-words';
export { withAnswer, withNewEvent } from './answers';
export { freeId } from './ids';
export { idFor, isId, ownerOf, renamed } from './rename';
export { kitJsonSchema, openKit, type Kit } from './kit';
export { copyLayer, layerName, orderLayers, withSolo } from './layers';
export { eventFrom, linkTo, type HappeningKind, type WorldValueKind } from './links';
export {
	arrivalsOf,
	choicesOf,
	comparedWith,
	idsBringing,
	nameOfArrival,
	partsBringing,
	wantedBy,
	type Arrival,
	type Choice,
	type Chosen,
	type Coming,
	type Standing
} from './merge';
export { partsReturning } from './return';
export { course as courseShape } from './course-shape';
export { newCourse } from './new-course';
export { playerWords, USUAL_PLAYERS } from './usual-players';
export { kitOfDocuments, kitOfPresets, wholeKit } from './new-kit';
export { decodeText, parseJson } from './parse-json';
export { MOST_BYTES, readKit } from './read';
export { sayProblem, writeKit } from './write';
export { openCourse } from './read-course';
export { openAnyPreset, openPreset } from './read-preset';
export { openWiring, type Wiring } from './read-wiring';
export { rangeOf, scaled, type Range } from './ranges';
export type { Finding, Level } from './checks/types';
export {
	DEFAULT_SETTINGS,
	documentOf,
	formatOf,
	isKind,
	isPlain,
	KEY_IDS,
	silencedId,
	KIND_NAMES,
	KINDS,
	openDocument,
	planOfKind,
	following,
	pointsAt,
	PRESET_KINDS,
	PROJECT_ID,
	treeOf,
	woken,
	type AnyDocument,
	type KeyRow,
	type KeyTarget,
	type KindName,
	type Person,
	type Silenced,
	type ProjectFacts,
	type ProjectSettings,
	type Reference,
	type Space
} from './kinds';
export {
	changed,
	changedBy,
	compare,
	inverse,
	joined,
	overlap,
	valueAt,
	type FieldChange,
	type Path
} from './fields/changes';
export { between, type Between } from './fields/between';
export type { History, Line, Scope, ToldDocument, ToldStretch } from './history/told';
export { differences, sayDifference, type Difference } from './history/words';
export { SINGLE, STRETCHES, stretchesOf, type Noted, type Stretch, type StretchRules } from './history/stretches';
export { byPlace, firstKeys, keyBehind, keysBetween, arrangedKeys } from './fields/order';
export type { Tree } from './fields/tree';
export {
	isBodyPath,
	judgePart,
	newEnvelope,
	referencesOf,
	unsound,
	type ChangePart,
	type ChangeRequest,
	type Envelope,
	type Judged,
	type MadeChange,
	type MadePart,
	type Refusal,
	type Since
} from './judge';
export {
	creation,
	fieldsTowards,
	partsTowards,
	shownOfHeld,
	WIRING_KINDS,
	wiringOf,
	type Held,
	type Stub
} from './held';
export { isUuid, newUuid } from './uuid';
