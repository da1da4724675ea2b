/** A ground that stands for any: lines every metre, where nothing is known of what a game has there. */
import * as THREE from 'three';

const INK = '#5c7482';
const FAINT = '#2a3b47';
const WIDE = 200;

/** Level ground, and a wall of the same lines for pictures that are seen flat. */
export function createBlank(): {
	readonly scene: THREE.Scene;
	seenFlat(flat: boolean, x: number, y: number, z: number): void;
} {
	const scene = new THREE.Scene();
	scene.background = new THREE.Color('#16222c');
	scene.fog = new THREE.Fog('#16222c', 30, 120);
	scene.add(new THREE.HemisphereLight('#fff6e4', '#8a949a', 6));
	const ground = new THREE.GridHelper(WIDE, WIDE, INK, FAINT);
	const wall = new THREE.GridHelper(WIDE, WIDE, INK, FAINT);
	wall.rotation.x = Math.PI / 2;
	// Fog is of space: a flat picture has none.
	for (const material of [wall.material].flat()) material.fog = false;
	scene.add(ground, wall);
	return {
		scene,
		seenFlat: (flat, x, y, z) => {
			ground.visible = !flat;
			wall.visible = flat;
			// Whole metres, so that the lines stand still.
			ground.position.set(Math.round(x / 10) * 10, 0, Math.round(z / 10) * 10);
			wall.position.set(Math.round(x / 10) * 10, Math.round(y / 10) * 10, -1);
		}
	};
}
