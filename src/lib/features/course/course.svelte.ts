/** The Course room's state: which course, where in it one is, what is chosen, and the run that stands there. */
import { checkCourse } from '$lib/documents/checks/course-findings';
import { presetsOf, sortEvents, type Survey } from '$lib/course';
import { type AnyDocument, type Course, type CourseEvent, type Finding, type Waypoint } from '$lib/documents';
import type { Seconds } from 'dinesis-runtime/tools';
import { Replay, type CourseRun } from '$lib/course';
import type { ProjectSession } from '$lib/session/session.svelte';
import { eyeOf, type Eye } from '$lib/viewport/eye';
import type { CourseWorker } from '$lib/workers/course';
import { clearInGrounds } from '$lib/world/clear';

export type Chosen =
	| { readonly kind: 'event'; readonly i: number }
	| { readonly kind: 'area'; readonly i: number }
	/** A place of the first way or of the second. */
	| { readonly kind: 'place'; readonly way: 0 | 1; readonly i: number }
	/** A point of a game value's curve. */
	| { readonly kind: 'point'; readonly value: number; readonly i: number };

/** Columns of the survey: more than a timeline has pixels would not be seen. */
const COLUMNS = 1200;
const SURVEY_AFTER_MS = 120;
/** The least that the timeline shows. */
const LEAST_SHOWN: Seconds = 0.5;
const GRID: Seconds = 0.05;

export const clean = (value: number): number => Math.round(value * 1000) / 1000;

export class CourseState {
	id = $state('');
	time = $state(0);
	playing = $state(false);
	speed = $state(1);
	seed = $state(1);
	/** The part that is played again and again. */
	part = $state.raw<{ readonly from: Seconds; readonly to: Seconds } | null>(null);
	chosen = $state.raw<Chosen | null>(null);
	/** What of the timeline is shown; null: all. */
	private shown = $state.raw<{ readonly from: Seconds; readonly to: Seconds } | null>(null);
	/** The head bob or camera lag that is tuned beside the picture; empty: none. */
	tuning = $state('');
	snaps = $state(true);
	survey = $state.raw<Survey | null>(null);
	private copied: CourseEvent | null = null;
	private timer: ReturnType<typeof setTimeout> | undefined;

	constructor(
		readonly session: ProjectSession,
		private readonly worker: CourseWorker
	) {}

	readonly course = $derived.by((): Course | undefined => this.session.courses.get(this.id));

	private readonly checked = $derived.by((): Finding<Course>[] => {
		const { course, session } = this;
		if (!course) return [];
		const moving = session.findings
			.inMotion('course', course.id)
			.map(({ finding }) => finding as unknown as Finding<Course>);
		return [...checkCourse(course, session.played), ...moving];
	});

	/** What looks wrong in the course, at places that begin so. */
	found(at: string): Finding<Course>[] {
		return this.checked.filter(({ place }) => place.startsWith(at));
	}

	/** Carries out what a finding of the course proposes. */
	fix(finding: Finding<AnyDocument>): void {
		if (this.course) this.session.fix({ kind: 'course', document: this.course, finding });
	}

	private readonly replay = $derived.by((): Replay | null => {
		const { session, course, seed } = this;
		return course ? new Replay(session.played, course, { seed, clear: clearInGrounds }) : null;
	});

	/** Shows another course from its beginning. */
	open(id: string): void {
		if (id === this.id) return;
		this.id = id;
		this.time = 0;
		this.playing = false;
		this.part = this.chosen = this.shown = null;
		this.tuning = '';
		this.survey = null;
	}

	get view(): { readonly from: Seconds; readonly to: Seconds } {
		return this.shown ?? { from: 0, to: this.course?.seconds ?? 1 };
	}

	/** Shows so many times as much of the timeline, `around` staying where it is. */
	zoom(times: number, around: Seconds): void {
		const { from, to } = this.view;
		const all = this.course?.seconds ?? 1;
		const wide = Math.min(all, Math.max(LEAST_SHOWN, (to - from) * times));
		const part = to > from ? (around - from) / (to - from) : 0;
		this.lookAt(around - wide * part, wide);
	}

