/** The outside view: the camera as a body, its path around its resting point, and where a motion comes from. */
import * as THREE from 'three';
import { CHANNEL_COUNT } from 'dinesis-runtime/tools';
import type { Rest } from './rests';

export interface Trail {
	/** Offsets of the last seconds, `count` rows of seven, oldest first. */
	readonly values: Float64Array;
	readonly count: number;
}

export interface OutsideLook {
	readonly offset: Float64Array;
	readonly trail: Trail;
	/** Where the test source stands, in the world; null: it plays no part. */
	readonly source: readonly [number, number, number] | null;
}

const DEG = Math.PI / 180;
const MOST_POINTS = 400;
const INK = '#dfe8ee';
const AMBER = '#f2b04a';
const FAINT = '#4c6274';

const line = (color: string, points: number, opacity = 1): THREE.Line => {
	const geometry = new THREE.BufferGeometry();
	geometry.setAttribute('position', new THREE.BufferAttribute(new Float32Array(points * 3), 3));
	const made = new THREE.Line(
		geometry,
		new THREE.LineBasicMaterial({ color, transparent: opacity < 1, opacity, depthTest: false })
	);
	made.frustumCulled = false;
	return made;
};

/** A camera as lines: a box that looks along −z, with its picture in front and a notch on top. */
function body(color: string, opacity: number): THREE.LineSegments {
	const [w, h, d] = [0.16, 0.09, 0.26];
	const corner = (x: number, y: number): number[] => [x * w, y * h, -d];
	const spots = [
		[1, 1],
		[-1, 1],
		[-1, -1],
		[1, -1]
	] as const;
	const list: number[] = [];
	spots.forEach(([x, y], i) => {
		const [nx, ny] = spots[(i + 1) % 4]!;
		list.push(0, 0, 0, ...corner(x, y), ...corner(x, y), ...corner(nx, ny));
	});
	list.push(...corner(-0.3, 1), ...[0, h * 1.5, -d], ...[0, h * 1.5, -d], ...corner(0.3, 1));
	const geometry = new THREE.BufferGeometry();
	geometry.setAttribute('position', new THREE.Float32BufferAttribute(list, 3));
	const made = new THREE.LineSegments(
		geometry,
		new THREE.LineBasicMaterial({ color, transparent: true, opacity, depthTest: false })
	);
	made.frustumCulled = false;
	return made;
}

/** The next of 1, 2, 5, 10, 20 … that is not above `value`, at least 1. */
function niceBelow(value: number): number {
	if (!(value >= 1)) return 1;
	const power = 10 ** Math.floor(Math.log10(value));
	return ([5, 2, 1].find((s) => s * power <= value) ?? 1) * power;
}

export class OutsideView {
	/** How many times larger than they are movements are drawn. */
	magnified = 1;
	private readonly scene = new THREE.Scene();
	private readonly camera = new THREE.PerspectiveCamera(38, 1.6, 0.05, 400);
	private readonly rest = body(INK, 0.5);
	private readonly moved = body(AMBER, 1);
	private readonly path = line(AMBER, MOST_POINTS, 0.8);
	private readonly gaze = line('#8fd0c0', MOST_POINTS, 0.7);
	private readonly bolt = line('#ff9a7a', 2);
	private readonly ball: THREE.Mesh;
	private readonly ground = new THREE.Plane(new THREE.Vector3(0, 1, 0), 0);
	private readonly orientation = new THREE.Quaternion();
	private readonly home = new THREE.Vector3();
	private readonly ray = new THREE.Raycaster();
	private readonly v = new THREE.Vector3();
	private readonly turn = new THREE.Quaternion();
	private readonly angles = new THREE.Euler(0, 0, 0, 'YXZ');
	/** Counts up whenever a hand has turned or zoomed it. */
	turned = 0;
	private around = 0.75;
	private above = 0.42;
	/** Times the distance that fits what is shown. */
	private zoom = 1;
	private fit = 1.6;

