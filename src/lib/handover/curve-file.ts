/** Motion as a file, as one wishes it: the whole way from a kit to what is saved, for the page's worker. */
import type { Rig } from 'dinesis-runtime';
import { isShake, type Clear } from 'dinesis-runtime/tools';
import type { Kit } from '../documents';
import { toRadians } from 'dinesis-runtime/tools';
import type { TargetWorld } from './axes';
import { curvesOfCourse, curvesOfShake, type Content, type Curves, type Progress } from './curves';
import { glbBytes, gltfOf, gltfText, lensCsv } from './gltf';
import type { Shape } from './reduce';
import { csvOf, jsonOf, keysCsv, keysJson, keysOf, type KeyedChannel } from './written';

export const CURVE_FILES = ['csv', 'json', 'gltf', 'glb'] as const;
export type CurveFile = (typeof CURVE_FILES)[number];

export interface CurveWish {
	readonly as: CurveFile;
	/** A shake by its id, or a course. */
	readonly of: { readonly preset: string } | { readonly course: string };
	readonly content: Content;
	readonly fps: number;
	/** Several: a file for each. */
	readonly seeds: readonly number[];
	readonly strength: number;
	/** null: a burst's own length, five seconds of what goes on. */
	readonly seconds: number | null;
	/** null: it does not go round. */
	readonly loop: number | null;
	/** null: a key for each picture. */
	readonly keys: { readonly shape: Shape; readonly place: number; readonly degrees: number } | null;
	readonly world: TargetWorld;
}

export interface MadeFile {
	/** What is added to its name, with what it ends in: “, seed 2.csv”. */
	readonly ending: string;
	readonly data: string | Uint8Array;
	readonly type: string;
}

export interface MadeCurves {
	readonly name: string;
	readonly files: readonly MadeFile[];
	/** What was done that one should know. */
	readonly said: readonly string[];
	/** Of the first seed, finely: what is drawn. `width` numbers a moment. */
	readonly fine: {
		readonly fps: number;
		readonly width: number;
		readonly values: Float64Array;
		readonly content: Content;
	};
	/** Of the first seed, as keys; empty: a key for each picture. */
	readonly channels: readonly KeyedChannel[];
	/** How many keys, and how many there would be with one for each picture. */
	readonly counts: { readonly keys: number; readonly all: number };
}

/** Keys are held to motion sampled so much finer than it is played. */
export const FINER = 10;
const TYPES: Readonly<Record<CurveFile, string>> = {
	csv: 'text/csv',
	json: 'application/json',
	gltf: 'model/gltf+json',
	glb: 'model/gltf-binary'
};
/** Of the lens, where no rig says. */
const FOV = 62;

/** null: it was given up. Throws an Error whose message says what is not there or cannot be. */
export async function makeCurves(
	kit: Kit,
	wish: CurveWish,
	{ clear, progress }: { readonly clear?: Clear; readonly progress?: Progress } = {}
): Promise<MadeCurves | null> {
	const { as, world, keys, seeds } = wish;
	const finer = keys ? FINER : 1;
	const files: MadeFile[] = [];
	const said = new Set<string>();
	let [name, first]: [string, Curves | null] = ['', null];
	let channels: readonly KeyedChannel[] = [];
	for (const [i, seed] of seeds.entries()) {
		const found = curvesOf(kit, wish, seed, finer, clear, (part) => progress?.((i + part) / seeds.length));
		if (!found) return null;
		const { curves, fov } = found;
		name = found.name;
		if (curves.said) said.add(curves.said);
		const ending = seeds.length > 1 ? `, seed ${seed}` : '';
		const put = (data: string | Uint8Array, suffix: string, type: string): void =>
			void files.push({ ending: `${ending}.${suffix}`, data, type });
		const per = world.length === 'cm' && !curves.flat ? 100 : 1;
		const radians = world.angle === 'radians' ? toRadians(1) : 1;
		const keyed = keys
			? keysOf(
					curves,
					world,
					{
						place: keys.place * per,
						turn: world.rotation === 'quaternion' ? keys.degrees / 60 : keys.degrees * radians,
						lens: keys.degrees * radians
					},
					keys.shape
				)
			: [];
		if (i === 0) {
			first = curves;
			channels = keyed;
		}
		if (as === 'gltf' || as === 'glb') {
			const document = gltfOf(curves, { name, fov, keys });
			put(as === 'glb' ? await glbBytes(document) : await gltfText(document), as, TYPES[as]);
			if (moves(curves)) {
				put(lensCsv(curves), 'lens.csv', TYPES.csv);
				said.add('glTF cannot move a lens: what it does is in a table beside it.');
			}
		} else if (as === 'json')
			put(keys ? keysJson(name, curves, world, keyed, keys.shape) : jsonOf(name, curves, world), as, TYPES.json);
		else put(keys ? keysCsv(keyed, keys.shape) : csvOf(curves, world), as, TYPES.csv);
	}
	const { fps, width, values, content, count } = first!;
	const all = (Math.floor((count - 1) / finer) + 1) * (channels.length || 1);
	const many = channels.reduce((sum, channel) => sum + channel.keys.length, 0);
	return {
		name,
		files,
		said: [...said],
		fine: { fps, width, values, content },
		channels,
		counts: { keys: many || all, all }
	};
}

function curvesOf(
	kit: Kit,
	wish: CurveWish,
	seed: number,
	finer: number,
	clear: Clear | undefined,
	progress: Progress
): { readonly name: string; readonly curves: Curves; readonly fov: number } | null {
	const { of, content, strength, loop } = wish;
	const fps = wish.fps * finer;
	if ('course' in of) {
		const course = kit.courses.find((one) => one.id === of.course);
		if (!course) throw new Error(`There is no course “${of.course}”.`);
		const rig: Rig | undefined = kit.rigs.find((one) => one.id === course.rig);
		const curves = curvesOfCourse(kit, course, { fps, seed, content, clear, progress });
		return curves && { name: course.name, curves, fov: rig?.view.fov ?? FOV };
	}
	const preset = kit.presets.filter(isShake).find((one) => one.id === of.preset);
	if (!preset) throw new Error(`There is no shake “${of.preset}”.`);
	const curves = curvesOfShake(preset, { fps, seed, strength, seconds: wish.seconds ?? undefined, loop });
	return { name: preset.name, curves, fov: FOV };
}

/** Whether the lens moves at all. */
function moves({ values, width, count }: Curves): boolean {
	for (let i = 1; i < count; i++) if (values[i * width + width - 1] !== values[width - 1]) return true;
	return false;
}
