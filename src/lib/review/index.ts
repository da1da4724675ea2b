/** The door of the review: a motion in figures, as it is seen, over many plays. Formulas and sources: docs/review.md. */
export { channelFigures, settlesIn, type ChannelFigures } from './channels';
export { densityOf, mainFrequency, seenFrequency, shareBetween, type Density } from './spectrum';
export { FIGURE_NAMES, FIGURES, reviewShake, type FigureName, type FiguresOfPlay, type ReviewedShake } from './preset';
export { seenOf, type Seen, type SeenOptions } from './seen';
export { apartOf, likelyAbove, quantile, spreadOf, type Apart, type Likely, type Spread } from './spread';
