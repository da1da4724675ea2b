/**
 * The one object that a game holds: events and bodies in, the camera's motion out. It plays a kit exactly as the tool does.
 *
 *     const runtime = createRuntime(kit, { seed: 1, rig: 'eyes' });
 *     runtime.raise('landing', { values: { fall: 6 } });
 *     const frame = runtime.advance(dt, { pose: [x, y, z, yaw, pitch], speed, grounded });
 *     camera.position.add(frame.offset) …
 *
 * Nothing that a game sends while it runs makes it throw: what it does not know is counted and told once, what is no number changes nothing.
 */
import { Frame, WHOLE, type Clear, type FrameBody, type Share } from '../frame/frame';
import { VIEWERS } from '../cues/links';
import type { Occurrence } from '../cues/types';
import { isShake } from '../shake/types';
import { type AnyPreset, type Kit } from '../kit/types';
import { DT, TIME } from '../units/clock';
import type { Seconds } from '../units/quantities';

/** What was sent that cannot be: each is told once, and counted from then on. */
export interface Trouble {
	/** What it is about. */
	readonly kind: 'event' | 'value' | 'preset' | 'rig' | 'number' | 'state' | 'clear' | 'setting';
	/** The id that is not there, or the name of the number. */
	readonly what: string;
	/** A sentence: what it is and what would be right. */
	readonly sentence: string;
}

export interface RuntimeOptions {
	/** Decides every random choice: the same kit, seed, inputs and frame times give the same motion. 1 if left out. */
	readonly seed?: number;
	/** The id of the rig that is seen through; left out or null: the body's eyes and the shakes alone. */
	readonly rig?: string | null;
	/** How many players look on, each with a camera and a mix of its own: 1 (if left out) or 2, who are called `one` and `two`. */
	readonly viewers?: 1 | 2;
	/**
	 * Asked in every frame of a rig that comes nearer where something stands between: how far it is free from what is looked at towards
	 * where the camera would stand. Left out: a body's `room` says so.
	 */
	readonly clear?: Clear;
	/** Hears of what was sent that cannot be, once for each. Left out: only `troubles` counts it. */
	readonly onTrouble?: (trouble: Trouble) => void;
}

/** What comes with an event. */
export interface EventOptions {
	/** When, in seconds on the runtime's own clock (`now`); earlier than the last frame, or left out: at the last frame. */
	readonly at?: Seconds;
	/** Tells apart what goes on at the same time: this door from that one. */
	readonly key?: string;
	/** The numbers that it carries, by their ids. */
	readonly values?: Readonly<Record<string, number>>;
	/** How long the event itself takes, in seconds. */
	readonly length?: Seconds;
	/** Where: x, y, z in metres. */
	readonly place?: readonly [number, number, number];
	/** Left out: those of the event. */
	readonly tags?: readonly string[];
	/** Whom it happened to: `one` or `two`. */
	readonly who?: string;
}

export interface PlayOptions {
	/** What the play is multiplied by; 1 if left out. */
	readonly strength?: number;
	/** Multiplies its frequencies; 1 if left out. */
	readonly rate?: number;
	/** Seconds, instead of the preset's own length. */
	readonly length?: Seconds;
	/** Where it came from, x, y, z in metres: for presets with a reach, and those that are turned to their source. */
	readonly place?: readonly [number, number, number];
	/** Who feels it: `one` or `two`; everybody if left out. */
	readonly who?: string;
}

/** A body at the time of a frame. */
export interface RuntimeBody {
	/** x, y, z of the feet in metres, yaw and pitch of the look in degrees. */
	readonly pose: ArrayLike<number>;
	/** Metres a second: level, on a ladder along it. */
	readonly speed: number;
	/** Whether it stands on something. */
	readonly grounded: boolean;
	/** Whether its feet fall; left out: they do. */
	readonly onFoot?: boolean;
	/** Metres that are free from what a `chase` camera looks at on its way to the camera; left out: nothing stands between. */
	readonly room?: number;
}

/** A frame as one player sees it. The same object in every frame: read it before the next. */
export interface RuntimeFrame {
	/** x, y, z in metres (pixels), pitch, yaw, roll in degrees, fov in degrees (percent), on top of the camera's pose. */
	readonly offset: Float64Array;
	/** Where the camera rests: x, y, z in metres, and its orientation as a quaternion x, y, z, w. */
	readonly camera: Float64Array;
	/** The field of view in degrees, before the offset's. */
	readonly fov: number;
	/** Seven numbers a stage: lag, limits, bob, lean, shakes, ceiling: what each did. */
	readonly stages: Float64Array;
}

