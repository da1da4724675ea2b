/**
 * A recording put to a runtime, frame by frame: as the game did it then, with the kit as it is now.
 *
 *     const again = new Replayed(runtime, recording);
 *     while (again.step()) draw(again.body, runtime.frameOf(0));
 */
import { frameAt } from '../frame/moment';
import type { Frame } from '../frame/frame';
import type { Called, Runtime, RuntimeBody } from '../game/runtime';
import type { Kit } from '../kit/types';
import { BODY_NUMBERS, GROUNDED, ON_FOOT, type Recording } from './protocol';

type Inside = { readonly kit: Kit; frame: Frame; time: number; begun: boolean; states: Set<string> };

/** The bodies of a frame as they were. */
export function bodiesOf(row: readonly number[], viewers: number): RuntimeBody[] {
	return Array.from({ length: viewers }, (_, i): RuntimeBody => {
		const at = 1 + i * BODY_NUMBERS;
		const [speed = 0, flags = 0, room = -1] = row.slice(at + 5, at + BODY_NUMBERS);
		const free = room < 0 ? {} : { room };
		return {
			pose: row.slice(at, at + 5),
			speed,
			grounded: (flags & GROUNDED) !== 0,
			onFoot: (flags & ON_FOOT) !== 0,
			...free
		};
	});
}

/** Calls what was called; `shift`: so much later on the runtime's clock. */
export function callAgain(runtime: Runtime, called: Called, shift = 0): void {
	switch (called.call) {
		case 'event': {
			const { event, phase, at, options } = called;
			const way = phase === 'happens' ? 'raise' : phase === 'starts' ? 'begin' : 'end';
			return runtime[way](event, { ...options, at: at + shift });
		}
		case 'set':
			return runtime.set(called.value, called.to);
		case 'play':
			return runtime.play(called.preset, called.options);
		case 'stop':
			return runtime.stop(called.what, called.cut);
		case 'rig':
			return runtime.useRig(called.rig, { over: called.over, who: called.who });
		case 'player':
			return runtime.setPlayer(called.settings);
	}
}

export class Replayed {
	/** The bodies of the last frame. */
	bodies: readonly RuntimeBody[] = [];
	/** How many frames were played. */
	frame = 0;
	private next = 0;
	private readonly shift: number = 0;

	/**
	 * Puts the runtime at the recording's beginning. Throws a RangeError where its moment cannot be gone on from, or where it had another
	 * number of players.
	 */
	constructor(
		private readonly runtime: Runtime,
		private readonly recording: Recording
	) {
		const { clock, moment, viewers } = recording;
		if (viewers !== runtime.made.viewers)
			throw new RangeError(`It was recorded with ${viewers} players; here are ${runtime.made.viewers}.`);
		const inside = runtime as unknown as Inside;
		// Without a moment it goes on from where the runtime stands, on its clock.
		if (!moment) this.shift = inside.begun ? runtime.now - clock : 0;
		else {
			inside.frame = frameAt(moment, inside.kit);
			inside.time = clock;
			const stands = inside.frame as unknown as { begun: boolean; director: { engine: { lasting: Set<string> } } };
			inside.begun = stands.begun;
			inside.states = new Set(stands.director.engine.lasting);
		}
	}

	/** The next frame; false when there is none any more. */
	step(): boolean {
		const { recording, runtime } = this;
		const row = recording.frames[this.frame];
		if (!row) return false;
		const { calls } = recording;
		for (; this.next < calls.length && calls[this.next]![0] <= this.frame; this.next++)
			callAgain(runtime, calls[this.next]![1], this.shift);
		this.bodies = bodiesOf(row, recording.viewers);
		runtime.advance(row[0]!, this.bodies);
		this.frame++;
		return true;
	}
}
