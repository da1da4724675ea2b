/** The picture through the camera: applies offsets to the resting pose, draws, and tells where things come to lie. */
import * as THREE from 'three';
import type { View } from 'dinesis-runtime/tools';
import { createGallery } from './gallery';
import { FlatOutside, OutsideView, type OutsideLook } from './outside';
import { FLAT_HEIGHT, GALLERY_REST } from './rests';
import { Seen, Sharpness } from './sharpness';
import type { Landmark, Stage } from './stage';
import { createYard } from './yard';

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

/** A part of the canvas, in CSS pixels from its upper left corner. */
export interface Area {
	readonly x: number;
	readonly y: number;
	readonly width: number;
	readonly height: number;
}

export interface Wish {
	/** Offsets of the two versions; `b` null: there is only one. */
	readonly a: Float64Array;
	readonly b: Float64Array | null;
	/** How much of the width, from the left, shows A; the rest shows B. */
	readonly seam: number;
	/** The scene's time in seconds. */
	readonly time: number;
	/** The outside view and where it is drawn; null: it is not. */
	readonly outside: { readonly look: OutsideLook; readonly area: Area } | null;
}

const stageFor = (view: View): Stage => (view === 'flat' ? createYard() : createGallery());

export class Picture {
	marks: MarkPlace[] = [];
	private readonly renderer: THREE.WebGLRenderer;
	private readonly stages = new Map<View, Stage>();
	private stage!: Stage;
	private marked: readonly Landmark[] = [];
	private readonly outsideSpace = new OutsideView(GALLERY_REST);
	private outsideFlat: FlatOutside | null = null;
	private readonly point = new THREE.Vector3();
	private width = 16;
	private height = 9;
	private ratio: number;
	private readonly sharpness = new Sharpness(() => Math.min(window.devicePixelRatio || 1, 2));
	private readonly seen = new Seen();
	private posts = false;
	private outlined = false;
	private nextOnWall = 0;

	/** `coarse`: the pixel ratio that a small picture stays at. */
	constructor(canvas: HTMLCanvasElement, view: View = 'space', coarse: number | null = null) {
		this.renderer = new THREE.WebGLRenderer({
			canvas,
			antialias: false,
			powerPreference: 'high-performance',
			// A wall is drawn a part at a time.
			preserveDrawingBuffer: coarse !== null
		});
		this.renderer.toneMapping = THREE.NoToneMapping;
		this.renderer.setScissorTest(true);
		this.ratio = coarse ?? this.sharpness.ratio;
		this.show(view);
	}

	/** Which scene is looked at. */
	show(view: View): void {
		let stage = this.stages.get(view);
		if (!stage) this.stages.set(view, (stage = stageFor(view)));
		this.stage = stage;
		this.stage.shape(this.width / this.height);
		this.stage.showOutline(this.outlined);
		this.sharpness.touch();
		this.chooseMarks();
	}

	get view(): View {
		return this.stage.view;
	}

	/** Marks on the posts at 1, 5, 20 and 100 m instead of on what stands in the scene. */
	showPosts(shown: boolean): void {
		this.posts = shown;
		this.sharpness.touch();
		this.chooseMarks();
	}

	/** The edge of the resting picture, as the moved camera sees it. */
	showOutline(shown: boolean): void {
		this.outlined = shown;
		this.sharpness.touch();
		this.stage.showOutline(shown);
	}

	get outsideView(): OutsideView {
		return this.outsideSpace;
	}

	resize(width: number, height: number): void {
		if (width < 2 || height < 2) return;
		this.width = width;
		this.height = height;
		this.renderer.setPixelRatio(this.ratio);
		this.renderer.setSize(width, height, false);
		this.stage.shape(width / height);
		this.sharpness.touch();
	}

	/** One frame of the display, so many milliseconds after the last one: as sharp as its pace allows, and what stands still once. */
	frame(wish: Wish, frameMs: number): void {
		const { outside } = wish;
		this.seen.begin().all(wish.a).put(wish.seam).put(wish.time);
		if (wish.b) this.seen.all(wish.b);
		if (outside) {
			const { area, look } = outside;
			this.seen
				.put(area.x)
				.put(area.y)
				.put(area.width)
				.put(area.height)
				.put(look.trail.count)
				.put(this.outsideSpace.turned);
			if (look.source) this.seen.all(look.source);
		}
		const ratio = this.sharpness.next(frameMs, this.seen.changed());
		if (ratio === null) return;
		if (ratio !== this.ratio) {
			this.ratio = ratio;
			// It empties the canvas: the drawing follows at once.
			this.renderer.setPixelRatio(ratio);
		}
		this.draw(wish);
	}

