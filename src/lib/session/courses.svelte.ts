/** The project's courses and takes as a page has them open. They come when a room first asks for them. */
import type { Draft as ImmerDraft } from 'immer';
import { freeId, newCourse, type Course } from '$lib/documents';
import * as api from './api';
import type { Keeper, StoredDocument } from './keeper.svelte';
import { arranged } from './order';
import type { Notice } from './notices.svelte';

/** In no id there is a star: no preset can have such a key. */
const COURSE = '*course ';
export const courseKey = (id: string): string => COURSE + id;
export const isCourse = (key: string): boolean => key.startsWith(COURSE);

const documentOf = (stored: api.StoredCourse): StoredDocument => ({ ...stored, key: courseKey(stored.key) });

export class Courses {
	/** Ids in the project's order; null while they have not come. */
	order = $state.raw<readonly string[] | null>(null);

	constructor(
		private readonly project: string,
		private readonly keeper: Keeper,
		private readonly say: (text: string, action?: Notice['action']) => void
	) {}

	/** In the project's order; empty until they have come. */
	get list(): Course[] {
		return (this.order ?? []).map((id) => this.get(id)!);
	}

	get(id: string): Course | undefined {
		return this.keeper.documents[courseKey(id)] as Course | undefined;
	}

	/** Asks for them once. False when they did not come. */
	async fetch(): Promise<boolean> {
		if (this.order) return true;
		const answer = await api.fetchCourses(this.project);
		if (!answer.ok) {
			this.say(answer.message);
			return false;
		}
		this.keeper.take(answer.value.map(documentOf));
		this.order = answer.value.map((stored) => stored.key);
		await this.keeper.recoverDrafts(isCourse);
		return true;
	}

	/** One undoable step; changes with the same mark, one after the other, are one step. */
	change(id: string, label: string, recipe: (course: Course) => Course, mark: string | null = null): void {
		const course = this.get(id);
		if (!course) return;
		const key = courseKey(id);
		this.keeper.change(
			`${label} in ${course.name}`,
			(draft) => void (draft[key] = recipe(course) as ImmerDraft<Course>),
			mark === null ? null : `${key} ${mark}`
		);
	}

	/** Adds a course under a free id and returns that; null when the server refused. */
	async add(document: Course, note = ''): Promise<string | null> {
		const own = { ...document, id: freeId(document.name, this.order ?? []) };
		const made = await api.createCourse(this.project, own, note);
		if (!made.ok) {
			this.say(
				made.away
					? 'The server does not answer, so nothing new can be kept right now. Try again shortly.'
					: made.message
			);
			return null;
		}
		const id = made.value.key;
		this.keeper.take([documentOf(made.value)]);
		this.order = [...(this.order ?? []), id];
		this.keeper.note(`Add “${document.name}”`, {
			undo: () => void this.putAway(id, true),
			redo: () => void this.putAway(id, false)
		});
		return id;
	}

	addNew(): Promise<string | null> {
		return this.add(newCourse('new', 'New course'), 'made new');
	}

	copy(id: string): Promise<string | null> {
		const source = this.get(id)!;
		return this.add({ ...source, name: `${source.name}, copy`.slice(0, 120) }, `copied from ${source.name}`);
	}

	/** Takes a course out of use; undo brings it back. False when the server refused. */
	async retire(id: string): Promise<boolean> {
		const name = this.get(id)?.name ?? id;
		if (!(await this.putAway(id, true))) return false;
		const back = (): void => void this.putAway(id, false);
		this.keeper.note(`Retire “${name}”`, { undo: back, redo: () => void this.putAway(id, true) });
		this.say(`“${name}” is retired.`, { label: 'Bring back', run: back });
		return true;
	}

	private async putAway(id: string, away: boolean): Promise<boolean> {
		const done = await api.retireCourses(this.project, [id], away);
		if (!done.ok) {
			this.say(done.message);
			return false;
		}
		this.order = arranged(this.order ?? [], [id], away, (other) => this.keeper.savedOf(courseKey(other))?.position);
		return true;
	}
}