/** A player's own share of all motion: one of the kit's settings, or its parts by themselves; what is left out stays as it is. */
export interface PlayerSettings extends Partial<Share> {
	/** The id of one of the kit's players' settings; null: all motion, as it was designed. Other parts change it. */
	readonly setting?: string | null;
	/** `one` or `two`; everybody if left out. */
	readonly who?: string;
}

/** A moment to go back to; made by `snapshot`. */
export interface Snapshot {
	/** All motion, as it stood. */
	readonly frame: Frame;
	/** The runtime’s clock, in seconds. */
	readonly now: Seconds;
	/** States that were on. */
	readonly states: ReadonlySet<string>;
}

/** What a game calls, as who listens in hears it: the wire, which a game connects by itself. */
export type Called =
	| {
			readonly call: 'event';
			readonly event: string;
			readonly phase: Occurrence['phase'];
			readonly at: Seconds;
			readonly options: EventOptions;
	  }
	| { readonly call: 'set'; readonly value: string; readonly to: number }
	| { readonly call: 'play'; readonly preset: string; readonly options: PlayOptions }
	| {
			readonly call: 'stop';
			readonly what: 'all' | { readonly preset: string } | { readonly tag: string };
			readonly cut: boolean;
	  }
	| { readonly call: 'rig'; readonly rig: string | null; readonly over: Seconds; readonly who?: string }
	| { readonly call: 'player'; readonly settings: PlayerSettings };

export interface Tap {
	/** Something was sent that can be. */
	called(called: Called): void;
	/** A frame begins: what is to be changed before it is changed now. */
	before(): void;
	/** A frame is done, with its length and the bodies as they were taken. */
	after(dt: Seconds, bodies: readonly FrameBody[]): void;
}

const isNumber = (value: unknown): value is number => typeof value === 'number' && value - value === 0;
const isPlace = (value: unknown): boolean => Array.isArray(value) && value.length === 3 && value.every(isNumber);
/** What of a kit frames hang on beside its shakes. */
const PARTS = ['events', 'parameters', 'cues', 'rigs', 'world'] as const;
const together = (state: string, key = ''): string => `${state}\u0000${key}`;

/**
 * A kit that plays. Made by `createRuntime`.
 *
 *     const runtime: Runtime = createRuntime(kit, { seed: 1, rig: 'eyes', viewers: 2 });
 */
export class Runtime {
	/** How often each thing was sent that cannot be, by its sentence. */
	readonly troubles = new Map<string, number>();
	private kit: Kit;
	private frame: Frame;
	private time: Seconds = 0;
	private readonly seen: (RuntimeFrame & { fov: number })[];
	private readonly bodies: (FrameBody & { speed: number; grounded: boolean; onFoot: boolean; room: number })[];
	/** By player: the setting of the kit that is wanted; null: none of them. */
	private readonly settings: (string | null)[];
	private readonly onTrouble: (trouble: Trouble) => void;
	/** States that are on, with their keys. */
	private states = new Set<string>();
	private begun = false;
	/** Who listens in; null: nobody. */
	tap: Tap | null = null;
	/** What it was made with. */
	readonly made: { readonly seed: number; readonly rig: string | null; readonly viewers: number };

	constructor(
		kit: Kit,
		{ seed = 1, rig = null, viewers = 1, clear, onTrouble = () => undefined }: RuntimeOptions = {}
	) {
		this.kit = kit;
		this.onTrouble = onTrouble;
		const known = rig === null || kit.rigs.some((r) => r.id === rig);
		this.made = { seed, rig: known ? rig : null, viewers };
		if (!known) this.complain('rig', rig, `There is no rig "${rig}": the body's eyes are seen through.`);
		this.frame = new Frame(kit, {
			seed,
			rig: known ? rig : null,
			viewers,
			steps: true,
			watch: true,
			clear: clear && this.guarded(clear)
		});
		this.bodies = Array.from({ length: viewers }, () => ({
			pose: new Float64Array(5),
			speed: 0,
			grounded: true,
			onFoot: true,
			room: Infinity
		}));
		this.settings = Array.from({ length: viewers }, () => null);
		this.seen = this.frame.cameras.map((camera) => ({
			offset: new Float64Array(camera.offset.length),
			camera: new Float64Array(camera.camera.length),
			fov: camera.fov,
			stages: new Float64Array(camera.run.done!.length)
		}));
	}

	/** Seconds since it began: the sum of all `dt`s, the clock that `at` is on. */
	get now(): Seconds {
		return this.time;
	}

