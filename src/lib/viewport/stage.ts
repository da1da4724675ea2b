/** A scene with the camera that looks at it: how an offset poses it, and where things come to lie in the picture. */
import * as THREE from 'three';
import type { View } from 'dinesis-runtime/tools';
import { FLAT_HEIGHT, type Rest } from './rests';

/** Something the eye can judge motion by. */
export interface Landmark {
	readonly name: string;
	/** Metres from the resting camera; 0 in a flat view, where distance does not matter. */
	readonly distance: number;
	readonly point: THREE.Vector3;
}

export interface Stage {
	readonly view: View;
	readonly scene: THREE.Scene;
	readonly camera: THREE.Camera;
	readonly landmarks: readonly Landmark[];
	readonly posts: readonly Landmark[];
	/** Corners of the rest outline, in the world. */
	readonly corners: readonly THREE.Vector3[];
	showPosts(shown: boolean): void;
	/** The resting picture's edge, as the moved camera sees it. */
	showOutline(shown: boolean): void;
	/** Takes a new shape of the picture, width ÷ height. */
	shape(aspect: number): void;
	/** Poses the camera at rest plus an offset (seven channels). */
	pose(offset: Float64Array): void;
	/** Projects a point of the world as the posed camera sees it, or the resting one: −1 … 1 in x and y, in place. */
	project(point: THREE.Vector3, resting?: boolean): THREE.Vector3;
	/** Moves sea, beams and the little lights to a time in seconds. */
	move(time: number): void;
	dispose(): void;
}

const DEG = Math.PI / 180;
/** The rest outline is drawn for things this far away, and a little inside the picture's edge. */
const OUTLINE_DISTANCE = 5;
const INSET = 0.965;
const CORNERS = [
	[-INSET, INSET],
	[INSET, INSET],
	[INSET, -INSET],
	[-INSET, -INSET]
] as const;

/** The rest outline: dashes through its corners, over everything. `dash` in the scene's unit. */
function outline(
	scene: THREE.Scene,
	dash: number
): { show(shown: boolean): void; through(corners: readonly THREE.Vector3[]): void } {
	const material = new THREE.LineDashedMaterial({
		color: '#f2b04a',
		dashSize: dash,
		gapSize: dash * 0.85,
		transparent: true,
		opacity: 0.75,
		depthTest: false,
		depthWrite: false,
		fog: false
	});
	const line = new THREE.Line(new THREE.BufferGeometry(), material);
	line.frustumCulled = false;
	line.renderOrder = 20;
	line.visible = false;
	scene.add(line);
	return {
		show: (shown) => void (line.visible = shown),
		through(corners) {
			line.geometry.setFromPoints([...corners, corners[0]!]);
			line.computeLineDistances();
		}
	};
}

interface Scenery {
	readonly scene: THREE.Scene;
	readonly landmarks: readonly Landmark[];
	readonly move: (time: number) => void;
}

function empty(scene: THREE.Scene): void {
	scene.traverse((part) => {
		const drawn = part as Partial<THREE.Mesh>;
		drawn.geometry?.dispose();
		for (const material of [drawn.material ?? []].flat()) material.dispose();
	});
}

export function spaceStage(
	set: Scenery & {
		readonly rest: Rest;
		readonly posts: { readonly group: THREE.Group; readonly marks: readonly Landmark[] };
	}
): Stage {
	const { scene, rest, posts } = set;
	const camera = new THREE.PerspectiveCamera(rest.fov, 16 / 9, 0.05, 2000);
	const resting = camera.clone();
	const orientation = new THREE.Quaternion(...rest.orientation);
	resting.position.set(...rest.position);
	resting.quaternion.copy(orientation);
	const angles = new THREE.Euler(0, 0, 0, 'YXZ');
	const turn = new THREE.Quaternion();
	const shift = new THREE.Vector3();
	const corners = CORNERS.map(() => new THREE.Vector3());
	const edge = outline(scene, 0.1);
	return {
		view: 'space',
		scene,
		camera,
		landmarks: set.landmarks,
		posts: posts.marks,
		corners,
		move: set.move,
		showPosts: (shown) => void (posts.group.visible = shown),
		showOutline: edge.show,
		shape(aspect) {
			camera.aspect = resting.aspect = aspect;
			resting.updateProjectionMatrix();
			resting.updateMatrixWorld();
			const high = Math.tan((rest.fov * DEG) / 2) * OUTLINE_DISTANCE;
			CORNERS.forEach(([x, y], i) =>
				corners[i]!.set(x * high * aspect, y * high, -OUTLINE_DISTANCE).applyMatrix4(resting.matrixWorld)
			);
			edge.through(corners);
		},
		pose(offset) {
			shift.set(offset[0]!, offset[1]!, offset[2]!).applyQuaternion(orientation);
			camera.position.set(...rest.position).add(shift);
			angles.set(offset[3]! * DEG, offset[4]! * DEG, offset[5]! * DEG);
			camera.quaternion.copy(orientation).multiply(turn.setFromEuler(angles));
			camera.fov = Math.min(150, Math.max(4, rest.fov + offset[6]!));
			camera.updateProjectionMatrix();
			camera.updateMatrixWorld();
		},
		project: (point, atRest) => point.project(atRest ? resting : camera),
		dispose: () => empty(scene)
	};
}

/** A flat side view: everything in pixels, the picture 1080 high; roll turns it, the lens makes it higher or lower. */
export function flatStage(set: Scenery): Stage {
	const { scene } = set;
	const camera = new THREE.OrthographicCamera(-1, 1, 1, -1, 0.1, 100);
	const resting = camera.clone();
	camera.position.z = resting.position.z = 50;
	const half = FLAT_HEIGHT / 2;
	const corners = CORNERS.map(() => new THREE.Vector3());
	let wide = 16 / 9;
	const edge = outline(scene, 18);
	const frame = (which: THREE.OrthographicCamera, zoom: number): void => {
		which.left = -half * wide * zoom;
		which.right = half * wide * zoom;
		which.top = half * zoom;
		which.bottom = -half * zoom;
		which.updateProjectionMatrix();
		which.updateMatrixWorld();
	};
	return {
		view: 'flat',
		scene,
		camera,
		landmarks: set.landmarks,
		posts: [],
		corners,
		move: set.move,
		showPosts: () => undefined,
		showOutline: edge.show,
		shape(aspect) {
			wide = aspect;
			frame(resting, 1);
			CORNERS.forEach(([x, y], i) => corners[i]!.set(x * half * aspect, y * half, 0));
			edge.through(corners);
		},
		pose(offset) {
			camera.position.set(offset[0]!, offset[1]!, 50);
			camera.rotation.z = offset[5]! * DEG;
			frame(camera, Math.max(0.05, 1 + offset[6]! / 100));
		},
		project: (point, atRest) => point.project(atRest ? resting : camera),
		dispose: () => empty(scene)
	};
}
