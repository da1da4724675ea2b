/** The door of the courses: ways, runs, replays and takes, which drive the frame of the run-time. */
export { bakeCourse } from './bake';
export { sortEvents, takeToCourse, trimCourse } from './edit';
export { courseOfRecording, isAsRecorded, recordingOf } from './exact';
export { explainCourse } from './explain';
export { soundToTake } from './from-sound';
export { Recorder } from './record';
export { Replay } from './replay';
export { CourseRun, GRID_HZ } from './run';
export { presetsOf, surveyCourse, type Survey, type SurveyPlay } from './survey';
export { TRACE_NUMBERS, compileWay, pathSeconds, poseAt } from './way';
export { thingAt } from './things';