	draw(wish: Wish): void {
		const { a, b, time, outside } = wish;
		const seam = b ? wish.seam : 1;
		const at = Math.round(this.width * seam);
		this.stage.move(time);
		if (b && at < this.width) this.through(b, { x: at, y: 0, width: this.width - at, height: this.height });
		if (at > 0) this.through(a, { x: 0, y: 0, width: at, height: this.height });
		this.placeMarks();
		if (outside) this.drawOutside(outside.look, outside.area);
	}

	/**
	 * A wall of pictures, each with its own offset: `across` beside each other, as many rows as it takes. Each call draws
	 * `atOnce` of them, the next ones the next time: small pictures may come less often than the large one.
	 */
	drawWall(offsets: readonly Float64Array[], across: number, gap: number, time: number, atOnce: number): void {
		const down = Math.ceil(offsets.length / across);
		const width = (this.width - gap * (across - 1)) / across;
		const height = (this.height - gap * (down - 1)) / down;
		this.stage.move(time);
		this.stage.shape(width / height);
		for (let n = 0; n < atOnce; n++) {
			const i = this.nextOnWall++ % offsets.length;
			const x = (i % across) * (width + gap);
			const y = Math.floor(i / across) * (height + gap);
			this.stage.pose(offsets[i]!);
			this.clip({ x, y, width, height }, true);
			this.renderer.render(this.stage.scene, this.stage.camera);
		}
	}

	dispose(): void {
		for (const stage of this.stages.values()) stage.dispose();
		this.outsideSpace.dispose();
		this.renderer.dispose();
	}

	/** Draws the whole picture, clipped to a part of the canvas. */
	private through(offset: Float64Array, part: Area): void {
		this.stage.pose(offset);
		this.renderer.setViewport(0, 0, this.width, this.height);
		this.clip(part, false);
		this.renderer.render(this.stage.scene, this.stage.camera);
	}

	/** three counts from the lower left corner, the page from the upper left. */
	private clip(part: Area, fit: boolean): void {
		const y = this.height - part.y - part.height;
		this.renderer.setScissor(part.x, y, part.width, part.height);
		if (fit) this.renderer.setViewport(part.x, y, part.width, part.height);
	}

	private drawOutside(look: OutsideLook, area: Area): void {
		this.clip(area, true);
		const aspect = area.width / area.height;
		if (this.stage.view === 'space') return this.outsideSpace.draw(this.renderer, look, aspect);
		this.outsideFlat ??= new FlatOutside(this.stage.scene);
		this.outsideFlat.draw(this.renderer, look, aspect, this.width / this.height, FLAT_HEIGHT);
	}

	private chooseMarks(): void {
		const { stage } = this;
		const onPosts = this.posts && stage.posts.length > 0;
		stage.showPosts(onPosts);
		this.marked = onPosts ? stage.posts : stage.landmarks;
		this.marks = this.marked.map(({ name, distance }) => ({ name, distance, x: 0, y: 0, seen: false, moved: 0 }));
	}

	/** Marks of what was drawn last: of A, unless only B is shown. */
	private placeMarks(): void {
		const { width, height, stage } = this;
		this.marked.forEach((landmark, i) => {
			const mark = this.marks[i]!;
			stage.project(this.point.copy(landmark.point), true);
			const restX = ((this.point.x + 1) * width) / 2;
			const restY = ((1 - this.point.y) * height) / 2;
			stage.project(this.point.copy(landmark.point));
			mark.x = ((this.point.x + 1) * width) / 2;
			mark.y = ((1 - this.point.y) * height) / 2;
			mark.seen = this.point.z < 1 && Math.abs(this.point.x) < 1 && Math.abs(this.point.y) < 1;
			mark.moved = Math.hypot(mark.x - restX, mark.y - restY);
		});
	}
}
