/**
 * A running game, looked on: its frames are put to a run-time of this page, which plays what the cues of this project make of them, and is
 * held against what the game says it felt. A stretch of it is kept as a take.
 */
import { createRuntime, type Runtime } from 'dinesis-runtime';
import type { Frame, Seconds } from 'dinesis-runtime/tools';
import {
	BODY_NUMBERS,
	Replayed,
	type CallRow,
	type FrameRow,
	type PlayedRow,
	type Recording
} from 'dinesis-runtime/wire';
import { courseOfRecording } from '$lib/course';
import type { Course } from '$lib/documents';
import type { ProjectSession } from '$lib/session/session.svelte';
import type { FramesSaid, MomentSaid } from '$lib/session/wire.svelte';
import type { GameThere } from '$lib/wire/pages';
import { eyeOf, type Eye } from '$lib/viewport/eye';

/** A take of a running game is no longer than this: every frame of it is kept. */
const LONGEST: Seconds = 300;
/** So much is kept waiting, so that a network's hitches are not seen. */
const BEHIND: Seconds = 0.08;
/** What has gathered beyond that is caught up with at once. */
const TOO_FAR: Seconds = 0.4;
/** After it differed it is begun anew no sooner than this, in frames. */
const AGAIN_AFTER = 90;
const LAST = 6;

/** What the game said it played, and whether the cues here play it too. */
export interface Compared {
	readonly at: Seconds;
	readonly preset: string;
	readonly cue: string;
	readonly outcome: string;
	/** As the game played it, and as it is played here; null: here, or there, it is not. */
	readonly there: number | null;
	readonly here: number | null;
}

interface Row {
	readonly frame: number;
	readonly row: FrameRow;
	readonly calls: readonly CallRow[];
}

export class LivePlay {
	/** The game that is looked at; null: none. */
	game = $state.raw<GameThere | null>(null);
	phase = $state<'idle' | 'waiting' | 'going'>('idle');
	seconds = $state(0);
	/** Frames in which the motion here was the game's, to the bit; and in which it was not. */
	alike = $state(0);
	other = $state(0);
	/** Plays, the newest first. */
	compared = $state.raw<readonly Compared[]>([]);
	/** Frames that did not come. */
	lost = $state(0);
	/** Since when it is recorded, on the game's clock; null: it is not. */
	recording = $state<Seconds | null>(null);
	/** How long the recording is. */
	recorded = $state(0);
	private runtime: Runtime | null = null;
	private waiting: Row[] = [];
	/** What was called before frames that have not come yet. */
	private calls: CallRow[] = [];
	private head: Seconds = 0;
	private token = 0;
	private wanted = '';
	private next = -1;
	private differsSince = -1;
	private kept: {
		readonly clock: number;
		readonly moment: Recording['moment'];
		first: number;
		frames: FrameRow[];
		calls: CallRow[];
	} | null = null;
	private recordToken = '';
	private stop: () => void = () => undefined;
	private readonly here: Omit<Compared, 'there'>[] = [];
	/** What the game says it played, until it is played here too. */
	private told: PlayedRow[] = [];
	private bodiesNow: readonly { readonly pose: Float64Array }[] = [];

	constructor(
		private readonly session: ProjectSession,
		/** The game went while it was recorded: what was kept up to there. */
		private readonly ended: (take: Course | null, why: string) => void
	) {}

	begin(game: GameThere): void {
		const { wire } = this.session;
		if (!wire) return;
		this.end();
		this.game = game;
		this.phase = 'waiting';
		Object.assign(this, { seconds: 0, alike: 0, other: 0, compared: [], lost: 0 });
		this.stop = wire.listen({
			frames: (id, said) => id === game.id && this.hear(said),
			moment: (id, said) => id === game.id && this.stand(said),
			gone: (id) => {
				if (id !== game.id) return;
				const take = this.take();
				this.end();
				this.ended(take, `“${game.game}” is gone.`);
			}
		});
		this.ask();
	}

