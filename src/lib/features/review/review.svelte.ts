/** The Review room's state: what is looked at, what it is held against, which play, which moment. */
import type { PlayerSetting, ShakePreset } from 'dinesis-runtime';
import { CHANNEL_COUNT, CHANNELS, type Channel, type Seconds, type View } from 'dinesis-runtime/tools';
import { dequal } from 'dequal/lite';
import type { AnyDocument, Kit } from '$lib/documents';
import {
	EYES,
	nameIn,
	neededFor,
	SUBJECT_KINDS,
	subjectIn,
	subjectsOf,
	type Eyes,
	type Subject,
	type SubjectKind
} from '$lib/review';
import type { Written } from './figures-told';
import type { ProjectSession } from '$lib/session/session.svelte';
import { readSlot } from '$lib/session/slot';
import type { LookedAt, Sent } from '$lib/workers/review';

/** What it is held against. */
export type Other =
	| { readonly of: 'subject'; readonly subject: Subject }
	/** The same document as it was, or as a kit has it. */
	| { readonly of: 'kit'; readonly name: string; readonly kit: Kit };

export interface Side {
	readonly name: string;
	readonly sent: Sent;
}

/** What is drawn over each other: the picture's centre, or a channel. */
export type Drawn = 'picture' | Channel;

export const titled = (words: string): string => words[0]!.toUpperCase() + words.slice(1);
export const subjectKey = ({ kind, id }: Subject): string => `${kind}:${id}`;
export function subjectOf(key: string): Subject | null {
	const [kind = '', ...id] = key.split(':');
	return SUBJECT_KINDS.includes(kind as SubjectKind) && id.length > 0
		? { kind: kind as SubjectKind, id: id.join(':') }
		: null;
}

/** Cues are judged by what they play: where a verdict is of all, shakes, rigs and courses say it. */
export const isPlayable = ({ kind }: Subject): boolean => kind !== 'cue';

const sameList = (a: readonly unknown[], b: readonly unknown[]): boolean =>
	a.length === b.length && a.every((one, i) => one === b[i]);
const LISTS = ['presets', 'events', 'parameters', 'cues', 'rigs', 'courses'] as const;
const sameParts = (a: Kit, b: Kit): boolean => a.world === b.world && LISTS.every((list) => sameList(a[list], b[list]));

export const BENCH_B = 'B of the Bench';

/** What stands still for so long before it is played again. */
const PAUSE: Seconds = 0.5;

export class ReviewState {
	/** null: the whole project. */
	subject = $state.raw<Subject | null>(null);
	other = $state.raw<Other | null>(null);
	/** Which play: 1 … */
	seed = $state(1);
	/** Of a shake what it is multiplied by; of a cue where in their ranges its event's numbers are. */
	strength = $state(1);
	/** Whose eyes it is seen with; null: of somebody who wants all of it. */
	player = $state.raw<PlayerSetting | null>(null);
	/** What it is judged by. */
	eyes = $state.raw<Eyes>(EYES);
	/** How far something moves is told in percent of the picture's height, in pixels, or as an angle. */
	written = $state<Written>('percent');
	looks = $state.raw<{ readonly a: LookedAt | null; readonly b: LookedAt | null }>({ a: null, b: null });
	/** Why there is nothing to look at; empty: there is. */
	trouble = $state('');
	time = $state<Seconds>(0);
	playing = $state(true);
	speed = $state(1);
	/** Pictures a second that it is shown at; null: as many as the display has. */
	pictures = $state<number | null>(null);
	seam = $state(0.5);
	drawn = $state<Drawn>('picture');
	/** What was sent last: as long as nothing of it changed, nothing is asked again. */
	private sent = new Map<string, Sent>();

	constructor(readonly session: ProjectSession) {}

	readonly kit = $derived.by((): Kit | null => this.session.asKit);

	/** All that can be looked at, by kind. */
	readonly subjects = $derived.by((): readonly { readonly kind: SubjectKind; readonly list: readonly Subject[] }[] => {
		const all = this.kit ? subjectsOf(this.kit) : [];
		return SUBJECT_KINDS.map((kind) => ({ kind, list: all.filter((one) => one.kind === kind) }));
	});

	nameOf(subject: Subject): string {
		return this.kit ? nameIn(this.kit, subject) : subject.id;
	}

	/** The same thing again where nothing of it changed: what hangs on it is not done anew. */
	private keep(side: 'a' | 'b', kit: Kit, subject: Subject): Sent {
		const player = this.player ?? undefined;
		const next: Sent = { kit: neededFor(kit, subject), subject, strength: this.strength, player, eyes: this.eyes };
		const last = this.sent.get(side);
		const isSame =
			last &&
			last.subject.kind === subject.kind &&
			last.subject.id === subject.id &&
			last.strength === next.strength &&
			last.player === next.player &&
			last.eyes === next.eyes &&
			sameParts(last.kit, next.kit);
		if (isSame) return last;
		this.sent.set(side, next);
		return next;
	}

