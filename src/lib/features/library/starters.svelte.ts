/** The starter sets as the Library shows them: what is listed, chosen and pointed at, and taking them into the project. */
import { dequal } from 'dequal/lite';
import { comparedWith, idsBringing, KINDS, wantedBy, type AnyDocument, type Chosen } from '$lib/documents';
import type { BobPreset, LagPreset, Rig, ShakePreset } from 'dinesis-runtime';
import type { Measure } from '$lib/analysis';
import type { Card } from '$lib/workers/protocol';
import type { ProjectSession } from '$lib/session/session.svelte';
import { starterSets, type Starter } from '$lib/starter/sets';

export interface Shown {
	/** The set's name where another set begins; empty within one, and where the best come first. */
	readonly heading: string;
	readonly starter: Starter;
}

export const idOf = ({ document }: Starter): string => document.id;
export const asShake = ({ kind, document }: Starter): ShakePreset | null =>
	kind === 'shake' ? (document as unknown as ShakePreset) : null;
export const asBody = ({ kind, document }: Starter): BobPreset | LagPreset | null =>
	kind === 'bob' || kind === 'lag' ? (document as unknown as BobPreset | LagPreset) : null;
export const asRig = ({ kind, document }: Starter): Rig | null =>
	kind === 'rig' ? (document as unknown as Rig) : null;

export class Starters {
	readonly sets = starterSets();
	/** The set that is looked at; empty: all of them. */
	set = $state('');
	pointed = $state('');
	private figures = $state(0);
	private readonly cards = new Map<string, Card>();
	private readonly byId = new Map(this.sets.flatMap(({ members }) => members.map((one) => [idOf(one), one] as const)));

	/** `found`: ids that fit what is searched, best first; null: nothing is searched. */
	constructor(
		readonly session: ProjectSession,
		private readonly found: () => readonly string[] | null
	) {}

	readonly list = $derived.by((): readonly Shown[] => {
		const found = this.found();
		const within = (starter: Starter): boolean => this.set === '' || this.setOf(starter) === this.set;
		if (found)
			return this.all(found)
				.filter(within)
				.map((starter) => ({ heading: '', starter }));
		return this.sets.flatMap(({ name, members }) =>
			members.filter(within).map((starter, i) => ({ heading: i === 0 ? name : '', starter }))
		);
	});

	/** How many of each set are listed when all sets are. */
	readonly counts = $derived.by((): ReadonlyMap<string, number> => {
		const found = this.found();
		const counts = new Map<string, number>();
		if (!found) for (const { name, members } of this.sets) counts.set(name, members.length);
		else
			for (const starter of this.all(found))
				counts.set(this.setOf(starter), (counts.get(this.setOf(starter)) ?? 0) + 1);
		return counts;
	});

	readonly here = $derived.by(() => this.byId.get(this.pointed));

	/** Those listed that have figures, for the chart. */
	measured(): { readonly preset: ShakePreset; readonly measure: Measure }[] {
		return this.list.flatMap(({ starter }) => {
			const [preset, card] = [asShake(starter), this.card(idOf(starter))];
			return preset && card && card.measure.pace > 0 ? [{ preset, measure: card.measure }] : [];
		});
	}

	get(id: string): Starter | undefined {
		return this.byId.get(id);
	}
	setOf(starter: Starter): string {
		return this.sets.find(({ members }) => members.includes(starter))?.name ?? '';
	}

	/** What of the sets the project has, by id, however it has been tuned since: those under their own id and name. */
	private readonly taken = $derived.by((): ReadonlyMap<string, AnyDocument> => {
		const { wiring, presets, bobsAndLags } = this.session;
		const documents = [
			...presets.map((document) => ({ kind: 'shake', document })),
			...bobsAndLags.map((document) => ({ kind: document.family, document })),
			...wiring.rigs.map((document) => ({ kind: 'rig', document }))
		];
		const own = documents.filter(({ kind, document: { id, name } }) => {
			const starter = this.byId.get(id);
			return starter?.kind === kind && starter.document.name === name;
		});
		return new Map(own.map(({ document }) => [document.id, document as AnyDocument]));
	});

	isHere(starter: Starter): boolean {
		return this.taken.has(idOf(starter));
	}

	/** Whether it is here and not any more as it came. */
	isTuned(starter: Starter): boolean {
		const own = this.taken.get(idOf(starter));
		return own !== undefined && !dequal(own, starter.document);
	}

	/** Figures of a shake, when they are at hand; asked for where a row is on the screen. */
	card(id: string): Card | undefined {
		void this.figures;
		return this.cards.get(id);
	}
	/** `soon`: before those that only stand in the list. */
	want(starter: Starter, soon = false): void {
		const shake = asShake(starter);
		if (!shake || this.cards.has(shake.id)) return;
		this.session.shelf.card(shake, soon).then(
			(card) => {
				this.cards.set(shake.id, card);
				this.figures++;
			},
			// The worker was closed: the page is going away.
			() => undefined
		);
	}

	/**
	 * Takes some into the project, with what they need, as one step, one taking after the other. Their ids in the project; null when the server
	 * cannot say what is there. What was tuned since it was taken stays as it is, unless it is taken by itself: then the original comes
	 * beside it. Where something else has an id, the new one comes under another, and is pointed at under that.
	 */
	take(list: readonly Starter[], named: string): Promise<readonly string[] | null> {
		const taken = this.taking.then(() => this.takeNow(list, named));
		this.taking = taken.catch(() => null);
		return taken;
	}
	private taking: Promise<unknown> = Promise.resolve();

	private async takeNow(list: readonly Starter[], named: string): Promise<readonly string[] | null> {
		const { bringing } = this.session;
		const held = await bringing.everything();
		if (!held) return null;
		const all = comparedWith([...this.byId.values()], held);
		const wished = new Set<unknown>(list.map(({ document }) => document));
		const asked = all.filter(({ document }) => wished.has(document));
		// What they need is looked for among the sets, whatever has its id here.
		const chosen = [...asked, ...wantedBy(asked, all, [])].map((arrival): Chosen => {
			const again = list.length === 1 && wished.has(arrival.document);
			return { arrival, choice: arrival.standing === 'changed' && !again ? 'keep' : 'both' };
		});
		const idNow = idsBringing(chosen, held);
		const said = bringing.bring(chosen, named);
		this.session.say(`From the starter sets, ${list.length === 1 ? `“${named}”` : named}: ${said}.`);
		return asked.map(({ kind, document }) => idNow(KINDS[kind].space, document.id));
	}

	private all(ids: readonly string[]): Starter[] {
		return ids.flatMap((id) => this.byId.get(id) ?? []);
	}
}
