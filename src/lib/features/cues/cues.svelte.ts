/** The Cues room's state: the director behind the window, what each cue is tried with, and where it comes from. */
import { checkCue } from '$lib/documents/checks/cue-findings';
import { freeId, withAnswer, type CueFinding, type Wired, type Wiring } from '$lib/documents';
import type { Cue, GameEvent, ShakePreset } from 'dinesis-runtime';
import {
	Director,
	newCue,
	newPreset,
	type Decision,
	type Occurrence,
	type Order,
	type Seconds,
	type View
} from 'dinesis-runtime/tools';
import type { ProjectSession } from '$lib/session/session.svelte';
import { GALLERY_REST } from '$lib/viewport/rests';
import type { offersOf } from './more-words';
import type { Why } from './whys';

const LONGEST_FRAME: Seconds = 0.1;
/** Of a name. */
const MOST_LETTERS = 120;
/** How long one reads what became of a cue. */
const WHY_S: Seconds = 6;
/** How many numbers of an event are remembered, to be marked on its curve. */
const REMEMBERED = 8;
/** What the length of an event is tried under; no number is called so. */
export const LENGTH = '*length';
const TRIED_LENGTH: Seconds = 3;

/** The words that a cue cannot do without. */
export type CueWord = 'event' | 'preset';

export class CuesState {
	readonly director: Director;
	/** The cue whose curve and map are shown. */
	chosen = $state('');
	/** What cues are tried with: a number for each of an event's, by event and number. */
	tries = $state.raw<Readonly<Record<string, number>>>({});
	/** Where events with a place are raised. */
	source = $state.raw<readonly [number, number, number]>([3, 1.6, -6]);
	private carried = $state.raw<Readonly<Record<string, readonly string[]>>>({});
	/** What became of each cue that was asked last, in words, by the cue: why nothing is felt, or how. */
	whys = $state.raw<ReadonlyMap<string, Why>>(new Map());
	/** What a sentence can be lengthened by; it comes after the first paint. */
	offersOf = $state.raw<typeof offersOf | null>(null);
	/** What the window shows; presets of the other view are not felt in it. */
	view: View = 'space';
	/** Cues that did something just now. */
	lit = $state.raw<ReadonlySet<string>>(new Set());
	/** States that are held. */
	held = $state.raw<ReadonlySet<string>>(new Set());
	/** The last numbers that each event came with, by event and number. */
	private seen = $state.raw<Readonly<Record<string, readonly number[]>>>({});
	/** What was handed out last, newest first. */
	log = $state.raw<readonly string[]>([]);
	sceneTime: Seconds = 0;
	private readonly lastDone = new Map<string, Seconds>();
	private stopListening: () => void;

	constructor(readonly session: ProjectSession) {
		this.director = new Director({ ...session.wiring, presets: session.presets }, { seed: 20 });
		for (const { player } of this.director.viewers)
			player.setRest(...GALLERY_REST.position, ...GALLERY_REST.orientation);
		this.stopListening = session.onChange((preset) => this.director.setPreset(preset));
		this.director.explain((decision) => void this.tell(decision));
	}

	/** Keeps what became of a cue for as long as one reads it. */
	private async tell(decision: Decision): Promise<void> {
		const { whyOf } = await import('./whys');
		const { cue } = decision;
		const why = whyOf(decision, this.whys.get(cue), (id) => this.session.preset(id)?.name ?? id);
		this.whys = new Map([...this.whys, [cue, why]]);
	}

	/** Game values as they stand, by id: those that are not set are at rest. */
	private values = $state.raw<Readonly<Record<string, number>>>({});

	valueNow(id: string): number {
		return this.values[id] ?? this.session.wiring.parameters.find((p) => p.id === id)?.rest ?? 0;
	}

	setValue(id: string, value: number): void {
		this.values = { ...this.values, [id]: value };
		this.director.set(id, value);
	}

	dispose(): void {
		this.stopListening();
	}

	/** What cues are judged against: presets that are in use only. */
	get wired(): Wired {
		return { ...this.session.wiring, presets: [...this.session.presets, ...this.session.bobsAndLags] };
	}

	readonly findings = $derived.by(() => {
		const { wired } = this;
		const found = new Map<string, readonly CueFinding[]>();
		// What points at a preset that is still to come is not lost.
		if (this.session.missing > 0) return found;
		for (const cue of wired.cues) {
			const list = checkCue(cue, wired);
			if (list.length > 0) found.set(cue.id, list);
		}
		return found;
	});

	readonly chosenCue = $derived.by(() => {
		const { cues } = this.session.wiring;
		return cues.find((cue) => cue.id === this.chosen) ?? cues[0];
	});

	event(id: string): GameEvent | undefined {
		return this.session.wiring.events.find((event) => event.id === id);
	}

	preset(id: string): ShakePreset | undefined {
		return this.session.order.includes(id) ? this.session.preset(id) : undefined;
	}