	readonly a = $derived.by((): Side | null => {
		const { kit, subject } = this;
		return kit && subject ? { name: this.nameOf(subject), sent: this.keep('a', kit, subject) } : null;
	});
	readonly b = $derived.by((): Side | null => {
		const { kit, subject, other } = this;
		if (!kit || !subject || !other) return null;
		if (other.of === 'subject') return { name: this.nameOf(other.subject), sent: this.keep('b', kit, other.subject) };
		return { name: other.name, sent: this.keep('b', other.kit, subject) };
	});

	/** What B is of the same document, where it is otherwise; null: there is nothing to take. */
	readonly better = $derived.by((): AnyDocument | null => {
		const { kit, subject, other } = this;
		if (!kit || !subject || other?.of !== 'kit') return null;
		const [mine, theirs] = [subjectIn(kit, subject), subjectIn(other.kit, subject)];
		return mine && theirs && !dequal(mine, theirs) ? theirs : null;
	});

	/** Makes it what B is: one step that undo takes back. */
	take(): void {
		const { kit, subject, other, better, session } = this;
		const document = kit && subject && subjectIn(kit, subject);
		if (!document || !better || other?.of !== 'kit') return;
		const fix = { label: `Take B (${other.name})`, apply: () => better };
		session.fix({ kind: subject.kind, document, finding: { check: '', level: 'note', place: '', sentence: '', fix } });
		session.say(`“${this.nameOf(subject)}” is now as B is: ${other.name}.`, {
			label: 'Undo',
			run: () => session.goBack()
		});
	}

	open(subject: Subject | null): void {
		if (subject && this.subject && subjectKey(subject) === subjectKey(this.subject)) return;
		this.subject = subject;
		this.other = null;
		this.seed = this.strength = 1;
		this.begin();
	}

	/** Holds it against the same document as another kit has it. */
	holdKit(name: string, kit: Kit): void {
		this.other = { of: 'kit', name, kit };
	}

	/** What the Bench holds beside the shake that is looked at; null: nothing. */
	get benchB(): ShakePreset | null {
		return this.shake ? readSlot(this.session.project.slug, this.shake.id) : null;
	}
	/** Holds it against what the Bench holds beside it. */
	holdBenchB(): void {
		const { kit, shake, benchB } = this;
		if (!kit || !shake || !benchB) return;
		const beside = { ...benchB, id: shake.id };
		this.holdKit(BENCH_B, { ...kit, presets: kit.presets.map((p) => (p.id === shake.id ? beside : p)) });
	}

	begin(): void {
		this.time = 0;
		this.playing = true;
	}

	/** How long the longer of both is. */
	readonly seconds = $derived.by((): Seconds => {
		const of = (look: LookedAt | null): Seconds => (look ? (look.motion.track.count - 1) / look.motion.track.fps : 0);
		return Math.max(of(this.looks.a), of(this.looks.b), 0.01);
	});

	/** Time goes on: at the end, after a moment of rest, from the beginning again. */
	step(dt: Seconds): void {
		if (!this.playing || !this.looks.a) return;
		const next = this.time + dt * this.speed;
		this.time = next > this.seconds + PAUSE ? 0 : next;
	}
	scrub(time: Seconds): void {
		this.playing = false;
		this.time = Math.min(this.seconds, Math.max(0, time));
	}

	get view(): View {
		return this.looks.a?.motion.view ?? 'space';
	}

	/** The moment that is shown: of the last picture, where so many a second are asked for. */
	get shown(): Seconds {
		const { time, pictures } = this;
		return Math.min(this.seconds, pictures ? Math.floor(time * pictures + 1e-9) / pictures : time);
	}
	/** Both run on a course: then they are seen through their cameras. */
	readonly runs = $derived.by((): boolean => {
		const { subject, other } = this;
		if (!subject || subject.kind === 'shake') return false;
		return other?.of !== 'subject' || other.subject.kind !== 'shake';
	});

	/** What a side adds at the moment that is shown. */
	offsetAt(side: 'a' | 'b', out: Float64Array): Float64Array {
		const look = this.looks[side];
		out.fill(0);
		if (!look || look.motion.view !== this.view) return out;
		const { track } = look.motion;
		const at = Math.round(this.shown * track.fps);
		if (at >= track.count) return out;
		out.set(track.values.subarray(at * CHANNEL_COUNT, (at + 1) * CHANNEL_COUNT));
		return out;
	}

	/** Channels that move on either side. */
	readonly moving = $derived.by((): readonly Channel[] =>
		CHANNELS.filter((channel) =>
			[this.looks.a, this.looks.b].some((look) => look && look.detail.channels[CHANNELS.indexOf(channel)]!.peak > 0)
		)
	);

	/** The shake that is looked at, as it is in the project; undefined: something else is. */
	get shake(): ShakePreset | undefined {
		const { subject, session } = this;
		return subject?.kind === 'shake' ? session.preset(subject.id) : undefined;
	}
}
