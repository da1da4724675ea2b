import * as THREE from 'three';
import { describe, expect, it } from 'vitest';
import { FLAT_HEIGHT, GALLERY_REST } from './rests';
import { flatStage, spaceStage, type Landmark } from './stage';

const offset = (part: Record<number, number> = {}): Float64Array =>
	Float64Array.from({ length: 7 }, (_, i) => part[i] ?? 0);
const ahead = (distance: number): Landmark => ({
	name: '',
	distance,
	point: new THREE.Vector3(0, GALLERY_REST.position[1], -distance)
});
const space = () =>
	spaceStage({
		scene: new THREE.Scene(),
		landmarks: [],
		rest: { ...GALLERY_REST, orientation: [0, 0, 0, 1] },
		posts: { group: new THREE.Group(), marks: [1, 5, 100].map(ahead) },
		move: () => undefined
	});
const flat = () => flatStage({ scene: new THREE.Scene(), landmarks: [], move: () => undefined });
const half = Math.tan(Math.PI / 6);

describe('a view in depth', () => {
	it('a step aside moves near things more than far ones; a turn moves all alike', () => {
		const stage = space();
		stage.shape(16 / 9);
		const moved = (o: Float64Array): number[] => {
			stage.pose(o);
			return stage.posts.map(({ point }) => stage.project(point.clone()).x * (16 / 9));
		};
		const aside = moved(offset({ 0: 0.1 }));
		[1, 5, 100].forEach((d, i) => expect(aside[i]).toBeCloseTo(-0.1 / (d * half), 6));
		const turned = moved(offset({ 4: 1 }));
		for (const x of turned) expect(x).toBeCloseTo(Math.tan(Math.PI / 180) / half, 6);
		expect(moved(offset())).toEqual([0, 0, 0].map((n) => expect.closeTo(n, 12)));
	});

	it('looks up for a positive pitch, tips to its left for a positive roll, and sees more for a positive lens', () => {
		const stage = space();
		stage.shape(16 / 9);
		const at = (o: Float64Array, x: number, y: number) => {
			stage.pose(o);
			return stage.project(new THREE.Vector3(x, GALLERY_REST.position[1] + y, -5));
		};
		expect(at(offset({ 3: 2 }), 0, 0).y).toBeLessThan(0);
		// The camera's head goes to its left, so what is above goes to the right.
		expect(at(offset({ 5: 5 }), 0, 1).x).toBeGreaterThan(0);
		expect(at(offset({ 6: 10 }), 0, 1).y).toBeLessThan(at(offset(), 0, 1).y);
	});

	it('the rest outline lies a little inside the resting picture', () => {
		const stage = space();
		stage.shape(2);
		for (const corner of stage.corners) {
			const seen = stage.project(corner.clone(), true);
			expect(Math.abs(seen.x)).toBeCloseTo(0.965, 6);
			expect(Math.abs(seen.y)).toBeCloseTo(0.965, 6);
		}
	});
});

describe('a flat view', () => {
	it('counts pixels of a picture 1080 high, wherever things are', () => {
		const stage = flat();
		stage.shape(16 / 9);
		stage.pose(offset({ 0: 54, 1: -27 }));
		const seen = stage.project(new THREE.Vector3(0, 0, 0));
		expect((seen.x * (16 / 9) * FLAT_HEIGHT) / 2).toBeCloseTo(-54, 6);
		expect((seen.y * FLAT_HEIGHT) / 2).toBeCloseTo(27, 6);
	});

	it('a higher view shows more; its roll turns the picture', () => {
		const stage = flat();
		stage.shape(1);
		stage.pose(offset({ 6: 25 }));
		expect(stage.project(new THREE.Vector3(0, FLAT_HEIGHT / 2, 0)).y).toBeCloseTo(0.8, 6);
		stage.pose(offset({ 5: 90 }));
		expect(stage.project(new THREE.Vector3(0, 540, 0)).x).toBeCloseTo(1, 6);
	});
});
