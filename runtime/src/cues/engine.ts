/**
 * The cue engine: events in, orders out, each at its time. It knows no motion and no clock: `raise` says what happened now,
 * `advanceTo` hands out what is due. Of what is due at the same time, what was asked for first comes first: events in the
 * order they were raised, cues in their list's, actions in their cue's.
 */
import { compileCurve, runCurve, type CompiledCurve } from '../math/curve';
import { clamp01 } from '../math/scalar';
import { combine, hashText, unit } from '../random/hash';
import { TIME, type Clock } from '../units/clock';
import type { Seconds } from '../units/quantities';
import type { GameEvent, Amount, Between, Cue, CueAction, Miss, Missed, Occurrence, Order, PlayAction } from './types';

/** A chain of cues that raise events ends here: a longer one would hardly be meant. */
export const MOST_CHAINED = 8;

export interface EngineOptions {
	readonly seed?: number;
	/** A game value now; undefined when there is none of that id. */
	readonly readValue?: (parameter: string) => number | undefined;
}

interface Ready {
	readonly cue: Cue;
	readonly number: number;
	readonly event: GameEvent;
	/** Curves of the actions' strengths; null where it is a plain number. */
	readonly curves: readonly (CompiledCurve | null)[];
	lastAt: Seconds;
	spent: boolean;
	/** How often it was asked: with the seed it decides chance and picks. */
	asked: number;
	/** What each action remembers, by its id. */
	memory: ReadonlyMap<string, Memory>;
}

interface Memory {
	lastPick: number;
	repeated: number;
	repeatedAt: Seconds;
}

const nothing = (): Memory => ({ lastPick: -1, repeated: 0, repeatedAt: -Infinity });
const memoryOf = (cue: Cue, before?: ReadonlyMap<string, Memory>): ReadonlyMap<string, Memory> =>
	new Map(cue.actions.map(({ id }) => [id, { ...(before?.get(id) ?? nothing()) }]));

/** What an action's chance comes from. The numbers that actions got which came without ids are those of their places. */
function chanceOf({ id, seededBy = id }: CueAction): number {
	return /^[1-9]\d{0,8}$/.test(seededBy) ? Number(seededBy) : hashText(seededBy);
}

interface Due {
	readonly at: Seconds;
	readonly order: Order | { readonly kind: 'raise'; readonly occurrence: Occurrence; readonly depth: number };
	/** Counts the times that cues answered: what one of them asked for is told from what earlier ones did. */
	readonly firing: number;
}

/** Stands in no id and in no key. */
const BETWEEN = '\u0000';
const together = (id: string, key = ''): string => `${id}${BETWEEN}${key}`;
/** Whether an owner is of this cue, whatever the event's key. */
export const isOwnedBy = (owner: string, cue: string): boolean => owner.startsWith(cue + BETWEEN);

const within = (value: number | undefined, { from, to }: Between): boolean =>
	value !== undefined && (from === null || value >= from) && (to === null || value <= to);

export class CueEngine {
	/** Chains that were cut because they went on and on: the cue at whose action it happened, and how often. */
	readonly cutChains = new Map<string, number>();
	/** Hears of each cue that was asked and did not answer; null: nobody listens, and nothing is made of it. */
	onMiss: ((miss: Miss) => void) | null = null;
	/** Ends that came without a start, by event. */
	readonly looseEnds = new Map<string, number>();
	private readonly byEvent = new Map<string, Ready[]>();
	private readonly all: Ready[] = [];
	private readonly queue: Due[] = [];
	/** States that are on: event and key. */
	private readonly lasting = new Set<string>();
	private readonly seed: number;
	private readonly readValue: (parameter: string) => number | undefined;
	private time: Seconds = 0;
	private readonly until: Clock = new Float64Array(1);
	private firings = 0;

