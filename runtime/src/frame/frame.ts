/**
 * One frame of everything that moves a camera, in its order: course runs, free runs, benches, bakes and games all step this.
 *
 *     body → lag → limits → bob → lean → shakes → lens → ceiling → the player's share → picture
 *
 * 1. The caller has set game values, put the bodies where they are now, and raised what happened, each at its moment since the frame
 *    before.
 * 2. Each body's camera goes on with it: landings, steps, what comes before the shakes. Where it rests is where distances are measured.
 * 3. Feet that fell and areas that were crossed are raised, at this frame.
 * 4. What is due is carried out in the order of its moments; before each, every player is brought to it.
 * 5. Cameras do what cues ordered; every mix is summed, the rest of each chain is added, and of that comes what its player wants.
 *
 *     const frame = new Frame(kit, { seed: 1, viewers: 1, rig: 'eyes' });
 *     frame.step(0, 0, [body]);
 *     frame.director.raise({ event: 'thud', phase: 'happens' }, 0.004);
 *     frame.step(1 / 120, 1 / 120, [body]);
 *     frame.cameras[0].camera; frame.cameras[0].offset;
 */
import type { Clear } from '../chain/boom';
import { ShareRun, type Share } from '../chain/share';
import { CameraRun, obeyCamera } from './camera';
import { Director } from './director';
import { occurrencesOf, VIEWERS, type Happening } from '../cues/links';
import type { Occurrence } from '../cues/types';
import type { Kit } from '../kit/types';
import type { ShakePreset } from '../shake/types';
import { combine } from '../random/hash';
import { DT, TIME, type Clock } from '../units/clock';
import type { Seconds } from '../units/quantities';
import type { WalkingBody } from './rig';
import { Stride } from './stride';

export type { Clear } from '../chain/boom';
export { WHOLE, type Share } from '../chain/share';

/** What of a kit frames are made with. */
export type Played = Pick<Kit, 'events' | 'parameters' | 'presets' | 'cues' | 'world' | 'rigs'>;

/** A body as it is at the time of a frame. */
export interface FrameBody extends WalkingBody {
	/** Whether its feet fall: not in a boat. Left out: they do. */
	readonly onFoot?: boolean;
}

/** A round area; its state is on while a body is within. */
export interface FrameArea {
	readonly event: string;
	readonly x: number;
	readonly z: number;
	readonly radius: number;
}

export interface FrameOptions {
	readonly seed?: number;
	/** How many bodies there are, each with a camera and a mix of its own; 1 if left out. */
	readonly viewers?: number;
	/** The id of the rig that all are seen through; null: the body's eyes and the shakes alone. */
	readonly rig?: string | null;
	readonly areas?: readonly FrameArea[];
	/** Whether feet that fall raise what the kit's world links say. */
	readonly steps?: boolean;
	/** Keeps account of what each stage of each chain does. */
	readonly watch?: boolean;
	/** Asked how far it is free behind what a `chase` camera looks at; left out: bodies say so by `room`, if at all. */
	readonly clear?: Clear | null;
	/** Hears of every footfall, and of all that the frame itself raised. */
	readonly hear?: FrameListener;
}

export interface FrameListener {
	happening?(happening: Happening): void;
	raised?(occurrence: Occurrence, at: Seconds): void;
}

/** What a frame remembers of a body. */
interface Track {
	readonly stride: Stride;
	/** By area: 1 while it is within. */
	readonly inside: Uint8Array;
	grounded: boolean;
	/** Height a frame ago, and metres a second downwards. */
	y: number;
	falls: number;
}

export class Frame {
	readonly director: Director;
	/** For `go`: who steps it in every frame of a game puts the frame's time and length here. */
	readonly clock: Clock = new Float64Array(2);
	/** By viewer. */
	readonly cameras: readonly CameraRun[];
	/** By viewer: the share of all motion that a player wants. */
	private readonly shares: readonly ShareRun[];
	private readonly tracks: readonly Track[];
	private readonly areas: readonly FrameArea[];
	private readonly steps: boolean;
	private readonly hear: FrameListener;
	private begun = false;

	constructor(
		private kit: Played,
		options: FrameOptions = {}
	) {
		const {
			seed = 1,
			viewers = 1,
			rig = null,
			areas = [],
			steps = false,
			watch = false,
			clear = null,
			hear = {}
		} = options;
		this.director = new Director(kit, { seed, viewers: VIEWERS.slice(0, viewers) });
		this.cameras = this.director.viewers.map(
			({ player }, i) => new CameraRun(kit.rigs, kit.presets, rig, player.values, combine(seed, i), clear, i)
		);
		this.director.seenOf = (viewer, preset) => this.cameras[viewer]!.letsThrough(preset);
		if (watch) for (const camera of this.cameras) camera.watch();
		this.areas = areas;
		this.steps = steps;
		this.hear = hear;
		this.shares = this.cameras.map(() => new ShareRun());
		this.tracks = this.cameras.map(() => ({
			stride: new Stride(),
			inside: new Uint8Array(areas.length),
			grounded: true,
			y: 0,
			falls: 0
		}));
	}

