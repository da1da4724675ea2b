/**
 * A viewer's camera: the rig it is seen through, what cues put in its place for a while, and the blend from one to the other,
 * in which position, rotation, lens and motion go over together, without a jump. A flat picture and one in space have no
 * between: there it cuts.
 */
import { isOwnedBy } from '../cues/engine';
import type { Order } from '../cues/types';
import type { AnyPreset } from '../kit/types';
import type { GameValues } from '../drives/drives';
import type { Player } from '../shake/player';
import type { Clear } from '../chain/boom';
import { CHANNEL_COUNT, type View } from '../units/channels';
import { DT, type Clock } from '../units/clock';
import type { Seconds } from '../units/quantities';
import { newRig } from '../kit/fresh';
import { EYES } from '../chain/view';
import { RigRun, type BodyPose, type WalkingBody } from './rig';
import { viewOf, type Rig } from '../chain/types';

/** What is put in the place of the rig's own; null: left as it is. */
export interface CameraChange {
	readonly rig: string | null;
	readonly lag: string | null;
	readonly bob: string | null;
	/** What gaits are multiplied by, by their id. */
	readonly sizes: Readonly<Record<string, number>>;
}

interface Held extends CameraChange {
	/** Let go of with it. */
	readonly owner: string;
	readonly over: Seconds;
}

/** A chain and how far the blend into it has come. */
interface Layer {
	readonly run: RigRun;
	readonly over: Seconds;
	part: number;
}

const NOTHING: CameraChange = { rig: null, lag: null, bob: null, sizes: {} };
const same = (a: Rig | null, b: Rig | null): boolean =>
	a === b || (a?.id === b?.id && a?.bob === b?.bob && a?.lag === b?.lag);

export class CameraRun {
	/** Where the camera rests: x, y, z, and its orientation as a quaternion x, y, z, w. */
	readonly camera: Float64Array = Float64Array.of(0, 0, 0, 0, 0, 0, 1);
	/** What the motion adds to that: seven channels. */
	readonly offset: Float64Array = new Float64Array(CHANNEL_COUNT);
	/** The lens: its field of view in degrees. */
	fov = EYES.fov;
	/** The oldest first; the last is the one that is seen through in the end. */
	private layers: Layer[];
	/** Whether a head bob is seen through it. */
	private bobs = true;
	private held: readonly Held[] = [];
	/** What moments changed for good. */
	private changed: CameraChange = NOTHING;
	private readonly body = new Float64Array(5);
	/** What the shakes come to that a chain lets through. */
	private readonly some = new Float64Array(CHANNEL_COUNT);
	private readonly sized = new Map<string, number>();

	constructor(
		private rigs: readonly Rig[],
		private presets: readonly AnyPreset[],
		/** The id of its own rig; null: the body's eyes and the shakes alone. */
		private readonly own: string | null,
		private readonly values: GameValues,
		private readonly seed = 1,
		/** Asked how far it is free behind what is looked at; null: bodies say so. */
		private readonly clear: Clear | null = null,
		/** Whose camera it is, for `clear`, counted from 0. */
		private readonly viewer = 0
	) {
		this.layers = [{ run: this.chainOf(rigs.find((r) => r.id === own) ?? null), over: 0, part: 1 }];
		this.fov = this.run.view.fov;
	}

	/** The chain that it is seen through, or is on its way to. */
	get run(): RigRun {
		return this.layers[this.layers.length - 1]!.run;
	}

	private chainOf(rig: Rig | null): RigRun {
		const run = new RigRun(rig, this.presets, this.values, this.seed);
		run.bobs = this.bobs;
		run.ask(this.clear, this.viewer);
		return run;
	}

	/** What is seen of a shake through the chain that is meant: 0 none, 1 all. */
	letsThrough(presetId: string): number {
		const { lets } = this.run;
		if (!lets) return 1;
		return lets.presets && !lets.presets.has(presetId) ? 0 : Math.max(...lets.shares);
	}

	get hasBob(): boolean {
		return this.run.hasBob;
	}

	/** Which presets it plays: those in metres or those in pixels. */
	get view(): View {
		return viewOf(this.run.view.kind);
	}

	get blends(): boolean {
		return this.layers.length > 1;
	}

	/** Whether some chain follows the shakes: then `sum` is needed in every step. */
	get followsShakes(): boolean {
		for (let i = 0; i < this.layers.length; i++) if (this.layers[i]!.run.followsShakes) return true;
		return false;
	}