	pan(by: Seconds): void {
		const { from, to } = this.view;
		this.lookAt(from + by, to - from);
	}

	private lookAt(from: Seconds, wide: Seconds): void {
		const all = this.course?.seconds ?? 1;
		const start = Math.min(Math.max(0, from), Math.max(0, all - wide));
		this.shown = wide >= all ? null : { from: start, to: start + wide };
	}

	/** A frame of the picture: moves time on when it plays, and gives the run as it stands then. */
	frame(dt: Seconds): CourseRun | null {
		const { course, replay } = this;
		if (!course || !replay) return null;
		if (this.playing) this.moveOn(dt * this.speed, course);
		return replay.at(Math.min(this.time, course.seconds));
	}

	private moveOn(dt: Seconds, course: Course): void {
		const { from, to } = this.part ?? { from: 0, to: course.seconds };
		const next = this.time + dt;
		if (next < to) this.time = next;
		else if (this.part) this.time = from + ((next - from) % Math.max(0.05, to - from));
		else {
			this.time = to;
			this.playing = false;
		}
	}

	togglePlay(): void {
		const end = this.course?.seconds ?? 0;
		if (!this.playing && this.time >= end - 1e-6) this.time = 0;
		this.playing = !this.playing;
	}

	scrub(time: Seconds): void {
		this.time = Math.min(Math.max(0, time), this.course?.seconds ?? 0);
	}

	/** Asks for a new survey once the hand rests. */
	surveySoon(): void {
		const { course, session, seed } = this;
		clearTimeout(this.timer);
		if (!course) return;
		const kit = {
			...session.wiring,
			presets: [...presetsOf(session.wiring, session.presets), ...session.bobsAndLags]
		};
		this.timer = setTimeout(
			() => this.worker.survey(kit, course, COLUMNS, seed, (survey) => (this.survey = survey)),
			SURVEY_AFTER_MS
		);
	}

	change(label: string, recipe: (course: Course) => Course, mark: string | null = null): void {
		this.session.courses.change(this.id, label, recipe, mark);
	}

	done(): void {
		this.session.seal();
	}

	// Events

	/** Puts an event on the timeline and chooses it. */
	addEvent(id: string, at: Seconds, part: Partial<CourseEvent> = {}): void {
		const event = this.session.wiring.events.find((e) => e.id === id);
		const values = Object.fromEntries((event?.values ?? []).map((v) => [v.id, clean(v.min + (v.max - v.min) * 0.6)]));
		const length = event?.kind === 'state' ? 3 : null;
		this.insert('Add an event', { at: clean(at), event: id, length, values, place: null, who: 0, ...part });
		this.done();
	}

	private insert(label: string, made: CourseEvent): void {
		this.change(label, (c) => ({ ...c, events: sortEvents([...c.events, made]) }));
		this.choose(made);
	}

	private choose(event: CourseEvent): void {
		const i = this.course?.events.findIndex((e) => e === event || JSON.stringify(e) === JSON.stringify(event)) ?? -1;
		this.chosen = i < 0 ? null : { kind: 'event', i };
	}

	/** Changes an event where it stands in the list; `settle` puts the list in order again. */
	changeEvent(i: number, label: string, part: Partial<CourseEvent>, mark: string): void {
		this.change(label, (c) => ({ ...c, events: c.events.map((e, k) => (k === i ? { ...e, ...part } : e)) }), mark);
	}

	/** After a drag: events in the order of their times again, the same one chosen. */
	settle(): void {
		const { course, chosen } = this;
		if (!course) return;
		const sorted = sortEvents(course.events);
		if (sorted.some((e, k) => e !== course.events[k])) {
			const mine = chosen?.kind === 'event' ? course.events[chosen.i] : undefined;
			this.change('Move', (c) => ({ ...c, events: sorted }), 'order');
			if (mine) this.chosen = { kind: 'event', i: sorted.indexOf(mine) };
		}
		this.done();
	}

