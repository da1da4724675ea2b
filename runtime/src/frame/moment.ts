/**
 * A moment of a frame as plain JSON: what differs from a frame that has just been made of the same kit. Another process that has the kit
 * makes that frame too, puts the differences in, and goes on to the bit.
 *
 * Both graphs are walked side by side. What both share (the kit's documents) or what is alike is left out; plays and chains that the fresh
 * frame has not are told by what they are made of, and their differences from that. A frame of a kit that was tuned since takes what fits:
 * plays go on with the changed numbers, what is not there any more is left out.
 */
import { compileShake } from '../shake/compile';
import { Play } from '../shake/play';
import { isShake, type ShakePreset } from '../shake/types';
import type { Rig } from '../chain/types';
import { CueEngine } from '../cues/engine';
import { CameraRun } from './camera';
import { Director } from './director';
import { Frame, type FrameOptions, type Played } from './frame';
import { RigRun } from './rig';
import { Player } from '../shake/player';

/** A frame's state, and what it was made with. JSON. */
export interface Moment {
	readonly moment: 1;
	readonly seed: number;
	readonly rig: string | null;
	readonly viewers: number;
	/** Whether the game answers how far it is free behind what a camera looks at. */
	readonly state: Patch | null;
}

/** A number that JSON has no word for, a list, a typed array, a map, a set, fields; a play, a chain; nothing. */
type Patch =
	| number
	| string
	| boolean
	| null
	| { readonly n: string }
	| { readonly u: 1 }
	| { readonly f: readonly Patch[] }
	| { readonly a: readonly Patch[] }
	| { readonly e: readonly (readonly [number, Patch])[] }
	| { readonly m: readonly (readonly [string, Patch])[]; readonly gone?: readonly string[] }
	| { readonly s: readonly Patch[] }
	| { readonly o: Readonly<Record<string, Patch>>; readonly gone?: readonly string[]; readonly new?: 1 }
	| {
			readonly play: readonly [preset: string, length: number | null, id: number, seed: number];
			readonly o: Patch | null;
	  }
	| { readonly chain: Rig | null; readonly o: Patch | null };

type Numbers = Float64Array | Float32Array | Int32Array | Uint8Array;
type Fields = Record<string, unknown>;

/** What hangs on the kit alone, or on who looks on: the fresh frame has its own. */
const LEFT: readonly (readonly [abstract new (...given: never[]) => unknown, readonly string[]])[] = [
	[Frame, ['kit', 'hear', 'areas', 'director', 'cameras', 'tracks']],
	[Director, ['tags', 'told', 'seenOf', 'done', 'engine']],
	[Player, ['presets', 'shakes', 'scratch']],
	[CameraRun, ['presets', 'rigs', 'clear']],
	[CueEngine, ['onMiss', 'readValue', 'byEvent']]
];

const isNumbers = (value: unknown): value is Numbers => ArrayBuffer.isView(value) && !(value instanceof DataView);
const isObject = (value: unknown): value is Fields => typeof value === 'object' && value !== null;
const leftOf = (value: unknown): readonly string[] => LEFT.find(([type]) => value instanceof type)?.[1] ?? [];

const plain = (value: number): Patch =>
	value - value === 0 && !Object.is(value, -0) ? value : { n: Object.is(value, -0) ? '-0' : String(value) };

/** What tells an event from its key stands in no file: it is written with a sign for it. */
const kept = (text: string): string => text.replaceAll('\u2400', '\u2400\u2400').replaceAll('\u0000', '\u24000');
const readText = (text: string): string =>
	text.includes('\u2400') ? text.replace(/\u2400(.)/g, (_, sign: string) => (sign === '0' ? '\u0000' : sign)) : text;

const NOT_PLAYED = {
	strength: 1,
	length: undefined,
	rate: 1,
	place: null,
	axes: null,
	holders: [],
	builder: ''
} as const;

class Writer {
	constructor(private readonly presets: Played['presets']) {}

