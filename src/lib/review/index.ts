/** The door of the review: a motion in figures, as it is seen, over many plays. Formulas and sources: docs/review.md. */
export { channelFigures, settlesIn, speedOf, type ChannelFigures } from './channels';
export { COMFORT, COMFORT_LIMITS, COMFORT_NAMES, type ComfortName } from './comfort';
export { costOf, type Cost } from './cost';
export {
	channelOf,
	detailOf,
	FIGURE_NAMES,
	FIGURES,
	figuresOf,
	JUDGED,
	type Detail,
	type FigureName,
	type FiguresOfPlay,
	type Judged
} from './figures';
export { playMany, seedOf, spreadsOf, type ManyOptions, type Reviewed } from './many';
export { courseFor, neededFor, playOnce, type Asked, type Motion, type Path } from './motion';
export { densityOf, mainFrequency, octaves, seenFrequency, shareBetween, type Density } from './spectrum';
export { EYES, seenOf, seenOfAll, type Eyes, type Seen, type Thing } from './seen';
export { apartOf, likelyAbove, quantile, spreadOf, type Apart, type Likely, type Spread } from './spread';
export { nameIn, SUBJECT_KINDS, subjectIn, subjectsOf, type Subject, type SubjectKind } from './subject';
export { said, saidPlainly } from './written';
