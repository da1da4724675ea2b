/** The picture through the camera: applies an offset to the resting pose, draws, and tells where things come to lie. */
import * as THREE from 'three';
import { createGallery } from './gallery';

export interface MarkPlace {
	readonly name: string;
	readonly distance: number;
	/** Where it is in the picture now, in CSS pixels; off the picture when `seen` is false. */
	x: number;
	y: number;
	seen: boolean;
	/** How far it is from where it rests in the picture, in CSS pixels. */
	moved: number;
}

const DEG = Math.PI / 180;
/** The rest outline is drawn for things this far away. */
const OUTLINE_DISTANCE = 5;

export class Picture {
	readonly marks: MarkPlace[];
	/** Corners of the resting picture's frame as the moved camera sees it: x, y of four points, in CSS pixels. */
	readonly outline = new Float64Array(8);
	private readonly renderer: THREE.WebGLRenderer;
	private readonly world = createGallery();
	private readonly camera = new THREE.PerspectiveCamera(60, 16 / 9, 0.05, 2000);
	private readonly resting = new THREE.PerspectiveCamera(60, 16 / 9, 0.05, 2000);
	private readonly turn = new THREE.Quaternion();
	private readonly angles = new THREE.Euler(0, 0, 0, 'YXZ');
	private readonly shift = new THREE.Vector3();
	private readonly point = new THREE.Vector3();
	private width = 16;
	private height = 9;
	private ratio = 1;
	private average = 16;

	constructor(canvas: HTMLCanvasElement) {
		this.renderer = new THREE.WebGLRenderer({ canvas, antialias: false, powerPreference: 'high-performance' });
		this.renderer.toneMapping = THREE.NoToneMapping;
		this.marks = this.world.landmarks.map(({ name, distance }) => ({
			name,
			distance,
			x: 0,
			y: 0,
			seen: false,
			moved: 0
		}));
		const { rest } = this.world;
		this.resting.position.copy(rest.position);
		this.resting.quaternion.copy(rest.quaternion);
		this.ratio = Math.min(window.devicePixelRatio || 1, 2);
	}

	resize(width: number, height: number): void {
		if (width < 2 || height < 2) return;
		this.width = width;
		this.height = height;
		this.renderer.setPixelRatio(this.ratio);
		this.renderer.setSize(width, height, false);
		this.camera.aspect = this.resting.aspect = width / height;
		this.resting.fov = this.world.rest.fov;
		this.resting.updateProjectionMatrix();
		this.resting.updateMatrixWorld();
	}

	/** Draws the frame for an offset (seven channels) with the scene at `time` seconds. */
	draw(offset: Float64Array, time: number): void {
		const { camera, world } = this;
		this.shift.set(offset[0]!, offset[1]!, offset[2]!).applyQuaternion(world.rest.quaternion);
		camera.position.copy(world.rest.position).add(this.shift);
		this.angles.set(offset[3]! * DEG, offset[4]! * DEG, offset[5]! * DEG);
		camera.quaternion.copy(world.rest.quaternion).multiply(this.turn.setFromEuler(this.angles));
		camera.fov = Math.min(150, Math.max(4, world.rest.fov + offset[6]!));
		camera.updateProjectionMatrix();
		camera.updateMatrixWorld();
		world.move(time);
		this.renderer.render(world.scene, camera);
		this.place();
	}

	/** Lowers the resolution when frames come late and raises it when there is room: the motion matters more than the pixels. */
	adapt(frameMs: number): void {
		if (frameMs > 250) return;
		this.average += (frameMs - this.average) * 0.05;
		const most = Math.min(window.devicePixelRatio || 1, 2);
		const wanted =
			this.average > 26
				? Math.max(0.5, this.ratio * 0.8)
				: this.average < 17.5
					? Math.min(most, this.ratio * 1.15)
					: this.ratio;
		if (Math.abs(wanted - this.ratio) < 0.02) return;
		this.ratio = wanted;
		this.average = 20;
		this.resize(this.width, this.height);
	}

	dispose(): void {
		this.world.dispose();
		this.renderer.dispose();
	}

	private place(): void {
		const { width, height } = this;
		this.world.landmarks.forEach((landmark, i) => {
			const mark = this.marks[i]!;
			this.point.copy(landmark.point).project(this.resting);
			const restX = ((this.point.x + 1) * width) / 2;
			const restY = ((1 - this.point.y) * height) / 2;
			this.point.copy(landmark.point).project(this.camera);
			mark.x = ((this.point.x + 1) * width) / 2;
			mark.y = ((1 - this.point.y) * height) / 2;
			mark.seen = this.point.z < 1 && Math.abs(this.point.x) < 1 && Math.abs(this.point.y) < 1;
			mark.moved = Math.hypot(mark.x - restX, mark.y - restY);
		});
		const high = Math.tan((this.world.rest.fov * DEG) / 2) * OUTLINE_DISTANCE;
		const wide = high * this.resting.aspect;
		CORNERS.forEach(([x, y], i) => {
			this.point
				.set(x * wide, y * high, -OUTLINE_DISTANCE)
				.applyMatrix4(this.resting.matrixWorld)
				.project(this.camera);
			this.outline[2 * i] = ((this.point.x + 1) * width) / 2;
			this.outline[2 * i + 1] = ((1 - this.point.y) * height) / 2;
		});
	}
}

const INSET = 0.965;
const CORNERS = [
	[-INSET, INSET],
	[INSET, INSET],
	[INSET, -INSET],
	[-INSET, -INSET]
] as const;
