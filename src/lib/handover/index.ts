/** The door of the handover: what leaves the tool so that a game plays it, and what is said about it. */
export {
	AXES,
	ORDERS,
	OWN_WORLD,
	toTarget,
	turnedTo,
	turnOfLook,
	turnToTarget,
	worldTrouble,
	type Axis,
	type Order,
	type TargetWorld
} from './axes';
export { answered, asksLength, callsFile, usedValues, type CallsOptions } from './calls';
export {
	courseReader,
	curvesOfCourse,
	curvesOfShake,
	namesOf,
	type Content,
	type CourseOptions,
	type Curves,
	type Progress,
	type ShakeOptions
} from './curves';
export { kitDifference, sayKitDifference, type DocumentDifference } from './kit-difference';
export { kitMinified, kitModule } from './kit-files';
export { LANGUAGES, LANGUAGE_WORDS, namesFile, type Language } from './names';
export { drawIn, everythingIn, partOf, standingOf, taggedIn, type Drawn, type Picked } from './part';
export { reduce, type Shape } from './reduce';
export { worldOf, worldText } from './world-text';
export {
	columnsOf,
	csvLines,
	csvOf,
	jsonOf,
	keysCsv,
	keysJson,
	keysOf,
	type KeyedChannel,
	type Tolerances
} from './written';
