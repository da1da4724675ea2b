/**
 * Light that does not change, worked out once: what stands still in a scene is lit flat by lights that stand still, so that each of its faces
 * has one colour. All of it becomes one mesh that only has to be filled, which is most of the cost where there is no graphics card.
 */
import * as THREE from 'three';
import { mergeGeometries } from 'three/addons/utils/BufferGeometryUtils.js';

/** Marks a part of a scene that moves: it keeps its material and its light. */
export const MOVES = 'moves';
export function moving<T extends THREE.Object3D>(part: T): T {
	part.userData[MOVES] = true;
	return part;
}

const moves = (part: THREE.Object3D): boolean =>
	part.userData[MOVES] === true || (part.parent !== null && moves(part.parent));

/** The light on a face, linear: as three's Lambert material has it, of hemisphere, directional and point lights. */
export function lightOn(lights: readonly THREE.Light[], at: THREE.Vector3, normal: THREE.Vector3): THREE.Color {
	const sum = new THREE.Color(0, 0, 0);
	const way = new THREE.Vector3();
	for (const light of lights) {
		if (light instanceof THREE.HemisphereLight) {
			const up = 0.5 * normal.y + 0.5;
			sum.add(new THREE.Color().lerpColors(light.groundColor, light.color, up).multiplyScalar(light.intensity));
		} else if (light instanceof THREE.DirectionalLight) {
			way.copy(light.position).sub(light.target.position).normalize();
			sum.add(light.color.clone().multiplyScalar(light.intensity * Math.max(0, normal.dot(way))));
		} else if (light instanceof THREE.PointLight) {
			way.copy(light.position).sub(at);
			const far = way.length();
			const falls = Math.pow(Math.max(far, 0.01), -light.decay);
			const ends = light.distance > 0 ? Math.pow(Math.max(0, 1 - Math.pow(far / light.distance, 4)), 2) : 1;
			const facing = Math.max(0, normal.dot(way.normalize()));
			sum.add(light.color.clone().multiplyScalar(light.intensity * falls * ends * facing));
		}
	}
	return sum.multiplyScalar(1 / Math.PI);
}

/** A mesh's faces in the world, each in one colour. */
function litFaces(mesh: THREE.Mesh, lights: readonly THREE.Light[]): THREE.BufferGeometry {
	const material = mesh.material as THREE.MeshLambertMaterial;
	const plain = mesh.geometry.index ? mesh.geometry.toNonIndexed() : mesh.geometry.clone();
	plain.applyMatrix4(mesh.matrixWorld);
	const at = plain.attributes.position as THREE.BufferAttribute;
	const colours = new Float32Array(at.count * 3);
	const [a, b, c] = [new THREE.Vector3(), new THREE.Vector3(), new THREE.Vector3()];
	for (let i = 0; i + 2 < at.count; i += 3) {
		a.fromBufferAttribute(at, i);
		b.fromBufferAttribute(at, i + 1);
		c.fromBufferAttribute(at, i + 2);
		const middle = a.clone().add(b).add(c).divideScalar(3);
		const normal = b.sub(a).cross(c.sub(a)).normalize();
		const colour = lightOn(lights, middle, normal).multiply(material.color);
		for (let k = 0; k < 3; k++) colour.toArray(colours, (i + k) * 3);
	}
	const faces = new THREE.BufferGeometry();
	faces.setAttribute('position', at);
	faces.setAttribute('color', new THREE.BufferAttribute(colours, 3));
	return faces;
}

/** Lines in the world, each in its colour. */
function linesOf(lines: THREE.LineSegments): THREE.BufferGeometry {
	const plain = lines.geometry.index ? lines.geometry.toNonIndexed() : lines.geometry.clone();
	plain.applyMatrix4(lines.matrixWorld);
	const at = plain.attributes.position as THREE.BufferAttribute;
	const { color } = lines.material as THREE.LineBasicMaterial;
	const colours = new Float32Array(at.count * 3);
	for (let i = 0; i < at.count; i++) color.toArray(colours, i * 3);
	const made = new THREE.BufferGeometry();
	made.setAttribute('position', at);
	made.setAttribute('color', new THREE.BufferAttribute(colours, 3));
	return made;
}

/** Whether a mesh is lit flat and from one side, and has no light of its own. */
const bakes = (mesh: THREE.Mesh): boolean =>
	mesh.material instanceof THREE.MeshLambertMaterial &&
	mesh.material.side === THREE.FrontSide &&
	!mesh.material.transparent &&
	mesh.material.emissive.getHex() === 0;

/** Puts what stands still in a scene into one mesh and one set of lines, lit once. The lights stay for what moves. */
export function bake(scene: THREE.Scene): void {
	scene.updateMatrixWorld(true);
	const lights: THREE.Light[] = [];
	const meshes: THREE.Mesh[] = [];
	const lines: THREE.LineSegments[] = [];
	scene.traverse((part) => {
		if (part instanceof THREE.Light) lights.push(part);
		else if (moves(part)) return;
		else if (part instanceof THREE.LineSegments && part.material instanceof THREE.LineBasicMaterial) lines.push(part);
		else if (part instanceof THREE.Mesh && bakes(part)) meshes.push(part);
	});
	const take = (parts: readonly (THREE.Mesh | THREE.LineSegments)[]): void => {
		for (const part of parts) {
			// What stands on it is taken by itself.
			while (part.children.length > 0) part.parent!.attach(part.children[0]!);
			part.removeFromParent();
			part.geometry.dispose();
		}
	};
	const add = (made: THREE.Object3D): void => {
		made.matrixAutoUpdate = false;
		made.frustumCulled = false;
		scene.add(made);
	};
	const faces = meshes.map((mesh) => litFaces(mesh, lights));
	const edges = lines.map(linesOf);
	take(lines);
	take(meshes);
	if (faces.length > 0)
		add(new THREE.Mesh(mergeGeometries(faces)!, new THREE.MeshBasicMaterial({ vertexColors: true })));
	if (edges.length > 0)
		add(new THREE.LineSegments(mergeGeometries(edges)!, new THREE.LineBasicMaterial({ vertexColors: true })));
}
