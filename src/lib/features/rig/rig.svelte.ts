/** The Rig room's state: which rig, and going over to another one; the rest is a trial of it. */
import type { Rig } from 'dinesis-runtime';
import { RIG_STAGES, type RigStage, type Seconds } from 'dinesis-runtime/tools';
import type { Course } from '$lib/documents';
import { Trial, type Added } from '$lib/stages/trial.svelte';

/** In memory only: the event and the cue that go over to another rig and back. */
const OVER = 'go-over';

export class RigState extends Trial {
	/** The rig's id; empty until one is opened. */
	id = $state('');
	/** The rig that one may go over to, how long it takes, and since when one has. */
	other = $state('');
	over = $state(0.8);
	wentAt = $state<Seconds | null>(null);
	cameAt = $state<Seconds | null>(null);
	readonly rig = $derived.by((): Rig | undefined => this.session.wiring.rigs.find((rig) => rig.id === this.id));

	/** All of it, or while a cue of one of its events says so. */
	protected override shows(course: Course): boolean {
		if (course.rig === this.id) return true;
		const sets = this.session.wiring.cues.filter((cue) =>
			cue.actions.some((a) => a.kind === 'camera' && a.rig === this.id)
		);
		return course.events.some((e) => sets.some((cue) => cue.event === e.event));
	}

	protected override get added(): Added {
		const { wentAt, cameAt, other, over } = this;
		const until = cameAt ?? this.course.seconds + 1;
		const go = { id: '26', kind: 'camera', rig: other, lag: null, bob: null, sizes: {}, over, delay: 0 } as const;
		const conditions = { tags: [], values: [], parameters: [], chance: 1, coolDown: 0, once: false };
		return {
			occurs:
				wentAt === null
					? []
					: [{ at: wentAt, event: OVER, length: Math.max(0, until - wentAt), values: {}, place: null, who: 0 }],
			events: [{ id: OVER, name: OVER, kind: 'state', placed: false, tags: [], values: [] }],
			cues: [{ id: OVER, on: true, event: OVER, when: 'lasts', conditions, actions: [go], feltBy: 'one' }]
		};
	}

	open(id: string): void {
		if (id === this.id) return;
		this.id = id;
		this.begin();
		this.other = this.session.wiring.rigs.find((rig) => rig.id !== id)?.id ?? '';
		this.again();
	}
	protected override again(): void {
		this.wentAt = this.cameAt = null;
	}

	/** Goes over to the other rig now, or comes back. */
	goOver(): void {
		if (this.wentAt === null || this.cameAt !== null) {
			this.wentAt = this.time;
			this.cameAt = null;
		} else this.cameAt = this.time;
	}

	get isOver(): boolean {
		return this.wentAt !== null && this.time >= this.wentAt && (this.cameAt === null || this.time < this.cameAt);
	}

	/** Changes the rig as one undoable step; with `done` the step is closed. */
	change(label: string, part: Partial<Rig>, mark: string | null = null, done = true): void {
		const { id } = this;
		this.session.rewire(
			label,
			(w) => ({ ...w, rigs: w.rigs.map((rig) => (rig.id === id ? { ...rig, ...part } : rig)) }),
			mark && `rig ${id} ${mark}`
		);
		if (done) this.session.seal();
	}

	toggle(stage: RigStage): void {
		const { rig } = this;
		if (!rig) return;
		const off = rig.bypass.includes(stage);
		this.change(off ? `Take ${stage} in` : `Leave ${stage} out`, {
			bypass: off ? rig.bypass.filter((s) => s !== stage) : [...rig.bypass, stage]
		});
	}

	/** Moves a stage by one place earlier (−1) or later (1). */
	move(stage: RigStage, by: -1 | 1): void {
		const order = [...(this.rig?.order ?? RIG_STAGES)];
		const at = order.indexOf(stage);
		const to = at + by;
		if (to < 0 || to >= order.length) return;
		[order[at], order[to]] = [order[to]!, order[at]!];
		this.change('Order of the stages', { order });
	}
}
