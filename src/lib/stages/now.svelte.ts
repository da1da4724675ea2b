/** What a trial shows of this moment: where body and camera are, how fast, which shakes play, what the ceiling took. */
import { CHANNEL_COUNT, RIG_STAGES } from 'dinesis-runtime/tools';
import { eyeOf, type Eye } from '$lib/viewport/eye';
import { movedAt, type Moved } from '$lib/world/moving';
import type { Trial } from './trial.svelte';

/** x, z and yaw in degrees. */
export type Place = readonly [x: number, z: number, yaw: number];
/** A shake is said to play from this level on. */
const HEARD = 0.005;

/** Yaw of the quaternion at 3 … 6 of a pose, in degrees. */
const yawOf = (q: Float64Array): number =>
	(Math.atan2(2 * (q[3]! * q[5]! + q[6]! * q[4]!), 1 - 2 * (q[3]! * q[3]! + q[4]! * q[4]!)) * 180) / Math.PI;

export class Now {
	playing = $state.raw<readonly { readonly id: string; readonly level: number }[]>([]);
	body = $state.raw<Place>([0, 0, 0]);
	camera = $state.raw<Place>([0, 0, 0]);
	speed = $state(0);
	cameraPlace: readonly [number, number, number] = [0, 0, 0];
	/** What the channels came to before the ceiling and after it; written in every frame. */
	readonly before = new Float64Array(CHANNEL_COUNT);
	readonly after = new Float64Array(CHANNEL_COUNT);

	constructor(private readonly trial: Trial) {}

	/** A frame of the picture; reads what there is to read of it. */
	readonly frame = (
		dt: number
	): { readonly eyes: readonly Eye[]; readonly time: number; readonly moving: Moved | null } => {
		const { trial } = this;
		if (!trial.rig) return { eyes: [], time: 0, moving: null };
		const { eyes, time, run } = trial.frame(dt);
		const { body, pose, offset } = eyes[0]! as ReturnType<typeof eyeOf>;
		this.cameraPlace = [pose[0]!, pose[1]!, pose[2]!];
		this.body = [body[0]!, body[2]!, body[3]!];
		this.camera = [pose[0]!, pose[2]!, yawOf(pose)];
		this.speed = run ? run.bodies[0]!.speed : trial.walks;
		this.after.set(offset);
		this.before.set(offset);
		const done = run?.bodies[0]!.rig.run.done;
		const at = RIG_STAGES.indexOf('ceiling') * CHANNEL_COUNT;
		if (done) for (let c = 0; c < CHANNEL_COUNT; c++) this.before[c]! -= done[at + c]!;
		const plays = run?.director.viewers[0]!.player.plays.filter((p) => p.level > HEARD) ?? [];
		if (plays.length > 0 || this.playing.length > 0)
			this.playing = plays.map((p) => ({ id: p.presetId, level: p.level * p.strength }));
		const things = run?.course.things;
		return { eyes, time, moving: things ? movedAt(things, time) : null };
	};
}
