/** Undo as data: reversible diffs of a frozen document. One gesture (a drag, a run of arrow presses) is one step. */
import { applyPatches, enablePatches, produceWithPatches, type Draft, type Patch } from 'immer';

interface Step {
	readonly label: string;
	/** Changes with the same mark, one after the other, are one step. null: never joined. */
	mark: string | null;
	patches: Patch[];
	inverse: Patch[];
	/** For what is no change of the document: does it again, or takes it back. */
	readonly act?: Act;
	/** For a step of several: they are done and taken back together. */
	readonly parts?: readonly Step[];
}

/** Something reversible that happens outside the document. */
export interface Act {
	readonly undo: () => void;
	readonly redo: () => void;
}

const MOST_STEPS = 1000;
const key = (patch: Patch): string => patch.path.join('\u0000');

export class History<T extends object> {
	private past: Step[] = [];
	private future: Step[] = [];
	/** While several are gathered into one. */
	private gathered: Step[] | null = null;

	constructor(private document: T) {
		enablePatches();
	}

	get present(): T {
		return this.document;
	}

	/** What the next undo takes back; null when there is nothing. */
	get undoLabel(): string | null {
		return this.past.at(-1)?.label ?? null;
	}

	get redoLabel(): string | null {
		return this.future.at(-1)?.label ?? null;
	}

	/** Changes the document. Returns false when the recipe changed nothing. */
	change(label: string, recipe: (draft: Draft<T>) => void, mark: string | null = null): boolean {
		const [next, patches, inverse] = produceWithPatches(this.document, (draft) => void recipe(draft));
		if (patches.length === 0) return false;
		this.document = next;
		this.future = [];
		const last = this.gathered ? undefined : this.past.at(-1);
		if (last && mark !== null && last.mark === mark) join(last, patches, inverse);
		else this.push({ label, mark, patches, inverse });
		return true;
	}

	/** Notes something reversible that was done outside the document as a step of its own. */
	note(label: string, act: Act): void {
		this.push({ label, mark: null, patches: [], inverse: [], act });
	}

	/** Everything that `work` changes and notes is one step. Returns false when that was nothing. */
	group(label: string, work: () => void): boolean {
		const parts: Step[] = (this.gathered = []);
		try {
			work();
		} finally {
			this.gathered = null;
		}
		if (parts.length === 0) return false;
		this.push({ label, mark: null, patches: [], inverse: [], parts });
		return true;
	}

	private push(step: Step): void {
		this.future = [];
		if (this.gathered) return void this.gathered.push(step);
		this.past.push(step);
		if (this.past.length > MOST_STEPS) this.past.shift();
	}

	/** Ends the gesture: the next change is a step of its own even with the same mark. */
	seal(): void {
		const last = this.past.at(-1);
		if (last) last.mark = null;
	}

	/** Takes in a change made elsewhere. It is no step: undo passes it by. */
	accept(recipe: (draft: Draft<T>) => void): void {
		this.document = produceWithPatches(this.document, (draft) => void recipe(draft))[0];
	}

	/** Takes the last step back and returns its label; null when there is none. A step that no longer fits is dropped. */
	undo(): string | null {
		return this.move(this.past, this.future, 'inverse');
	}

	redo(): string | null {
		return this.move(this.future, this.past, 'patches');
	}

	private move(from: Step[], to: Step[], way: 'patches' | 'inverse'): string | null {
		for (let step = from.pop(); step; step = from.pop()) {
			try {
				const parts = step.parts ?? [step];
				const inOrder = way === 'patches' ? parts : [...parts].reverse();
				// The documents first: when one no longer fits nothing has been done.
				let document = this.document;
				for (const part of inOrder) if (!part.act) document = applyPatches(document, part[way]);
				this.document = document;
				for (const part of inOrder) part.act?.[way === 'patches' ? 'redo' : 'undo']();
			} catch {
				continue;
			}
			step.mark = null;
			to.push(step);
			return step.label;
		}
		return null;
	}
}

/** Joins a change onto a step: the latest forward diff, the earliest backward one when both touch the same places. */
function join(step: Step, patches: Patch[], inverse: Patch[]): void {
	const same =
		patches.length === step.patches.length &&
		patches.every(
			(p, i) => p.op === 'replace' && step.patches[i]!.op === 'replace' && key(p) === key(step.patches[i]!)
		);
	step.inverse = same ? step.inverse : [...inverse, ...step.inverse];
	step.patches = same ? patches : [...step.patches, ...patches];
}