	/** What makes `from` into `to`; undefined: nothing. */
	between(to: unknown, from: unknown): Patch | undefined {
		if (to === from || typeof to === 'function') return undefined;
		if (!isObject(to)) return Object.is(to, from) ? undefined : this.whole(to);
		if (!isObject(from) || Object.getPrototypeOf(to) !== Object.getPrototypeOf(from)) return this.whole(to);
		if (isNumbers(to)) {
			const other = from as unknown as Numbers;
			return to.length === other.length && to.every((v, i) => Object.is(v, other[i])) ? undefined : this.whole(to);
		}
		if (Array.isArray(to)) return this.list(to, from as unknown as readonly unknown[]);
		if (to instanceof Map) return this.map(to as Map<string, unknown>, from as unknown as Map<string, unknown>);
		if (to instanceof Set) {
			const other = from as unknown as Set<unknown>;
			return to.size === other.size && [...to].every((v) => other.has(v)) ? undefined : this.whole(to);
		}
		if (to instanceof Play && !isSamePlay(to, from as unknown as Play)) return this.whole(to);
		if (to instanceof RigRun && JSON.stringify(to.rig) !== JSON.stringify((from as unknown as RigRun).rig))
			return this.whole(to);
		return this.fields(to, from);
	}

	private fields(to: Fields, from: Fields): Patch | undefined {
		const left = leftOf(to);
		const o: Record<string, Patch> = {};
		for (const name of Object.keys(to)) {
			if (left.includes(name)) continue;
			const patch = this.between(to[name], from[name]);
			if (patch !== undefined) o[name] = patch;
		}
		const gone = Object.keys(from).filter((name) => !(name in to) && !left.includes(name));
		if (gone.length > 0) return { o, gone };
		return Object.keys(o).length > 0 ? { o } : undefined;
	}

	private list(to: readonly unknown[], from: readonly unknown[]): Patch | undefined {
		if (to.length !== from.length) return this.whole(to);
		const e = to.flatMap((value, i): [number, Patch][] => {
			const patch = this.between(value, from[i]);
			return patch === undefined ? [] : [[i, patch]];
		});
		return e.length > 0 ? { e } : undefined;
	}

	private map(to: Map<string, unknown>, from: Map<string, unknown>): Patch | undefined {
		const m = [...to].flatMap(([key, value]): [string, Patch][] => {
			const patch = from.has(key) ? this.between(value, from.get(key)) : this.whole(value);
			return patch === undefined ? [] : [[kept(key), patch]];
		});
		const gone = [...from.keys()].filter((key) => !to.has(key)).map(kept);
		if (gone.length > 0) return { m, gone };
		return m.length > 0 ? { m } : undefined;
	}

	/** A value that the fresh frame has not. */
	private whole(value: unknown): Patch {
		if (value === undefined || typeof value === 'function') return { u: 1 };
		if (typeof value === 'number') return plain(value);
		if (typeof value === 'string') return kept(value);
		if (!isObject(value)) return value as boolean | null;
		if (isNumbers(value)) return { f: Array.from(value as ArrayLike<number>, plain) };
		if (Array.isArray(value)) return { a: value.map((entry) => this.whole(entry)) };
		if (value instanceof Map) return { m: [...value].map(([key, v]) => [kept(key as string), this.whole(v)] as const) };
		if (value instanceof Set) return { s: [...value].map((v) => this.whole(v)) };
		if (value instanceof Play) {
			const { presetId, length = null, id, seed } = value;
			const { preset } = value.compiled;
			return { play: [presetId, length, id, seed], o: this.between(value, playOf(preset, length, id, seed)) ?? null };
		}
		if (value instanceof RigRun) {
			// Held against a chain that reads the same game values.
			const { values, seed } = this.camera!;
			return { chain: value.rig, o: this.between(value, new RigRun(value.rig, this.presets, values, seed)) ?? null };
		}
		const o: Record<string, Patch> = {};
		for (const name of Object.keys(value)) if (typeof value[name] !== 'function') o[name] = this.whole(value[name]);
		return { o, new: 1 };
	}

