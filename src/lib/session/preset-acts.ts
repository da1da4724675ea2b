/** What is done with presets as wholes: made, copied, taken out of use and brought back, changed many at once. */
import { produce, type Draft as ImmerDraft } from 'immer';
import {
	PRESET_KINDS,
	creation,
	fieldsTowards,
	freeId,
	newUuid,
	shownOfHeld,
	type AnyDocument,
	type Held,
	type KindName
} from '$lib/documents';
import type { AnyPreset, ShakePreset } from 'dinesis-runtime';
import { newBob, newLag, newPreset, type View } from 'dinesis-runtime/tools';
import * as api from './api';
import type { Outbox } from './outbox.svelte';
import type { ProjectSession } from './session.svelte';
import { nameOf } from './standing.svelte';
import type { Fields } from './steps';
import type { WorkingCopy } from './working-copy.svelte';

export class PresetActs {
	constructor(
		private readonly session: ProjectSession,
		private readonly work: WorkingCopy,
		private readonly outbox: Outbox
	) {}

	/** Makes documents at once; null when the server did not take them, and that is said. */
	private async send(
		list: readonly { readonly kind: KindName; readonly document: AnyDocument }[],
		note: string
	): Promise<readonly Held[] | null> {
		const parts = list.map(({ kind, document }) => ({ document: newUuid(), fields: [creation(kind, document, '')] }));
		const made = await this.outbox.make(note.slice(0, 200), parts);
		if (made.ok) return made.value;
		const away = 'The server does not answer, so nothing new can be made right now. Try again shortly.';
		this.session.say(made.away ? away : made.message);
		return null;
	}

	/** Makes one document as a step, and returns its id; null when the server did not take it. */
	async make(label: string, kind: KindName, document: AnyDocument, note: string): Promise<string | null> {
		const made = await this.send([{ kind, document }], note);
		if (!made) return null;
		this.work.noteMade(
			label,
			made.map(({ uuid }) => uuid)
		);
		return made[0]?.id ?? null;
	}

	/** Adds a preset and returns its key; null when the server refused. */
	add(document: AnyPreset, note = ''): Promise<string | null> {
		return this.make(`Add “${document.name}”`, document.family, document, note);
	}

	/** A new shake, which is named at once. */
	addNew(): Promise<string | null> {
		const name = 'New shake';
		return this.fresh(this.add(newPreset(freeId(name, this.session.order), name), 'made new'));
	}

	/** A shake of a name that goes on until it is stopped, to be tuned later; its id, or null when the server did not take it. */
	newContinuous(name: string, view: View): Promise<string | null> {
		const named = name.slice(0, 120);
		const made = newPreset(freeId(named, this.session.order), named);
		return this.add(
			{ ...made, view, suits: 'continuous', timing: { ...made.timing, mode: 'continuous' } },
			'made for a rig'
		);
	}

	/** A copy that remembers its origin. */
	copy(key: string): Promise<string | null> {
		const source = this.session.preset(key)!;
		const name = `${source.name}, copy`.slice(0, 120);
		return this.add(
			{ ...source, id: freeId(name, this.session.order), name, origin: key },
			`copied from ${source.name}`
		);
	}

	/** A new head bob or lag, for space or for a flat picture. */
	newBody(family: 'bob' | 'lag', view: View = 'space'): Promise<string | null> {
		const name = family === 'bob' ? 'New bob' : 'New lag';
		const id = this.freePresetId(name);
		return this.fresh(this.add({ ...(family === 'bob' ? newBob(id, name) : newLag(id, name)), view }, 'made new'));
	}

	/** Whoever shows it next lets it be named. */
	private async fresh(making: Promise<string | null>): Promise<string | null> {
		const id = await making;
		this.session.fresh = id ?? '';
		return id;
	}

	/** A copy of a head bob or a lag. */
	copyBody(key: string): Promise<string | null> {
		const source = this.session.bobsAndLags.find((preset) => preset.id === key)!;
		const name = `${source.name}, copy`.slice(0, 120);
		return this.add({ ...source, id: this.freePresetId(name), name }, `copied from ${source.name}`);
	}

	private freePresetId(name: string): string {
		return freeId(name, [...this.session.order, ...this.session.bobsAndLags.map(({ id }) => id)]);
	}

	/** Takes presets out of use; undo brings them back. */
	async retire(...keys: string[]): Promise<boolean> {
		const present = keys.flatMap((key) => this.work.find(PRESET_KINDS, key) ?? []).filter((held) => !held.retired);
		if (present.length === 0) return false;
		const ids = present.map(({ id }) => id);
		const what = present.length === 1 ? nameOf(present[0]!) : `${present.length} presets`;
		const cues = new Set(ids.flatMap((key) => this.session.usesOf(key))).size;
		const rigs = this.session.wiring.rigs.filter((rig) =>
			ids.some((key) => rig.bob === key || rig.lag === key || rig.motion.some(({ preset }) => preset === key))
		).length;
		this.putAway(`Retire ${what}`, present, true);
		const used = [
			cues > 0 ? ` ${cues === 1 ? 'A cue points' : `${cues} cues point`} there and will do nothing.` : '',
			rigs > 0 ? ` ${rigs === 1 ? 'A rig goes' : `${rigs} rigs go`} without it now.` : ''
		].join('');
		this.session.say(`${what} ${present.length === 1 ? 'is' : 'are'} retired.${used}`, {
			label: 'Bring back',
			run: () => this.putAway(`Bring back ${what}`, present, false)
		});
		return Promise.resolve(true);
	}

	private putAway(label: string, list: readonly Held[], away: boolean): void {
		this.work.change(
			label,
			list.map(({ uuid }) => ({ document: uuid, fields: [{ path: ['retired'], to: away }] }))
		);
	}

	/** Those that were retired, in their order. */
	retired(): Promise<api.Answer<Held[]>> {
		return api.fetchDocuments(this.session.project.slug, { kinds: PRESET_KINDS, retired: true });
	}

	/** Brings a retired preset back into use. */
	bringBack(held: Held): void {
		this.work.take([held]);
		this.putAway(`Bring back ${nameOf(held)}`, [held], false);
	}

	/** Sets one field of several presets as one undoable step. */
	changeMany(keys: readonly string[], label: string, recipe: (preset: ImmerDraft<ShakePreset>) => void): void {
		const fields = keys.flatMap((key): Fields[] => {
			const held = this.work.find(['shake'], key);
			if (!held) return [];
			const next = produce(shownOfHeld(held) as ShakePreset, (draft) => void recipe(draft));
			return [{ document: held.uuid, fields: fieldsTowards(held, next) }];
		});
		this.work.change(label, fields);
	}
}
