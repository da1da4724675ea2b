/**
 * A window's own copy of a project. What the server has acknowledged and what is still on its way are kept apart: what is shown is the one
 * with the other on top. Changes are put in here and shown at once; whoever sends them takes the next one out, and tells what came of it.
 * It knows no kind of document and no network.
 */
import {
	changedBy,
	newEnvelope,
	newUuid,
	valueAt,
	type ChangePart,
	type Envelope,
	type FieldChange,
	type Held,
	type KindName,
	type MadeChange,
	type Refusal
} from '$lib/documents';
import { Absent } from './absent';
import { merged, mergedParts, type Pending } from './pending';
import { ShownDocuments } from './shown-documents.svelte';
import { sorted, withoutSet, withWaiting, type Refused } from './refused';
import { fieldName, partOf, Steps, type Fields, type Step, type StepPart } from './steps';

/** What outlives a reload. */
export interface Kept {
	readonly seen: number;
	readonly pending: readonly Pending[];
	readonly refused: readonly Refused[];
	readonly past: readonly Step[];
	readonly future: readonly Step[];
}

export interface CopyHost {
	/** Hears of every document that is shown differently, however it came about, and of it as it was; `own`: something of it is still on its way. */
	changed(held: Held, before: Held | undefined, own: boolean): void;
	/** Hears of every document that is shown under another id. */
	renamed?(held: Held, from: string): void;
	/** Hears of every change that the server made, whoever asked for it, once the documents are shown as it left them. */
	made?(change: MadeChange): void;
	/** Something is to be sent, or to be kept. */
	stirred(): void;
}

export class WorkingCopy {
	undoLabel = $state<string | null>(null);
	redoLabel = $state<string | null>(null);
	refused = $state.raw<readonly Refused[]>([]);
	/** Documents that have something on its way. */
	busy = $state.raw<ReadonlySet<string>>(new Set());
	/** The name of the window. */
	window: string;
	private readonly names = new Set<string>();
	/** The last number of the project that was heard of. */
	seen: number;
	private readonly documents: ShownDocuments;
	private pending: Pending[] = [];
	private readonly absent = new Absent();
	private gesture: { readonly mark: string; readonly name: string } | null = null;
	private readonly steps = new Steps();
	/** While several changes are gathered into one. */
	private gathered: { label: string; fields: Fields[]; parts: StepPart[] } | null = null;

	constructor(
		first: string,
		documents: readonly Held[],
		seen: number,
		private readonly host: CopyHost
	) {
		this.window = first;
		this.names.add(first);
		this.seen = seen;
		this.documents = new ShownDocuments(
			(uuid, acked) => this.standing(uuid, acked),
			(held, from, before) => {
				host.changed(held, before, this.isOnItsWay(held.uuid));
				if (from !== undefined) host.renamed?.(held, from);
			}
		);
		this.take(documents);
	}

	/** The window's name is known only once the browser was asked; what it did before that is its own all the same. */
	goesBy(name: string): void {
		this.window = name;
		this.names.add(name);
	}

	/** Those of a kind that are in use, in the project's order. */
	list(kind: KindName): readonly Held[] {
		return this.documents.list(kind);
	}

	/** A document as it is shown, also one that is out of use; depends on all of its kind. */
	get(uuid: string): Held | undefined {
		return this.documents.get(uuid);
	}

	/** By its id, in one of these kinds. */
	find(kinds: readonly KindName[], id: string): Held | undefined {
		return this.documents.find(kinds, id);
	}

	/** Where the server has it. */
	ackedOf(uuid: string): Held | undefined {
		void this.get(uuid);
		return this.documents.ackedOf(uuid);
	}

	/** All that is here, of every kind, in use or not. */
	all(): Held[] {
		return this.documents.all();
	}

	private isOnItsWay(uuid: string): boolean {
		return this.pending.some(({ parts }) => parts.some(({ document }) => document === uuid));
	}

	get isIdle(): boolean {
		return this.pending.length === 0;
	}