	/** What an event's number is tried with: two thirds of its range until one says otherwise. */
	tried(event: GameEvent, value: string): number {
		const range = event.values.find((v) => v.id === value);
		if (!range) return 0;
		return this.tries[`${event.id} ${value}`] ?? Number((range.min + ((range.max - range.min) * 2) / 3).toPrecision(2));
	}

	/** Whether a cue plays for as long as this event: then trying it needs a length. */
	asksLength(event: GameEvent): boolean {
		return this.session.wiring.cues.some(
			(cue) => cue.event === event.id && cue.actions.some((a) => a.kind === 'play' && a.length === 'event')
		);
	}

	/** The length that an event is tried with. */
	triedLength(event: GameEvent): Seconds {
		return this.tries[`${event.id} ${LENGTH}`] ?? TRIED_LENGTH;
	}

	/** The last numbers that an event was tried with, newest first. */
	lastTried(event: string, value: string): readonly number[] {
		return this.seen[`${event} ${value}`] ?? [];
	}

	tryWith(event: string, value: string, given: number): void {
		this.tries = { ...this.tries, [`${event} ${value}`]: given };
	}

	/** Raises a cue's event as it would come from the game; a state starts, and ends when it is let go. */
	raise(event: GameEvent, phase: Occurrence['phase']): void {
		const values = Object.fromEntries(event.values.map(({ id }) => [id, this.tried(event, id)]));
		this.director.raise({
			event: event.id,
			phase,
			values,
			tags: [...event.tags, ...this.triedTags(event)],
			place: event.placed ? this.source : undefined,
			length: this.asksLength(event) ? this.triedLength(event) : undefined,
			key: 'tried'
		});
		if (phase !== 'ends') {
			const seen = event.values.map(({ id }) => {
				const list = [values[id]!, ...this.lastTried(event.id, id)].slice(0, REMEMBERED);
				return [`${event.id} ${id}`, list] as const;
			});
			this.seen = { ...this.seen, ...Object.fromEntries(seen) };
		}
		if (phase === 'happens') return;
		const held = new Set(this.held);
		if (phase === 'starts') held.add(event.id);
		else held.delete(event.id);
		this.held = held;
	}

	/** Words that a cue made of nothing still waits for; until then it is off. */
	private unsaid = $state.raw<Readonly<Record<string, readonly CueWord[]>>>({});

	/** Whether a cue waits for a word. */
	waitsFor(cue: string, word: CueWord): boolean {
		return this.unsaid[cue]?.includes(word) ?? false;
	}

	/** Makes a cue. What there is only one of is meant; what has to be chosen is asked for, and the cue is off until it has its words. */
	add(): void {
		const { events, cues } = this.session.wiring;
		const [event, preset] = [events[0], this.session.presets[0]];
		if (!event || !preset) return;
		const id = freeId(
			'cue',
			cues.map((c) => c.id)
		);
		const waits: CueWord[] = [
			...(events.length > 1 ? (['event'] as const) : []),
			...(this.session.presets.length > 1 ? (['preset'] as const) : [])
		];
		const when = event.kind === 'state' ? 'lasts' : 'happens';
		const made: Cue = { ...newCue(id, event.id, preset.id), when, on: waits.length === 0 };
		this.session.rewire('New cue', (w) => ({ ...w, cues: [...w.cues, made] }));
		this.session.seal();
		this.unsaid = { ...this.unsaid, [id]: waits };
		this.chosen = id;
	}

	/** Makes a shake of this name, to be tuned later; its id, or null when the server did not take it. */
	makePreset(name: string): Promise<string | null> {
		const { session } = this;
		const named = name.slice(0, MOST_LETTERS);
		return session.acts.add(newPreset(freeId(named, session.order), named), 'made in a cue');
	}

	/** Lets a cue say an event that is made of a name, as one step. */
	sayNewEvent(cue: Cue, name: string): void {
		const named = name.slice(0, MOST_LETTERS);
		const id = freeId(
			named,
			this.session.wiring.events.map((event) => event.id)
		);
		const made: GameEvent = { id, name: named, kind: 'moment', placed: false, tags: [], values: [] };
		const besides = (w: Wiring): Wiring => ({ ...w, events: [...w.events, made] });
		this.say(cue, 'event', 'New event', (q) => ({ ...q, event: id, when: 'happens' }), besides);
	}

	/** Lets a cue ask for or set a game value that is made of a name, from 0 to 1, as one step. */
	sayNewValue(cue: Cue, name: string, recipe: (cue: Cue, id: string) => Cue): void {
		const named = name.slice(0, MOST_LETTERS);
		const id = freeId(
			named,
			this.session.wiring.parameters.map((p) => p.id)
		);
		const made = { id, name: named, min: 0, max: 1, rest: 0 };
		this.session.rewire('New game value', (w) => ({
			...w,
			parameters: [...w.parameters, made],
			cues: w.cues.map((q) => (q.id === cue.id ? recipe(q, id) : q))
		}));
		this.session.seal();
	}