	constructor(events: readonly GameEvent[], cues: readonly Cue[], options: EngineOptions = {}) {
		this.seed = options.seed ?? 1;
		this.readValue = options.readValue ?? (() => undefined);
		const known = new Map(events.map((event) => [event.id, event]));
		cues.forEach((cue, number) => {
			const event = known.get(cue.event);
			// A cue on an event that is not there waits for nothing; a check says so.
			if (!event || !cue.on) return;
			this.admit({
				cue,
				number,
				event,
				curves: cue.actions.map((action) =>
					action.kind === 'play' && typeof action.strength !== 'number' ? compileCurve(action.strength.curve) : null
				),
				lastAt: -Infinity,
				spent: false,
				asked: 0,
				memory: memoryOf(cue)
			});
		});
	}

	/**
	 * Takes over from an engine that this one replaces: which states are on, what is still due, and what each cue
	 * remembers. A cue that began something with a state and no longer lasts with it lets it go now.
	 */
	takeOver(before: CueEngine): void {
		const remembered = new Map(before.all.map((ready) => [ready.cue.id, ready]));
		for (const ready of this.all) {
			const { lastAt, spent, asked, memory } = remembered.get(ready.cue.id) ?? ready;
			Object.assign(ready, { lastAt, spent, asked, memory: memoryOf(ready.cue, memory) });
		}
		this.firings = before.firings;
		for (const due of before.queue) this.put(due);
		for (const state of before.lasting) {
			this.lasting.add(state);
			const [event, key] = state.split(BETWEEN) as [string, string];
			for (const { cue } of before.all) {
				if (cue.when !== 'lasts' || cue.event !== event) continue;
				const goesOn = this.byEvent.get(event)?.some((r) => r.cue.id === cue.id && r.cue.when === 'lasts');
				if (!goesOn) this.letGo(cue.id, key, this.time);
			}
		}
	}

	/** An engine that stands where this one stands and goes its own way, with its own way to read game values. */
	fork(readValue: (parameter: string) => number | undefined): CueEngine {
		const copy = new CueEngine([], [], { seed: this.seed, readValue });
		for (const ready of this.all) copy.admit({ ...ready, memory: memoryOf(ready.cue, ready.memory) });
		copy.firings = this.firings;
		copy.queue.push(...this.queue);
		for (const state of this.lasting) copy.lasting.add(state);
		for (const [cue, times] of this.cutChains) copy.cutChains.set(cue, times);
		for (const [event, times] of this.looseEnds) copy.looseEnds.set(event, times);
		copy.time = this.time;
		return copy;
	}

	private admit(ready: Ready): void {
		this.all.push(ready);
		const list = this.byEvent.get(ready.cue.event);
		if (list) list.push(ready);
		else this.byEvent.set(ready.cue.event, [ready]);
	}

	get now(): Seconds {
		return this.time;
	}

	/** Something happens: now, or at a time to come. It is answered when that is reached, in the order of the times. */
	raise(occurrence: Occurrence, at: Seconds = this.time): void {
		const order = { kind: 'raise', occurrence, depth: 0 } as const;
		this.put({ at: at > this.time ? at : this.time, order, firing: 0 });
	}

	/** Arms cues that were to answer only once: this one, or all. */
	rearm(cue?: string): void {
		for (const ready of this.all) if (cue === undefined || ready.cue.id === cue) ready.spent = false;
	}

	/** Moves time on and hands out what is due by then, in order. */
	advanceTo(time: Seconds, give: (order: Order) => void): void {
		this.until[TIME] = time;
		this.follow(this.until, give);
	}

	/** As `advanceTo`, by a frame's clock. */
	follow(clock: Clock, give: (order: Order) => void): void {
		const time = clock[TIME]!;
		while (this.queue.length > 0 && this.queue[0]!.at <= time) {
			const { at, order, firing } = this.queue.shift()!;
			this.time = at > this.time ? at : this.time;
			if (order.kind === 'raise') {
				this.answer(order.occurrence, at, order.depth);
				continue;
			}
			if (order.kind === 'stop' && order.what === 'own') this.dropWaiting(order.cue, firing);
			give(order);
		}
		this.time = time;
	}

