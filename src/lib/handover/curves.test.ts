import { readFileSync } from 'node:fs';
import { WebIO } from '@gltf-transform/core';
import validator from 'gltf-validator';
import { describe, expect, it } from 'vitest';
import type { ShakePreset } from 'dinesis-runtime';
import { isShake, newPreset } from 'dinesis-runtime/tools';
import { readKit, type Kit } from '../documents';
import {
	fromTarget,
	ORDERS,
	OWN_WORLD,
	turnedTo,
	turnFromTarget,
	turnOfAngles,
	turnOfLook,
	type TargetWorld
} from './axes';
import { curvesOfCourse, curvesOfShake, type Curves } from './curves';
import { glbBytes, gltfOf, gltfText, lensCsv } from './gltf';
import { between } from './reduce';
import { columnsOf, csvOf, jsonOf, keysCsv, keysJson, keysOf } from './written';

const demo = (
	readKit(readFileSync(new URL('../../../demo/lamp-at-morrowskerry.kit.json', import.meta.url), 'utf8')) as {
		value: Kit;
	}
).value;
const shakeOf = (id: string): ShakePreset => demo.presets.filter(isShake).find((p) => p.id === id)!;
const wave = curvesOfShake(shakeOf('wave-on-tower'), { fps: 60, seed: 3 });
const course = { ...demo.courses.find((c) => c.id === 'first-watch')!, seconds: 6 };
const pose = curvesOfCourse(demo, course, { fps: 60, content: 'pose' })!;
const rows = (csv: string): number[][] =>
	csv
		.trim()
		.split('\n')
		.slice(1)
		.map((row) => row.split(',').map(Number));
const WORLDS: TargetWorld[] = [
	OWN_WORLD,
	{ ...OWN_WORLD, up: 'z', ahead: 'x', length: 'cm' },
	{ ...OWN_WORLD, ahead: 'z', hand: 'left', angle: 'radians' },
	{ ...OWN_WORLD, up: '-y', ahead: 'x', hand: 'left' }
];

describe('a shake as curves', () => {
	it('is what it plays: as long as it is, as strong as it was asked', () => {
		expect(wave.count).toBe(Math.floor(shakeOf('wave-on-tower').timing.duration * 60 + 1e-9) + 1);
		const half = curvesOfShake(shakeOf('wave-on-tower'), { fps: 60, seed: 3, strength: 0.5 });
		wave.values.forEach((value, i) => expect(half.values[i]).toBeCloseTo(value / 2, 12));
		expect(curvesOfShake(shakeOf('wave-on-tower'), { fps: 60, loop: 0.5 }).said).toContain('at rest');
	});

	it('that goes on goes round: by itself where it does, else over into its own beginning, which is said', () => {
		const base = newPreset('hum', 'Hum');
		const hum: ShakePreset = {
			...base,
			timing: { ...base.timing, mode: 'continuous' },
			layers: [
				{
					...base.layers[0]!,
					pattern: { kind: 'wave', shape: 'sine' },
					channels: { y: { amplitude: 0.1, frequency: 2, start: 'zero' } }
				}
			]
		};
		const round = curvesOfShake(hum, { fps: 60, seconds: 2, loop: 0.5 });
		expect(round.said).toContain('by itself');
		// Two seconds at 60, and the first again.
		expect(round.count).toBe(121);
		expect([...round.values.slice(120 * 7)]).toEqual([...round.values.slice(0, 7)]);
		const noise = curvesOfShake(shakeOf('hand-held-calm'), { fps: 60, seconds: 3, loop: 0.5 });
		expect(noise.said).toContain('0.5 s');
		const n = noise.count - 1;
		expect([...noise.values.slice(n * 7)]).toEqual([...noise.values.slice(0, 7)]);
		// What leads into the seam and what leads out of it are as fast as anything within.
		const step = (from: number, to: number): number =>
			Math.max(
				...[0, 1, 3, 4, 5].map(
					(c) => Math.abs(noise.values[to * 7 + c]! - noise.values[from * 7 + c]!) / (c < 3 ? 0.01 : 1)
				)
			);
		const within = Math.max(...Array.from({ length: n - 2 }, (_, i) => step(i + 1, i + 2)));
		expect(step(n - 1, n)).toBeLessThanOrEqual(within * 1.05);
		expect(step(0, 1)).toBeLessThanOrEqual(within * 1.05);
	});
});

