/** The crane with its camera: what happens in the world is told to the run-time, which moves the camera. Nothing else knows of motion. */
import type { Runtime, RuntimeBody } from 'dinesis-runtime';
import { Replayed, type Recording } from 'dinesis-runtime/wire';
import { MAST, SEA, STEP, World, type Told, type Wish } from './world';

export const RIG = 'crane-yard';
export const SEED = 7;
/** Where the crane stands in Morrowskerry: its rig keeps the picture within the yard. */
export const YARD = { x: 12, y: -4.5 } as const;
const there = (x: number, y: number): [number, number, number] => [x + YARD.x, y + YARD.y, 0];

export class Play {
	readonly world: World;
	/** Where the camera looks: the hook. */
	readonly body = { pose: new Float64Array(5), speed: 0, grounded: true, onFoot: false };
	/** A take that is played again; null: the game itself. */
	take: Replayed | null = null;
	/** Sprays and dust, for whoever draws: where, how strong, when. */
	readonly marks: {
		readonly kind: 'spray' | 'dust';
		readonly x: number;
		readonly y: number;
		readonly size: number;
		readonly at: number;
	}[] = [];
	private began = false;

	constructor(
		private readonly runtime: Runtime,
		seed = SEED,
		private readonly takeEnds: () => void = () => undefined
	) {
		this.world = new World(seed);
	}

	private readonly told: Told = {
		landed: (impact, x, y) => {
			this.runtime.raise('load-set-down', { values: { impact: Math.min(3, impact) }, place: there(x, y) });
			this.mark('dust', x, y, impact / 3);
		},
		splashed: (x) => {
			this.runtime.raise('wave-breaks', { values: { height: 2.5 }, place: there(x, SEA) });
			this.mark('spray', x, SEA, 0.5);
		},
		wave: (height, x) => {
			this.runtime.raise('wave-breaks', { values: { height }, place: there(x, SEA + 0.6) });
			this.mark('spray', x, SEA + 0.6, height / 5);
		},
		engine: (runs) => {
			if (runs) this.runtime.begin('engine-running', { place: there(MAST, 1) });
			else this.runtime.end('engine-running');
		}
	};

	private mark(kind: 'spray' | 'dust', x: number, y: number, size: number): void {
		this.marks.push({ kind, x, y, size, at: this.world.time });
		if (this.marks.length > 12) this.marks.shift();
	}

	/** One step of 1/120 s. */
	step(wish: Wish): void {
		if (this.take) return this.again();
		const { world, body, runtime } = this;
		if (!this.began) runtime.begin('at-the-crane');
		this.began = true;
		world.step(wish, this.told);
		body.pose[0] = world.hookX + YARD.x;
		body.pose[1] = world.hookY + YARD.y;
		body.speed = world.hookSpeed;
		runtime.set('fear', Math.min(1, Math.abs(world.swing) * 1.6));
		runtime.advance(STEP, body);
	}

	/** Plays what was recorded instead, until it is over. Throws where it cannot be. */
	playTake(recording: Recording): void {
		this.take = new Replayed(this.runtime, recording);
	}

	private again(): void {
		if (this.take!.step()) {
			const [now] = this.take!.bodies as [RuntimeBody];
			for (let c = 0; c < 5; c++) this.body.pose[c] = now.pose[c]!;
			return;
		}
		this.take = null;
		this.takeEnds();
	}
}