	private answer(occurrence: Occurrence, at: Seconds, depth: number): void {
		const { event, phase } = occurrence;
		if (phase !== 'happens') {
			const state = together(event, occurrence.key);
			if (phase === 'starts') {
				// Begun twice and ended once, it would never end.
				if (this.lasting.has(state)) return;
				this.lasting.add(state);
			} else if (!this.lasting.delete(state)) {
				this.looseEnds.set(event, (this.looseEnds.get(event) ?? 0) + 1);
				return;
			}
		}
		const list = this.byEvent.get(event);
		if (!list) return;
		for (const ready of list) {
			const { when } = ready.cue;
			if (when === 'lasts' && phase === 'ends') this.letGo(ready.cue.id, occurrence.key, at);
			// What happens with a state is its start.
			else if (when === phase || (phase === 'starts' && (when === 'lasts' || when === 'happens')))
				this.try(ready, occurrence, at, depth);
		}
	}

	private letGo(cue: string, key: string | undefined, at: Seconds): void {
		const owner = together(cue, key);
		// What was still to come is not begun any more.
		for (let i = this.queue.length - 1; i >= 0; i--) {
			const { order } = this.queue[i]!;
			if ((order.kind === 'play' || order.kind === 'camera') && order.owner === owner) this.queue.splice(i, 1);
		}
		this.put({ at, order: { kind: 'stop', at, cue, owner, what: 'held', cut: false }, firing: 0 });
	}

	/** What a cue's earlier answers still have waiting is not begun any more. */
	private dropWaiting(cue: string, firing: number): void {
		for (let i = this.queue.length - 1; i >= 0; i--) {
			const due = this.queue[i]!;
			const begins = due.order.kind === 'play' || due.order.kind === 'camera';
			if (begins && (due.order as Order).cue === cue && due.firing < firing) this.queue.splice(i, 1);
		}
	}

	private try(ready: Ready, occurrence: Occurrence, at: Seconds, depth: number): void {
		const { conditions } = ready.cue;
		if (ready.spent && conditions.once) return this.miss(ready, at, 'spent', '', NaN);
		const rest = conditions.coolDown - (at - ready.lastAt);
		if (rest > 1e-9) return this.miss(ready, at, 'cooling-down', '', rest);
		for (const tag of conditions.tags)
			if (!occurrence.tags?.includes(tag) && !ready.event.tags.includes(tag))
				return this.miss(ready, at, 'not-tagged', tag, NaN);
		for (const bound of conditions.values) {
			const value = occurrence.values?.[bound.of];
			if (!within(value, bound)) return this.miss(ready, at, 'value', bound.of, value ?? NaN);
		}
		for (const bound of conditions.parameters) {
			const value = this.readValue(bound.of);
			if (!within(value, bound)) return this.miss(ready, at, 'parameter', bound.of, value ?? NaN);
		}
		const chance = combine(combine(this.seed, hashText(ready.cue.seededBy ?? ready.cue.id)), ++ready.asked);
		if (conditions.chance < 1 && unit(chance) >= conditions.chance)
			return this.miss(ready, at, 'chance', '', conditions.chance);
		ready.lastAt = at;
		ready.spent = true;
		this.firings++;
		ready.cue.actions.forEach((action, i) =>
			this.act(ready, action, i, occurrence, at, depth, combine(chance, chanceOf(action)))
		);
	}

	private miss({ cue }: Ready, at: Seconds, why: Missed, of: string, is: number): void {
		this.onMiss?.({ at, cue: cue.id, event: cue.event, why, of, is });
	}

	private act(
		ready: Ready,
		action: CueAction,
		index: number,
		occurrence: Occurrence,
		at: Seconds,
		depth: number,
		chance: number
	): void {
		const cue = ready.cue.id;
		const owner = together(cue, occurrence.key);
		const due = at + action.delay;
		const firing = this.firings;
		const put = (order: Due['order']): void => this.put({ at: due, order, firing });
		if (action.kind === 'play') {
			const order = this.play(ready, action, ready.curves[index]!, occurrence, due, chance);
			if (order) put(order);
		} else if (action.kind === 'stop') put({ kind: 'stop', at: due, cue, owner, what: action.what, cut: action.cut });
		else if (action.kind === 'set') put({ kind: 'set', at: due, cue, parameter: action.parameter, to: action.to });
		else if (action.kind === 'camera') {
			const { rig, lag, bob, sizes, over } = action;
			const { when, feltBy } = ready.cue;
			const lasting = when === 'lasts';
			const order = { kind: 'camera', at: due, cue, owner, lasting, rig, lag, bob, sizes, over, feltBy } as const;
			put({ ...order, who: occurrence.who });
		} else if (depth >= MOST_CHAINED) this.cutChains.set(cue, (this.cutChains.get(cue) ?? 0) + 1);
		else put({ kind: 'raise', occurrence: { ...occurrence, event: action.event, phase: 'happens' }, depth: depth + 1 });
	}

