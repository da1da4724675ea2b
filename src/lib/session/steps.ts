/**
 * Undo as data, by fields. A step knows what it set and what takes that back; it takes back only fields that nobody else has changed since.
 * One gesture (a drag, a run of arrow presses) is one step. Steps are plain data: they outlive a reload.
 */
import { inverse, isBodyPath, joined, overlap, type Envelope, type FieldChange, type Path } from '$lib/documents';

export interface StepPart {
	readonly document: string;
	readonly forth: readonly FieldChange[];
	/** In the order in which it must be done. */
	readonly back: readonly FieldChange[];
	/** Fields that somebody else has changed since. */
	readonly lost: readonly Path[];
}

export interface Step {
	readonly label: string;
	/** Changes with the same mark, one after the other, are one step. null: never joined. */
	readonly mark: string | null;
	readonly parts: readonly StepPart[];
}

export interface Fields {
	readonly document: string;
	readonly fields: readonly FieldChange[];
}

const MOST_STEPS = 1000;

/** A part of a step out of what was changed in a document as it was before. A document that is made is taken back by taking it out of use. */
export function partOf(document: string, before: Envelope | undefined, fields: readonly FieldChange[]): StepPart {
	if (!before)
		return {
			document,
			forth: [{ path: ['retired'], to: false }],
			back: [{ path: ['retired'], to: true }],
			lost: []
		};
	return { document, forth: fields, back: inverse(before, fields), lost: [] };
}

const isLost = (lost: readonly Path[], path: Path): boolean => lost.some((other) => overlap(other, path));

/** Whether an earlier change of the same gesture has set this field, or what it is a part of. */
const isCovered = (forth: readonly FieldChange[], path: Path): boolean =>
	forth.some((earlier) => earlier.path.length <= path.length && overlap(earlier.path, path));

function joinPart(one: StepPart, two: StepPart): StepPart {
	const back = [...two.back.filter(({ path }) => !isCovered(one.forth, path)), ...one.back];
	return { ...one, forth: joined(one.forth, two.forth), back };
}

function joinParts(one: readonly StepPart[], two: readonly StepPart[]): StepPart[] {
	const parts = [...one];
	for (const part of two) {
		const i = parts.findIndex((known) => known.document === part.document);
		if (i < 0) parts.push(part);
		else parts[i] = joinPart(parts[i]!, part);
	}
	return parts;
}

export class Steps {
	past: Step[] = [];
	future: Step[] = [];

	/** What the next undo takes back; null when there is nothing. */
	get undoLabel(): string | null {
		return this.past.at(-1)?.label ?? null;
	}

	get redoLabel(): string | null {
		return this.future.at(-1)?.label ?? null;
	}

	/** The documents of the next step. */
	documentsOf(way: 'undo' | 'redo'): readonly string[] {
		return ((way === 'undo' ? this.past : this.future).at(-1)?.parts ?? []).map(({ document }) => document);
	}

	add(step: Step): void {
		this.future = [];
		const last = this.past.at(-1);
		if (last && step.mark !== null && last.mark === step.mark)
			this.past[this.past.length - 1] = { ...last, parts: joinParts(last.parts, step.parts) };
		else this.past.push(step);
		if (this.past.length > MOST_STEPS) this.past.shift();
	}

	/** Ends the gesture: the next change is a step of its own even with the same mark. */
	seal(): void {
		const last = this.past.at(-1);
		if (last) this.past[this.past.length - 1] = { ...last, mark: null };
	}

	/**
	 * Takes the last step off one side and gives what is to be done for it, without the fields that are lost, and which those are. Null when
	 * there is no step. `done` puts what was really done on the other side.
	 */
	take(way: 'undo' | 'redo'): { label: string; todo: Fields[]; lost: Path[] } | null {
		const step = (way === 'undo' ? this.past : this.future).pop();
		if (!step) return null;
		const todo: Fields[] = [];
		const lost: Path[] = [];
		for (const part of [...step.parts].reverse()) {
			const fields = part.back.filter(({ path }) => !isLost(part.lost, path));
			lost.push(...part.back.filter(({ path }) => isLost(part.lost, path)).map(({ path }) => path));
			if (fields.length > 0) todo.push({ document: part.document, fields });
		}
		return { label: step.label, todo, lost };
	}

	done(way: 'undo' | 'redo', label: string, parts: readonly StepPart[]): void {
		(way === 'undo' ? this.future : this.past).push({ label, mark: null, parts });
	}

	/** Somebody else has changed fields of a document: what steps set there before is not theirs to take back any more. */
	lose(document: string, paths: readonly Path[]): void {
		const mark = (step: Step): Step => {
			if (!step.parts.some((part) => part.document === document)) return step;
			return {
				...step,
				parts: step.parts.map((part) => {
					if (part.document !== document) return part;
					const hit = paths.filter((path) => part.back.some((field) => overlap(field.path, path)));
					return hit.length === 0 ? part : { ...part, lost: [...part.lost, ...hit] };
				})
			};
		};
		this.past = this.past.map(mark);
		this.future = this.future.map(mark);
	}

	/** Fields that were refused were never set: they are in no step any more. */
	forget(document: string, paths: readonly Path[]): void {
		const without = (step: Step): Step[] => {
			const parts = step.parts.flatMap((part): StepPart[] => {
				if (part.document !== document) return [part];
				const keep = ({ path }: FieldChange): boolean => !paths.some((other) => overlap(other, path));
				const back = part.back.filter(keep);
				return back.length === 0 ? [] : [{ ...part, forth: part.forth.filter(keep), back }];
			});
			return parts.length === 0 ? [] : [{ ...step, parts }];
		};
		// Only the newest that set them: what was set there before was acknowledged.
		for (let i = this.past.length - 1; i >= 0; i--) {
			const step = this.past[i]!;
			const touches = step.parts.some(
				(part) =>
					part.document === document && part.forth.some(({ path }) => paths.some((other) => overlap(other, path)))
			);
			if (!touches) continue;
			this.past.splice(i, 1, ...without(step));
			return;
		}
	}
}

/** What a person calls a field: the names on the way to it, without those that only the tree has. */
export const fieldName = (path: Path): string =>
	path
		.slice(isBodyPath(path) ? 1 : 0)
		.filter((step) => step !== 'is')
		.join(' ') || 'it';