	/**
	 * A moment happens. An event that the kit does not know is counted and told once.
	 *
	 *     runtime.raise('landing', { values: { fall: 6 }, place: [2, 0, -3] });
	 */
	raise(event: string, options: EventOptions = {}): void {
		this.happen(event, 'happens', options);
	}

	/**
	 * A state starts; until its end with the same key it is on. Begun twice it begins once.
	 *
	 *     runtime.begin('door-rattles', { key: 'north', place: [0, 1, -8] });
	 */
	begin(state: string, options: EventOptions = {}): void {
		if (!this.happen(state, 'starts', options)) return;
		this.states.add(together(state, options.key));
	}

	/**
	 * A state ends. An end without a start is counted and told once.
	 *
	 *     runtime.end('door-rattles', { key: 'north' });
	 */
	end(state: string, options: EventOptions = {}): void {
		if (this.kit.events.some((e) => e.id === state) && !this.states.has(together(state, options.key))) {
			this.complain('state', state, `The state "${state}" ended without a start with the same key.`);
			return;
		}
		if (this.happen(state, 'ends', options)) this.states.delete(together(state, options.key));
	}

	/**
	 * Sets a game value from the next frame on; kept within its range.
	 *
	 *     runtime.set('cold', 0.8);
	 */
	set(gameValue: string, value: number): void {
		const known = this.kit.parameters.some((p) => p.id === gameValue);
		if (!known) this.complain('value', gameValue, `There is no game value "${gameValue}" in the kit.`);
		else if (!isNumber(value))
			this.complain('number', gameValue, `The game value "${gameValue}" was set to what is no number.`);
		else {
			this.frame.director.set(gameValue, value);
			this.tap?.called({ call: 'set', value: gameValue, to: value });
		}
	}

	/**
	 * Plays a shake without an event.
	 *
	 *     runtime.play('thud', { strength: 0.5, place: [2, 0, -3] });
	 */
	play(preset: string, options: PlayOptions = {}): void {
		const { strength, rate, length, place, who } = options;
		if (!this.kit.presets.some((p) => p.id === preset && isShake(p)))
			return this.complain('preset', preset, `There is no shake "${preset}" in the kit.`);
		for (const [name, value] of Object.entries({ strength, rate, length }))
			if (value !== undefined && !(isNumber(value) && value >= 0))
				return this.complain('number', name, `"${preset}" was played with a ${name} that is no number from 0 on.`);
		if (place !== undefined && !isPlace(place))
			return this.complain('number', 'place', `"${preset}" was played from a place that is not three numbers.`);
		for (const { id, player } of this.frame.director.viewers)
			if (who === undefined || id === who) player.fire(preset, { strength, rate, length, at: place });
		this.tap?.called({ call: 'play', preset, options });
	}

	/**
	 * Lets motion fade out: all of it, a preset's, or that of presets with a tag; with `cut` at once.
	 *
	 *     runtime.stop({ tag: 'engine' });
	 */
	stop(what: 'all' | { readonly preset: string } | { readonly tag: string } = 'all', cut = false): void {
		const tagged = (id: string, tag: string): boolean =>
			this.kit.presets.some((p) => p.id === id && isShake(p) && p.tags.includes(tag));
		for (const { player } of this.frame.director.viewers)
			for (const play of player.plays) {
				const meant =
					what === 'all' || ('preset' in what ? play.presetId === what.preset : tagged(play.presetId, what.tag));
				if (meant && cut) play.cut(player.now);
				else if (meant) play.stop(player.now);
			}
		this.tap?.called({ call: 'stop', what, cut });
	}

	/**
	 * Is seen through another rig within `over` seconds; 0, or left out, cuts. null: the one that it began with.
	 *
	 *     runtime.useRig('behind-the-boat', { over: 0.6 });
	 */
	useRig(rig: string | null, { over = 0, who }: { readonly over?: Seconds; readonly who?: string } = {}): void {
		if (rig !== null && !this.kit.rigs.some((r) => r.id === rig))
			return this.complain('rig', rig, `There is no rig "${rig}" in the kit.`);
		const seconds = isNumber(over) && over > 0 ? over : 0;
		this.frame.cameras.forEach((camera, i) => {
			if (who === undefined || VIEWERS[i] === who) camera.change({ rig, lag: null, bob: null, sizes: {} }, seconds);
		});
		this.tap?.called({ call: 'rig', rig, over: seconds, who });
	}