	/** A camera that stands where this one stands and goes its own way. */
	fork(values: GameValues): CameraRun {
		const copy = new CameraRun(this.rigs, this.presets, null, values, this.seed, this.clear, this.viewer);
		const layers = this.layers.map((layer) => ({ ...layer, run: layer.run.fork(values) }));
		const { own, bobs, held, changed, fov } = this;
		Object.assign(copy, { own, bobs, layers, held, changed, fov });
		for (const part of ['camera', 'offset', 'body'] as const) copy[part].set(this[part]);
		for (const [gait, size] of this.sized) copy.sized.set(gait, size);
		return copy;
	}

	/** Changes what it is seen through, over so many seconds: for good, or with an `owner` until that is let go of. */
	change(change: CameraChange, over: Seconds, owner: string | null = null): void {
		if (owner !== null) this.held = [...this.held.filter((h) => h.owner !== owner), { ...change, owner, over }];
		else {
			const isBack = change.rig === null && change.lag === null && change.bob === null;
			const sizes = Object.keys(change.sizes).length > 0;
			if (isBack && !sizes) this.changed = NOTHING;
			else this.changed = change.rig === null ? merge(this.changed, change) : change;
		}
		this.go(over);
	}

	/** Goes on with changed rigs and presets, from where it stands: what is tuned while one walks is felt at once. */
	use(rigs: readonly Rig[], presets: readonly AnyPreset[]): void {
		this.rigs = rigs;
		this.presets = presets;
		const before = this.run;
		const run = this.chainOf(this.meant());
		if (before.done) run.watch();
		run.snap(this.body);
		run.takeOver(before);
		this.layers = [...this.layers.slice(0, -1), { ...this.layers[this.layers.length - 1]!, run }];
		this.size();
		this.mix();
	}

	/** Goes on with a changed shake, where a rig's own motion is made of it. */
	setPreset(preset: AnyPreset): void {
		this.presets = this.presets.map((p) => (p.id === preset.id ? preset : p));
		if (this.run.plays(preset.id)) this.use(this.rigs, this.presets);
	}

	/** Takes back what these owners changed, over the time that it took to come. */
	letGo(isTheirs: (owner: string) => boolean): void {
		const theirs = this.held.filter((h) => isTheirs(h.owner));
		if (theirs.length === 0) return;
		this.held = this.held.filter((h) => !theirs.includes(h));
		this.go(theirs[theirs.length - 1]!.over);
	}

	/** Shows the head bob, or goes without. */
	showBob(shown: boolean): void {
		this.bobs = shown;
		for (const { run } of this.layers) run.bobs = shown;
	}

	/** The body is there at once: at the beginning, or after a cut. */
	snap(body: BodyPose, room?: number): void {
		this.body.set(body.subarray(0, 5));
		for (const { run } of this.layers) run.snap(body, room);
		this.mix();
	}

	/** A frame on, with the body as it is now. True when a foot fell. */
	advance(clock: Clock, body: WalkingBody): boolean {
		const { layers } = this;
		for (let c = 0; c < 5; c++) this.body[c] = body.pose[c]!;
		let fell = false;
		for (let i = 0; i < layers.length; i++) {
			const layer = layers[i]!;
			if (layer.part < 1) layer.part = layer.over > 0 ? Math.min(1, layer.part + clock[DT]! / layer.over) : 1;
			fell = layer.run.advance(clock, body);
		}
		if (layers.length > 1) this.forget();
		this.mix();
		return fell;
	}

	/** Keeps account of what each stage of the chain does, from now on and in what it changes to: `run.done`. */
	watch(): void {
		for (const { run } of this.layers) run.watch();
	}

	land(fall: number): void {
		for (let i = 0; i < this.layers.length; i++) this.layers[i]!.run.land(fall);
	}

	/** The rest of the chain, from what the shakes came to: chains that let only some through ask the player. Returns `offset`. */
	sum(shakes: Float64Array, player: Player | null = null): Float64Array {
		for (let i = 0; i < this.layers.length; i++) {
			const { run } = this.layers[i]!;
			const some = player && run.lets?.presets;
			run.sum(some ? player.sumOf(some, this.some) : shakes);
		}
		this.mixOffset();
		return this.offset;
	}

	/** The rig that is meant now: its own with all that was put in its place. */
	private meant(): Rig | null {
		const find = (id: string | null): Rig | null => this.rigs.find((r) => r.id === id) ?? null;
		let rig = find(this.own);
		for (const change of [this.changed, ...this.held]) {
			if (change.rig !== null) rig = find(change.rig) ?? rig;
			if (change.bob !== null || change.lag !== null)
				rig = {
					...(rig ?? newRig('', '')),
					...(change.bob !== null && { bob: change.bob }),
					...(change.lag !== null && { lag: change.lag })
				};
		}
		return rig;
	}

