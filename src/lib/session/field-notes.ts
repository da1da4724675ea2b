/** What waits beside its field because somebody else was first, and where on the page that field is. */
import { shownOfHeld, type AnyDocument, type Path } from '$lib/documents';
import type { Refused } from './refused';
import { fieldName, type Fields } from './steps';
import type { WorkingCopy } from './working-copy.svelte';

const nameOf = (document: string, path: Path): string => [document, ...path].join(' ');

export class FieldNotes {
	private readonly controls = new Map<string, string>();

	constructor(
		private readonly work: WorkingCopy,
		private readonly say: (text: string) => void
	) {}

	/** Each waits until it is taken or dropped. */
	get list(): readonly Refused[] {
		return this.work.refused;
	}

	/** What everybody has in such a field, and what it is called. */
	standing(refused: Refused): { readonly name: string; readonly field: string; readonly theirs: unknown } {
		const held = this.work.get(refused.document);
		return {
			name: held ? ((shownOfHeld(held) as AnyDocument).name ?? held.id) : 'a document',
			field: fieldName(refused.path),
			theirs: this.work.ackedValue(refused)
		};
	}

	/** What the control is called that a field was changed with; undefined where nobody knows. */
	controlOf({ document, path }: Pick<Refused, 'document' | 'path'>): string | undefined {
		return this.controls.get(nameOf(document, path));
	}

	/** The control that has the focus is where a change comes from: a note about its value stands there. */
	noteControl(changes: readonly Fields[]): void {
		const active = typeof document === 'undefined' ? null : document.activeElement;
		// A number that is typed stands in for its control only while it is.
		const control = active?.closest('.field')?.querySelector('[role="spinbutton"]') ?? active;
		const name = control?.getAttribute('aria-label');
		if (name)
			for (const { document, fields } of changes)
				for (const { path } of fields) this.controls.set(nameOf(document, path), name);
	}

	/** Puts what was refused in the place of what everybody has. */
	take(id: string): void {
		if (!this.work.takeRefused(id)) this.say('What it was a part of is not there any more; nothing was changed.');
	}

	/** Lets go of what was refused. */
	drop(id: string): void {
		this.work.leaveRefused(id);
	}
}
