/**
 * Curves as glTF 2.0: a camera's node that moves. glTF has a world of its own (y up, −z ahead, right-handed, metres, quaternions), which is
 * the tool's. The lens cannot be animated in it: it is written at its rest, and `lensCsv` has what it does.
 */
import { Document, WebIO, type Accessor, type AnimationChannel } from '@gltf-transform/core';
import { toRadians } from 'dinesis-runtime/tools';
import { turnOfLook } from './axes';
import type { Curves } from './curves';
import { reduceTogether, slopeAt, type Held, type Shape } from './reduce';

export interface GltfOptions {
	readonly name: string;
	/** Of the lens at rest, in degrees. */
	readonly fov: number;
	readonly aspect?: number;
	/** null: a key for each moment. */
	readonly keys?: { readonly shape: Shape; readonly place: number; readonly degrees: number } | null;
}

const ASPECT = 16 / 9;
const NEAR = 0.05;

/** Places and turns of curves, a row of numbers each; turns go on the shorter way. */
function tracksOf(curves: Curves): { readonly places: Float64Array[]; readonly turns: Float64Array[] } {
	const { count, width, values, content } = curves;
	const places = [0, 1, 2].map(() => new Float64Array(count));
	const turns = [0, 1, 2, 3].map(() => new Float64Array(count));
	for (let i = 0; i < count; i++) {
		const at = i * width;
		for (let c = 0; c < 3; c++) places[c]![i] = values[at + c]!;
		const turn =
			content === 'offset'
				? turnOfLook(values[at + 4]!, values[at + 3]!, values[at + 5]!)
				: ([values[at + 3]!, values[at + 4]!, values[at + 5]!, values[at + 6]!] as const);
		let dot = 0;
		for (let c = 0; c < 4 && i > 0; c++) dot += turn[c]! * turns[c]![i - 1]!;
		for (let c = 0; c < 4; c++) turns[c]![i] = dot < 0 ? -turn[c]! : turn[c]!;
	}
	return { places, turns };
}

/** A document; throws a RangeError for a flat picture, whose pixels are no metres. */
export function gltfOf(curves: Curves, { name, fov, aspect = ASPECT, keys = null }: GltfOptions): Document {
	if (curves.flat) throw new RangeError('glTF is in metres; what moves a flat picture is in pixels.');
	const document = new Document();
	document.getRoot().getAsset().generator = 'Dinesis';
	const buffer = document.createBuffer();
	const camera = document
		.createCamera('Lens')
		.setType('perspective')
		.setYFov(toRadians(fov))
		.setAspectRatio(aspect)
		.setZNear(NEAR);
	const moved = document.createNode('Camera').setCamera(camera);
	// The offset is on top of wherever a game's camera rests: what holds it is where that goes.
	const top = curves.content === 'offset' ? document.createNode('Rest').addChild(moved) : moved;
	const scene = document.createScene(name).addChild(top);
	document.getRoot().setDefaultScene(scene);
	const { places, turns } = tracksOf(curves);
	const animation = document.createAnimation(name);
	const accessor = (type: 'SCALAR' | 'VEC3' | 'VEC4', numbers: Float32Array<ArrayBuffer>): Accessor =>
		document.createAccessor().setType(type).setArray(numbers).setBuffer(buffer);
	const add = (path: 'translation' | 'rotation', rows: readonly Float64Array[], tolerance: number): void => {
		const all = Array.from({ length: curves.count }, (_, i) => i);
		const held = rows.map((samples): Held => ({ samples, tolerance }));
		const at = keys ? reduceTogether(held, keys.shape).at : all;
		const cubic = keys?.shape === 'cubic';
		const numbers = at.flatMap((i) => {
			const value = rows.map((row) => row[i]!);
			if (!cubic) return value;
			const slope = rows.map((row) => slopeAt(row, i) * curves.fps);
			return [...slope, ...value, ...slope];
		});
		const sampler = document
			.createAnimationSampler()
			.setInterpolation(cubic ? 'CUBICSPLINE' : 'LINEAR')
			.setInput(
				accessor(
					'SCALAR',
					Float32Array.from(at, (i) => i / curves.fps)
				)
			)
			.setOutput(accessor(path === 'translation' ? 'VEC3' : 'VEC4', Float32Array.from(numbers)));
		const channel: AnimationChannel = document
			.createAnimationChannel()
			.setTargetNode(moved)
			.setTargetPath(path)
			.setSampler(sampler);
		animation.addSampler(sampler).addChannel(channel);
	};
	add('translation', places, keys?.place ?? 0);
	// A part that is off by e turns at most 2·√4·e.
	add('rotation', turns, keys ? toRadians(keys.degrees) / 4 : 0);
	return document;
}

/** One file that holds everything. */
export const glbBytes = async (document: Document): Promise<Uint8Array> => new WebIO().writeBinary(document);

/** Text that holds everything, its numbers as base64. */
export async function gltfText(document: Document): Promise<string> {
	const { json, resources } = await new WebIO().writeJSON(document, {});
	for (const buffer of json.buffers ?? []) {
		const bytes = buffer.uri === undefined ? undefined : resources[buffer.uri];
		if (bytes) buffer.uri = `data:application/octet-stream;base64,${base64(bytes)}`;
	}
	return `${JSON.stringify(json, null, '\t')}\n`;
}

function base64(bytes: Uint8Array): string {
	let text = '';
	for (let i = 0; i < bytes.length; i += 0x8000) text += String.fromCharCode(...bytes.subarray(i, i + 0x8000));
	return btoa(text);
}

/** What the lens does beside: its whole field of view, or what is added to it, in degrees. */
export const lensCsv = ({ values, width, count, fps }: Curves): string =>
	`time,fov\n${Array.from({ length: count }, (_, i) => `${i / fps},${values[i * width + width - 1]! + 0}\n`).join('')}`;