	private go(over: Seconds): void {
		const rig = this.meant();
		const before = this.run;
		if (!same(rig, before.rig)) {
			const run = this.chainOf(rig);
			const cuts = viewOf(run.view.kind) !== viewOf(before.view.kind) || !(over > 0);
			if (before.done) run.watch();
			run.snap(this.body);
			run.takeOver(before);
			const layer = { run, over: cuts ? 0 : over, part: cuts ? 1 : 0 };
			this.layers = cuts ? [layer] : [...this.layers, layer];
			this.mix();
		}
		this.size();
	}

	private size(): void {
		const wanted = new Map<string, number>();
		for (const { sizes } of [this.changed, ...this.held])
			for (const [gait, size] of Object.entries(sizes)) wanted.set(gait, (wanted.get(gait) ?? 1) * size);
		for (const gait of this.sized.keys()) if (!wanted.has(gait)) wanted.set(gait, 1);
		for (const [gait, size] of wanted) this.run.sizeGait(gait, size);
		this.sized.clear();
		for (const [gait, size] of wanted) if (size !== 1) this.sized.set(gait, size);
	}

	/** What lies under a blend that is done is not seen any more. */
	private forget(): void {
		for (let i = this.layers.length - 1; i > 0; i--)
			if (this.layers[i]!.part >= 1) {
				this.layers = this.layers.slice(i);
				return;
			}
	}

	/** Where it rests, from the oldest chain to the newest. */
	private mix(): void {
		const { camera, layers } = this;
		const first = layers[0]!.run;
		camera.set(first.camera);
		this.fov = first.view.fov;
		for (let i = 1; i < layers.length; i++) {
			const { run, part } = layers[i]!;
			const w = eased(part);
			for (let c = 0; c < 3; c++) camera[c]! += (run.camera[c]! - camera[c]!) * w;
			this.fov += (run.view.fov - this.fov) * w;
			turnTo(camera, run.camera, w);
		}
	}

	private mixOffset(): void {
		const { offset, layers } = this;
		offset.set(layers[0]!.run.offset);
		for (let i = 1; i < layers.length; i++) {
			const { run, part } = layers[i]!;
			const w = eased(part);
			for (let c = 0; c < CHANNEL_COUNT; c++) offset[c]! += (run.offset[c]! - offset[c]!) * w;
		}
	}
}

const eased = (part: number): number => part * part * (3 - 2 * part);
const merge = (a: CameraChange, b: CameraChange): CameraChange => ({
	rig: b.rig ?? a.rig,
	lag: b.lag ?? a.lag,
	bob: b.bob ?? a.bob,
	sizes: { ...a.sizes, ...b.sizes }
});

/** Turns the quaternion in `pose` towards another's, the shorter way, and keeps it a unit. */
function turnTo(pose: Float64Array, other: Float64Array, w: number): void {
	let dot = 0;
	for (let c = 3; c < 7; c++) dot += pose[c]! * other[c]!;
	const sign = dot < 0 ? -1 : 1;
	let size = 0;
	for (let c = 3; c < 7; c++) {
		pose[c] = pose[c]! * (1 - w) + sign * other[c]! * w;
		size += pose[c]! * pose[c]!;
	}
	const scale = 1 / Math.sqrt(size);
	for (let c = 3; c < 7; c++) pose[c]! *= scale;
}

/** Does to the cameras, by viewer, what cues ordered: `viewers` are the names that orders call them by. */
export function obeyCamera(
	order: Order,
	viewers: readonly { readonly id: string }[],
	cameras: readonly CameraRun[]
): void {
	if (order.kind === 'stop') {
		const { what, owner, cue } = order;
		if (what === 'held') for (const camera of cameras) camera.letGo((other) => other === owner);
		else if (what === 'own') for (const camera of cameras) camera.letGo((other) => isOwnedBy(other, cue));
		return;
	}
	if (order.kind !== 'camera') return;
	const { feltBy, who, over, lasting, owner } = order;
	cameras.forEach((camera, i) => {
		const mine = who === undefined ? i === 0 : viewers[i]!.id === who;
		if (feltBy !== 'everyone' && !mine) return;
		camera.change(order, over, lasting ? owner : null);
	});
}
