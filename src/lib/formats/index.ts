/** The door of the formats: what comes in and goes out besides kits. */
export { bodyTrackToCsv, readBodyTrack } from './body-track';
export { trackToCsv } from './csv';
export { decisionsToCsv } from './decisions';
export { readEventLog, type EventLog } from './event-log';
export { gaitOfLoop, readFrameLoop, stepsOfLoop, type FrameLoop } from './frame-loop';
export { eventOfLog, namesIn, withMeanings, type LogName, type Meanings } from './log-names';
export { MOST_WAV_BYTES, readWav } from './wav';
