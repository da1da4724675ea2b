/** The picture of a run through the grounds: through one camera, or two beside each other, each with an offset of its own. */
import * as THREE from 'three';
import { EYE_HEIGHT } from '$lib/core';
import { CASKS } from '$lib/world/grounds';
import { createGrounds, figure, UNTOUCHED, type Moving } from './grounds';

export interface Eye {
	/** x, y, z of the feet, the look's orientation as a quaternion x, y, z, w. */
	readonly pose: Float64Array;
	/** Seven channels. */
	readonly offset: Float64Array;
}

const DEG = Math.PI / 180;
const FOV = 62;
/** Between the two halves, in CSS pixels. */
const GAP = 4;
/** Between the marks of a way, in metres. */
const MARK_EVERY = 0.6;

export class RunPicture {
	private readonly renderer: THREE.WebGLRenderer;
	private readonly grounds = createGrounds();
	private readonly camera = new THREE.PerspectiveCamera(FOV, 16 / 9, 0.05, 2000);
	private readonly others = [figure(), figure()];
	private readonly ways = new THREE.Group();
	private readonly look = new THREE.Quaternion();
	private readonly turn = new THREE.Quaternion();
	private readonly angles = new THREE.Euler(0, 0, 0, 'YXZ');
	private readonly shift = new THREE.Vector3();
	private width = 16;
	private height = 9;
	private ratio: number;
	private average = 16;

	constructor(canvas: HTMLCanvasElement) {
		this.renderer = new THREE.WebGLRenderer({ canvas, antialias: false, powerPreference: 'high-performance' });
		this.renderer.toneMapping = THREE.NoToneMapping;
		this.renderer.setScissorTest(true);
		this.ratio = Math.min(window.devicePixelRatio || 1, 2);
		this.grounds.scene.add(this.ways, ...this.others);
		this.reset();
	}

	/** Casks and door as before anybody came. */
	reset(): void {
		this.put(UNTOUCHED(CASKS));
	}

	put(moving: Moving): void {
		this.grounds.put(moving);
	}

	/** Marks on the ground along the ways: x, y, z of places, one after the other. */
	showWays(ways: readonly (readonly number[])[]): void {
		for (const old of this.ways.children as THREE.Points[]) {
			old.geometry.dispose();
			(old.material as THREE.Material).dispose();
		}
		this.ways.clear();
		ways.forEach((way, i) => {
			const at: number[] = [];
			for (let p = 0; p + 5 < way.length; p += 3) {
				const [ax, ay, az, bx, by, bz] = way.slice(p, p + 6) as [number, number, number, number, number, number];
				const count = Math.max(1, Math.round(Math.hypot(bx - ax, by - ay, bz - az) / MARK_EVERY));
				for (let k = 0; k < count; k++) {
					const t = k / count;
					at.push(ax + (bx - ax) * t, ay + (by - ay) * t + 0.04, az + (bz - az) * t);
				}
			}
			const geometry = new THREE.BufferGeometry();
			geometry.setAttribute('position', new THREE.Float32BufferAttribute(at, 3));
			const material = new THREE.PointsMaterial({ color: i === 0 ? '#f2b04a' : '#7fc4d8', size: 0.09, fog: false });
			this.ways.add(new THREE.Points(geometry, material));
		});
	}

	resize(width: number, height: number): void {
		if (width < 2 || height < 2) return;
		this.width = width;
		this.height = height;
		this.renderer.setPixelRatio(this.ratio);
		this.renderer.setSize(width, height, false);
	}

	draw(eyes: readonly Eye[], time: number): void {
		this.grounds.move(time);
		const wide = (this.width - GAP * (eyes.length - 1)) / eyes.length;
		this.others.forEach((other, i) => {
			const eye = eyes[i];
			other.visible = eye !== undefined;
			if (!eye) return;
			other.position.set(eye.pose[0]!, eye.pose[1]!, eye.pose[2]!);
			// Upright, whichever way it looks.
			other.quaternion.set(0, eye.pose[4]!, 0, eye.pose[6]!).normalize();
		});
		eyes.forEach((eye, i) => {
			const mine = this.others[i]!;
			mine.visible = false;
			this.pose(eye, wide / this.height);
			const x = i * (wide + GAP);
			this.renderer.setViewport(x, 0, wide, this.height);
			this.renderer.setScissor(x, 0, wide, this.height);
			this.renderer.render(this.grounds.scene, this.camera);
			mine.visible = true;
		});
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
		this.grounds.scene.traverse((part) => {
			const drawn = part as Partial<THREE.Mesh>;
			drawn.geometry?.dispose();
			for (const material of [drawn.material ?? []].flat()) material.dispose();
		});
		this.renderer.dispose();
	}

	private pose({ pose, offset }: Eye, aspect: number): void {
		const { camera, look, shift, angles } = this;
		look.set(pose[3]!, pose[4]!, pose[5]!, pose[6]!);
		shift.set(offset[0]!, offset[1]!, offset[2]!).applyQuaternion(look);
		camera.position.set(pose[0]!, pose[1]! + EYE_HEIGHT, pose[2]!).add(shift);
		angles.set(offset[3]! * DEG, offset[4]! * DEG, offset[5]! * DEG);
		camera.quaternion.copy(look).multiply(this.turn.setFromEuler(angles));
		camera.fov = Math.min(150, Math.max(4, FOV + offset[6]!));
		camera.aspect = aspect;
		camera.updateProjectionMatrix();
	}
}
