/** One body on the grounds: walks, falls, climbs, rows, works the crane by what its hands wish; what it does is told as it happens. */
import { shortestTurn, type Happening } from 'dinesis-runtime/tools';
import type { Crane } from './crane';
import { CRANE, LADDER, SEA_LEVEL, SKIFF, ZONES } from './grounds';
import type { Walker } from './physics';
import type { Skiff } from './skiff';

export interface Wish {
	/** −1 back … 1 ahead; −1 left … 1 right. */
	ahead: number;
	right: number;
	creep: boolean;
	run: boolean;
	jump: boolean;
	hold: boolean;
	/** Takes hold of what is near, or lets go of it: the skiff, the crane. */
	use: boolean;
	/** Where one looks, in degrees: positive left and up. */
	yaw: number;
	pitch: number;
}

export const noWish = (): Wish => ({
	ahead: 0,
	right: 0,
	creep: false,
	run: false,
	jump: false,
	hold: false,
	use: false,
	yaw: 0,
	pitch: 0
});

/** Metres a second. */
export const SPEEDS = { creep: 0.8, walk: 1.6, run: 4.2, climb: 0.9 } as const;
/** How long it takes to step from one hold to another. */
const GLIDE_S = 0.5;
/** Slower than this one stands, in metres a second. */
const STANDS_BELOW = 0.05;
const JUMP_SPEED = 4.3;
const GRAVITY = 9.81;
/** Metres a second, each second: on the ground, and in the air. */
const PUSH = 14;
const PUSH_IN_AIR = 3;
/** A wall takes the speed that runs into it within this time: the edge of a step does not. */
const YIELD_S = 0.08;
/** Speed is told over this time: a step's edge is no stop. */
const SPEED_S = 0.15;
const RUNNING_FROM = 2.8;
const RUNNING_UNTIL = 2.2;
/** A fall that is no more than a step down is no landing. */
const LEAST_LANDING = 1.2;
/** In the air for less than this is a step. */
const LEAST_AIR = 0.12;
export const towards = (from: number, to: number, most: number): number =>
	from < to ? Math.min(to, from + most) : Math.max(to, from - most);

/** One body and what it has been doing. */
export class Runner {
	/** Feet x, y, z in metres; yaw and pitch in degrees. */
	readonly pose = new Float64Array(5);
	speed = 0;
	private smooth = 0;
	private readonly velocity = [0, 0] as [number, number];
	private up = 0;
	private inAir = 0;
	private readonly on = new Set<string>();
	private readonly moved = new Float64Array(3);
	private readonly safe: [number, number, number];
	private jumped = false;
	private used = false;
	/** What one has to do with: the ground, or something that moves one. */
	private at: 'foot' | 'ladder' | 'skiff' | 'crane' = 'foot';
	/** From one hold to another one does not jump: where one was, and how long it still takes. */
	private readonly left = new Float64Array(5);
	private glides = 0;

	constructor(
		private readonly walker: Walker,
		private readonly number: number,
		start: readonly [number, number, number],
		private readonly skiff: Skiff,
		private readonly crane: Crane
	) {
		this.safe = [...start];
		this.readPose(0, 0);
	}

	step(wish: Wish, dt: number, tell: (happening: Happening) => void): void {
		this.glides = Math.max(0, this.glides - dt);
		if (wish.use && !this.used) this.take(wish);
		this.used = wish.use;
		if (this.at === 'ladder') this.climb(wish, dt);
		else if (this.at === 'skiff') this.row(wish, dt, tell);
		else if (this.at === 'crane') this.hoist(wish, dt, tell);
		else this.walk(wish, dt, tell);
		this.tellStates(wish, tell);
		if (this.at === 'foot') this.keepFromTheSea();
	}

	/** What is near enough to be taken hold of, or is held; empty: nothing. */
	near(): 'skiff' | 'crane' | '' {
		if (this.at === 'skiff') return this.skiff.isMoored ? 'skiff' : '';
		if (this.at === 'crane') return 'crane';
		if (this.at !== 'foot') return '';
		const { x, y, z } = this.walker.place;
		const [sx, , sz] = SKIFF.at;
		if (y < LADDER.bottom + 1 && Math.hypot(x - sx, z - sz) < SKIFF.reach) return 'skiff';
		const [cx, cy, cz] = CRANE.stand;
		return Math.abs(y - cy) < 1 && Math.hypot(x - cx, z - cz) < CRANE.reach ? 'crane' : '';
	}

	private take(wish: Wish): void {
		const near = this.near();
		if (near === '') return;
		this.velocity.fill(0);
		this.up = this.speed = this.smooth = 0;
		this.glide(near === 'crane' ? 0 : GLIDE_S);
		if (this.at === 'foot') {
			this.at = near;
			if (near === 'skiff') this.skiff.moor();
			return;
		}
		if (this.at === 'skiff') {
			this.skiff.moor();
			this.walker.put(SKIFF.at[0], LADDER.bottom, SKIFF.at[2] + 2.6);
			wish.yaw = 180;
		} else wish.yaw = 0;
		this.at = 'foot';
		this.readPose(wish.yaw, wish.pitch);
	}

