/**
 * How sharp a picture is drawn. While it moves, motion counts more than pixels: frames that come late lower the resolution, and room raises
 * it again. What stands still is drawn once as sharp as the display shows it, and then left alone.
 */

/** Milliseconds a frame: above the first it is late, below the second there is room. */
const LATE = 26;
const ROOM = 17.5;
/** A pause of the page, no slow frame. */
const HITCH = 250;
const LOWEST = 0.5;
/** So many frames alike are a picture that stands still: a hand that drags rests for a moment. */
const STILL = 4;
/** A resolution that was too much is not tried again for so many frames. */
const REMEMBERED = 3600;

export class Sharpness {
	/** Pixels per CSS pixel at which it moves. */
	ratio: number;
	private average = 20;
	private alike = 0;
	private sharp = false;
	/** The least that came out too slow, and for how many frames that holds. */
	private tooMuch = Infinity;
	private holds = 0;
	/** The average when lowering began. */
	private slow = 0;
	/** For so many frames lowering is not tried. */
	private rests = 0;

	/** `most`: what the display shows, pixels per CSS pixel. */
	constructor(private readonly most: () => number) {
		this.ratio = most();
	}

	/** At which ratio the next frame is drawn, so long after the last one; null: what stands there is as good. */
	next(frameMs: number, changed: boolean): number | null {
		if (!changed) {
			this.alike++;
			if (this.sharp || this.alike < STILL) return null;
			this.sharp = true;
			return this.most();
		}
		// What was not drawn, or drawn sharp, says nothing of the pace.
		if (this.alike === 0) this.adapt(frameMs);
		this.alike = 0;
		this.sharp = false;
		return this.ratio;
	}

	/** Something else is looked at: it is drawn whatever came before. */
	touch(): void {
		this.sharp = false;
		this.alike = 0;
	}

	private adapt(frameMs: number): void {
		if (frameMs > HITCH) return;
		if (this.holds > 0 && --this.holds === 0) this.tooMuch = Infinity;
		this.average += (frameMs - this.average) * 0.05;
		const { average, ratio } = this;
		const most = this.most();
		if (this.rests > 0) this.rests--;
		else if (average > LATE) {
			if (ratio > LOWEST) {
				if (this.slow === 0) this.slow = average;
				this.tooMuch = ratio;
				this.holds = REMEMBERED;
				this.turn(Math.max(LOWEST, ratio * 0.8));
			} else if (this.slow > 0 && average > this.slow * 0.9) {
				// As slow with a quarter of the pixels: it is not they that cost.
				this.slow = 0;
				this.tooMuch = Infinity;
				this.turn(most);
				this.rests = REMEMBERED;
			}
		} else if (average < ROOM) {
			this.slow = 0;
			const wanted = Math.min(most, ratio * 1.15);
			if (wanted > ratio + 0.02 && wanted < this.tooMuch) this.turn(wanted);
		}
	}

	private turn(ratio: number): void {
		this.ratio = ratio;
		this.average = 20;
	}
}

/** Whether numbers are still what they were: of what a picture is made. Allocates only when there are more of them than before. */
export class Seen {
	private held = new Float64Array(32);
	private at = 0;
	/** How many there were the last time. */
	private count = -1;
	private differs = true;

	begin(): this {
		this.at = 0;
		this.differs = false;
		return this;
	}
	put(value: number): this {
		if (this.at === this.held.length) {
			const more = new Float64Array(this.held.length * 2);
			more.set(this.held);
			this.held = more;
		}
		if (!Object.is(this.held[this.at], value)) {
			this.held[this.at] = value;
			this.differs = true;
		}
		this.at++;
		return this;
	}
	all(values: ArrayLike<number>): this {
		for (let i = 0; i < values.length; i++) this.put(values[i]!);
		return this;
	}
	/** Whether any of what was put since `begin` is not what it was, or it is more or less of it. */
	changed(): boolean {
		const other = this.differs || this.count !== this.at;
		this.count = this.at;
		return other;
	}
}
