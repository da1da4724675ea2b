/** Everything found in the project, worked out while nobody does anything, in parts that nobody feels: settings here, motion in a worker. */
import { silencedId, type AnyDocument, type Kit, type KindName, type Silenced, type Told } from '$lib/documents';
import { subjectIn, type Subject } from '$lib/review/subject';
import { findingOf, type MotionFinding } from '$lib/review/findings/finding';

/** What looks comes when there is time to look: nothing of it is seen at first. */
const looking = () => import('$lib/documents/findings');
type Looking = Awaited<ReturnType<typeof looking>>;

/** Looks at motion somewhere else. */
export interface Eyes {
	put(kit: Kit): Promise<readonly Subject[]>;
	find(subject: Subject): Promise<readonly MotionFinding[]>;
	close(): void;
}
const eyesInWorker = async (): Promise<Eyes> => {
	const { MotionEyes } = await import('$lib/workers/findings');
	return new MotionEyes();
};

/** So long after the last change it begins. */
const QUIET_MS = 500;
/** Motion is looked at once it is quiet for so long: of shakes and cues, then of what takes a whole run. */
const [MOTION_MS, RUNS_MS] = [1200, 3000];
/** No part takes longer. */
const PART_MS = 8;

export class FindingsOf {
	/** What was found in settings, and in motion. */
	private settled = $state.raw<readonly Told[]>([]);
	private moving = $state.raw<readonly Told[]>([]);
	/** Motion is looked at just now. */
	looks = $state(false);
	private readonly everything = $derived([...this.settled, ...this.moving]);
	private readonly left = $derived.by(() => new Map(this.silenced().map((one) => [one.id, one])));
	/** The gravest first, without what is left alone. */
	readonly list = $derived.by((): readonly Told[] =>
		this.everything
			.filter((told) => !this.left.has(idOf(told)))
			.sort((a, b) => GRAVITY[a.finding.level] - GRAVITY[b.finding.level])
	);
	/** What was found and is left alone, each with the reason. */
	readonly leftAlone = $derived.by((): readonly { readonly told: Told; readonly why: Silenced }[] =>
		this.everything.flatMap((told) => {
			const why = this.left.get(idOf(told));
			return why ? [{ told, why }] : [];
		})
	);
	/** How many errors and warnings there are. */
	readonly count = $derived(this.list.filter(({ finding }) => finding.level !== 'note').length);
	private timer: ReturnType<typeof setTimeout> | undefined;
	private going = false;
	private round = 0;
	/** What is looked at before all else: what somebody works on. */
	private first: Subject | null = null;
	private later: ReturnType<typeof setTimeout> | undefined;
	private eyes: Eyes | null = null;
	/** Of motion, by document: what was found in it last. */
	private readonly byKey = new Map<string, readonly Told[]>();
	/** Presets hang on themselves, on which game values there are and on the game's pictures a second: what was found holds until one of these changes. */
	private readonly known = new WeakMap<
		AnyDocument,
		{ readonly with: readonly unknown[]; readonly list: readonly Told[] }
	>();

	/** `kit`: null while some of it is still to come: what points there would be told as lost. */
	constructor(
		private readonly kit: () => Kit | null,
		private readonly fetch: () => Promise<Looking> = looking,
		private readonly silenced: () => readonly Silenced[] = () => [],
		private readonly fetchEyes: (() => Promise<Eyes>) | null = eyesInWorker
	) {}

	/** Begins to look; returns what ends it. */
	open(): () => void {
		this.going = true;
		this.stir();
		return () => {
			this.going = false;
			this.round++;
			clearTimeout(this.timer);
			clearTimeout(this.later);
			this.eyes?.close();
			this.eyes = null;
		};
	}

	/** What was found in how one moves, and is not left alone. */
	inMotion(kind: KindName, id: string): readonly Told[] {
		return this.moving.filter((told) => told.kind === kind && told.document.id === id && !this.left.has(idOf(told)));
	}

