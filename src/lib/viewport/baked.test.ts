import * as THREE from 'three';
import { describe, expect, it } from 'vitest';
import { bake, lightOn, moving } from './baked';

const up = new THREE.Vector3(0, 1, 0);
const origin = new THREE.Vector3();
const red = (colour: THREE.Color): number => colour.r;

describe('light that stands still', () => {
	it('of a hemisphere: its sky from above, its ground from below, half of each aside; over π, as a matt surface gives it back', () => {
		const light = new THREE.HemisphereLight('#ffffff', '#000000', Math.PI);
		expect(red(lightOn([light], origin, up))).toBeCloseTo(1, 12);
		expect(red(lightOn([light], origin, up.clone().negate()))).toBeCloseTo(0, 12);
		expect(red(lightOn([light], origin, new THREE.Vector3(1, 0, 0)))).toBeCloseTo(0.5, 12);
	});

	it('of a direction: by the cosine, and nothing from behind', () => {
		const light = new THREE.DirectionalLight('#ffffff', Math.PI);
		light.position.set(0, 1, Math.sqrt(3));
		expect(red(lightOn([light], origin, up))).toBeCloseTo(0.5, 12);
		expect(red(lightOn([light], origin, up.clone().negate()))).toBe(0);
	});

	it('of a point: by the square of the distance, to nothing at its end', () => {
		const light = new THREE.PointLight('#ffffff', Math.PI, 0, 2);
		light.position.set(0, 2, 0);
		expect(red(lightOn([light], origin, up))).toBeCloseTo(1 / 4, 12);
		light.distance = 2;
		expect(red(lightOn([light], origin, up))).toBe(0);
		light.distance = 4;
		// (1 − (d/end)⁴)² = (15/16)².
		expect(red(lightOn([light], origin, up))).toBeCloseTo((1 / 4) * (15 / 16) ** 2, 12);
	});
});

describe('a scene that is lit once', () => {
	const scene = () => {
		const made = new THREE.Scene();
		const light = new THREE.HemisphereLight('#ffffff', '#000000', Math.PI);
		const box = new THREE.Mesh(new THREE.BoxGeometry(2, 2, 2), new THREE.MeshLambertMaterial({ color: '#ffffff' }));
		box.position.set(5, 0, 0);
		box.add(
			new THREE.LineSegments(new THREE.EdgesGeometry(box.geometry), new THREE.LineBasicMaterial({ color: '#00ff00' }))
		);
		const ball = moving(new THREE.Group());
		ball.add(new THREE.Mesh(new THREE.SphereGeometry(1), new THREE.MeshLambertMaterial()));
		const lamp = new THREE.Mesh(new THREE.BoxGeometry(), new THREE.MeshBasicMaterial());
		made.add(light, box, ball, lamp);
		return { made, light, box, ball, lamp };
	};

	it('becomes one mesh and one set of lines where it was; what moves, what shines and the lights stay', () => {
		const { made, light, box, ball, lamp } = scene();
		bake(made);
		expect(made.children).toEqual(expect.arrayContaining([light, ball, lamp]));
		expect(made.children).not.toContain(box);
		const [faces] = made.children.filter(
			(part): part is THREE.Mesh => part instanceof THREE.Mesh && part !== lamp && !(part instanceof THREE.Line)
		);
		const lines = made.children.filter((part) => part instanceof THREE.LineSegments);
		expect(lines).toHaveLength(1);
		const at = faces!.geometry.attributes.position!;
		// Six sides of two triangles.
		expect(at.count).toBe(36);
		expect(new THREE.Box3().setFromBufferAttribute(at as THREE.BufferAttribute).min.toArray()).toEqual([4, -1, -1]);
	});

	it('each face has the light of its side', () => {
		const { made, lamp } = scene();
		bake(made);
		const faces = made.children.find((part) => part instanceof THREE.Mesh && part !== lamp) as THREE.Mesh;
		const { position, color } = faces.geometry.attributes;
		for (let i = 0; i < position!.count; i += 3) {
			const ys = [0, 1, 2].map((k) => position!.getY(i + k));
			const side = ys.every((y) => y === 1) ? 1 : ys.every((y) => y === -1) ? 0 : 0.5;
			for (let k = 0; k < 3; k++) expect(color!.getX(i + k)).toBeCloseTo(side, 6);
		}
	});
});
