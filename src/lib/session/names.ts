/**
 * Names and ids. The id is what a game's code and files call a document by: it follows the name until something outside may know it (sent
 * out, brought in, or set by hand), and from then on it is changed by hand only. Whoever points at it goes with it, in the same step.
 */
import {
	idFor,
	isId,
	KINDS,
	ownerOf,
	renamed,
	shownOfHeld,
	type AnyDocument,
	type Held,
	type Stub
} from '$lib/documents';
import type { Fields } from './steps';
import type { WorkingCopy } from './working-copy.svelte';

const isName = (path: readonly string[]): boolean => path.length === 2 && path[0] === 'body' && path[1] === 'name';

export class Names {
	constructor(
		private readonly work: WorkingCopy,
		/** What is known of those out of use: their ids are taken too. */
		private readonly stubs: () => Iterable<Stub>
	) {}

	/** A change with the ids that follow from the names in it. */
	following(changes: readonly Fields[]): readonly Fields[] {
		const more = changes.flatMap(({ document, fields }): Fields[] => {
			const name = fields.find(({ path }) => isName(path))?.to;
			const held = typeof name === 'string' ? this.work.get(document) : undefined;
			if (!held || held.settled || held.kind === 'project') return [];
			const id = idFor(held, name as string, this.others());
			return id === held.id ? [] : renamed(held, id, this.work.all());
		});
		return more.length > 0 ? [...changes, ...more] : changes;
	}

	/** Gives a document an id by hand, as one step; from then on it stays. Returns what is wrong with it; empty: nothing. */
	rename(held: Held, id: string): string {
		if (id === held.id) return '';
		if (!isId(id)) return 'An id has 1 to 64 of a–z, 0–9 and “-”.';
		const other = ownerOf(held, id, this.others());
		if (other) return `“${id}” is the id of ${this.said(other)}.`;
		const [own, ...rest] = renamed(held, id, this.work.all());
		const settled = { ...own!, fields: [...own!.fields, { path: ['settled'], to: true }] };
		this.work.seal();
		this.work.change(`Id ${id}`, [settled, ...rest]);
		return '';
	}

	/** What was sent out, brought in or packed is known outside by its id: it does not follow its name any more. */
	settle(helds: Iterable<Held>): void {
		const open = [...helds].filter((held) => !held.settled && held.kind !== 'project');
		this.work.quietly(
			'Ids are known outside',
			open.map(({ uuid }) => ({ document: uuid, fields: [{ path: ['settled'], to: true }] }))
		);
	}

	private others(): Iterable<Pick<Held, 'uuid' | 'kind' | 'id'>> {
		return [...this.work.all(), ...this.stubs()];
	}

	private said({ uuid, kind }: Pick<Held, 'uuid' | 'kind'>): string {
		const held = this.work.get(uuid);
		const name = held && (shownOfHeld(held) as AnyDocument).name;
		return name ? `“${name}”` : `another ${KINDS[kind].word}, out of use`;
	}
}
