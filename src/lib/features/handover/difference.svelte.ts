/** The Handover's difference: a kit, or the project as it was, held against what is here; played beside it, and taken over singly. */
import {
	documentOf,
	sayProblem,
	type AnyDocument,
	type Arrival,
	type Difference,
	type ToldStretch
} from '$lib/documents';
import { sayMoment } from '$lib/room/history';
import {
	apartOf,
	comingWith,
	linesOf,
	pairsOfKit,
	pairsOfVersion,
	type Apart,
	type Parted
} from '$lib/session/against';
import type { Then } from '$lib/session/api';
import { roomPlaying } from '$lib/session/beside';
import { lastIn, addressOf } from '$lib/session/places';
import type { ProjectSession } from '$lib/session/session.svelte';
import { readArrivals, type Reading } from '$lib/workers/kit';

type Other =
	| { readonly of: 'kit'; readonly name: string; readonly arrivals: readonly Arrival[] }
	| { readonly of: 'version'; readonly name: string; readonly list: readonly Then[] };

const ORDER: readonly Apart[] = ['changed', 'there', 'here'];

export class DifferenceState {
	other = $state.raw<Other | null>(null);
	trouble = $state.raw<readonly string[]>([]);
	/** How much of a kit is read, 0–1; null: none is. */
	progress = $state<number | null>(null);
	/** Moments to go back to, the named and marked ones first. */
	moments = $state.raw<readonly ToldStretch[]>([]);
	/** Which document is looked at, by its key. */
	at = $state('');
	private reading: Reading | null = null;

	constructor(readonly session: ProjectSession) {}

	/** Looks up which moments there are. */
	async open(): Promise<void> {
		this.moments = await this.session.histories.moments();
	}

	/** What stands apart, as it does this moment: what was taken over is gone from it. */
	readonly rows = $derived.by((): readonly Parted[] => {
		const { other, session } = this;
		if (!other) return [];
		// Whatever changes here may bring both together.
		const here = session.bringing.here;
		const pairs =
			other.of === 'kit'
				? pairsOfKit(other.arrivals, here)
				: pairsOfVersion(other.list.map(({ now, was }) => ({ now: session.histories.held(now.uuid) ?? now, was })));
		return pairs
			.flatMap((pair): Parted[] => {
				const apart = apartOf(pair);
				return apart ? [{ ...pair, apart }] : [];
			})
			.sort((a, b) => ORDER.indexOf(a.apart) - ORDER.indexOf(b.apart));
	});
	readonly shown = $derived(this.rows.find(({ key }) => key === this.at) ?? this.rows[0] ?? null);
	readonly lines = $derived.by((): readonly Difference[] => (this.shown ? linesOf(this.shown) : []));

	async read(file: { readonly name: string; readonly bytes: Uint8Array }): Promise<void> {
		this.leave();
		const present = () => this.session.bringing.everything();
		const mine = (this.reading = readArrivals(file.bytes, present, (part) => (this.progress = part)));
		const read = await mine.done;
		if (mine !== this.reading) return;
		this.reading = this.progress = null;
		if (!read) return;
		if (!read.ok) this.trouble = read.problems.slice(0, 8).map(sayProblem);
		else this.other = { of: 'kit', name: file.name, arrivals: read.value };
	}

	async holdVersion(moment: ToldStretch): Promise<void> {
		this.leave();
		const list = await this.session.histories.then({}, moment.last);
		if (list) this.other = { of: 'version', name: sayMoment(moment), list };
	}

	/** Gives up what is being read, and what is held. */
	leave(): void {
		this.reading?.cancel();
		this.reading = this.other = this.progress = null;
		this.trouble = [];
		this.at = '';
	}

	/** Makes a document here what it is there; what is only here goes out of use. One step. */
	take(row: Parted): void {
		const { session, other } = this;
		if (!other) return;
		const { held, was, name, kind } = row;
		if (held) session.histories.take(`Take ${name} over`, other.name, [{ now: held, was }]);
		else if (other.of === 'kit') {
			const coming = comingWith(row, other.arrivals, session.bringing.here);
			const said = session.bringing.bring(coming, other.name);
			if (coming.length > 1) session.say(`With what it points at: ${said}.`);
		}
		session.say(
			row.apart === 'here' ? `“${name}” is out of use.` : `“${name}” is as it is there (${kind} ${row.id}).`,
			{ label: 'Undo', run: () => session.goBack() }
		);
	}

	/** Takes one field over. One step. */
	takeField({ held, was }: Parted, line: Difference): void {
		if (held && was) this.session.histories.takeBack({ now: held, was }, line, `Take ${line.label} over`);
	}

	/** All that is changed, as one step; what is only on one side stays. */
	takeChanged(): void {
		const { session, other } = this;
		const changed = this.rows.filter(({ apart }) => apart === 'changed');
		if (!other || changed.length === 0) return;
		session.histories.take(
			`Take ${changed.length} over`,
			other.name,
			changed.map(({ held, was }) => ({ now: held!, was }))
		);
	}

	/** Where both are played: its address, once the room there knows what to play; null: nothing plays it. */
	playBoth({ held, was, kind, apart }: Parted): string | null {
		const { session, other } = this;
		const room = held && roomPlaying(kind, held.id);
		if (apart !== 'changed' || !room || !was || !other) return null;
		const document = { ...documentOf<AnyDocument>(kind, was.body), id: held.id };
		session.toPlay = { was: document, kind, from: other.name };
		const { slug } = session.project;
		return addressOf({ slug, room: room.room, document: room.document || lastIn(slug, room.room) });
	}

	canPlay({ held, kind, apart }: Parted): boolean {
		return apart === 'changed' && held !== undefined && roomPlaying(kind, held.id) !== null;
	}
}
