/**
 * Findings: one file each. What a kind of document is checked for stands in `../findings.ts`. A room that checks as one tunes imports the
 * file that it needs, so that it does not carry the others.
 */
export { checkPreset, LEVELS } from './preset-checks';
export { checkBob } from './bob-findings';
export { checkCourse, type CourseKit } from './course-findings';
export { checkRig } from './rig-findings';
export { checkCue, type CueFinding, type Wired } from './cue-findings';
export { checkWorld } from './world-findings';
export { eventNeverComes } from './event-never-comes';
export { unknownDrive } from './unknown-drive';
export type { CheckContext, Finding, Fix, Level } from './types';