	/** Answers an event with a preset: a cue of its own, which is chosen. */
	answer(event: GameEvent, preset: string): void {
		const { id } = withAnswer(this.session.wiring, event, preset);
		this.session.rewire('New cue', (w) => withAnswer(w, event, preset).wiring);
		this.session.seal();
		this.chosen = id;
		this.session.say(`${event.name} is answered with ${this.preset(preset)?.name ?? preset}.`);
	}

	/** Tags that an event is tried with, beside its own. */
	triedTags(event: GameEvent): readonly string[] {
		const on = this.carried[event.id] ?? [];
		return (event.mayCarry ?? []).filter((tag) => on.includes(tag));
	}

	/** Tries an event with a tag, or without it. */
	carry(event: GameEvent, tag: string): void {
		const on = this.triedTags(event);
		const next = on.includes(tag) ? on.filter((one) => one !== tag) : [...on, tag];
		this.carried = { ...this.carried, [event.id]: next };
	}

	/** Changes a word that may have been waited for; with the last of them the cue is on, in the same step. */
	say(
		cue: Cue,
		word: CueWord,
		label: string,
		recipe: (cue: Cue) => Cue,
		besides: (wiring: Wiring) => Wiring = (w) => w
	): void {
		const waits = this.unsaid[cue.id];
		const left = waits?.filter((one) => one !== word) ?? [];
		const complete = waits?.includes(word) && left.length === 0;
		this.unsaid = { ...this.unsaid, [cue.id]: left };
		const said = (q: Cue): Cue => ({ ...recipe(q), ...(complete && { on: true }) });
		this.session.rewire(label, (w) => {
			const made = besides(w);
			return { ...made, cues: made.cues.map((q) => (q.id === cue.id ? said(q) : q)) };
		});
		this.session.seal();
	}

	/** The event on a test key: the first nine on 1–9, the next nine with Shift. */
	eventOnKey(digit: number, shift: boolean): GameEvent | undefined {
		return this.session.wiring.events[digit - 1 + (shift ? 9 : 0)];
	}

	/** How the test key of the event at a place in the list is written; empty when it has none. */
	keyOf(place: number): string {
		return place < 9 ? String(place + 1) : place < 18 ? `⇧${place - 8}` : '';
	}

	stopAll(): void {
		for (const { player } of this.director.viewers) player.stopAll();
		for (const id of this.held) {
			const event = this.event(id);
			if (event) this.raise(event, 'ends');
		}
	}

	/** One frame of the display. */
	frame(real: Seconds): Float64Array {
		const dt = Math.min(real, LONGEST_FRAME);
		this.sceneTime += dt;
		for (const { player } of this.director.viewers) player.view = this.view;
		this.director.advance(dt);
		const { done, now } = this.director;
		for (const order of done) {
			this.lastDone.set(order.cue, now);
			this.log = [this.told(order), ...this.log].slice(0, 6);
		}
		if ([...this.whys.values()].some(({ at }) => now - at > WHY_S))
			this.whys = new Map([...this.whys].filter(([, { at }]) => now - at <= WHY_S));
		const lit = [...this.lastDone].filter(([, at]) => now - at < 0.8).map(([cue]) => cue);
		if (lit.length !== this.lit.size || lit.some((cue) => !this.lit.has(cue))) this.lit = new Set(lit);
		return this.director.viewers[0]!.player.offset;
	}

	private told(order: Order): string {
		if (order.kind === 'play')
			return `${this.session.preset(order.preset)?.name ?? order.preset} at ${order.strength.toFixed(2)}`;
		if (order.kind === 'set') return `${order.parameter} set to ${order.to}`;
		if (order.kind === 'camera') return `camera: ${this.sayCamera(order)}`;
		const what = order.what === 'held' ? 'own' : order.what;
		return `stop ${typeof what === 'string' ? what : Object.values(what)[0]}`;
	}

	private sayCamera({ rig, lag, bob, sizes }: Order & { kind: 'camera' }): string {
		const { wiring, bobsAndLags } = this.session;
		const names = [
			wiring.rigs.find((r) => r.id === rig)?.name ?? rig,
			...[lag, bob].map((id) => bobsAndLags.find((p) => p.id === id)?.name ?? id),
			...Object.entries(sizes).map(([gait, size]) => `${gait} × ${size}`)
		].filter((name) => name !== null);
		return names.length > 0 ? names.join(', ') : 'its own again';
	}

	change(id: string, label: string, recipe: (cue: Cue) => Cue, mark: string | null = null, done = true): void {
		this.session.rewire(
			label,
			(w) => ({ ...w, cues: w.cues.map((cue) => (cue.id === id ? recipe(cue) : cue)) }),
			mark && `${id} ${mark}`
		);
		if (done) this.session.seal();
	}
}
