/** A free run as it goes: keys and mouse move a body through the grounds, what happens fires the cues, all of it is recorded. */
import {
	type Decision,
	occurrencesOf,
	Frame,
	type Happening,
	type RigStage,
	type Seconds
} from 'dinesis-runtime/tools';
import { Recorder } from '$lib/course';
import { type Course, type CourseArea } from '$lib/documents';
import { GRID_HZ } from '$lib/course';
import type { ProjectSession } from '$lib/session/session.svelte';
import type { Moving } from '$lib/viewport/grounds';
import { eyeOf, type Eye } from '$lib/viewport/eye';
import { clearInGrounds } from '$lib/world/clear';
import { HAPPENINGS } from '$lib/world/happenings';
import { FreeRun } from '$lib/world/free-run';
import { thingsOf } from '$lib/world/moving';
import { noWish, type Wish } from '$lib/world/runner';
import { loadRapier } from '$lib/world/physics';

/** After a hitch the run goes on from where it was instead of catching up. */
const LONGEST_FRAME: Seconds = 0.1;
/** A take is no longer than this. */
const LONGEST: Seconds = 600;
const STEEPEST = 85;
/** How fast the second player turns, in degrees a second. */
const TURN = 110;

const OFFERS = {
	skiff: ['steps into the skiff', 'steps out of the skiff'],
	crane: ['works the crane: A, D along, W, S up and down', 'leaves the crane']
} as const;

export interface Counted {
	readonly times: number;
	/** The number it came with last. */
	readonly last: number | null;
}

interface Going {
	readonly run: FreeRun;
	readonly frame: Frame;
	readonly recorder: Recorder;
	readonly rig: string | null;
	readonly stop: () => void;
}

/** So many answers are read while one walks. */
const LAST_CAME = 4;

export class FreePlay {
	phase = $state<'idle' | 'loading' | 'going'>('idle');
	/** By happening: how often, and with what. */
	counted = $state.raw<Readonly<Record<string, Counted>>>({});
	/** What the cues did last, newest first. */
	said = $state.raw<readonly string[]>([]);
	seconds = $state(0);
	readonly wishes: readonly [Wish, Wish] = [noWish(), noWish()];
	/** Which way the second player turns: 1 left, −1 right. */
	turning: -1 | 0 | 1 = 0;
	private going: Going | null = null;
	/** The jump key is up again, but no step has seen it down yet. */
	private jumpEnds = false;
	private left: Seconds = 0;

	constructor(private readonly session: ProjectSession) {}

	/** `areas`: of the course that is open, whose states are on while one is within. */
	async begin(viewers: number, areas: readonly CourseArea[] = [], rig: string | null = null): Promise<void> {
		if (this.phase !== 'idle') return;
		this.phase = 'loading';
		const { session } = this;
		try {
			const run = new FreeRun(await loadRapier(), viewers);
			const linked = new Set(session.wiring.world.values.map((link) => link.parameter));
			const recorder = new Recorder(
				viewers,
				session.wiring.parameters.filter((p) => linked.has(p.id)),
				session.wiring.events
			);
			const frame = new Frame(session.played, {
				viewers,
				rig,
				areas,
				clear: clearInGrounds,
				steps: true,
				hear: {
					happening: (happening) => this.count(happening),
					raised: (occurrence, at) => recorder.happened(at, occurrence)
				}
			});
			frame.director.explain((decision) => this.note(decision));
			frame.step(0, 0, run.runners);
			recorder.at(0, run.runners, (id) => frame.director.viewers[0]!.player.values.get(id));
			for (const [id, numbers] of thingsOf(run)) recorder.moved(id, numbers);
			this.going = {
				run,
				frame,
				recorder,
				rig,
				stop: session.onChange((preset) => frame.setPreset(preset))
			};
		} catch (error) {
			this.phase = 'idle';
			session.say(`The free run could not begin: ${error instanceof Error ? error.message : String(error)}`);
			return;
		}
		for (const wish of this.wishes) Object.assign(wish, noWish());
		this.counted = {};
		this.came = [];
		this.said = this.played(this.going.frame);
		this.seconds = this.left = 0;
		this.turning = 0;
		this.jumpEnds = false;
		this.phase = 'going';
	}

	/** Looks about by so many degrees. */
	look(left: number, up: number): void {
		const [wish] = this.wishes;
		wish.yaw = (wish.yaw + left) % 360;
		wish.pitch = Math.min(STEEPEST, Math.max(-STEEPEST, wish.pitch + up));
	}

	/** Down and up again between two pictures is a jump all the same. */
	jump(down: boolean): void {
		if (down) this.wishes[0].jump = true;
		this.jumpEnds = !down;
	}

	/** The rig that the first player is seen through just now; empty: the bare eyes. */
	seenThrough = $state('');

