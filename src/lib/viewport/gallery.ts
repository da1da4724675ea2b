/** The lamp-room gallery at dusk: what the window looks at. Everything stands at a known distance from the resting eye. */
import * as THREE from 'three';
import { bake, moving } from './baked';
import { GALLERY_REST } from './rests';
import { beam, halo, mesh } from './matter';
import { bell, farLight, lantern, rail, skerry } from './scenery';
import { HAZE, SEA, sea, sky, stars } from './sky-and-sea';
import { spaceStage, type Landmark, type Stage } from './stage';

const EYE = GALLERY_REST.position[1];

/** Slim banded posts at set distances, their heads in a row below the picture's centre: how far each moves shows what depth does. */
function posts(): { group: THREE.Group; marks: Landmark[] } {
	const group = new THREE.Group();
	const marks: Landmark[] = [];
	const dark = new THREE.MeshBasicMaterial({ color: '#20303d', fog: false });
	const bright = new THREE.MeshBasicMaterial({ color: '#f2b04a', fog: false });
	for (const [distance, across, below] of [
		[1, -0.27, 0.1],
		[5, -0.11, 0.075],
		[20, 0.09, 0.055],
		[100, 0.3, 0.035]
	] as const) {
		const thick = distance * 0.0055;
		const tall = distance * 0.42;
		const [x, y, z] = [across * distance, EYE - below * distance, -distance];
		for (let band = 0; band < 7; band++) {
			const high = tall / 7;
			const piece = new THREE.CylinderGeometry(thick, thick, high, 6);
			group.add(mesh(piece, band % 2 ? dark : bright, x, y - high * (band + 0.5), z));
		}
		marks.push({ name: '', distance, point: new THREE.Vector3(x, y, z) });
	}
	return { group, marks };
}

export function createGallery(): Stage {
	const scene = new THREE.Scene();
	scene.fog = new THREE.Fog(HAZE.getHex(), 70, 430);
	scene.add(sky(), stars());
	scene.add(new THREE.HemisphereLight('#8fb0c8', '#20282c', 1.15));
	const afterglow = new THREE.DirectionalLight('#ffab6b', 1.5);
	afterglow.position.set(-60, 22, -110);
	const fill = new THREE.DirectionalLight('#7fa0c0', 0.55);
	fill.position.set(20, 30, 40);
	scene.add(afterglow, fill);
	const near = new THREE.PointLight('#ffb25e', 2.6, 12, 1.5);
	near.position.set(-0.86, 1.8, -1.2);
	scene.add(near);

	const water = sea();
	const island = farLight();
	island.position.set(32, SEA, -176);
	const reef = skerry();
	reef.position.set(-17, SEA + 0.2, -47);
	const bellPost = bell();
	bellPost.position.set(2.15, 0.02, -4.3);
	const storm = lantern();
	storm.position.set(-1.16, 0, -1.22);
	scene.add(water.mesh, island, reef, bellPost, rail(), storm);

	const lampAt = new THREE.Vector3(32, SEA + 29.7, -176);
	const farBeam = beam(230, 0.34);
	farBeam.position.copy(lampAt);
	const farHalo = halo(34, 0.85);
	farHalo.position.copy(lampAt);
	const ownBeam = beam(140, 0.13);
	ownBeam.position.set(-2.75, 6.2, 0.4);
	const cageHalo = halo(5.5, 0.7);
	cageHalo.position.set(-17, SEA + 10, -47);
	scene.add(farBeam, farHalo, ownBeam, cageHalo);

	const skiff = moving(reef.getObjectByName('skiff')!);
	const swing = moving(storm.getObjectByName('swing')!);
	const brass = moving(bellPost.getObjectByName('bell')!);
	const row = posts();
	row.group.visible = false;
	bake(scene);
	scene.add(row.group);
	const mark = (name: string, distance: number, x: number, y: number, z: number): Landmark => ({
		name,
		distance,
		point: new THREE.Vector3(x, y, z)
	});

	return spaceStage({
		scene,
		rest: GALLERY_REST,
		posts: row,
		landmarks: [
			mark('rail', 1.5, -0.3, 1.2, -1.48),
			mark('bell', 5, 2.15, 1.3, -4.3),
			mark('perch', 50, -17, SEA + 10, -47),
			mark('far light', 180, lampAt.x, lampAt.y, lampAt.z)
		],
		move(time) {
			water.uniforms.time.value = time;
			const turn = time * 0.42 + 0.55;
			farBeam.rotation.y = turn;
			// The lamp is brightest when a beam points at the eye.
			const toEye = Math.atan2(-lampAt.z, -lampAt.x);
			const toward = Math.abs(Math.cos(-turn - toEye));
			const flash = toward ** 24;
			farHalo.scale.setScalar(30 + 46 * flash);
			water.uniforms.beam.value = flash;
			ownBeam.rotation.y = -time * 0.3 + 0.9;
			skiff.position.y = -0.1 + 0.3 * Math.sin(time * 1.1);
			skiff.rotation.set(0.09 * Math.sin(time * 0.9), 0.4, 0.06 * Math.sin(time * 1.3 + 1));
			swing.rotation.set(0.06 * Math.sin(time * 2.1), 0, 0.09 * Math.sin(time * 2.4 + 0.6));
			brass.rotation.z = 0.05 * Math.sin(time * 1.6);
		}
	});
}
