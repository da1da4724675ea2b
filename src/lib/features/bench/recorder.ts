import { CHANNEL_COUNT, type Seconds } from 'dinesis-runtime/tools';

/** The last frames' offsets, for the moving paper. A ring that is laid out straight when it is read. */
export class Recorder {
	private readonly times: Float64Array;
	private readonly ring: Float64Array;
	private readonly straight: Float64Array;
	private readonly straightTimes: Float64Array;
	private written = 0;

	constructor(private readonly capacity = 2400) {
		this.times = new Float64Array(capacity);
		this.straightTimes = new Float64Array(capacity);
		this.ring = new Float64Array(capacity * CHANNEL_COUNT);
		this.straight = new Float64Array(capacity * CHANNEL_COUNT);
	}

	push(time: Seconds, offset: Float64Array): void {
		const at = this.written % this.capacity;
		this.times[at] = time;
		this.ring.set(offset, at * CHANNEL_COUNT);
		this.written++;
	}

	/** The frames from time `from` on, oldest first. The arrays are reused by the next call. */
	since(from: Seconds): { readonly values: Float64Array; readonly times: Float64Array; readonly count: number } {
		let count = 0;
		for (let i = Math.max(0, this.written - this.capacity); i < this.written; i++) {
			const at = i % this.capacity;
			if (this.times[at]! < from) continue;
			this.straightTimes[count] = this.times[at]!;
			for (let c = 0; c < CHANNEL_COUNT; c++)
				this.straight[count * CHANNEL_COUNT + c] = this.ring[at * CHANNEL_COUNT + c]!;
			count++;
		}
		return { values: this.straight, times: this.straightTimes, count };
	}
}
