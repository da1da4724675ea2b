import type { Course } from './course-types';
import { course } from './course-shape';
import type { ReadResult } from 'dinesis-runtime';
import { openAs } from 'dinesis-runtime/tools';

/** Checks one course and fills in what it leaves out. The object is the course's own from here on. */
export const openCourse = (parsed: unknown): ReadResult<Course> => openAs(parsed, course);
