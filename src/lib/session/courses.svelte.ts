/** The project's courses and takes as a page has them open. They come when a room first asks for them. */
import {
	fieldsTowards,
	freeId,
	newCourse,
	shownOfHeld,
	type AnyDocument,
	type Course,
	type KindName
} from '$lib/documents';
import * as api from './api';
import type { Notice } from './notices.svelte';
import type { Fields } from './steps';
import type { WorkingCopy } from './working-copy.svelte';

/** In no id there is a star: no preset can have such a key. */
const COURSE = '*course ';
export const courseKey = (id: string): string => COURSE + id;
export const courseId = (key: string): string => key.slice(COURSE.length);
export const isCourse = (key: string): boolean => key.startsWith(COURSE);

export interface CoursesHost {
	/** The project's part of the address. */
	readonly project: string;
	/** Makes a document at once and returns its id; null when the server did not take it. */
	make(label: string, kind: KindName, document: AnyDocument, note: string): Promise<string | null>;
	/** A change with the ids that follow from the names in it. */
	following(changes: readonly Fields[]): readonly Fields[];
	/** One was just made and waits for its name. */
	fresh(id: string): void;
	say(text: string, action?: Notice['action']): void;
}

export class Courses {
	private come = $state(false);
	/** In the project's order; empty until they have come. */
	readonly list = $derived.by(() =>
		this.come ? this.work.list('course').map((held) => shownOfHeld(held) as Course) : []
	);
	/** Ids in the project's order; null while they have not come. */
	readonly order = $derived.by((): readonly string[] | null => (this.come ? this.list.map(({ id }) => id) : null));

	constructor(
		private readonly work: WorkingCopy,
		private readonly host: CoursesHost
	) {}

	get(id: string): Course | undefined {
		const held = this.work.find(['course'], id);
		return held && !held.retired ? (shownOfHeld(held) as Course) : undefined;
	}

	/** Asks for them once. False when they did not come. */
	async fetch(): Promise<boolean> {
		if (this.come) return true;
		for await (const answer of api.pagesOf(this.host.project, { kinds: ['course'] })) {
			if (!answer.ok) {
				this.host.say(answer.message);
				return false;
			}
			this.work.take(answer.value);
		}
		this.come = true;
		return true;
	}

	/** One undoable step; changes with the same mark, one after the other, are one step. */
	change(id: string, label: string, recipe: (course: Course) => Course, mark: string | null = null): void {
		const held = this.work.find(['course'], id);
		if (!held) return;
		const course = shownOfHeld(held) as Course;
		const fields = fieldsTowards(held, recipe(course));
		const own = mark === null ? null : `${courseKey(id)} ${mark}`;
		this.work.change(`${label} in ${course.name}`, this.host.following([{ document: held.uuid, fields }]), own);
	}

	/** Adds a course under a free id and returns that; null when the server refused. */
	add(document: Course, note = ''): Promise<string | null> {
		const own = { ...document, id: freeId(document.name, this.order ?? []) };
		return this.host.make(`Add “${document.name}”`, 'course', own, note);
	}

	/** A new course, which is named at once. */
	async addNew(): Promise<string | null> {
		const id = await this.add(newCourse('new', 'New course'), 'made new');
		if (id) this.host.fresh(id);
		return id;
	}

	copy(id: string): Promise<string | null> {
		const source = this.get(id)!;
		return this.add({ ...source, name: `${source.name}, copy`.slice(0, 120) }, `copied from ${source.name}`);
	}

	/** Takes a course out of use; undo brings it back. */
	retire(id: string): Promise<boolean> {
		const held = this.work.find(['course'], id);
		if (!held) return Promise.resolve(false);
		const name = (shownOfHeld(held) as Course).name;
		const put = (label: string, to: boolean): void =>
			void this.work.change(label, [{ document: held.uuid, fields: [{ path: ['retired'], to }] }]);
		put(`Retire “${name}”`, true);
		this.host.say(`“${name}” is retired.`, { label: 'Bring back', run: () => put(`Bring back “${name}”`, false) });
		return Promise.resolve(true);
	}
}
