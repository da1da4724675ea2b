/** The door of the analysis: motion as samples, and what is told from them. */
export { bobNeighboursOf, withMotionOf, type BobFreedom, type BobNeighbour } from './bob-neighbours';
export { bobAlong, sampleBob } from './bob-along';
export { followTrack } from './lag-answer';
export { GLIMPSE_FPS, glimpseOf, type Glimpse } from './glimpse';
export { measureShake, type Measure } from './measure';
export { NEIGHBOURS, neighboursOf, type Freedom, type Neighbour, type NeighbourOptions } from './neighbours';
export { detectOnsets, type Onsets } from './onsets';
export { outlineOf, type OutlineLine } from './outline';
export { lookThrough, pictureMovement, REFERENCE, seenAt, seenOn } from './picture';
export { Spectrum } from './fft';
export { naturalLength, sampleShake } from './sample';
export { correlation } from './correlation';
export { thinned } from './thinned';
export type { BodyTrack, Track } from './track';