	/** Takes in documents as the server has them; one that is here already, or is older, changes nothing. */
	take(documents: readonly Held[]): void {
		const news = documents.filter(({ uuid, version }) => version > (this.documents.ackedOf(uuid)?.version ?? -1));
		if (news.length === 0) return;
		for (const held of news) {
			this.documents.acknowledge(held);
			this.absent.came(held);
		}
		this.documents.show(news.map(({ uuid }) => uuid));
	}

	/** Documents that are to be asked for. */
	get wanted(): readonly string[] {
		return this.absent.wanted;
	}

	/** Takes in what was asked for; what is not there is not asked for again. */
	bring(documents: readonly Held[], asked: readonly string[] = []): void {
		this.absent.asked(asked);
		this.take(documents);
	}

	/** What the next step needs that is not here: documents that were out of use when the page was opened. */
	lackingFor(way: 'undo' | 'redo'): readonly string[] {
		return this.steps.documentsOf(way).filter((uuid) => !this.documents.peek(uuid));
	}

	/** Changes fields of documents as one undoable step; changes with the same mark, one after the other, are one step. */
	change(label: string, changes: readonly Fields[], mark: string | null = null, note = ''): boolean {
		const real = changes.filter(({ fields }) => fields.length > 0);
		if (real.length === 0) return false;
		const parts = real.map(({ document, fields }) => partOf(document, this.documents.peek(document), fields));
		if (this.gathered) {
			this.gathered.fields.push(...real);
			this.gathered.parts.push(...parts);
			this.put(label, real, 'gathered', note);
			return true;
		}
		this.put(label, real, mark, note);
		this.steps.add({ label, mark, parts });
		this.stir();
		return true;
	}

	/** Changes fields that are nobody's work to take back. */
	quietly(label: string, changes: readonly Fields[]): void {
		if (changes.length === 0) return;
		this.put(label, changes, 'gathered', '');
		this.stir();
	}

	/** Everything that `work` changes is one step, and one change. */
	group(label: string, work: () => void): void {
		const gathered = (this.gathered = { label, fields: [] as Fields[], parts: [] as StepPart[] });
		const before = this.pending.length;
		try {
			work();
		} finally {
			this.gathered = null;
		}
		if (gathered.parts.length === 0) return;
		const own = this.pending.slice(before);
		const note = own.map((one) => one.note).find((text) => text !== '') ?? '';
		const parts = mergedParts(own.flatMap((one) => one.parts));
		const one = { change: newUuid(), label, note, gesture: '', parts, open: false, sent: false, joins: 0 };
		// What the server did already is a step, and nothing to be sent.
		this.pending.splice(before, own.length, ...(parts.length > 0 ? [one] : []));
		this.steps.add({ label, mark: null, parts: gathered.parts });
		this.stir();
	}

	/** Something that the server did for this window already, as a step: documents that were made. */
	noteMade(label: string, documents: readonly string[]): void {
		const parts = documents.map((document) => partOf(document, undefined, []));
		if (this.gathered) return void this.gathered.parts.push(...parts);
		this.steps.add({ label, mark: null, parts });
		this.stir();
	}

	seal(): void {
		this.gesture = null;
		this.steps.seal();
	}

	/** Takes the last step back, or does it again. What somebody else has changed since stays, and is named. Null: there is no step. */
	turn(way: 'undo' | 'redo'): { label: string; stayed: string[]; failed: boolean } | null {
		const step = this.steps.take(way);
		if (!step) return null;
		const stayed = [...new Set(step.lost.map(fieldName))];
		const todo = merged(step.todo);
		const fits = todo.every(({ document, fields }) => {
			const held = this.documents.peek(document);
			return held && changedBy(held, fields) !== null;
		});
		const failed = !fits || todo.length === 0;
		if (!failed) {
			const parts = todo.map(({ document, fields }) => partOf(document, this.documents.peek(document), fields));
			this.put(step.label, todo, null, '');
			this.steps.done(way, step.label, parts);
		}
		this.stir();
		return { label: step.label, stayed, failed };
	}

