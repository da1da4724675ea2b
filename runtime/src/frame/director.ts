/**
 * The director: the game's events go in, the cue engine answers, and each viewer's player does what it is told. Two players
 * on one screen are two viewers with two mixes.
 *
 *     const director = new Director(kit, { seed: 1 });
 *     director.raise({ event: 'cask-set-down', phase: 'happens', values: { impact: 6 }, place: [2, 0, -3] });
 *     director.advance(1 / 60);
 *     director.viewers[0].player.offset;
 */
import { isShake, type ShakePreset } from '../shake/types';
import { type Kit } from '../kit/types';
import { Player } from '../shake/player';
import type { Play } from '../shake/play';
import { TIME, type Clock } from '../units/clock';
import type { Seconds } from '../units/quantities';
import { combine } from '../random/hash';
import { CueEngine, isOwnedBy } from '../cues/engine';
import type { Miss, Occurrence, Order, StopAction } from '../cues/types';
import type { Outcome } from '../shake/options';

export interface Viewer {
	readonly id: string;
	readonly player: Player;
}

/** Below this nothing is seen of a play. */
const TOO_WEAK = 0.01;

/** What became of a play that a cue asked for, for one viewer; or why a cue did not answer. */
export type Decision =
	| ({ readonly kind: 'missed' } & Miss)
	| {
			readonly kind: 'played';
			readonly at: Seconds;
			readonly cue: string;
			readonly preset: string;
			readonly viewer: string;
			/**
			 * As the player says; or what of it is not felt: its preset is for the other view, it comes from too far away, with next to no
			 * strength, the camera lets none of it through, or something of a higher priority leaves less than half of it.
			 */
			readonly outcome: Outcome | 'other-view' | 'out-of-reach' | 'too-weak' | 'held-back' | 'ducked';
			/** As the cue asked for it. */
			readonly strength: number;
			/** What distance, the camera and what ducks it leave of that. */
			readonly felt: number;
	  };

export interface DirectorOptions {
	readonly seed?: number;
	/** Who looks on; left out: one viewer. */
	readonly viewers?: readonly string[];
}

export class Director {
	readonly viewers: readonly Viewer[];
	/** Put in place of the one before by `rewire`. */
	engine: CueEngine;
	private readonly seed: number;
	/** Hears what becomes of each cue that is asked; null: nobody listens. Not taken along by a fork. */
	private told: ((decision: Decision) => void) | null = null;
	/** How much of a preset a viewer's camera lets through; null: all. */
	seenOf: ((viewer: number, presetId: string) => number) | null = null;
	/** Orders of the last step, for display. */
	readonly done: Order[] = [];
	private readonly tags = new Map<string, readonly string[]>();
	private time: Seconds = 0;
	private readonly clock: Clock = new Float64Array(1);

	constructor(kit: Pick<Kit, 'events' | 'parameters' | 'presets' | 'cues'>, options: DirectorOptions = {}) {
		const seed = (this.seed = options.seed ?? 1);
		this.viewers = (options.viewers ?? ['one']).map((id, i) => ({
			id,
			player: new Player(kit.presets, { seed: combine(seed, i), parameters: kit.parameters })
		}));
		for (const preset of kit.presets) if (isShake(preset)) this.tags.set(preset.id, preset.tags);
		this.engine = this.newEngine(kit);
	}

	/** A director that stands where this one stands and goes its own way: the same events lead to the same motion. */
	fork(): Director {
		const copy = new Director({ events: [], parameters: [], presets: [], cues: [] }, { seed: this.seed, viewers: [] });
		const viewers = this.viewers.map(({ id, player }) => ({ id, player: player.fork() }));
		const values = viewers[0]?.player.values;
		const engine = this.engine.fork((id) => values?.get(id));
		Object.assign(copy, { viewers, engine, tags: this.tags, time: this.time });
		copy.done.push(...this.done);
		return copy;
	}

	/** Lets somebody hear what becomes of each cue that is asked, and why; null ends it. */
	explain(hear: ((decision: Decision) => void) | null): void {
		this.told = hear;
		this.engine.onMiss = hear && ((miss) => hear({ kind: 'missed', ...miss }));
	}

	private newEngine({ events, cues }: Pick<Kit, 'events' | 'cues'>): CueEngine {
		const values = this.viewers[0]?.player.values;
		const engine = new CueEngine(events, cues, { seed: this.seed, readValue: (id) => values?.get(id) });
		engine.advanceTo(this.time, () => undefined);
		return engine;
	}

	/** Goes on with changed events, game values and cues: what plays goes on, what is on and set stays so. */
	rewire(wiring: Pick<Kit, 'events' | 'parameters' | 'cues'>): void {
		for (const { player } of this.viewers) player.values.define(wiring.parameters);
		const before = this.engine;
		this.engine = this.newEngine(wiring);
		this.engine.takeOver(before);
		this.explain(this.told);
	}

