/** Everything found in the project, worked out while nobody does anything, in parts that nobody feels. */
import type { AnyDocument, Kit, KindName, Told } from '$lib/documents';

/** What looks comes when there is time to look: nothing of it is seen at first. */
const looking = () => import('$lib/documents/findings');
type Looking = Awaited<ReturnType<typeof looking>>;

/** So long after the last change it begins. */
const QUIET_MS = 500;
/** No part takes longer. */
const PART_MS = 8;

export class FindingsOf {
	/** The gravest first. */
	list = $state.raw<readonly Told[]>([]);
	/** How many errors and warnings there are. */
	readonly count = $derived(this.list.filter(({ finding }) => finding.level !== 'note').length);
	private timer: ReturnType<typeof setTimeout> | undefined;
	private going = false;
	private round = 0;
	/** Presets hang on themselves and on which game values there are: what was found in one holds until either changes. */
	private readonly known = new WeakMap<AnyDocument, { readonly with: unknown; readonly list: readonly Told[] }>();

	/** `kit`: null while some of it is still to come: what points there would be told as lost. */
	constructor(
		private readonly kit: () => Kit | null,
		private readonly fetch: () => Promise<Looking> = looking
	) {}

	/** Begins to look; returns what ends it. */
	open(): () => void {
		this.going = true;
		this.stir();
		return () => {
			this.going = false;
			this.round++;
			clearTimeout(this.timer);
		};
	}

	/** Something changed. */
	stir(): void {
		if (!this.going) return;
		clearTimeout(this.timer);
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
		this.list = eyes.bySeverity(found);
	}

	private lookAt({ findingsFor }: Looking, kind: KindName, document: AnyDocument, kit: Kit): readonly Told[] {
		if (kind !== 'shake' && kind !== 'bob' && kind !== 'lag') return findingsFor(kind, document, kit);
		const known = this.known.get(document);
		if (known && known.with === kit.parameters) return known.list;
		const list = findingsFor(kind, document, kit);
		this.known.set(document, { with: kit.parameters, list });
		return list;
	}
}