	private play(
		ready: Ready,
		action: PlayAction,
		curve: CompiledCurve | null,
		occurrence: Occurrence,
		at: Seconds,
		chance: number
	): Order | null {
		const memory = ready.memory.get(action.id)!;
		const preset = pick(action, memory.lastPick, chance);
		if (preset < 0) {
			this.miss(ready, at, 'nothing-to-pick', '', NaN);
			return null;
		}
		memory.lastPick = preset;
		const strength = this.amount(ready.event, action.strength, curve, occurrence) * this.builtUp(memory, action, at);
		return {
			kind: 'play',
			at,
			cue: ready.cue.id,
			owner: together(ready.cue.id, occurrence.key),
			action: action.id,
			buildsUp: action.buildUp !== null,
			preset: action.pick[preset]!.preset,
			strength,
			rate: action.rate,
			length: action.length === 'event' ? occurrence.length : (action.length ?? undefined),
			place: action.fromPlace ? occurrence.place : undefined,
			fromPlace: action.fromPlace,
			feltBy: ready.cue.feltBy,
			who: occurrence.who
		};
	}

	private amount(event: GameEvent, amount: Amount, curve: CompiledCurve | null, occurrence: Occurrence): number {
		if (typeof amount === 'number') return amount;
		const value = event.values.find((v) => v.id === amount.by);
		const given = occurrence.values?.[amount.by];
		// An event that does not carry the number is taken as the least of it.
		const part =
			value && given !== undefined && value.max > value.min
				? clamp01((given - value.min) / (value.max - value.min))
				: 0;
		const strength = runCurve(curve!, part);
		return strength > 0 ? strength : 0;
	}

	private builtUp(memory: Memory, { buildUp }: PlayAction, at: Seconds): number {
		if (!buildUp) return 1;
		const { by, most, coolDown, downOver = 0 } = buildUp;
		const late = at - memory.repeatedAt - coolDown;
		if (late <= 0) memory.repeated++;
		else if (by > 0 && late < downOver) {
			// With one more it comes down as fast as from the most: it meets both ends of the way without a jump.
			const full = (most - 1) / by;
			const left = Math.min(memory.repeated + 1, full) - (full * late) / downOver;
			memory.repeated = left > 0 ? left : 0;
		} else memory.repeated = 0;
		memory.repeatedAt = at;
		return Math.min(most, 1 + by * memory.repeated);
	}

	/** Behind everything that is due at the same time or before. */
	private put(due: Due): void {
		const { queue } = this;
		let i = queue.length;
		while (i > 0 && queue[i - 1]!.at > due.at) i--;
		queue.splice(i, 0, due);
	}
}

/** One of the presets, in the way that the action says; −1 when there is none with a weight. */
function pick({ pick: list, picks = 'no-repeat' }: PlayAction, last: number, chance: number): number {
	if (picks === 'in-turn') {
		for (let i = 1; i <= list.length; i++) {
			const next = (last + i) % list.length;
			if (list[next]!.weight > 0) return next;
		}
		return -1;
	}
	let sum = 0;
	let others = 0;
	for (let i = 0; i < list.length; i++) {
		sum += list[i]!.weight;
		if (i !== last) others += list[i]!.weight;
	}
	if (sum <= 0) return -1;
	const skip = picks === 'no-repeat' && others > 0 ? last : -1;
	let left = unit(chance) * (skip < 0 ? sum : others);
	let chosen = -1;
	for (let i = 0; i < list.length; i++) {
		const { weight } = list[i]!;
		if (i === skip || weight <= 0) continue;
		chosen = i;
		left -= weight;
		if (left < 0) break;
	}
	return chosen;
}
