import { openCourse, type Course } from '../../documents';
import { CourseRow, CourseVersionRow } from '../db/models';
import { DocumentStore } from './documents';

/** Earlier documents lack what courses have learned since; opening fills it in. */
const open = (document: Course): Course => {
	const opened = openCourse(document);
	return opened.ok ? opened.value : document;
};

export const courseStore = new DocumentStore<Course>(CourseRow, CourseVersionRow, undefined, open);