describe('curves as a table and as JSON', () => {
	it('in the own world are the very numbers', () => {
		const world: TargetWorld = { ...OWN_WORLD, rotation: 'yxz' };
		const table = rows(csvOf(wave, world));
		expect(table).toHaveLength(wave.count);
		table.forEach(([time, ...numbers], i) => {
			expect(time).toBe(i / 60);
			expect(numbers).toEqual([...wave.values.slice(i * 7, i * 7 + 7)].map((v) => v + 0));
		});
		const read = JSON.parse(jsonOf('Wave', wave, world)) as { frames: number[][]; columns: string[] };
		expect(read.frames).toEqual(table.map((row) => row.slice(1)));
		expect(read.columns).toEqual(['x', 'y', 'z', 'rx', 'ry', 'rz', 'fov']);
	});

	it.each(WORLDS)('poses come back out of a world with $up up, $ahead ahead, $hand-handed', (world) => {
		const turned = turnedTo(world);
		for (const rotation of ['quaternion', ...ORDERS] as const) {
			const table = rows(csvOf(pose, { ...world, rotation }));
			for (let i = 0; i < pose.count; i += 30) {
				const [, x, y, z, ...rest] = table[i]! as [number, number, number, number, ...number[]];
				const back = fromTarget(turned, [x / turned.perMetre, y / turned.perMetre, z / turned.perMetre]);
				back.forEach((value, c) => expect(value).toBeCloseTo(pose.values[i * 8 + c]!, 9));
				const degrees = (v: number): number => (world.angle === 'radians' ? (v * 180) / Math.PI : v);
				const turn =
					rotation === 'quaternion'
						? (rest.slice(0, 4) as [number, number, number, number])
						: turnOfAngles(rest.slice(0, 3).map(degrees) as [number, number, number], rotation);
				const own = turnFromTarget(turned, turn);
				const dot = own.reduce((sum, v, c) => sum + v * pose.values[i * 8 + 3 + c]!, 0);
				expect(Math.abs(dot)).toBeCloseTo(1, 9);
				expect(degrees(rest.at(-1)!)).toBeCloseTo(pose.values[i * 8 + 7]!, 9);
			}
		}
	});

	it('a flat picture stays in pixels', () => {
		const flat = curvesOfShake({ ...shakeOf('wave-on-tower'), view: 'flat' });
		expect(columnsOf('offset', { ...OWN_WORLD, length: 'cm' }, flat.flat).units[0]).toBe('px');
		expect(() => gltfOf(flat, { name: 'F', fov: 60 })).toThrow('pixels');
	});
});

describe('curves as few keys', () => {
	const fine = curvesOfShake(shakeOf('wave-on-tower'), { fps: 600, seed: 3 });
	const tolerances = { place: 0.002, turn: 0.05, lens: 0.05 };
	const world: TargetWorld = { ...OWN_WORLD, rotation: 'yxz' };

	it.each(['linear', 'cubic'] as const)('%s stay within the tolerance at ten times the sampling', (shape) => {
		const channels = keysOf(fine, world, tolerances, shape);
		channels.forEach(({ keys, worst, name }, c) => {
			const most = c < 3 ? tolerances.place : tolerances.turn;
			expect(worst).toBeLessThanOrEqual(most);
			expect(keys.length).toBeLessThan(fine.count / 4);
			const samples = Float64Array.from({ length: fine.count }, (_, i) => fine.values[i * 7 + c]!);
			const at = keys.map(([time]) => Math.round(time! * 600));
			for (let k = 1; k < at.length; k++)
				for (let i = at[k - 1]!; i <= at[k]!; i++)
					expect(Math.abs(between(samples, at[k - 1]!, at[k]!, i, shape) - samples[i]!), name).toBeLessThanOrEqual(
						most
					);
		});
		expect(keysCsv(channels, shape).split('\n')[0]).toBe(`channel,time,value${shape === 'cubic' ? ',slope' : ''}`);
		expect(JSON.parse(keysJson('W', fine, world, channels, shape))).toMatchObject({
			format: 'dinesis-keys',
			between: shape
		});
	});
});

