import { describe, expect, it } from 'vitest';
import { type Kit } from '../documents';
import { demoKit } from '../documents/testing/demo';
import { OWN_WORLD } from './axes';
import { makeCurves, type CurveWish } from './curve-file';

const demo = demoKit();
const wish: CurveWish = {
	as: 'csv',
	of: { preset: 'wave-on-tower' },
	content: 'offset',
	fps: 60,
	seeds: [1],
	strength: 1,
	seconds: null,
	loop: null,
	keys: null,
	world: { ...OWN_WORLD, rotation: 'yxz' }
};
const kit: Kit = { ...demo, courses: demo.courses.map((course) => ({ ...course, seconds: 2 })) };

describe('motion as a file', () => {
	it('is one for each seed, and each another motion', async () => {
		const made = (await makeCurves(kit, { ...wish, seeds: [1, 2, 3] }))!;
		expect(made.files.map(({ ending }) => ending)).toEqual([', seed 1.csv', ', seed 2.csv', ', seed 3.csv']);
		expect(new Set(made.files.map(({ data }) => data)).size).toBe(3);
		expect(made.name).toBe('Wave on the tower');
	});

	it('as keys says how many, of how many', async () => {
		const keys = { shape: 'cubic', place: 0.002, degrees: 0.1 } as const;
		const { counts, channels, fine } = (await makeCurves(kit, { ...wish, keys }))!;
		expect(fine.fps).toBe(600);
		expect(counts.all).toBe(97 * 7);
		expect(counts.keys).toBe(channels.reduce((sum, { keys }) => sum + keys.length, 0));
		expect(counts.keys).toBeLessThan(counts.all / 2);
	});

	it('as glTF has the lens beside it where it moves, and says so', async () => {
		const moving: Kit = {
			...kit,
			presets: kit.presets.map((p) =>
				p.id === 'wave-on-tower' && p.family === 'shake'
					? {
							...p,
							layers: [{ ...p.layers[0]!, channels: { fov: { amplitude: 2, frequency: 3, start: 'zero' as const } } }]
						}
					: p
			)
		};
		const made = (await makeCurves(moving, { ...wish, as: 'glb' }))!;
		expect(made.files.map(({ ending }) => ending)).toEqual(['.glb', '.lens.csv']);
		expect(made.said.join()).toContain('lens');
		expect((await makeCurves(kit, { ...wish, as: 'gltf' }))!.files).toHaveLength(1);
	});

	it('of a course tells how far it is, and can be given up', async () => {
		const heard: number[] = [];
		const of = { course: 'first-watch' };
		await makeCurves(kit, { ...wish, of, content: 'pose' }, { progress: (part) => void heard.push(part) });
		expect(heard[0]).toBe(0);
		expect(await makeCurves(kit, { ...wish, of }, { progress: () => false })).toBeNull();
	});

	it('what is not there, and what cannot be, is said', async () => {
		await expect(makeCurves(kit, { ...wish, of: { preset: 'gone' } })).rejects.toThrow('“gone”');
		await expect(makeCurves(kit, { ...wish, of: { course: 'gone' } })).rejects.toThrow('“gone”');
		const flat = kit.presets.find((p) => p.family === 'shake' && p.view === 'flat')!;
		await expect(makeCurves(kit, { ...wish, as: 'glb', of: { preset: flat.id } })).rejects.toThrow('pixels');
	});
});