	constructor(rest: Rest) {
		this.orientation.set(...rest.orientation);
		this.home.set(...rest.position);
		this.scene.background = new THREE.Color('#132231');
		const grid = new THREE.GridHelper(60, 60, FAINT, '#2b4458');
		grid.position.y = -rest.position[1];
		// A finer sheet close below: movements are centimetres.
		const near = new THREE.GridHelper(2, 8, '#3a566b', '#2b4458');
		near.position.y = -0.42;
		const axes = line(FAINT, 2);
		(axes.geometry.attributes.position as THREE.BufferAttribute).setXYZ(1, 0, -rest.position[1], 0);
		this.ball = new THREE.Mesh(
			new THREE.OctahedronGeometry(1, 1),
			new THREE.MeshBasicMaterial({ color: '#ff9a7a', depthTest: false })
		);
		this.rest.quaternion.copy(this.orientation);
		this.scene.add(grid, near, axes, this.rest, this.moved, this.path, this.gaze, this.bolt, this.ball);
	}

	/** Turns the view by a drag of so many pixels. */
	orbit(dx: number, dy: number): void {
		this.turned++;
		this.around -= dx * 0.009;
		this.above = Math.min(1.5, Math.max(0.04, this.above + dy * 0.007));
	}

	zoomBy(factor: number): void {
		this.turned++;
		this.zoom = Math.min(8, Math.max(0.2, this.zoom * factor));
	}

	/** Where on the level of the source the pointer points, −1 … 1 across and up; null: at the sky. */
	pick(x: number, y: number, height: number): [number, number, number] | null {
		this.ground.constant = -(height - this.home.y);
		this.ray.setFromCamera(new THREE.Vector2(x, y), this.camera);
		const hit = this.ray.ray.intersectPlane(this.ground, this.v);
		return hit && hit.length() < 120 ? [hit.x + this.home.x, height, hit.z + this.home.z] : null;
	}

	/** How far from the pointer the source lies in the inset, as −1 … 1 spots apart. */
	sourceAt(source: readonly [number, number, number]): { x: number; y: number } {
		this.v
			.set(...source)
			.sub(this.home)
			.project(this.camera);
		return { x: this.v.x, y: this.v.y };
	}

	draw(renderer: THREE.WebGLRenderer, look: OutsideLook, aspect: number): void {
		this.place(look);
		const far = this.fit * this.zoom;
		const aim = look.source
			? this.v
					.set(...look.source)
					.sub(this.home)
					.multiplyScalar(0.5)
			: this.v.set(0, 0, 0);
		this.camera.position
			.set(
				Math.sin(this.around) * Math.cos(this.above),
				Math.sin(this.above),
				Math.cos(this.around) * Math.cos(this.above)
			)
			.multiplyScalar(far)
			.add(aim);
		this.camera.lookAt(aim);
		this.camera.aspect = aspect;
		this.camera.updateProjectionMatrix();
		this.camera.updateMatrixWorld();
		renderer.render(this.scene, this.camera);
	}

	dispose(): void {
		this.scene.traverse((part) => {
			const drawn = part as Partial<THREE.Mesh>;
			drawn.geometry?.dispose();
			for (const material of [drawn.material ?? []].flat()) material.dispose();
		});
	}