	/**
	 * What a player wants of all motion: one of the kit's settings, or parts by themselves; from the next frame on.
	 *
	 *     runtime.setPlayer({ setting: 'calm' });
	 *     runtime.setPlayer({ intensity: 0.5, roll: false });
	 */
	setPlayer(settings: PlayerSettings): void {
		const { setting, who, intensity } = settings;
		const { players = [] } = this.kit;
		if (intensity !== undefined && !isNumber(intensity))
			return this.complain('number', 'intensity', 'A player’s intensity was set to what is no number.');
		if (setting !== undefined && setting !== null && !players.some(({ id }) => id === setting))
			return this.complain('setting', setting, `There is no player’s setting "${setting}" in the kit.`);
		this.settings.forEach((_, i) => {
			if (who !== undefined && VIEWERS[i] !== who) return;
			if (setting !== undefined) this.settings[i] = setting;
			const share: Record<string, unknown> = {
				...(setting === undefined ? this.frame.shareOf(i) : this.shareOf(setting))
			};
			for (const part in WHOLE) {
				const wish: unknown = settings[part as keyof Share];
				if (wish !== undefined)
					share[part] = part === 'intensity' ? Math.min(2, Math.max(0, wish as number)) : wish === true;
			}
			this.frame.setShare(i, share as unknown as Share);
		});
		this.tap?.called({ call: 'player', settings });
	}

	private shareOf(setting: string | null): Share {
		const found = this.kit.players?.find(({ id }) => id === setting);
		const { intensity, rotation, roll, lens, bob, gentle } = found ?? WHOLE;
		return { intensity, rotation, roll, lens, bob, gentle };
	}

	/**
	 * One frame, `dt` seconds after the one before, with the bodies as they are now. The first one puts the camera where the body is. A
	 * `dt` that is 0, negative or no number is a frame in which no time goes by; a long one, such as 10 s, is one long frame: what was due in it is
	 * carried out at its moments. Returns the first player's frame; `frameOf` gives any.
	 *
	 *     const { camera, offset, fov } = runtime.advance(1 / 60, { pose: [0, 0, 0, 0, 0], speed: 1.4, grounded: true });
	 */
	advance(dt: Seconds, body: RuntimeBody | readonly RuntimeBody[]): RuntimeFrame {
		this.tap?.before();
		const sound = typeof dt === 'number' && dt - dt === 0 && dt > 0;
		if (!sound && dt !== 0) this.complain('number', 'dt', 'A frame came with a dt that is no number from 0 on.');
		const list = Array.isArray(body) ? (body as readonly RuntimeBody[]) : null;
		for (let i = 0; i < this.bodies.length; i++) this.take(i, list ? list[i] : (body as RuntimeBody));
		if (sound || !this.begun) {
			if (sound && this.begun) this.time += dt;
			// Into the frame's own clock: handed over, both would be boxed.
			const { clock } = this.frame;
			clock[TIME] = this.time;
			clock[DT] = 0;
			if (this.begun) clock[DT] = dt;
			this.frame.go(this.bodies);
			const passed = this.begun ? dt : 0;
			this.begun = true;
			this.tap?.after(passed, this.bodies);
		}
		for (let i = 0; i < this.seen.length; i++) this.look(i);
		return this.seen[0]!;
	}

	/**
	 * The frame of any player as it is now: 0 the first, 1 the second; of another number the first one's.
	 *
	 *     runtime.advance(dt, [left, right]);
	 *     const { camera, offset } = runtime.frameOf(1);
	 */
	frameOf(viewer: number): RuntimeFrame {
		return this.seen[viewer] ?? this.seen[0]!;
	}

	/**
	 * Goes on with another kit while everything plays: what is the same goes on, what changed goes over without a jump, what is gone fades.
	 *
	 *     const read = openKit(JSON.parse(text));
	 *     if (read.ok) runtime.replaceKit(read.value);
	 */
	replaceKit(kit: Kit): void {
		const before = this.kit;
		const known = new Map(before.presets.map((p) => [p.id, p]));
		const isNew = (p: AnyPreset): boolean => {
			const was = known.get(p.id);
			return was !== p && JSON.stringify(was) !== JSON.stringify(p);
		};
		const changed = kit.presets.filter(isNew);
		this.kit = kit;
		const alone =
			PARTS.every((part) => kit[part] === before[part]) &&
			changed.every((p) => isShake(p) && known.has(p.id)) &&
			kit.presets.length === before.presets.length;
		if (!alone) {
			this.frame.use(kit);
			this.frame.director.usePresets(kit.presets.filter(isShake));
		}
		// A setting that was tuned is felt at once.
		this.settings.forEach((setting, i) => {
			if (setting !== null && before.players !== kit.players) this.frame.setShare(i, this.shareOf(setting));
		});
		// Where nothing else differs, what is not about these presets is left alone.
		for (const preset of changed) if (isShake(preset)) (alone ? this.frame : this.frame.director).setPreset(preset);
	}

