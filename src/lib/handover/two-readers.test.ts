/** A glb as two readers that know nothing of each other see it: the library it was written with, and a renderer's own loader. */
import { WebIO } from '@gltf-transform/core';
import { AnimationMixer, Quaternion, Vector3 } from 'three';
import { GLTFLoader } from 'three/examples/jsm/loaders/GLTFLoader.js';
import { expect, it } from 'vitest';
import { type Kit } from '../documents';
import { demoKit } from '../documents/testing/demo';
import { OWN_WORLD } from './axes';
import { makeCurves, type CurveWish } from './curve-file';

const demo = demoKit();
const kit: Kit = { ...demo, courses: demo.courses.map((course) => ({ ...course, seconds: 4 })) };
const wish: CurveWish = {
	as: 'glb',
	of: { course: 'first-watch' },
	content: 'pose',
	fps: 60,
	seeds: [1],
	strength: 1,
	seconds: null,
	loop: null,
	keys: null,
	world: { ...OWN_WORLD, rotation: 'quaternion' }
};

it('both see the camera on the way that the course took', async () => {
	const { files, fine } = (await makeCurves(kit, wish))!;
	const bytes = files[0]!.data as Uint8Array<ArrayBuffer>;

	// The first reader: the numbers as they are kept.
	const document = await new WebIO().readBinary(bytes);
	const channels = document.getRoot().listAnimations()[0]!.listChannels();
	const kept = (path: string) => channels.find((c) => c.getTargetPath() === path)!.getSampler()!;
	const times = kept('translation').getInput()!.getArray()!;
	const places = kept('translation').getOutput()!.getArray()!;
	const turns = kept('rotation').getOutput()!.getArray()!;

	// The second: a scene, played.
	const { scene, animations, cameras } = await new GLTFLoader().parseAsync(
		bytes.buffer.slice(bytes.byteOffset, bytes.byteOffset + bytes.byteLength),
		''
	);
	expect(cameras).toHaveLength(1);
	const mixer = new AnimationMixer(scene);
	mixer.clipAction(animations[0]!).play();
	const place = new Vector3();
	const turn = new Quaternion();
	let far = 0;
	for (let i = 0; i < times.length - 1; i += 7) {
		mixer.setTime(times[i]!);
		scene.updateMatrixWorld(true);
		cameras[0]!.getWorldPosition(place);
		cameras[0]!.getWorldQuaternion(turn);
		const at = i * fine.width;
		const own = [...fine.values.subarray(at, at + 7)];
		for (const [c, value] of place.toArray().entries()) {
			expect(value).toBeCloseTo(own[c]!, 5);
			expect(places[i * 3 + c]).toBe(Math.fround(own[c]!));
			far = Math.max(far, Math.abs(own[c]! - fine.values[c]!));
		}
		// Both signs of a quaternion are the same turn.
		const dot = turn.toArray().reduce((sum, value, c) => sum + value * own[3 + c]!, 0);
		expect(Math.abs(dot)).toBeCloseTo(1, 6);
		expect(Math.abs(own.slice(3).reduce((sum, value, c) => sum + value * turns[i * 4 + c]!, 0))).toBeCloseTo(1, 6);
	}
	// It did go somewhere.
	expect(far).toBeGreaterThan(1);
});
