/** Plays a head bob or a lag that is pointed at, or both of a rig: steps on the spot, or a body that goes and stands. */
import type { BobPreset, LagPreset } from 'dinesis-runtime';
import {
	BobRun,
	CHANNEL_COUNT,
	compileBob,
	isBob,
	LAG_AXES,
	LagRun,
	type CompiledBob,
	type Seconds
} from 'dinesis-runtime/tools';

/** Of a walk that begins and ends: how long one goes, and stands. */
const GOES: Seconds = 1.6;
const STANDS: Seconds = 1.8;
/** Metres a second, and degrees a second that it turns by as well; in a flat picture pixels a second. */
const SPEED = 1.6;
const TURN = 40;
const PIXELS = 180;
const [X, Y, Z, PITCH, YAW, ROLL] = [0, 1, 2, 3, 4, 5];

export class BodyAudition {
	preset = $state.raw<BobPreset | LagPreset | null>(null);
	sceneTime: Seconds = 0;
	private bob: BobRun | null = null;
	private compiled: CompiledBob | null = null;
	private lag: LagRun | null = null;
	private time: Seconds = 0;
	private readonly pose = new Float64Array(LAG_AXES.length);
	private readonly offset = new Float64Array(CHANNEL_COUNT);

	/** `steps`: a bob that goes along with a lag. */
	start(preset: BobPreset | LagPreset, steps: BobPreset | null = null): void {
		this.preset = preset;
		this.time = 0;
		this.pose.fill(0);
		this.bob = this.lag = this.compiled = null;
		const bob = isBob(preset) ? preset : steps;
		if (bob) this.bob = new BobRun((this.compiled = compileBob(bob)));
		if (!isBob(preset)) {
			this.lag = new LagRun({ ...preset, snapsBeyond: null });
			this.lag.snap(this.pose);
		}
	}

	get plays(): boolean {
		return this.preset !== null;
	}

	/** The speed that a bob is walked at: that of the gait nearest to a walk. */
	get walks(): number {
		const gaits = this.compiled?.preset.gaits ?? [];
		return [...gaits].sort((a, b) => Math.abs(a.speed - SPEED) - Math.abs(b.speed - SPEED))[0]?.speed ?? SPEED;
	}

	/** One frame, `dt` seconds on. */
	frame(dt: Seconds): Float64Array {
		const { offset, pose, bob, lag } = this;
		this.sceneTime += dt;
		this.time += dt;
		const goes = this.time % (GOES + STANDS) < GOES;
		offset.fill(0);
		if (bob) {
			bob.advance(dt, { speed: goes ? this.walks : 0, grounded: true });
			offset.set(bob.offset);
		}
		if (lag) {
			const flat = this.preset!.view === 'flat';
			if (goes && flat) pose[X]! += PIXELS * dt;
			else if (goes) {
				pose[Z]! -= SPEED * dt;
				pose[YAW]! += TURN * dt;
			}
			lag.advance(pose, dt);
			// What stands still in the picture is the body; the camera is behind it by so much.
			for (const c of [X, Y, Z, PITCH, YAW, ROLL]) offset[c]! += lag.behind[c]!;
		}
		return offset;
	}
}
