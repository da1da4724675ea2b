/** What else moves in a take beside the bodies: casks, a door. Each is so many numbers a moment, straight between its moments. */
import type { Seconds } from 'dinesis-runtime/tools';
import type { Thing } from '../documents';

/** Kept so many times a second while it moves. */
const KEPT_HZ = 30;
/** What is farther off than this from where it stood has moved. */
const MOVED = 1e-4;

/** How many numbers a moment of a thing has. */
export const numbersOf = ({ times, numbers }: Thing): number => (times.length > 0 ? numbers.length / times.length : 0);

/** Puts the numbers of a thing at a time into `out`; before its first moment and after its last it stands. */
export function thingAt(thing: Thing, time: Seconds, out: number[]): number[] {
	const { times, numbers } = thing;
	const wide = numbersOf(thing);
	let [low, high] = [0, times.length - 1];
	if (high < 0) return out;
	if (time >= times[high]!) low = high;
	else
		while (high - low > 1) {
			const middle = (low + high) >> 1;
			if (times[middle]! <= time) low = middle;
			else high = middle;
		}
	const next = Math.min(low + 1, times.length - 1);
	const between = times[next]! - times[low]!;
	const part = between > 0 ? Math.min(1, Math.max(0, (time - times[low]!) / between)) : 0;
	for (let c = 0; c < wide; c++) {
		const from = numbers[low * wide + c]!;
		out[c] = from + (numbers[next * wide + c]! - from) * part;
	}
	return out;
}

/** A thing as it goes, noted in every step: where it stands still only its ends are kept. */
export class ThingTrack {
	private readonly times: Seconds[] = [];
	private readonly numbers: number[] = [];
	private last: readonly number[] = [];
	private lastAt: Seconds = 0;
	/** Whether the last step is as what is kept. */
	private still = true;

	constructor(private readonly id: string) {}

	at(time: Seconds, now: readonly number[]): void {
		const wide = now.length;
		const kept = this.numbers.slice(-wide);
		const moved = kept.length < wide || now.some((v, c) => Math.abs(v - kept[c]!) > MOVED);
		const due = this.times.length === 0 || time - this.times.at(-1)! >= 1 / KEPT_HZ - 1e-6;
		if (moved && due) {
			// Up to here it stood.
			if (this.still && this.last.length > 0 && this.lastAt > this.times.at(-1)!) this.keep(this.lastAt, kept);
			this.keep(time, now);
			this.still = false;
		} else if (!moved) this.still = true;
		this.last = [...now];
		this.lastAt = time;
	}

	/** null where it never moved. */
	finish(): Thing | null {
		const wide = this.last.length;
		const { times, numbers, last, lastAt, id } = this;
		if (times.length > 0 && last.some((v, c) => v !== numbers[numbers.length - wide + c])) this.keep(lastAt, last);
		return times.length > 1 ? { id, times: [...times], numbers: [...numbers] } : null;
	}

	private keep(time: Seconds, numbers: readonly number[]): void {
		if (this.times.at(-1) === time) return;
		this.times.push(time);
		this.numbers.push(...numbers);
	}
}

/** The part from one time to another, beginning at 0; standing where it stood. */
export function trimThing(thing: Thing, start: Seconds, end: Seconds): Thing {
	const { id, times } = thing;
	const kept = [start, ...times.filter((t) => t > start && t < end), ...(end > start ? [end] : [])];
	return {
		id,
		times: kept.map((t) => t - start),
		numbers: kept.flatMap((t) => thingAt(thing, t, []))
	};
}