	/** Whose chains are written. */
	camera: { readonly values: ConstructorParameters<typeof RigRun>[2]; readonly seed: number } | null = null;
}

const isSamePlay = (a: Play, b: Play): boolean =>
	a.id === b.id && a.seed === b.seed && a.presetId === b.presetId && a.length === b.length && a.delay === b.delay;
const playOf = (preset: ShakePreset, length: number | null, id: number, seed: number): Play =>
	new Play(id, compileShake(preset, length ?? undefined), 0, 0, seed, { ...NOT_PLAYED, length: length ?? undefined });

const NOTHING = Symbol('nothing');

/** A value in the place of another: of the same kind, or where nothing was. */
function fitting(here: unknown, value: unknown, name: string): unknown {
	if (here === undefined || here === null) return value;
	const alike =
		isObject(here) && isObject(value)
			? Object.getPrototypeOf(here) === Object.getPrototypeOf(value) &&
				(!isNumbers(here) || here.length === (value as unknown as Numbers).length)
			: typeof here === typeof value && value !== null;
	if (!alike) throw new TypeError(`"${name}" is of another kind.`);
	return value;
}

class Reader {
	constructor(
		private readonly presets: Played['presets'],
		private readonly values: ConstructorParameters<typeof RigRun>[2],
		private readonly seed: number
	) {}

	/** What a value becomes; NOTHING: what it was made of is not there any more. */
	put(here: unknown, patch: Patch): unknown {
		if (typeof patch === 'string') return readText(patch);
		if (typeof patch !== 'object' || patch === null) return patch;
		if ('n' in patch) return Number(patch.n);
		if ('u' in patch) return undefined;
		if ('f' in patch) return this.numbers(here, patch.f);
		if ('a' in patch) return patch.a.map((entry) => this.put(undefined, entry)).filter((value) => value !== NOTHING);
		if ('s' in patch) return new Set(patch.s.map((entry) => this.put(undefined, entry)));
		if ('e' in patch) return this.entries(here, patch.e);
		if ('m' in patch) return this.map(here, patch);
		if ('play' in patch) return this.play(patch);
		if ('chain' in patch) {
			const run = new RigRun(patch.chain, this.presets, this.values, this.seed);
			if (patch.o !== null) this.put(run, patch.o);
			return run;
		}
		if (patch.new || !isObject(here)) here = {};
		const fields = here as Fields;
		for (const [name, part] of Object.entries(patch.o)) {
			if (name === '__proto__') continue;
			const value = this.put(fields[name], part);
			if (value === NOTHING) return NOTHING;
			fields[name] = fitting(fields[name], value, name);
		}
		for (const name of patch.gone ?? []) {
			if (Object.getPrototypeOf(fields) !== Object.prototype) throw new TypeError(`"${name}" cannot go.`);
			delete fields[name];
		}
		return here;
	}

	private numbers(here: unknown, list: readonly Patch[]): unknown {
		const read = list.map((one) => Number(typeof one === 'object' && one !== null && 'n' in one ? one.n : one));
		if (!isNumbers(here)) return Float64Array.from(read);
		// Somebody else may hold the same array.
		if (here.length !== read.length)
			return (here.constructor as unknown as { from(list: readonly number[]): Numbers }).from(read);
		here.set(read);
		return here;
	}

	private entries(here: unknown, list: readonly (readonly [number, Patch])[]): unknown {
		const next = Array.isArray(here) ? (here as unknown[]) : [];
		for (const [i, part] of list) {
			if (i >= next.length) continue;
			const value = this.put(next[i], part);
			if (value !== NOTHING) next[i] = fitting(next[i], value, String(i));
		}
		return next;
	}