	/** Takes hold of the ladder: over the quay's edge, or against the wall at its foot. */
	private grasps({ ahead, yaw }: Wish): boolean {
		const { x, y, z } = this.walker.place;
		if (ahead === 0 || Math.abs(x - LADDER.x) > LADDER.holds) return false;
		// Towards the sea, −z, is positive.
		const out = Math.cos((yaw * Math.PI) / 180) * ahead;
		if (Math.abs(y - LADDER.top) < 0.4 && z < -11.75 && z > LADDER.z - 0.5) return out > 0.3;
		return y < LADDER.bottom + 0.4 && z > LADDER.ontoBottom && z < LADDER.z + 0.5 && out < -0.3;
	}

	private climb(wish: Wish, dt: number): void {
		const out = Math.cos((wish.yaw * Math.PI) / 180) >= 0 ? -1 : 1;
		// Facing the wall ahead is up, looking out to sea it is down.
		const wanted = wish.ahead * out * SPEEDS.climb * (wish.creep ? 0.6 : 1);
		this.up = towards(this.up, wanted, PUSH * 0.4 * dt);
		const y = this.walker.place.y + this.up * dt;
		this.speed = Math.abs(this.up);
		if (wish.jump && !this.jumped) return this.letGo(LADDER.x, y, LADDER.ontoBottom, wish);
		this.jumped = wish.jump;
		if (y >= LADDER.top) return this.letGo(LADDER.x, LADDER.top, LADDER.ontoTop, wish);
		if (y <= LADDER.bottom) return this.letGo(LADDER.x, LADDER.bottom, LADDER.ontoBottom, wish);
		this.walker.put(LADDER.x, y, LADDER.z);
		this.put(LADDER.x, y, LADDER.z, wish.yaw, wish.pitch);
	}

	private glide(seconds: number): void {
		this.left.set(this.pose);
		this.glides = seconds;
	}

	private letGo(x: number, y: number, z: number, wish: Wish): void {
		this.glide(GLIDE_S);
		this.at = 'foot';
		this.up = this.speed = this.smooth = 0;
		this.inAir = 0;
		this.jumped = wish.jump;
		this.walker.put(x, y, z);
		this.put(x, y, z, wish.yaw, wish.pitch);
	}

	private row(wish: Wish, dt: number, tell: (happening: Happening) => void): void {
		const { skiff } = this;
		skiff.step({ pull: wish.ahead, turn: -wish.right }, dt, (what, speed) =>
			tell({
				what,
				phase: 'happens',
				numbers: { speed },
				place: what === 'aground' ? [skiff.x, skiff.y, skiff.z] : null,
				who: this.number
			})
		);
		this.speed = Math.abs(skiff.speed);
		// She looks where she goes.
		wish.yaw = skiff.heading;
		this.put(skiff.x, skiff.y, skiff.z, skiff.heading, wish.pitch);
	}

	private hoist(wish: Wish, dt: number, tell: (happening: Happening) => void): void {
		const { crane } = this;
		crane.step(wish.right, wish.ahead, dt, (speed) =>
			tell({
				what: 'set-down',
				phase: 'happens',
				numbers: { speed },
				place: [crane.x, crane.y, CRANE.z],
				who: this.number
			})
		);
		this.speed = 0;
		this.put(crane.x, crane.y, CRANE.z, 0, 0);
	}

	private walk(wish: Wish, dt: number, tell: (happening: Happening) => void): void {
		if (this.grasps(wish)) {
			this.glide(GLIDE_S);
			this.at = 'ladder';
			this.up = this.inAir = 0;
			this.velocity.fill(0);
			const y = Math.min(LADDER.top - 0.01, Math.max(LADDER.bottom + 0.01, this.walker.place.y));
			this.walker.put(LADDER.x, y, LADDER.z);
			return this.put(LADDER.x, y, LADDER.z, wish.yaw, wish.pitch);
		}
		this.push(wish, dt);
		const wasOnGround = this.walker.onGround;
		if (wish.jump && wasOnGround && !this.jumped) {
			this.up = JUMP_SPEED;
			this.say(tell, 'jump');
		}
		this.jumped = wish.jump;
		this.up -= GRAVITY * dt;
		const falling = -this.up;
		this.walker.move(this.velocity[0] * dt, this.up * dt, this.velocity[1] * dt, this.up <= 0, this.moved);
		// A wall takes the speed that ran into it; a ceiling the jump's.
		const [mx, my, mz] = [this.moved[0]! / dt, this.moved[1]!, this.moved[2]! / dt];
		const yields = Math.min(1, dt / YIELD_S);
		if (Math.abs(mx) < Math.abs(this.velocity[0])) this.velocity[0] += (mx - this.velocity[0]) * yields;
		if (Math.abs(mz) < Math.abs(this.velocity[1])) this.velocity[1] += (mz - this.velocity[1]) * yields;
		if (this.up > 0 && my < this.up * dt * 0.5) this.up = 0;
		this.smooth += (Math.hypot(mx, mz) - this.smooth) * Math.min(1, dt / SPEED_S);
		// What is left of a walk, and the tremble of the physics, is standing.
		this.speed = this.smooth < STANDS_BELOW ? 0 : this.smooth;
		if (this.walker.onGround && this.up <= 0) this.land(falling, tell);
		else this.inAir += dt;
		this.readPose(wish.yaw, wish.pitch);
	}