/** The sampler of a path of the only animation, read by another reader than the one that wrote it. */
async function readBack(bytes: Uint8Array, path: 'translation' | 'rotation') {
	const document = await new WebIO().readBinary(bytes);
	const [animation] = document.getRoot().listAnimations();
	const channel = animation!.listChannels().find((c) => c.getTargetPath() === path)!;
	const sampler = channel.getSampler()!;
	return {
		times: sampler.getInput()!.getArray()!,
		values: sampler.getOutput()!.getArray()!,
		kind: sampler.getInterpolation()
	};
}
const sound = async (bytes: Uint8Array): Promise<unknown> => {
	const { issues } = (await validator.validateBytes(bytes)) as {
		issues: { numErrors: number; numWarnings: number; messages: unknown };
	};
	return issues.numErrors + issues.numWarnings === 0 ? 'sound' : issues.messages;
};

describe('curves as glTF', () => {
	it.each([
		['an offset', wave],
		['a pose', pose]
	] as const)('%s: sound, and every moment within a float of what it was', async (_, curves: Curves) => {
		const document = gltfOf(curves, { name: 'Motion', fov: 62 });
		const bytes = await glbBytes(document);
		expect(await sound(bytes)).toBe('sound');
		expect(await sound(new TextEncoder().encode(await gltfText(document)))).toBe('sound');
		const [places, turns] = [await readBack(bytes, 'translation'), await readBack(bytes, 'rotation')];
		expect(places.times).toHaveLength(curves.count);
		for (let i = 0; i < curves.count; i++) {
			const at = i * curves.width;
			expect(places.times[i]).toBe(Math.fround(i / 60));
			for (let c = 0; c < 3; c++) expect(places.values[i * 3 + c]).toBe(Math.fround(curves.values[at + c]!));
			const own =
				curves.width === 8
					? curves.values.slice(at + 3, at + 7)
					: turnOfLook(curves.values[at + 4]!, curves.values[at + 3]!, curves.values[at + 5]!);
			const dot = [...own].reduce((sum, v, c) => sum + v * turns.values[i * 4 + c]!, 0);
			expect(Math.abs(dot)).toBeCloseTo(1, 6);
		}
		expect(lensCsv(curves).split('\n')).toHaveLength(curves.count + 2);
	});

	it.each(['linear', 'cubic'] as const)(
		'as few %s keys it is sound, shorter, and within the tolerance',
		async (shape) => {
			const fine = curvesOfShake(shakeOf('wave-on-tower'), { fps: 600, seed: 3 });
			const bytes = await glbBytes(gltfOf(fine, { name: 'W', fov: 62, keys: { shape, place: 0.002, degrees: 0.1 } }));
			expect(await sound(bytes)).toBe('sound');
			const { times, values, kind } = await readBack(bytes, 'translation');
			expect(kind).toBe(shape === 'cubic' ? 'CUBICSPLINE' : 'LINEAR');
			expect(times.length).toBeLessThan(fine.count / 4);
			const wide = shape === 'cubic' ? 9 : 3;
			for (let k = 1; k < times.length; k++) {
				const [a, b] = [Math.round(times[k - 1]! * 600), Math.round(times[k]! * 600)];
				for (let i = a; i < b; i++)
					for (let c = 0; c < 3; c++) {
						const t = (i - a) / (b - a);
						const of = (key: number, part: number): number =>
							values[key * wide + (shape === 'cubic' ? part * 3 : 0) + c]!;
						const linear = of(k - 1, 1) * (1 - t) + of(k, 1) * t;
						const r = 1 - t;
						const span = times[k]! - times[k - 1]!;
						const cubic =
							r * r * (1 + 2 * t) * of(k - 1, 1) +
							t * t * (3 - 2 * t) * of(k, 1) +
							span * t * r * (r * of(k - 1, 2) - t * of(k, 0));
						expect(Math.abs((shape === 'cubic' ? cubic : linear) - fine.values[i * 7 + c]!)).toBeLessThanOrEqual(
							0.002 + 1e-6
						);
					}
			}
		}
	);
});