	private map(
		here: unknown,
		{ m, gone = [] }: { m: readonly (readonly [string, Patch])[]; gone?: readonly string[] }
	): unknown {
		const map = here instanceof Map ? (here as Map<string, unknown>) : new Map<string, unknown>();
		for (const [written, part] of m) {
			const key = readText(written);
			map.set(key, fitting(map.get(key), this.put(map.get(key), part), key));
		}
		for (const key of gone) map.delete(readText(key));
		return map;
	}

	private play({
		play: [id, length, number, seed],
		o
	}: {
		play: readonly [string, number | null, number, number];
		o: Patch | null;
	}): unknown {
		const preset = this.presets.find((p) => p.id === id);
		if (!preset || !isShake(preset)) return NOTHING;
		const made = playOf(preset, length, number, seed);
		return o === null ? made : this.put(made, o);
	}
}

type Inside = {
	readonly values: ConstructorParameters<typeof RigRun>[2];
	readonly seed: number;
	readonly own: string | null;
};

const optionsOf = (frame: Frame): { seed: number; rig: string | null; viewers: number } => ({
	seed: (frame.director as unknown as { seed: number }).seed,
	rig: (frame.cameras[0] as unknown as Inside).own,
	viewers: frame.cameras.length
});

/** The moment at which a frame of a kit stands. It is left as it is. */
export function momentOf(frame: Frame, kit: Played): Moment {
	const options = optionsOf(frame);
	const fresh = madeOf(kit, options);
	const writer = new Writer(kit.presets);
	const o: Record<string, Patch> = {};
	const add = (name: string, patch: Patch | undefined): void => {
		if (patch !== undefined) o[name] = patch;
	};
	add('frame', writer.between(frame, fresh));
	add('director', writer.between(frame.director, fresh.director));
	add('engine', writer.between(frame.director.engine, fresh.director.engine));
	frame.cameras.forEach((camera, i) => {
		writer.camera = camera as unknown as Inside;
		add(`camera ${i}`, writer.between(camera, fresh.cameras[i]));
	});
	add('tracks', writer.between(inside(frame).tracks, inside(fresh).tracks));
	return { moment: 1, ...options, state: { o } };
}

const inside = (frame: Frame): { tracks: unknown } => frame as unknown as { tracks: unknown };

/** A frame of a game: feet raise what the world's links say, and each stage's share is kept account of. */
const madeOf = (kit: Played, options: FrameOptions): Frame => new Frame(kit, { ...options, steps: true, watch: true });

/**
 * A frame that stands at a moment. `options`: who listens and who answers. A moment that is none, or of a kit that is too far from this one,
 * throws a RangeError.
 */
export function frameAt(moment: Moment, kit: Played, options: Pick<FrameOptions, 'clear' | 'hear'> = {}): Frame {
	const { seed, rig, viewers, state } = moment;
	const known = rig !== null && kit.rigs.some((r) => r.id === rig) ? rig : null;
	const frame = madeOf(kit, { seed, viewers, rig: known, ...options });
	if (state === null || typeof state !== 'object' || !('o' in state) || state.o === null) return frame;
	const parts = state.o as Readonly<Record<string, Patch>>;
	try {
		const { director } = frame;
		const values = director.viewers[0]!.player.values;
		const put = (target: unknown, name: string, reader: Reader): void => {
			const patch = parts[name];
			if (patch !== undefined) reader.put(target, patch);
		};
		const reader = new Reader(kit.presets, values, seed);
		put(frame, 'frame', reader);
		put(director, 'director', reader);
		put(director.engine, 'engine', reader);
		frame.cameras.forEach((camera, i) => {
			const { values: own, seed: other } = camera as unknown as Inside;
			put(camera, `camera ${i}`, new Reader(kit.presets, own, other));
		});
		put(inside(frame).tracks, 'tracks', reader);
	} catch (error) {
		throw new RangeError(
			`The moment cannot be gone on from: ${error instanceof Error ? error.message : String(error)}`,
			{
				cause: error
			}
		);
	}
	return frame;
}
