/** Curves as another world has them, written as a table, as JSON, or as keys. */
import { toRadians } from 'dinesis-runtime/tools';
import { anglesIn, OWN_WORLD, toTarget, turnedTo, turnOfLook, turnToTarget, type TargetWorld } from './axes';
import type { Content, Curves } from './curves';
import { reduce, slopeAt, type Shape } from './reduce';

/** What of a moment is written where. */
export interface Columns {
	readonly names: readonly string[];
	readonly units: readonly string[];
	/** A moment out of `values` from `at` on, as the target has it, into `out`. */
	convert(values: Float64Array, at: number, out: number[]): void;
}

const isOwn = ({ up, ahead, hand }: TargetWorld): boolean =>
	up === OWN_WORLD.up && ahead === OWN_WORLD.ahead && hand === OWN_WORLD.hand;

/** `flat`: places are pixels, whatever lengths the target has. Throws a RangeError for a world that is none. */
export function columnsOf(content: Content, world: TargetWorld, flat: boolean): Columns {
	const turned = turnedTo(world);
	const per = flat ? 1 : turned.perMetre;
	const length = flat ? 'px' : world.length === 'px' ? 'm' : world.length;
	const angle = world.angle === 'radians' ? 'rad' : '°';
	const angled = (degrees: number): number => (world.angle === 'radians' ? toRadians(degrees) : degrees);
	const { rotation } = world;
	const turns = rotation === 'quaternion' ? ['qx', 'qy', 'qz', 'qw'] : ['rx', 'ry', 'rz'];
	const turnUnits = turns.map(() => (rotation === 'quaternion' ? '' : angle));
	const lens = flat && content === 'offset' ? '%' : angle;
	const convert = (values: Float64Array, at: number, out: number[]): void => {
		const place = toTarget(turned, [values[at]!, values[at + 1]!, values[at + 2]!]);
		for (let c = 0; c < 3; c++) out[c] = place[c]! * per;
		const fov = values[at + (content === 'offset' ? 6 : 7)]!;
		out[3 + turns.length] = lens === '%' ? fov : angled(fov);
		if (content === 'offset' && rotation === 'yxz' && isOwn(world)) {
			// Nothing is lost: the very numbers.
			for (let c = 0; c < 3; c++) out[3 + c] = angled(values[at + 3 + c]!);
			return;
		}
		const own =
			content === 'offset'
				? turnOfLook(values[at + 4]!, values[at + 3]!, values[at + 5]!)
				: ([values[at + 3]!, values[at + 4]!, values[at + 5]!, values[at + 6]!] as const);
		const turn = turnToTarget(turned, own);
		const written = rotation === 'quaternion' ? turn : anglesIn(turn, rotation).map(angled);
		for (let c = 0; c < turns.length; c++) out[3 + c] = written[c]!;
	};
	return {
		names: ['x', 'y', 'z', ...turns, 'fov'],
		units: [length, length, length, ...turnUnits, lens],
		convert
	};
}

const line = (time: number, numbers: readonly number[]): string => `${time},${numbers.map((v) => v + 0).join(',')}\n`;

/** The table of curves, line by line: a heading, then a moment a line. Numbers parse back to the same ones. */
export function* csvLines(curves: Curves, world: TargetWorld): Generator<string> {
	const { names, convert } = columnsOf(curves.content, world, curves.flat);
	yield `time,${names.join(',')}\n`;
	const out: number[] = [];
	for (let i = 0; i < curves.count; i++) {
		convert(curves.values, i * curves.width, out);
		yield line(i / curves.fps, out);
	}
}

export const csvOf = (curves: Curves, world: TargetWorld): string => [...csvLines(curves, world)].join('');

/** What a file of curves says of itself. */
export interface CurvesFile {
	readonly format: 'dinesis-curves';
	readonly version: 1;
	readonly name: string;
	readonly content: Content;
	readonly fps: number;
	readonly world: TargetWorld;
	readonly columns: readonly string[];
	readonly units: readonly string[];
	/** How it was made to go round, where it was. */
	readonly note?: string;
	/** By moment. */
	readonly frames: readonly (readonly number[])[];
}

export function jsonOf(name: string, curves: Curves, world: TargetWorld): string {
	const { names, units, convert } = columnsOf(curves.content, world, curves.flat);
	const frames = Array.from({ length: curves.count }, (_, i) => {
		const out: number[] = [];
		convert(curves.values, i * curves.width, out);
		return out.map((v) => v + 0);
	});
	const { content, fps, said } = curves;
	const head: Omit<CurvesFile, 'frames'> = {
		format: 'dinesis-curves',
		version: 1,
		name,
		content,
		fps,
		world,
		columns: names,
		units,
		...(said && { note: said })
	};
	const rows = frames.map((row) => `\t\t${JSON.stringify(row)}`).join(',\n');
	return `${JSON.stringify(head, null, '\t').slice(0, -2)},\n\t"frames": [\n${rows}\n\t]\n}\n`;
}

/** A channel as keys. */
export interface KeyedChannel {
	readonly name: string;
	readonly unit: string;
	/** Time, value, and for cubic ones the slope there, a second. */
	readonly keys: readonly (readonly number[])[];
	/** The farthest that the curve through them is from the motion, in the channel's unit. */
	readonly worst: number;
}

/** How far a channel may be off, by its unit. */
export interface Tolerances {
	/** Metres (or the target's lengths, pixels in a flat view). */
	readonly place: number;
	/** Degrees (or radians); of a quaternion's part a sixtieth of that in degrees. */
	readonly turn: number;
	readonly lens: number;
}

/** The channels of finely sampled curves as few keys each. */
export function keysOf(fine: Curves, world: TargetWorld, tolerances: Tolerances, shape: Shape): KeyedChannel[] {
	const { names, units, convert } = columnsOf(fine.content, world, fine.flat);
	const samples = names.map(() => new Float64Array(fine.count));
	const out: number[] = [];
	for (let i = 0; i < fine.count; i++) {
		convert(fine.values, i * fine.width, out);
		for (let c = 0; c < names.length; c++) samples[c]![i] = out[c]! + 0;
	}
	return names.map((name, c): KeyedChannel => {
		const tolerance = c < 3 ? tolerances.place : name === 'fov' ? tolerances.lens : tolerances.turn;
		const { at, worst } = reduce(samples[c]!, tolerance, shape);
		const keys = at.map((i) => [
			i / fine.fps,
			samples[c]![i]!,
			...(shape === 'cubic' ? [slopeAt(samples[c]!, i) * fine.fps] : [])
		]);
		return { name, unit: units[c]!, keys, worst };
	});
}

/** Keys as a table, a key a line. */
export const keysCsv = (channels: readonly KeyedChannel[], shape: Shape): string =>
	`channel,time,value${shape === 'cubic' ? ',slope' : ''}\n${channels
		.flatMap(({ name, keys }) => keys.map((key) => `${name},${key.join(',')}\n`))
		.join('')}`;

export const keysJson = (
	name: string,
	fine: Curves,
	world: TargetWorld,
	channels: readonly KeyedChannel[],
	shape: Shape
): string =>
	`${JSON.stringify(
		{
			format: 'dinesis-keys',
			version: 1,
			name,
			content: fine.content,
			between: shape,
			world,
			seconds: (fine.count - 1) / fine.fps,
			...(fine.said && { note: fine.said }),
			channels
		},
		null,
		'\t'
	)}\n`;