	/** What is to be sent next; null: nothing. From then on nothing is joined to it. */
	next(): Pending | null {
		const first = this.pending[0];
		if (!first) return null;
		// One that was made here and changed before the server had it began from its first version.
		const parts = first.parts.map((part) => (newEnvelope(part) || part.on ? part : { ...part, on: 1 }));
		if (!first.sent) this.pending[0] = { ...first, parts, sent: true };
		return this.pending[0]!;
	}

	/** Of a drag, how many changes have come to what is sent next since its first; -1: nothing can come to it any more. */
	get joins(): number {
		const [first, ...rest] = this.pending;
		return first && rest.length === 0 && first.open && !first.sent ? first.joins : -1;
	}

	/** What was made, by whomever, in its order. What was heard already is passed by. */
	hear(changes: readonly MadeChange[]): void {
		const touched = new Set<string>();
		const news = changes.filter((change) => change.number > this.seen);
		for (const change of news) {
			this.seen = change.number;
			const own = this.names.has(change.window);
			if (own) this.settle(change.change, touched);
			for (const part of change.parts) {
				if (!own)
					this.steps.lose(
						part.document,
						part.fields.map(({ path }) => path)
					);
				const held = this.documents.ackedOf(part.document);
				if (held && held.version >= part.version) continue;
				const after = changedBy(held ?? null, part.fields) as Envelope | null;
				if (!after) {
					this.absent.hear(part);
					continue;
				}
				const { version } = part;
				this.documents.acknowledge({ ...after, uuid: part.document, version, savedAt: change.savedAt });
				touched.add(part.document);
				if (own) this.refused = withoutSet(this.refused, part.document, part.fields);
			}
		}
		if (touched.size > 0) this.documents.show([...touched]);
		for (const change of news) this.host.made?.(change);
		if (touched.size > 0) this.stir();
	}

	/** The server has a change of this window, whether it came to anything or not. */
	acknowledge(change: string): void {
		const touched = new Set<string>();
		this.settle(change, touched);
		this.documents.show([...touched]);
		this.stir();
	}

	private settle(change: string, touched: Set<string>): void {
		const made = this.pending.find((one) => one.change === change);
		if (!made) return;
		this.pending = this.pending.filter((one) => one !== made);
		for (const { document } of made.parts) touched.add(document);
	}

	/** A change was refused: its fields wait beside what everybody has; what was not at fault goes on by itself. */
	refuse(change: string, refusals: readonly Refusal[]): void {
		const at = this.pending.findIndex((one) => one.change === change);
		const refused = this.pending[at];
		if (!refused) return;
		const { rest, waiting } = sorted(refused, refusals);
		for (const { document } of refused.parts) {
			const paths = waiting.filter((one) => one.document === document).map(({ path }) => path);
			if (paths.length > 0) this.steps.forget(document, paths);
		}
		const again = { ...refused, change: newUuid(), open: false, parts: rest, sent: false };
		this.pending.splice(at, 1, ...(rest.length > 0 ? [again] : []));
		this.refused = withWaiting(this.refused, waiting);
		this.documents.show(refused.parts.map(({ document }) => document));
		this.stir();
	}

	/** Puts the refused value in the place of what everybody has. False when it has no place any more. */
	takeRefused(id: string): boolean {
		const waiting = this.refused.find((one) => one.id === id);
		if (!waiting) return false;
		const { document, path, mine, label } = waiting;
		const held = this.documents.peek(document);
		const field: FieldChange = mine === undefined ? { path } : { path, to: mine };
		if (!held || changedBy(held, [field]) === null) return false;
		this.leaveRefused(id);
		return this.change(label, [{ document, fields: [field] }]);
	}

	leaveRefused(id: string): void {
		this.refused = this.refused.filter((one) => one.id !== id);
		this.stir();
	}

