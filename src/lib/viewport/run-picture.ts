/** The picture of a run through the grounds: through one camera, or two beside each other, each with an offset of its own. */
import * as THREE from 'three';
import { viewOf } from 'dinesis-runtime/tools';
import { CASKS, CRANE, SEA_LEVEL, SKIFF } from '$lib/world/grounds';
import type { Eye } from './eye';
import { createBlank } from './blank';
import { Seen, Sharpness } from './sharpness';
import { createGrounds, figure, load, skiff, UNTOUCHED, type Moving } from './grounds';

const DEG = Math.PI / 180;
/** A body no higher above the sea than this sits in the skiff. */
const AFLOAT = 0.75;
/** A flat picture is cut this far in front of what it follows, so that what stands nearer does not hide it, in metres. */
const CUT = 1.6;
/** Between the two halves, in CSS pixels. */
const GAP = 4;
/** Between the marks of a way, in metres. */
const MARK_EVERY = 0.6;

export class RunPicture {
	private readonly renderer: THREE.WebGLRenderer;
	private readonly grounds = createGrounds();
	private readonly camera = new THREE.PerspectiveCamera(62, 16 / 9, 0.05, 2000);
	private readonly side = new THREE.OrthographicCamera(-1, 1, 1, -1, 0, 2000);
	private readonly others = [figure(), figure()];
	private readonly skiffs = [skiff(), skiff()];
	private readonly load = load();
	private readonly was = [new THREE.Vector3(), new THREE.Vector3()];
	private readonly ways = new THREE.Group();
	private readonly look = new THREE.Quaternion();
	private readonly turn = new THREE.Quaternion();
	private readonly angles = new THREE.Euler(0, 0, 0, 'YXZ');
	private readonly shift = new THREE.Vector3();
	private width = 16;
	private height = 9;
	private readonly sharpness = new Sharpness(() => Math.min(window.devicePixelRatio || 1, 2));
	private readonly seen = new Seen();
	private readonly moved = new Seen();
	private ratio = this.sharpness.ratio;
	/** In the place of the grounds, where nothing is known of them; null: they are shown. */
	private blank: ReturnType<typeof createBlank> | null = null;

	constructor(canvas: HTMLCanvasElement) {
		this.renderer = new THREE.WebGLRenderer({ canvas, antialias: false, powerPreference: 'high-performance' });
		this.renderer.toneMapping = THREE.NoToneMapping;
		this.renderer.setScissorTest(true);
		this.grounds.scene.add(...this.actors);
		this.reset();
	}

	private get actors(): THREE.Object3D[] {
		return [this.ways, ...this.others, ...this.skiffs.map((s) => s.group), this.load.group];
	}

	/** Shows blank ground, or the grounds. */
	showBlank(blank: boolean): void {
		if (blank === (this.blank !== null)) return;
		this.blank = blank ? createBlank() : null;
		(this.blank ?? this.grounds).scene.add(...this.actors);
		this.sharpness.touch();
	}

	/** Casks and door as before anybody came. */
	reset(): void {
		this.put(UNTOUCHED(CASKS));
	}

	put(moving: Moving): void {
		this.moved.begin().put(moving.doorOpen);
		for (const { x, y, z, qx, qy, qz, qw } of moving.casks)
			this.moved.put(x).put(y).put(z).put(qx).put(qy).put(qz).put(qw);
		// What stands where it stood needs no new picture.
		if (!this.moved.changed()) return;
		this.sharpness.touch();
		this.grounds.put(moving);
	}

	/** Marks on the ground along the ways: x, y, z of places, one after the other. */
	showWays(ways: readonly (readonly number[])[]): void {
		for (const old of this.ways.children as THREE.Points[]) {
			old.geometry.dispose();
			(old.material as THREE.Material).dispose();
		}
		this.ways.clear();
		this.sharpness.touch();
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
		this.sharpness.touch();
	}

	/** One frame of the display, so many milliseconds after the last one: as sharp as its pace allows, and what stands still once. */
	frame(eyes: readonly Eye[], time: number, frameMs: number): void {
		this.seen.begin().put(time);
		for (const { pose, offset, fov, body, view } of eyes) {
			this.seen.all(pose).all(offset).put(fov).all(body);
			this.seen.put(view.tall).put(view.pixelsPerMetre).put(view.kind.length);
		}
		const ratio = this.sharpness.next(frameMs, this.seen.changed());
		if (ratio === null) return;
		if (ratio !== this.ratio) {
			this.ratio = ratio;
			// It empties the canvas: the drawing follows at once.
			this.renderer.setPixelRatio(ratio);
		}
		this.draw(eyes, time);
	}

