/** The grounds as a physics engine has them: still solids, bodies that walk, casks that can be pushed. */
import type RapierModule from '@dimforge/rapier3d-compat';
import { CASK, CASKS, SOLIDS, type Solid } from './grounds';

export type Rapier = typeof RapierModule;
export const STEP_HZ = 120;
export const BODY = { radius: 0.28, height: 1.7 } as const;
const GRAVITY = -9.81;
/** Kept between a body and what it walks along, in metres. */
const SKIN = 0.02;
const BODY_MASS = 80;
/** Ground that lies no deeper than this below the feet is stepped down to. */
const STEP_DOWN = 0.3;

/** The engine is a module of its own, large and only needed for a free run. */
export async function loadRapier(): Promise<Rapier> {
	const rapier = (await import('@dimforge/rapier3d-compat')).default;
	await rapier.init();
	return rapier;
}

const turned = ({ tip = 0, turn = 0 }: Solid): { x: number; y: number; z: number; w: number } =>
	turn !== 0
		? { x: 0, y: Math.sin(turn / 2), z: 0, w: Math.cos(turn / 2) }
		: { x: 0, y: 0, z: Math.sin(tip / 2), w: Math.cos(tip / 2) };

export interface CaskState {
	/** Its middle. */
	x: number;
	y: number;
	z: number;
	/** Its orientation, a unit quaternion. */
	qx: number;
	qy: number;
	qz: number;
	qw: number;
	/** How hard it hit something in the last step, in metres a second; 0: it did not. */
	impact: number;
}

/** Of the speed lost in one step beyond what rolling and sliding take. */
const LEAST_IMPACT = 0.8;

export class Physics {
	readonly casks: CaskState[] = CASKS.map(() => ({ x: 0, y: 0, z: 0, qx: 0, qy: 0, qz: 0, qw: 1, impact: 0 }));
	private readonly world: RapierModule.World;
	private readonly bodies: RapierModule.RigidBody[];
	private readonly controller: RapierModule.KinematicCharacterController;

	constructor(private readonly rapier: Rapier) {
		this.world = new rapier.World({ x: 0, y: GRAVITY, z: 0 });
		this.world.timestep = 1 / STEP_HZ;
		for (const solid of SOLIDS) {
			const [w, h, d] = solid.size;
			this.world.createCollider(
				rapier.ColliderDesc.cuboid(w / 2, h / 2, d / 2)
					.setTranslation(...solid.at)
					.setRotation(turned(solid))
					.setFriction(0.7)
			);
		}
		this.bodies = CASKS.map(([x, y, z]) => {
			const body = this.world.createRigidBody(
				rapier.RigidBodyDesc.dynamic()
					.setTranslation(x, y + CASK.height / 2 + 0.001, z)
					.setAngularDamping(0.4)
					.setCcdEnabled(true)
			);
			this.world.createCollider(
				rapier.ColliderDesc.cylinder(CASK.height / 2, CASK.radius)
					.setMass(CASK.mass)
					.setFriction(0.45)
					.setRestitution(0.05),
				body
			);
			return body;
		});
		const controller = (this.controller = this.world.createCharacterController(SKIN));
		controller.enableAutostep(0.32, 0.12, false);
		controller.enableSnapToGround(STEP_DOWN);
		controller.setMaxSlopeClimbAngle((45 * Math.PI) / 180);
		controller.setMinSlopeSlideAngle((50 * Math.PI) / 180);
		controller.setApplyImpulsesToDynamicBodies(true);
		controller.setCharacterMass(BODY_MASS);
		this.readCasks();
		// Colliders are found from the first step on.
		this.world.step();
	}

	/** A body that walks, standing with its feet at a place. */
	addWalker(x: number, y: number, z: number): Walker {
		const { radius, height } = BODY;
		const body = this.world.createRigidBody(
			this.rapier.RigidBodyDesc.kinematicPositionBased().setTranslation(x, y + height / 2 + SKIN, z)
		);
		const shape = this.rapier.ColliderDesc.capsule(height / 2 - radius, radius);
		return new Walker(body, this.world.createCollider(shape, body), this.controller);
	}

	step(): void {
		const before = this.bodies.map((body) => body.linvel());
		this.world.step();
		this.bodies.forEach((body, i) => {
			const [was, is] = [before[i]!, body.linvel()];
			const lost = Math.hypot(is.x - was.x, is.y - was.y - GRAVITY / STEP_HZ, is.z - was.z);
			const slower = Math.hypot(is.x, is.y, is.z) < Math.hypot(was.x, was.y, was.z);
			this.casks[i]!.impact = slower && lost > LEAST_IMPACT ? lost : 0;
		});
		this.readCasks();
	}

	free(): void {
		this.world.free();
	}

	private readCasks(): void {
		this.bodies.forEach((body, i) => {
			const [p, r] = [body.translation(), body.rotation()];
			Object.assign(this.casks[i]!, { x: p.x, y: p.y, z: p.z, qx: r.x, qy: r.y, qz: r.z, qw: r.w });
		});
	}
}

/** A capsule that is moved along what it meets: up and down steps and slopes, never through walls. */
export class Walker {
	onGround = true;

	constructor(
		private readonly body: RapierModule.RigidBody,
		private readonly collider: RapierModule.Collider,
		private readonly controller: RapierModule.KinematicCharacterController
	) {}

	/** Feet. */
	get place(): { x: number; y: number; z: number } {
		const { x, y, z } = this.body.translation();
		return { x, y: y - BODY.height / 2 - SKIN, z };
	}

	/** Moves it as far as the world lets it in this step, into `moved`. */
	move(x: number, y: number, z: number, snap: boolean, moved: Float64Array): void {
		if (snap) this.controller.enableSnapToGround(STEP_DOWN);
		else this.controller.disableSnapToGround();
		this.controller.computeColliderMovement(this.collider, { x, y, z });
		let done = this.controller.computedMovement();
		let grounded = this.controller.computedGrounded();
		if (snap && this.onGround && !grounded) {
			// Along a wall the engine forgets to keep to steps that go down: asked to go down as well it finds them.
			this.controller.computeColliderMovement(this.collider, { x: done.x, y: -STEP_DOWN, z: done.z });
			if (this.controller.computedGrounded()) {
				done = this.controller.computedMovement();
				grounded = true;
			}
		}
		const { x: px, y: py, z: pz } = this.body.translation();
		this.body.setNextKinematicTranslation({ x: px + done.x, y: py + done.y, z: pz + done.z });
		this.onGround = grounded;
		moved[0] = done.x;
		moved[1] = done.y;
		moved[2] = done.z;
	}

	/** Puts it somewhere else, standing. */
	put(x: number, y: number, z: number): void {
		this.body.setTranslation({ x, y: y + BODY.height / 2 + SKIN, z }, true);
		this.body.setNextKinematicTranslation({ x, y: y + BODY.height / 2 + SKIN, z });
	}
}