	/** Begins anew from where the game stands. */
	private ask(): void {
		this.wanted = `look ${++this.token}`;
		this.session.wire?.look(this.game!.id, true, this.wanted);
	}

	private stand(said: MomentSaid): void {
		if (said.token === this.recordToken) {
			this.kept = { clock: said.clock, moment: said.moment, first: said.first, frames: [], calls: [] };
			this.recording = said.clock;
			this.recorded = 0;
			this.recordToken = '';
			return;
		}
		if (said.token !== this.wanted) return;
		const { seed, rig, viewers } = this.game!;
		const runtime = createRuntime(
			{ format: 'dinesis-kit', version: 1, name: '', ...this.session.played },
			{ seed, rig, viewers: viewers === 2 ? 2 : 1 }
		);
		try {
			const put: Recording = { clock: said.clock, moment: said.moment, seed, rig, viewers, frames: [], calls: [] };
			void new Replayed(runtime, put);
		} catch {
			// Too far from this kit: it is looked at from its beginning.
		}
		this.runtime = runtime;
		const { frame } = runtime as unknown as { frame: Frame };
		frame.director.explain((decision) => {
			if (decision.kind !== 'played') return;
			const { at, cue, preset, outcome, strength } = decision;
			this.here.push({ at, cue, preset, outcome, here: strength });
		});
		this.next = said.first;
		this.waiting = [];
		this.calls = [];
		// What was played before is not played here.
		this.told = [];
		this.here.length = 0;
		this.phase = 'going';
	}

	private hear(said: FramesSaid): void {
		const { first, frames, calls, played, lost } = said;
		this.lost += lost[0];
		if (this.kept) this.keep(said);
		if (this.phase !== 'going') return;
		// A call may come in a message before that of its frame.
		this.calls.push(...calls.filter(([at]) => at >= this.next));
		frames.forEach((row, i) => {
			const frame = first + i;
			if (frame < this.next) return;
			// A gap: what stands behind it cannot be told from what stood before.
			if (frame > this.next) return this.phase === 'going' ? this.lose() : undefined;
			this.next = frame + 1;
			const due = this.calls.filter(([at]) => at <= frame);
			if (due.length > 0) this.calls = this.calls.filter(([at]) => at > frame);
			this.waiting.push({ frame, row, calls: due });
		});
		this.told.push(...played);
	}

	private lose(): void {
		this.phase = 'waiting';
		this.waiting = [];
		this.ask();
	}

	/** What changed in the project while one looks on. */
	rewire(): void {
		this.runtime?.replaceKit({ format: 'dinesis-kit', version: 1, name: '', ...this.session.played });
	}

	/** A frame of the picture: goes on with what came. */
	frame(dt: Seconds): void {
		const { runtime } = this;
		if (!runtime || this.phase !== 'going') return;
		const held = this.waiting.reduce((sum, { row }) => sum + row[0]!, 0);
		this.head += dt;
		if (held - this.head > TOO_FAR) this.head = held - BEHIND;
		else if (held - this.head < 0) this.head = Math.max(0, held - BEHIND);
		while (this.waiting.length > 0 && this.waiting[0]!.row[0]! <= this.head) {
			const one = this.waiting.shift()!;
			this.head -= one.row[0]!;
			this.step(runtime, one);
		}
		const past = this.told.filter(({ at }) => at <= runtime.now);
		if (past.length === 0) return;
		this.told = this.told.filter(({ at }) => at > runtime.now);
		for (const row of past) this.compare(row);
	}