	copyChosen(): boolean {
		const { course, chosen } = this;
		if (chosen?.kind !== 'event' || !course) return false;
		this.copied = course.events[chosen.i] ?? null;
		return this.copied !== null;
	}

	/** Puts the copied event where the playhead stands. */
	paste(): boolean {
		if (!this.copied) return false;
		this.insert('Paste an event', { ...this.copied, at: clean(this.time) });
		this.done();
		return true;
	}

	removeChosen(): void {
		const { chosen } = this;
		if (!chosen) return;
		const without = <T>(list: readonly T[], i: number): T[] => list.filter((_, k) => k !== i);
		this.chosen = null;
		if (chosen.kind === 'event')
			this.change('Take an event out', (c) => ({ ...c, events: without(c.events, chosen.i) }));
		else if (chosen.kind === 'area')
			this.change('Take an area out', (c) => ({ ...c, areas: without(c.areas, chosen.i) }));
		else if (chosen.kind === 'place') this.changeWay(chosen.way, 'Take a place out', (path) => without(path, chosen.i));
		else
			this.change('Take a point out', (c) => ({
				...c,
				values: c.values.flatMap((value, v) => {
					if (v !== chosen.value) return [value];
					const points = without(value.points, chosen.i);
					return points.length > 0 ? [{ ...value, points }] : [];
				})
			}));
		this.done();
	}

	// Ways

	changeWay(
		way: 0 | 1,
		label: string,
		recipe: (path: readonly Waypoint[]) => readonly Waypoint[],
		mark: string | null = null
	): void {
		this.change(
			label,
			(c) =>
				way === 0
					? { ...c, path: recipe(c.path) }
					: { ...c, second: c.second && { ...c.second, path: recipe(c.second.path) } },
			mark
		);
	}

	pathOf(way: 0 | 1): readonly Waypoint[] {
		return (way === 0 ? this.course?.path : this.course?.second?.path) ?? [];
	}

	changePlace(way: 0 | 1, i: number, label: string, part: Partial<Waypoint>, mark: string): void {
		this.changeWay(way, label, (path) => path.map((p, k) => (k === i ? { ...p, ...part } : p)), mark);
	}

	/** A place behind the chosen one, or behind the last. */
	addPlace(way: 0 | 1, spot: Pick<Waypoint, 'x' | 'y' | 'z'>): void {
		const { chosen } = this;
		const path = this.pathOf(way);
		const after = chosen?.kind === 'place' && chosen.way === way ? chosen.i : path.length - 1;
		const made = { ...spot, speed: path[after]?.speed ?? 1.4, pause: 0 };
		this.changeWay(way, 'Add a place', (list) => [...list.slice(0, after + 1), made, ...list.slice(after + 1)]);
		this.chosen = { kind: 'place', way, i: after + 1 };
		this.done();
	}

	// Where things snap

	/** A time near which something else stands, or the grid; as it is when nothing snaps. */
	snap(time: Seconds, reach: Seconds, but = -1): Seconds {
		const { course } = this;
		if (!this.snaps || !course) return clean(time);
		let best = Math.round(time / GRID) * GRID;
		let off = reach;
		const near = (other: Seconds): void => {
			if (Math.abs(other - time) >= off) return;
			off = Math.abs(other - time);
			best = other;
		};
		near(this.time);
		course.events.forEach((e, i) => {
			if (i === but) return;
			near(e.at);
			if (e.length !== null) near(e.at + e.length);
		});
		return clean(best);
	}

	dispose(): void {
		clearTimeout(this.timer);
	}
}

/** What a picture needs of a run: each viewer's pose and offset. */
export const eyesOf = (run: CourseRun): Eye[] => run.bodies.map(({ rig, pose }) => eyeOf(rig, pose));