	/**
	 * Everything as it stands, to go back to: phases, fades, states, cool-downs. Frames after it leave it as it is.
	 *
	 *     const saved = runtime.snapshot();
	 */
	snapshot(): Snapshot {
		return { frame: this.frame.fork(), now: this.time, states: new Set(this.states) };
	}

	/**
	 * Goes back to a snapshot of this runtime: the same inputs from there on give the same motion, to the bit.
	 *
	 *     runtime.restore(saved);
	 */
	restore(snapshot: Snapshot): void {
		this.frame = snapshot.frame.fork();
		this.time = snapshot.now;
		this.states = new Set(snapshot.states);
	}

	private happen(event: string, phase: Occurrence['phase'], options: EventOptions): boolean {
		const { at = this.time, key, values = {}, length, place, tags, who } = options;
		const known = this.kit.events.find((e) => e.id === event);
		if (!known) {
			this.complain('event', event, `There is no event "${event}" in the kit.`);
			return false;
		}
		if (known.kind === 'moment' && phase !== 'happens') {
			this.complain('state', event, `"${event}" is a moment: raise it; it has no start and no end.`);
			return false;
		}
		for (const [name, value] of Object.entries({ ...values, ...(length !== undefined && { length }), at }))
			if (!isNumber(value)) {
				this.complain('number', `${event} ${name}`, `"${event}" came with a ${name} that is no number.`);
				return false;
			}
		if (place !== undefined && !isPlace(place)) {
			this.complain('number', `${event} place`, `"${event}" came with a place that is not three numbers.`);
			return false;
		}
		// A state that happens, starts.
		const meant = known.kind === 'state' && phase === 'happens' ? 'starts' : phase;
		this.frame.director.raise({ event, phase: meant, key, values, length, place, tags: tags ?? known.tags, who }, at);
		this.tap?.called({ call: 'event', event, phase: meant, at, options });
		return true;
	}

	private take(i: number, body: RuntimeBody | undefined): void {
		const mine = this.bodies[i]!;
		if (!body) return this.complain('number', 'body', 'A frame came with fewer bodies than there are players.');
		for (let c = 0; c < 5; c++) {
			const value = body.pose[c];
			// What is no number leaves the body where it was.
			// Written out, as in `isNumber`: a double that is handed to a call may be boxed.
			if (typeof value === 'number' && value - value === 0) mine.pose[c] = value;
			else this.complain('number', 'pose', 'A frame came with a pose that is not five numbers.');
		}
		const { speed } = body;
		if (typeof speed === 'number' && speed - speed === 0) mine.speed = speed;
		else this.complain('number', 'speed', 'A frame came with a speed that is no number.');
		mine.grounded = body.grounded;
		mine.onFoot = body.onFoot !== false;
		mine.room = Infinity;
		const { room } = body;
		if (typeof room === 'number' && room >= 0) mine.room = room;
		else if (room !== undefined)
			this.complain('number', 'room', 'A frame came with a room that is no number from 0 on.');
	}

	/** What a game's own question throws, or answers that is no number, is told, and nothing stands between. */
	private guarded(clear: Clear): Clear {
		return (from, to, viewer) => {
			let free: unknown;
			try {
				free = clear(from, to, viewer);
			} catch {
				// Told below.
			}
			if (typeof free === 'number' && free >= 0) return free;
			this.complain('clear', 'clear', 'How far it is free was answered with what is no number from 0 on.');
			return Infinity;
		};
	}

	private look(i: number): void {
		const seen = this.seen[i]!;
		const camera = this.frame.cameras[i]!;
		seen.offset.set(camera.offset);
		seen.camera.set(camera.camera);
		seen.fov = camera.fov;
		if (camera.run.done) seen.stages.set(camera.run.done);
	}

	private complain(kind: Trouble['kind'], what: string, sentence: string): void {
		const times = this.troubles.get(sentence) ?? 0;
		this.troubles.set(sentence, times + 1);
		if (times === 0) this.onTrouble({ kind, what, sentence });
	}
}

/**
 * A runtime that plays a kit as it was read by `openKit`. It throws nothing, whatever a game sends it from here on. The kit is shared: a
 * game does not change it.
 *
 *     const read = openKit(JSON.parse(text));
 *     if (!read.ok) throw new Error(read.problems[0].message);
 *     const runtime = createRuntime(read.value, { seed: 1, rig: 'eyes', onTrouble: ({ sentence }) => console.warn(sentence) });
 */
export const createRuntime = (kit: Kit, options?: RuntimeOptions): Runtime => new Runtime(kit, options);