	private step(runtime: Runtime, { frame, row, calls }: Row): void {
		const viewers = runtime.made.viewers;
		const one: Recording = {
			clock: runtime.now,
			moment: null,
			seed: 1,
			rig: null,
			viewers,
			frames: [row],
			calls: calls.map(([, called]) => [0, called])
		};
		const played = new Replayed(runtime, one);
		played.step();
		this.bodiesNow = played.bodies.map(({ pose }) => ({ pose: Float64Array.from(pose) }));
		this.seconds += row[0]!;
		const felt = row.slice(1 + viewers * BODY_NUMBERS);
		if (felt.length === 0) return;
		const { cameras } = (runtime as unknown as { frame: Frame }).frame;
		if (felt.every((v, c) => v === cameras[0]!.offset[c])) {
			this.alike++;
			return;
		}
		this.other++;
		// What was tuned meanwhile comes there and here at different frames: it is begun anew from where the game stands.
		if (this.differsSince < 0 || frame - this.differsSince > AGAIN_AFTER) {
			this.differsSince = frame;
			this.ask();
		}
	}

	private compare({ at, preset, cue, outcome, strength }: PlayedRow): void {
		const i = this.here.findIndex((one) => one.preset === preset && one.cue === cue && Math.abs(one.at - at) < 1e-6);
		const here = i >= 0 ? this.here.splice(i, 1)[0]!.here : null;
		if (this.here.length > 60) this.here.splice(0, 30);
		this.compared = [{ at, preset, cue, outcome, there: strength, here }, ...this.compared].slice(0, LAST);
	}

	// Recording.

	record(): void {
		if (!this.game || this.recording !== null) return;
		this.recordToken = `record ${++this.token}`;
		this.session.wire?.look(this.game.id, true, this.recordToken);
	}

	private keep({ first, frames, calls }: FramesSaid): void {
		const kept = this.kept!;
		const viewers = this.game!.viewers;
		for (const [at, called] of calls) if (at >= kept.first) kept.calls.push([at - kept.first, called]);
		frames.forEach((row, i) => {
			const frame = first + i;
			if (frame < kept.first || !this.kept) return;
			if (frame !== kept.first + kept.frames.length)
				return this.cut('Frames were lost on the way: the take ends there.');
			kept.frames.push(row.slice(0, 1 + viewers * BODY_NUMBERS));
			if (kept.frames.length > 1) this.recorded += row[0]!;
			if (this.recorded >= LONGEST) this.cut(`A take of a running game may last ${LONGEST / 60} minutes.`);
		});
	}

	private cut(why: string): void {
		this.ended(this.take(), why);
	}

	/** Ends the recording and gives the take; null: there is none. */
	take(): Course | null {
		const { kept, game, session } = this;
		this.kept = null;
		this.recording = null;
		if (!kept || !game || kept.frames.length < 12) return null;
		const recording: Recording = {
			clock: kept.clock,
			moment: kept.moment,
			seed: game.seed,
			rig: game.rig,
			viewers: game.viewers,
			frames: kept.frames,
			calls: kept.calls.filter(([at]) => at < kept.frames.length)
		};
		return courseOfRecording(recording, session.wiring, {
			id: 'take',
			name: `${game.game}, ${new Date().toLocaleTimeString([], { hour: '2-digit', minute: '2-digit' })}`.slice(0, 120),
			about: `Recorded from “${game.game}”.`
		});
	}

	/** What is looked at; empty while nothing has come. */
	eyes(): Eye[] {
		const { runtime } = this;
		if (!runtime || this.bodiesNow.length === 0) return [];
		const { cameras } = (runtime as unknown as { frame: Frame }).frame;
		return cameras.map((camera, i) => eyeOf(camera, this.bodiesNow[i]!.pose));
	}

	bodies(): readonly { readonly pose: Float64Array }[] {
		return this.bodiesNow;
	}

	end(): void {
		this.stop();
		if (this.game) this.session.wire?.look(this.game.id, false);
		this.stop = () => undefined;
		this.game = null;
		this.runtime = null;
		this.waiting = [];
		this.bodiesNow = [];
		this.kept = null;
		this.recording = null;
		this.phase = 'idle';
	}
}