	/** Plays these presets from now on; those that are not among them any more fade out. */
	usePresets(presets: readonly ShakePreset[]): void {
		const ids = new Set(presets.map((preset) => preset.id));
		for (const id of [...this.tags.keys()]) {
			if (ids.has(id)) continue;
			this.tags.delete(id);
			for (const { player } of this.viewers) player.removePreset(id);
		}
		for (const preset of presets) if (!this.tags.has(preset.id)) this.setPreset(preset);
	}

	/** Adds a preset, or puts a changed one in the place of the one with its id. */
	setPreset(preset: ShakePreset): void {
		this.tags.set(preset.id, preset.tags);
		for (const { player } of this.viewers) player.setPreset(preset);
	}

	get now(): Seconds {
		return this.time;
	}

	/** Something happens: now, or at a time within the step that comes. */
	raise(occurrence: Occurrence, at: Seconds = this.time): void {
		this.engine.raise(occurrence, at);
	}

	/** Sets a game value for everybody. */
	set(parameter: string, value: number): void {
		for (const { player } of this.viewers) player.values.set(parameter, value);
	}

	advance(dt: Seconds): void {
		// Into its own clock: handed on, the sum would be boxed.
		this.clock[TIME] = this.time + dt;
		this.follow(this.clock);
	}

	/**
	 * One step: what is due is done in its order, each as of the moment it was due: before it every player is brought to that moment.
	 * Then every mix is worked out; with `look` false it is not, for steps that nobody looks at.
	 */
	advanceTo(time: Seconds, look = true): void {
		this.clock[TIME] = time;
		this.follow(this.clock, look);
	}

	/** As `advanceTo`, by a frame's clock. */
	follow(clock: Clock, look = true): void {
		const { viewers } = this;
		this.time = clock[TIME]!;
		if (this.done.length > 0) this.done.length = 0;
		this.engine.follow(clock, this.obey);
		for (let i = 0; i < viewers.length; i++) viewers[i]!.player.follow(clock);
		if (look) for (let i = 0; i < viewers.length; i++) viewers[i]!.player.sum();
	}

	private readonly obey = (order: Order): void => {
		this.done.push(order);
		if (order.kind === 'set') this.set(order.parameter, order.to);
		else if (order.kind === 'play') this.play(order);
		else if (order.kind === 'stop') this.stop(order);
		// What a camera is ordered is done by whoever has the cameras.
	};

	private play(order: Order & { kind: 'play' }): void {
		const { feltBy, who, at, fromPlace } = order;
		const toAll = feltBy !== 'one';
		// What happened to somebody and has no place is at that body.
		const body =
			fromPlace && who !== undefined ? this.viewers.find(({ id }) => id === who)?.player.bodyPlace : undefined;
		const place = order.place ?? body ?? undefined;
		const builder = order.buildsUp ? `${order.cue} ${order.action} ${order.preset}` : undefined;
		for (const viewer of this.viewers) {
			if (!toAll && who !== undefined && viewer.id !== who) continue;
			const { player } = viewer;
			if (at > player.now) player.bringTo(at);
			const play = player.fire(order.preset, {
				strength: order.strength,
				rate: order.rate,
				length: order.length,
				// What everybody feels wherever they are has no distance.
				at: feltBy === 'everyone' ? undefined : place,
				ago: player.now - at,
				holder: order.owner,
				builder
			});
			if (this.told) this.tell(order, viewer, play, feltBy === 'everyone' ? undefined : place);
			if (!toAll && who === undefined) break;
		}
	}

	private tell(
		{ at, cue, preset, strength }: Order & { kind: 'play' },
		{ id: viewer, player }: Viewer,
		play: Play | null,
		place: readonly [number, number, number] | undefined
	): void {
		const reached = player.reaches(preset, place);
		const left = play ? player.ducks(play) : 1;
		const seen =
			this.seenOf?.(
				this.viewers.findIndex(({ id }) => id === viewer),
				preset
			) ?? 1;
		let outcome: (Decision & { kind: 'played' })['outcome'] = player.outcome;
		if (outcome === 'unknown') outcome = this.tags.has(preset) ? 'other-view' : 'unknown';
		else if (reached === 0) outcome = 'out-of-reach';
		else if (seen === 0) outcome = 'held-back';
		else if (strength * reached * seen < TOO_WEAK) outcome = 'too-weak';
		else if (left < 0.5) outcome = 'ducked';
		this.told!({ kind: 'played', at, cue, preset, viewer, outcome, strength, felt: reached * seen * left });
	}

	private stop({ what, cut, owner, cue, at }: Order & { kind: 'stop' }): void {
		const isTheirs =
			what === 'held' ? (holder: string) => holder === owner : (holder: string) => isOwnedBy(holder, cue);
		for (const { player } of this.viewers) {
			if (at > player.now) player.bringTo(at);
			for (const play of player.plays)
				if (what === 'held' || what === 'own' ? play.release(isTheirs) : this.isMeant(what, play))
					if (cut) play.cut(at);
					else play.stop(at);
		}
	}

	private isMeant(what: StopAction['what'], play: Play): boolean {
		if (what === 'all') return true;
		if (typeof what === 'string') return false;
		return 'preset' in what ? what.preset === play.presetId : this.tags.get(play.presetId)?.includes(what.tag) === true;
	}
}
