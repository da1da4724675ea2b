/** Many plays of both sides: asked of workers of their own, given up with them, stale once either side is another. */
import { seedOf, type FigureName, type Reviewed } from '$lib/review';
import { manyInWorker, type Making, type Sent } from '$lib/workers/review';
import type { ReviewState } from './review.svelte';

interface Played {
	readonly sent: Sent;
	readonly reviewed: Reviewed;
}

export class SpreadState {
	a = $state.raw<Played | null>(null);
	b = $state.raw<Played | null>(null);
	/** How much is done, 0–1; null: nothing is under way. */
	progress = $state<number | null>(null);
	trouble = $state('');
	figure = $state<FigureName>('percent');
	private going: readonly Making<Reviewed>[] = [];
	/** Which run is under way: what an earlier one still says is not heard. */
	private round = 0;

	constructor(
		readonly desk: ReviewState,
		private readonly ask: typeof manyInWorker = manyInWorker
	) {}

	/** Whether what is here is of what is looked at. */
	readonly fresh = $derived.by(
		(): boolean =>
			this.a !== null &&
			this.a.sent === this.desk.a?.sent &&
			(this.desk.b === null ? this.b === null : this.b?.sent === this.desk.b.sent)
	);

	/** Plays each side so many times. */
	async run(seeds: number): Promise<void> {
		this.cancel();
		const mine = ++this.round;
		const sides = [this.desk.a, this.desk.b].flatMap((side) => (side ? [side.sent] : []));
		const parts = sides.map(() => 0);
		this.progress = 0;
		this.trouble = '';
		const going = sides.map((sent, i) =>
			this.ask(sent, seeds, (part) => {
				parts[i] = part;
				if (this.round === mine) this.progress = parts.reduce((sum, one) => sum + one, 0) / parts.length;
			})
		);
		this.going = going;
		try {
			const [a, b] = await Promise.all(going.map(({ done }) => done));
			if (this.round !== mine || !a) return;
			this.a = { sent: sides[0]!, reviewed: a };
			this.b = b ? { sent: sides[1]!, reviewed: b } : null;
		} catch (error) {
			if (this.round === mine) this.trouble = error instanceof Error ? error.message : String(error);
		} finally {
			if (this.round === mine) this.progress = null;
		}
	}

	cancel(): void {
		const { going } = this;
		this.going = [];
		this.round++;
		for (const one of going) one.cancel();
		this.progress = null;
	}

	valuesOf(side: 'a' | 'b', figure = this.figure): readonly number[] | null {
		return this[side]?.reviewed.plays.map((play) => play[figure]) ?? null;
	}

	/** The play of A that shows a figure best is looked at. */
	show(which: 'mildest' | 'median' | 'worst'): void {
		if (!this.a) return;
		this.desk.seed = seedOf(this.a.reviewed.spread[this.figure], which);
		this.desk.begin();
	}
}