	draw(eyes: readonly Eye[], time: number): void {
		if (!this.blank) this.grounds.move(time);
		const wide = (this.width - GAP * (eyes.length - 1)) / eyes.length;
		this.placeBodies(eyes, time);
		eyes.forEach((eye, i) => {
			const mine = this.others[i]!;
			const shown = mine.visible;
			if (eye.view.kind === 'eyes') mine.visible = false;
			const camera =
				viewOf(eye.view.kind) === 'flat' ? this.poseSide(eye, wide / this.height) : this.pose(eye, wide / this.height);
			const { x: at, y: up, z: back } = camera.position;
			if (this.blank) this.blank.seenFlat(camera === this.side, at, up, back);
			else {
				this.grounds.seenFrom(at, back);
				this.grounds.cutAt(camera === this.side ? back : null);
			}
			const x = i * (wide + GAP);
			this.renderer.setViewport(x, 0, wide, this.height);
			this.renderer.setScissor(x, 0, wide, this.height);
			this.renderer.render((this.blank ?? this.grounds).scene, camera);
			mine.visible = shown;
		});
	}

	/** Everybody as others see them: on foot, in the skiff, or as the load that is looked at; what nobody uses lies where it belongs. */
	private placeBodies(eyes: readonly Eye[], time: number): void {
		let hangs = false;
		this.others.forEach((other, i) => {
			const eye = eyes[i];
			const boat = this.skiffs[i]!;
			other.visible = boat.group.visible = false;
			if (!eye) return;
			const { body, view } = eye;
			const [x, y, z] = [body[0]!, body[1]!, body[2]!];
			const heading = body[3]! * DEG;
			if (view.kind === 'flat') {
				hangs = true;
				this.load.group.position.set(x, y, z);
				this.load.hang(x, y);
				return;
			}
			const afloat = !this.blank && y < SEA_LEVEL + AFLOAT - 0.2;
			other.visible = true;
			other.position.set(x, y - (afloat ? 0.42 : 0), z);
			other.rotation.set(0, heading, 0);
			if (!afloat) return;
			const moving = this.was[i]!.distanceToSquared(other.position) > 1e-8;
			this.was[i]!.copy(other.position);
			boat.group.visible = true;
			boat.group.position.set(x, y, z);
			boat.group.rotation.set(0.02 * Math.sin(time * 1.1), heading, 0.04 * Math.sin(time * 0.8));
			boat.row(time, moving);
		});
		// On blank ground stands what is looked at, and nothing else.
		if (this.blank) {
			for (const { group } of this.skiffs) group.visible = false;
			this.load.group.visible = hangs;
			return;
		}
		this.load.group.visible = true;
		const [moored] = this.skiffs;
		if (!this.skiffs.some((s) => s.group.visible)) {
			const [x, y, z] = SKIFF.at;
			moored!.group.visible = true;
			moored!.group.position.set(x, y + SKIFF.floats + 0.1 * Math.sin(time * 0.9), z);
			moored!.group.rotation.set(0, SKIFF.heading * DEG, 0.05 * Math.sin(time * 0.7));
			moored!.row(time, false);
		}
		if (hangs) return;
		this.load.group.position.set(CRANE.starts, CRANE.boom - CRANE.rope, CRANE.z);
		this.load.hang(CRANE.starts, CRANE.boom - CRANE.rope);
	}

	dispose(): void {
		this.grounds.scene.traverse((part) => {
			const drawn = part as Partial<THREE.Mesh>;
			drawn.geometry?.dispose();
			for (const material of [drawn.material ?? []].flat()) material.dispose();
		});
		this.renderer.dispose();
	}

	private pose({ pose, offset, fov }: Eye, aspect: number): THREE.Camera {
		const { camera, look, shift, angles } = this;
		look.set(pose[3]!, pose[4]!, pose[5]!, pose[6]!);
		shift.set(offset[0]!, offset[1]!, offset[2]!).applyQuaternion(look);
		camera.position.set(pose[0]!, pose[1]!, pose[2]!).add(shift);
		angles.set(offset[3]! * DEG, offset[4]! * DEG, offset[5]! * DEG);
		camera.quaternion.copy(look).multiply(this.turn.setFromEuler(angles));
		camera.fov = Math.min(150, Math.max(4, fov + offset[6]!));
		camera.aspect = aspect;
		camera.updateProjectionMatrix();
		return camera;
	}

	/** Square to the picture: offsets in pixels, the lens as percent of its height. */
	private poseSide({ pose, offset, view }: Eye, aspect: number): THREE.Camera {
		const { side } = this;
		const per = view.pixelsPerMetre;
		const half = ((view.tall / per) * Math.max(0.02, 1 + offset[6]! / 100)) / 2;
		side.top = half;
		side.bottom = -half;
		side.right = half * aspect;
		side.left = -half * aspect;
		// The section is drawn just behind the plane that the picture is cut at.
		side.position.set(pose[0]! + offset[0]! / per, pose[1]! + offset[1]! / per, pose[2]! + CUT);
		side.rotation.set(0, 0, offset[5]! * DEG);
		side.updateProjectionMatrix();
		return side;
	}
}