	/** A frame that stands where this one stands and goes its own way: the same inputs lead to the same motion. */
	fork(): Frame {
		const director = this.director.fork();
		const cameras = this.cameras.map((camera, i) => camera.fork(director.viewers[i]!.player.values));
		const tracks = this.tracks.map((track) => ({
			...track,
			stride: track.stride.fork(),
			inside: track.inside.slice()
		}));
		director.seenOf = (viewer, preset) => cameras[viewer]!.letsThrough(preset);
		const clock = this.clock.slice();
		const shares = this.shares.map((share) => share.fork());
		return Object.assign(Object.create(Frame.prototype) as Frame, this, { director, cameras, shares, tracks, clock });
	}

	/** Goes on with changed events, game values, cues, rigs, head bobs and lags: what plays goes on. */
	use(kit: Played): void {
		this.kit = kit;
		this.director.rewire(kit);
		for (const camera of this.cameras) camera.use(kit.rigs, kit.presets);
	}

	/** What a player wants of all motion. */
	shareOf(viewer: number): Share {
		return this.shares[viewer]!.share;
	}

	/** The same, from the next frame on. */
	setShare(viewer: number, share: Share): void {
		this.shares[viewer]!.set(share);
		this.cameras[viewer]!.showBob(share.bob);
	}

	/** Puts a changed shake in the place of the one with its id: what plays goes on with it. */
	setPreset(preset: ShakePreset): void {
		this.director.setPreset(preset);
		for (const camera of this.cameras) camera.setPreset(preset);
	}

	/**
	 * The frame at `time`, `dt` seconds after the one before; the first one puts everything where the bodies are. With `look` false
	 * nothing is summed, for frames that nobody looks at: the next one is the same as if it had been.
	 */
	step(time: Seconds, dt: Seconds, bodies: readonly FrameBody[], look = true): void {
		this.clock[TIME] = time;
		this.clock[DT] = dt;
		this.go(bodies, look);
	}

	/** The frame at the time that `clock` says: as `step`. */
	go(bodies: readonly FrameBody[], look = true): void {
		const { director, cameras } = this;
		for (let i = 0; i < cameras.length; i++) this.move(i, bodies[i]!);
		if (this.areas.length > 0) for (let i = 0; i < cameras.length; i++) this.cross(i, bodies[i]!.pose);
		this.begun = true;
		let sums = look;
		for (let i = 0; i < cameras.length; i++) if (cameras[i]!.followsShakes || this.shares[i]!.goesOn) sums = true;
		director.follow(this.clock, sums);
		for (let i = 0; i < director.done.length; i++) obeyCamera(director.done[i]!, director.viewers, cameras);
		if (sums)
			for (let i = 0; i < cameras.length; i++) {
				const { player } = director.viewers[i]!;
				this.shares[i]!.apply(this.clock, cameras[i]!.sum(player.offset, player));
			}
	}

	/** A state of an area ends with everything else: at the end of a run. */
	leaveAreas(time: Seconds): void {
		this.tracks.forEach(({ inside }, viewer) =>
			inside.forEach((on, i) => {
				inside[i] = 0;
				if (on === 1) this.raiseArea(i, viewer, false, time);
			})
		);
	}

	private move(viewer: number, body: FrameBody): void {
		const camera = this.cameras[viewer]!;
		const track = this.tracks[viewer]!;
		const { pose, grounded } = body;
		let fell = false;
		if (!this.begun) camera.snap(pose, body.room);
		else {
			if (grounded && !track.grounded) camera.land(track.falls);
			fell = camera.advance(this.clock, body);
			const down = (track.y - pose[1]!) / this.clock[DT]!;
			track.falls = down > 0 ? down : 0;
		}
		track.grounded = grounded;
		track.y = pose[1]!;
		const { player } = this.director.viewers[viewer]!;
		player.view = camera.view;
		player.standAt(camera.camera, pose);
		if (!camera.hasBob) fell = this.begun && grounded && track.stride.advance(this.clock, body);
		if (fell && this.steps && body.onFoot !== false) this.fall(viewer, body);
	}

	/** A foot fell. */
	private fall(who: number, { speed }: FrameBody): void {
		const foot: Happening = { what: 'footfall', phase: 'happens', numbers: { speed }, place: null, who };
		this.hear.happening?.(foot);
		for (const occurrence of occurrencesOf(this.kit.world, this.kit.events, foot))
			this.raise(occurrence, this.clock[TIME]!);
	}

	private cross(viewer: number, pose: Float64Array): void {
		const { inside } = this.tracks[viewer]!;
		for (let i = 0; i < inside.length; i++) {
			const { x, z, radius } = this.areas[i]!;
			const [dx, dz] = [pose[0]! - x, pose[2]! - z];
			const within = dx * dx + dz * dz <= radius * radius ? 1 : 0;
			if (within === inside[i]) continue;
			inside[i] = within;
			this.raiseArea(i, viewer, within === 1, this.clock[TIME]!);
		}
	}

	private raiseArea(i: number, viewer: number, within: boolean, time: Seconds): void {
		const { event } = this.areas[i]!;
		const phase = within ? 'starts' : 'ends';
		this.raise({ event, phase, key: `area ${i} ${viewer}`, who: VIEWERS[viewer] }, time);
	}

	private raise(occurrence: Occurrence, at: Seconds): void {
		this.director.raise(occurrence, at);
		this.hear.raised?.(occurrence, at);
	}
}