	/** Ends all states: the run is over. */
	rest(tell: (happening: Happening) => void): void {
		for (const what of [...this.on]) this.switch(what, false, tell);
	}

	private push({ ahead, right, creep, run, yaw }: Wish, dt: number): void {
		const length = Math.max(1, Math.hypot(ahead, right));
		const pace = creep ? SPEEDS.creep : run ? SPEEDS.run : SPEEDS.walk;
		const turn = (yaw * Math.PI) / 180;
		const [a, r] = [(ahead / length) * pace, (right / length) * pace];
		// Yaw 0 looks along −z, positive turns left.
		const wantX = -Math.sin(turn) * a + Math.cos(turn) * r;
		const wantZ = -Math.cos(turn) * a - Math.sin(turn) * r;
		const most = (this.walker.onGround ? PUSH : PUSH_IN_AIR) * dt;
		this.velocity[0] = towards(this.velocity[0], wantX, most);
		this.velocity[1] = towards(this.velocity[1], wantZ, most);
	}

	private land(falling: number, tell: (happening: Happening) => void): void {
		if (this.inAir >= LEAST_AIR && falling >= LEAST_LANDING) this.say(tell, 'landing', { speed: falling });
		this.inAir = 0;
		this.up = 0;
		const { x, y, z } = this.walker.place;
		this.safe[0] = x;
		this.safe[1] = y;
		this.safe[2] = z;
	}

	private tellStates(wish: Wish, tell: (happening: Happening) => void): void {
		const moving = this.at === 'foot' && this.walker.onGround;
		const wasRunning = this.on.has('running');
		const runs = this.walker.onGround ? this.speed > (wasRunning ? RUNNING_UNTIL : RUNNING_FROM) : wasRunning;
		this.switch('running', this.at === 'foot' && runs, tell);
		this.switch('creeping', moving && wish.creep && this.speed > 0.2, tell);
		this.switch('airborne', this.at === 'foot' && this.inAir >= LEAST_AIR, tell);
		this.switch('climbing', this.at === 'ladder', tell);
		this.switch('rowing', this.at === 'skiff', tell);
		this.switch('craning', this.at === 'crane', tell);
		this.switch('hoisting', this.at === 'crane' && this.crane.hoisting, tell);
		this.switch('holding', wish.hold, tell);
		const [x, y, z] = [this.pose[0]!, this.pose[1]!, this.pose[2]!];
		for (const zone of ZONES) if (this.at !== 'crane') this.switch(zone.happening, zone.holds(x, y, z), tell);
	}

	/** Whether it stands on something. Off the ground for an instant, as on the edge of a step, it still does. */
	get grounded(): boolean {
		return this.at !== 'foot' || this.walker.onGround || this.inAir < LEAST_AIR;
	}

	/** Whether its feet fall: on the ground and on the ladder. */
	get onFoot(): boolean {
		return this.at === 'foot' || this.at === 'ladder';
	}

	/** Whether it is on the ladder. */
	get climbing(): boolean {
		return this.at === 'ladder';
	}

	isOn(what: string): boolean {
		return this.on.has(what);
	}

	private switch(what: string, on: boolean, tell: (happening: Happening) => void): void {
		if (on === this.on.has(what)) return;
		if (on) this.on.add(what);
		else this.on.delete(what);
		tell({ what, phase: on ? 'starts' : 'ends', numbers: {}, place: null, who: this.number });
	}

	private say(tell: (happening: Happening) => void, what: string, numbers: Record<string, number> = {}): void {
		tell({ what, phase: 'happens', numbers, place: null, who: this.number });
	}

	private readPose(yaw: number, pitch: number): void {
		const { x, y, z } = this.walker.place;
		this.put(x, y, z, yaw, pitch);
	}

	private put(x: number, y: number, z: number, yaw: number, pitch: number): void {
		const { pose, left, glides } = this;
		pose[0] = x;
		pose[1] = y;
		pose[2] = z;
		pose[3] = yaw;
		pose[4] = pitch;
		if (glides <= 0) return;
		const t = glides / GLIDE_S;
		const w = t * t * (3 - 2 * t);
		for (let c = 0; c < 3; c++) pose[c]! += (left[c]! - pose[c]!) * w;
		pose[3]! += shortestTurn(yaw, left[3]!) * w;
	}

	/** Whoever falls in is pulled out where they stood last. */
	private keepFromTheSea(): void {
		if (this.pose[1]! > SEA_LEVEL + 0.4) return;
		this.walker.put(...this.safe);
		this.up = this.inAir = 0;
		this.velocity.fill(0);
	}
}