	private place({ offset, trail, source }: OutsideLook): void {
		const { values, count } = trail;
		let farthest = 1e-4;
		let widest = 1e-3;
		for (let i = 0; i < count; i++) {
			const at = i * CHANNEL_COUNT;
			farthest = Math.max(farthest, Math.hypot(values[at]!, values[at + 1]!, values[at + 2]!));
			widest = Math.max(widest, Math.hypot(values[at + 3]!, values[at + 4]!) * DEG);
		}
		// Drawn so large that it is seen, but never so that it turns over.
		const wanted = niceBelow(Math.min(100, 0.3 / Math.max(farthest, widest * 0.45)));
		if (wanted < this.magnified || wanted > this.magnified * 2.6) this.magnified = wanted;
		const k = this.magnified;
		this.v.set(offset[0]! * k, offset[1]! * k, offset[2]! * k).applyQuaternion(this.orientation);
		this.moved.position.copy(this.v);
		this.angles.set(offset[3]! * DEG * k, offset[4]! * DEG * k, offset[5]! * DEG * k);
		this.moved.quaternion.copy(this.orientation).multiply(this.turn.setFromEuler(this.angles));
		const step = Math.max(1, Math.ceil(count / MOST_POINTS));
		const paths = [this.path, this.gaze].map((l) => l.geometry.attributes.position as THREE.BufferAttribute);
		let shown = 0;
		for (let i = 0; i < count && shown < MOST_POINTS; i += step, shown++) {
			const at = i * CHANNEL_COUNT;
			this.v.set(values[at]! * k, values[at + 1]! * k, values[at + 2]! * k).applyQuaternion(this.orientation);
			paths[0]!.setXYZ(shown, this.v.x, this.v.y, this.v.z);
			// Where it looks, on a pane a little ahead.
			this.v
				.set(-values[at + 4]! * DEG * k * 0.75, values[at + 3]! * DEG * k * 0.75, -0.75)
				.applyQuaternion(this.orientation);
			paths[1]!.setXYZ(shown, this.v.x, this.v.y, this.v.z);
		}
		for (const [i, l] of [this.path, this.gaze].entries()) {
			l.geometry.setDrawRange(0, shown);
			paths[i]!.needsUpdate = true;
		}
		this.bolt.visible = this.ball.visible = source !== null;
		this.fit = 1.35;
		if (source) {
			this.v.set(...source).sub(this.home);
			const away = this.v.length();
			this.fit = Math.max(2.2, away * 1.5);
			this.ball.position.copy(this.v);
			this.ball.scale.setScalar(this.fit * 0.028);
			(this.bolt.geometry.attributes.position as THREE.BufferAttribute).setXYZ(1, this.v.x, this.v.y, this.v.z);
			this.bolt.geometry.attributes.position!.needsUpdate = true;
			this.rest.scale.setScalar(Math.max(1, this.fit * 0.35));
		} else this.rest.scale.setScalar(1);
		this.moved.scale.copy(this.rest.scale);
	}
}

/** The outside view of a flat picture: the picture's frame where it rests and where it is, on a wider look at the scene. */
export class FlatOutside {
	readonly camera = new THREE.OrthographicCamera(-1, 1, 1, -1, 0.1, 100);
	private readonly marks = new THREE.Group();
	private readonly rest = line(INK, 5, 0.8);
	private readonly moved = line(AMBER, 5);
	private readonly path = line(AMBER, MOST_POINTS, 0.8);

	constructor(private readonly scene: THREE.Scene) {
		this.camera.position.z = 60;
		this.marks.add(this.rest, this.moved, this.path);
		this.marks.position.z = 20;
		this.marks.visible = false;
		scene.add(this.marks);
	}

	draw(renderer: THREE.WebGLRenderer, look: OutsideLook, aspect: number, shape: number, height: number): void {
		const half = height / 2;
		const frame = (l: THREE.Line, offset: Float64Array | null): void => {
			const zoom = offset ? 1 + offset[6]! / 100 : 1;
			const turn = offset ? offset[5]! * DEG : 0;
			const at = l.geometry.attributes.position as THREE.BufferAttribute;
			[
				[-1, 1],
				[1, 1],
				[1, -1],
				[-1, -1],
				[-1, 1]
			].forEach(([u, v], i) => {
				const [x, y] = [u! * half * shape * zoom, v! * half * zoom];
				const [c, s] = [Math.cos(turn), Math.sin(turn)];
				at.setXYZ(i, c * x - s * y + (offset ? offset[0]! : 0), s * x + c * y + (offset ? offset[1]! : 0), 0);
			});
			at.needsUpdate = true;
		};
		frame(this.rest, null);
		frame(this.moved, look.offset);
		const { values, count } = look.trail;
		const step = Math.max(1, Math.ceil(count / MOST_POINTS));
		const at = this.path.geometry.attributes.position as THREE.BufferAttribute;
		let shown = 0;
		for (let i = 0; i < count && shown < MOST_POINTS; i += step, shown++)
			at.setXYZ(shown, values[i * CHANNEL_COUNT]!, values[i * CHANNEL_COUNT + 1]!, 0);
		this.path.geometry.setDrawRange(0, shown);
		at.needsUpdate = true;
		const high = half * 1.32 * Math.max(1, shape / aspect);
		this.camera.top = high;
		this.camera.bottom = -high;
		this.camera.right = high * aspect;
		this.camera.left = -high * aspect;
		this.camera.updateProjectionMatrix();
		this.marks.visible = true;
		renderer.render(this.scene, this.camera);
		this.marks.visible = false;
	}
}