	/** What a field holds as the server has it. */
	ackedValue({ document, path }: Pick<Refused, 'document' | 'path'>): unknown {
		void this.get(document);
		return valueAt(this.documents.ackedOf(document), path);
	}

	/** What must not be lost with the page. */
	get kept(): Kept {
		const { past, future } = this.steps;
		return { seen: this.seen, pending: this.pending, refused: this.refused, past, future };
	}

	/** Goes on with what an earlier page of this window left; what has been made since is heard of afterwards. */
	goOn({ pending, refused, past, future }: Kept): void {
		this.pending = [...pending.map((one) => ({ ...one, open: false })), ...this.pending];
		this.refused = [...refused, ...this.refused];
		this.steps.past = [...past, ...this.steps.past];
		this.steps.future = [...future];
		this.absent.need(
			pending.flatMap(({ parts }) => parts),
			(document) => this.documents.peek(document) !== undefined
		);
		this.documents.show(pending.flatMap((one) => one.parts.map(({ document }) => document)));
		this.stir();
	}

	/** What others did to fields since an earlier page of this window: its steps do not take that back. */
	loseTo(changes: readonly MadeChange[]): void {
		for (const change of changes)
			if (!this.names.has(change.window))
				for (const { document, fields } of change.parts)
					this.steps.lose(
						document,
						fields.map(({ path }) => path)
					);
		this.stir();
	}

	/** Takes over changes that a window left which is gone. */
	adopt(pending: readonly Pending[]): void {
		for (const one of pending) {
			const parts = one.parts.map(({ document, fields }) => partOf(document, this.documents.peek(document), fields));
			this.steps.add({ label: `Recover: ${one.label}`, mark: null, parts });
			this.pending.push({ ...one, open: false, sent: false });
		}
		this.documents.show(pending.flatMap((one) => one.parts.map(({ document }) => document)));
		this.stir();
	}

	private put(label: string, changes: readonly Fields[], mark: string | null, note: string): void {
		const parts = merged(changes).map(({ document, fields }): ChangePart => {
			const on = this.documents.ackedOf(document)?.version;
			return { document, fields, ...(on !== undefined && { on }) };
		});
		const last = this.pending.at(-1);
		const gesture = this.gestureOf(mark);
		const open = note === '' && mark !== 'gathered';
		// What has not been sent yet and comes so soon after one another is one change, as it is one version.
		if (last && open && last.open && !last.sent) {
			const goesOn = gesture !== '' && last.gesture === gesture;
			this.pending[this.pending.length - 1] = {
				...last,
				gesture: goesOn ? gesture : '',
				parts: mergedParts([...last.parts, ...parts]),
				joins: goesOn ? last.joins + 1 : last.joins
			};
		} else this.pending.push({ change: newUuid(), label, note, gesture, parts, open, sent: false, joins: 0 });
		this.documents.show(changes.map(({ document }) => document));
	}

	/** What goes on with the same mark is one gesture, until it is let go of. */
	private gestureOf(mark: string | null): string {
		if (mark === null || mark === 'gathered') {
			this.gesture = null;
			return '';
		}
		if (this.gesture?.mark !== mark) this.gesture = { mark, name: newUuid() };
		return this.gesture.name;
	}

	/** What is acknowledged of a document, with what is on its way on top. */
	private standing(uuid: string, acked: Held | undefined): Held | undefined {
		let held = acked;
		for (const { parts } of this.pending)
			for (const part of parts) {
				if (part.document !== uuid) continue;
				const after = changedBy(held ?? null, part.fields) as Envelope | null;
				if (after) held = { uuid, version: 0, savedAt: '', ...held, ...after };
			}
		return held;
	}

	private stir(): void {
		this.undoLabel = this.steps.undoLabel;
		this.redoLabel = this.steps.redoLabel;
		this.busy = new Set(this.pending.flatMap((one) => one.parts.map(({ document }) => document)));
		this.host.stirred();
	}
}
