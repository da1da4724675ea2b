/**
 * Everything found in how a kit moves. It takes seconds: it is asked off the page's thread, document by document.
 *
 *     const watched = new Watched(kit, grounds);
 *     for (const subject of …) motionFindings(watched, subject);
 */
import { documentsIn, type AnyDocument, type Finding, type Kit } from '$lib/documents';
import { subjectIn, subjectsOf, type Subject } from '../subject';
import { ceilingBends } from './ceiling';
import { crowd } from './crowd';
import { diagonal } from './diagonal';
import { drifts } from './drifts';
import { findingOf, type MotionFinding } from './finding';
import { folds } from './folds';
import { hiddenLayer, hiddenPlay } from './hidden';
import { offCentre, offCentreOnCourse } from './off-centre';
import { notAtRest } from './rest';
import { silent } from './silent';
import { snap } from './snap';
import { tooMuch, tooMuchOnCourse, tooMuchThroughRig } from './too-much';
import { twice } from './twice';
import type { MotionCheck, MotionFound } from './types';
import { unused } from './unused';
import { throughWall } from './wall';
import { Watched, type Grounds } from './watched';

export { Watched, type Grounds } from './watched';
export { findingOf, type MotionFinding } from './finding';
export { comfortLimit } from './too-much';

/** So that each looks at its own kind where it is written, and all are one where they are told. */
const of = <T>(check: MotionCheck<T>): MotionCheck<AnyDocument> => check as unknown as MotionCheck<AnyDocument>;

export const MOTION_CHECKS: readonly MotionCheck<AnyDocument>[] = [
	of(snap),
	of(drifts),
	of(folds),
	of(diagonal),
	of(hiddenLayer),
	of(offCentre),
	of(tooMuch),
	of(silent),
	of(unused),
	of(hiddenPlay),
	of(notAtRest),
	of(ceilingBends),
	of(tooMuchThroughRig),
	of(throughWall),
	of(offCentreOnCourse),
	of(tooMuchOnCourse),
	of(twice),
	of(crowd)
];

/** What is found in how one document moves; nothing where it is not there, or cannot be played. */
export function motionFindings(watched: Watched, subject: Subject): MotionFinding[] {
	const { kind } = subject;
	const document = subjectIn(watched.kit, subject);
	if (!document) return [];
	const checks = MOTION_CHECKS.filter((check) => check.kind === kind);
	if (kind !== 'shake') return checks.flatMap((check) => foundBy(check, document, watched));
	// All but one hang on the shake alone, and on what the project counts as too much.
	const { frameRate, limits } = watched.settings;
	const hangsOn = JSON.stringify([frameRate, limits]);
	const before = watched.known.get(document);
	const own =
		before?.with === hangsOn
			? (before.list as MotionFinding[])
			: checks.filter(({ check }) => check !== unused.check).flatMap((check) => foundBy(check, document, watched));
	watched.known.set(document, { with: hangsOn, list: own });
	return [...own, ...foundBy(of(unused), document, watched)];
}

function foundBy(check: MotionCheck<AnyDocument>, document: AnyDocument, watched: Watched): MotionFinding[] {
	let found: readonly MotionFound<AnyDocument>[] = [];
	try {
		found = check.find(document, watched);
	} catch {
		// What it points at is not there: that is found elsewhere.
	}
	return found.map(({ about, ...one }) => ({
		...one,
		check: about ? `${check.check}-${about}` : check.check,
		why: check.why
	}));
}

/** Everything found in how a kit moves, as a report has it: places begin at the kit's root. */
export function checkMotion(
	kit: Kit,
	grounds: Grounds,
	told: (part: number) => void = () => undefined
): Finding<AnyDocument>[] {
	const watched = new Watched(kit, grounds);
	const all = [...documentsIn(kit)];
	const subjects = subjectsOf(kit);
	return subjects.flatMap((subject, i) => {
		told(i / subjects.length);
		const row = all.find(({ kind, document }) => kind === subject.kind && document.id === subject.id)!;
		return motionFindings(watched, subject).map((found) => ({
			...findingOf(found, row.document),
			place: `${row.at}${found.place}`
		}));
	});
}