	/** Whether the motion of this one was looked at as it is. */
	knows(subject: { readonly kind: string; readonly id: string }): boolean {
		void [this.moving, this.looks];
		return this.byKey.has(`${subject.kind} ${subject.id}`);
	}

	/** Looks at this one before all others, from the next time on; at once where it was not looked at yet. */
	prefer(subject: Subject | null): void {
		const isNew = subject && (!this.first || keyOf(this.first) !== keyOf(subject)) && !this.byKey.has(keyOf(subject));
		this.first = subject;
		if (isNew && this.looks) this.stir();
	}

	/** Something changed. */
	stir(): void {
		if (!this.going) return;
		// What is looked at just now is stale.
		this.round++;
		clearTimeout(this.timer);
		clearTimeout(this.later);
		this.timer = setTimeout(() => void this.look(), QUIET_MS);
	}

	/** What was found in one document. */
	of(kind: KindName, id: string): readonly Told[] {
		return this.list.filter((told) => told.kind === kind && told.document.id === id);
	}

	private async look(): Promise<void> {
		const round = ++this.round;
		const kit = this.kit();
		if (!kit) return;
		const eyes = await this.fetch().catch(() => null);
		if (!eyes || round !== this.round) return;
		const found: Told[] = [];
		let until = performance.now() + PART_MS;
		for (const { kind, document } of eyes.documentsIn(kit)) {
			found.push(...this.lookAt(eyes, kind, document, kit));
			if (performance.now() < until) continue;
			await new Promise((next) => setTimeout(next));
			if (round !== this.round) return;
			until = performance.now() + PART_MS;
		}
		this.settled = found;
		if (this.fetchEyes) this.later = setTimeout(() => void this.lookAtMotion(kit, round), MOTION_MS - QUIET_MS);
	}

	/** Document by document: what changed meanwhile is looked at anew. */
	private async lookAtMotion(kit: Kit, round: number): Promise<void> {
		if (round !== this.round) return;
		this.looks = true;
		try {
			this.eyes ??= await this.fetchEyes!();
			const subjects = await this.eyes.put(kit);
			for (const key of this.byKey.keys())
				if (!subjects.some((subject) => keyOf(subject) === key)) this.byKey.delete(key);
			const isRun = ({ kind }: Subject): boolean => kind === 'rig' || kind === 'course';
			const { first } = this;
			const soon = subjects.filter((one) => first && keyOf(one) === keyOf(first));
			const rest = subjects.filter((one) => !soon.includes(one));
			for (const subject of [...soon, ...rest.filter((one) => !isRun(one)), null, ...rest.filter(isRun)]) {
				if (round !== this.round) return;
				if (subject === null) {
					this.tell();
					await new Promise((next) => (this.later = setTimeout(next, RUNS_MS - MOTION_MS)));
					continue;
				}
				const document = subjectIn(kit, subject);
				const found = document ? await this.eyes.find(subject) : [];
				this.byKey.set(
					keyOf(subject),
					found.map((one) => ({ kind: subject.kind, document: document!, finding: findingOf(one, document!) }))
				);
				if (soon.includes(subject)) this.tell();
			}
			if (round === this.round) this.tell();
		} catch {
			// A worker that could not be had: the settings are told all the same.
		} finally {
			this.looks = false;
		}
	}

	private tell(): void {
		this.moving = [...this.byKey.values()].flat();
	}

	private lookAt({ findingsFor }: Looking, kind: KindName, document: AnyDocument, kit: Kit): readonly Told[] {
		if (kind !== 'shake' && kind !== 'bob' && kind !== 'lag') return findingsFor(kind, document, kit);
		const known = this.known.get(document);
		const on = [kit.parameters, kit.settings?.frameRate];
		if (known?.with.every((one, i) => one === on[i])) return known.list;
		const list = findingsFor(kind, document, kit);
		this.known.set(document, { with: on, list });
		return list;
	}
}

const GRAVITY = { error: 0, warning: 1, note: 2 } as const;
const keyOf = ({ kind, id }: Subject): string => `${kind} ${id}`;
export const idOf = ({ kind, document, finding }: Told): string => silencedId(kind, document.id, finding.check);