	/** Leaves a stage of that rig out, or takes it in; also by its place in the order. */
	toggle(which: RigStage | number): void {
		const { session } = this;
		const rig = session.wiring.rigs.find((r) => r.id === this.seenThrough);
		const stage = typeof which === 'number' ? rig?.order[which] : which;
		if (!rig || !stage) return;
		const off = rig.bypass.includes(stage);
		const bypass = off ? rig.bypass.filter((s) => s !== stage) : [...rig.bypass, stage];
		session.rewire(off ? `Take ${stage} in` : `Leave ${stage} out`, (w) => ({
			...w,
			rigs: w.rigs.map((r) => (r.id === rig.id ? { ...r, bypass } : r))
		}));
		session.seal();
	}

	/** Goes on with changed events, cues, rigs, head bobs and lags; called when one of them changes. */
	rewire(): void {
		const { going, session } = this;
		if (!going) return;
		going.frame.use(session.played);
	}

	frame(dt: Seconds): void {
		const { going } = this;
		if (!going) return;
		this.left += Math.min(dt, LONGEST_FRAME);
		const said: string[] = [];
		const [one, two] = this.wishes;
		while (this.left >= 1 / GRID_HZ && this.seconds < LONGEST) {
			this.left -= 1 / GRID_HZ;
			two.yaw += (this.turning * TURN) / GRID_HZ;
			this.step(going, said);
			if (this.jumpEnds) one.jump = this.jumpEnds = false;
		}
		const near = going.run.runners[0]!.near();
		if (near !== this.near) this.near = near;
		const through = going.frame.cameras[0]!.run.rig?.id ?? '';
		if (through !== this.seenThrough) this.seenThrough = through;
		const uses = going.run.runners[0]!.isOn('rowing') || going.run.runners[0]!.isOn('craning');
		if (uses !== this.uses) this.uses = uses;
		if (said.length > 0) this.said = [...said.reverse(), ...this.said].slice(0, 6);
	}

	private step(going: Going, said: string[]): void {
		const { run, frame, recorder } = going;
		const { director } = frame;
		const { world, parameters } = this.session.wiring;
		run.step(this.wishes, (happening) => this.hear(going, happening));
		const time = run.now;
		for (const { from, parameter } of world.values) {
			const known = parameters.find((p) => p.id === parameter);
			if (known) director.set(parameter, known.min + (known.max - known.min) * (run.values[from] ?? 0));
		}
		frame.step(time, 1 / GRID_HZ, run.runners);
		said.push(...this.played(frame));
		const { values } = director.viewers[0]!.player;
		recorder.at(time, run.runners, (id) => values.get(id));
		for (const [id, numbers] of thingsOf(run)) recorder.moved(id, numbers);
		this.seconds = time;
	}

	/** What the cues of a step played, in words; what is made for the other view is not played. */
	private played({ director, cameras }: Frame): string[] {
		return director.done.flatMap((order) => {
			const preset = order.kind === 'play' ? this.session.preset(order.preset) : undefined;
			return order.kind === 'play' && preset?.view === cameras[0]!.view
				? [`${preset.name} at ${order.strength.toFixed(2)}`]
				: [];
		});
	}

	/** What the world tells of a step happens at that step. */
	private hear({ run, frame, recorder }: Going, happening: Happening): void {
		const { world, events } = this.session.wiring;
		this.count(happening);
		for (const occurrence of occurrencesOf(world, events, happening)) {
			frame.director.raise(occurrence, run.now);
			recorder.happened(run.now, occurrence);
		}
	}

	/** What cues were asked for last and what became of it, newest first. */
	came = $state.raw<readonly Decision[]>([]);

	private note(decision: Decision): void {
		this.came = [decision, ...this.came].slice(0, LAST_CAME);
	}

	private count({ what, phase, numbers }: Happening): void {
		if (phase === 'ends') return;
		const before = this.counted[what]?.times ?? 0;
		const kind = HAPPENINGS.find((k) => k.id === what);
		const last = kind?.numbers[0] ? (numbers[kind.numbers[0].id] ?? null) : null;
		this.counted = { ...this.counted, [what]: { times: before + 1, last } };
	}

	/** What is looked at; empty while nothing goes. */
	eyes(): Eye[] {
		const { going } = this;
		return going ? going.frame.cameras.map((camera, i) => eyeOf(camera, going.run.runners[i]!.pose)) : [];
	}

	/** Everybody's body: x, y, z of the feet, yaw and pitch. */
	bodies(): { readonly pose: Float64Array }[] {
		return (this.going?.run.runners ?? []).map(({ pose }) => ({ pose }));
	}

	/** What the use key would take hold of, or let go of. */
	near = $state<'skiff' | 'crane' | ''>('');
	/** Whether it is held already. */
	uses = $state(false);

	/** What the use key does just now; empty: nothing. */
	get offer(): string {
		return this.near === '' ? '' : OFFERS[this.near][this.uses ? 1 : 0];
	}

	get moving(): Moving | null {
		return this.going?.run ?? null;
	}

	/** Ends it and gives the take. */
	end(name: string): Course | null {
		const { going } = this;
		if (!going) return null;
		going.frame.leaveAreas(going.run.now);
		going.run.end((happening) => this.hear(going, happening));
		going.stop();
		this.going = null;
		this.phase = 'idle';
		return going.recorder.finish({ id: 'take', name, about: 'Recorded in a free run.', rig: going.rig });
	}
}
