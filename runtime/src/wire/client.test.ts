import { readFileSync } from 'node:fs';
import { beforeEach, describe, expect, it } from 'vitest';
import { createRuntime, type Runtime } from '../game/runtime';
import { openKit } from '../kit/open';
import type { Kit } from '../kit/types';
import { connect, type SocketLike, type Wire, type WireOptions } from './client';
import { LIMITS, type FromGame, type Recording, type ToGame } from './protocol';
import { Replayed } from './replayed';

const read = openKit(
	JSON.parse(readFileSync(new URL('../../../demo/lamp-at-morrowskerry.kit.json', import.meta.url), 'utf8'))
);
if (!read.ok) throw new Error('The demo cannot be read.');
const demo: Kit = read.value;

/** A line with a tool at its other end that a test plays. */
class Line implements SocketLike {
	static made: Line[] = [];
	bufferedAmount = 0;
	readyState = 0;
	onopen: SocketLike['onopen'] = null;
	onclose: SocketLike['onclose'] = null;
	onerror: SocketLike['onerror'] = null;
	onmessage: SocketLike['onmessage'] = null;
	readonly sent: FromGame[] = [];
	constructor(readonly url: string) {
		Line.made.push(this);
	}
	send(text: string): void {
		this.sent.push(JSON.parse(text) as FromGame);
	}
	close(): void {
		this.drop();
	}
	open(): void {
		this.readyState = 1;
		this.onopen?.(undefined as never);
		this.say({ type: 'welcome', wire: 1, project: 'Quay' });
	}
	say(message: ToGame | string): void {
		this.onmessage?.({ data: typeof message === 'string' ? message : JSON.stringify(message) } as never);
	}
	drop(code = 1006, reason = ''): void {
		this.readyState = 3;
		this.onclose?.({ code, reason } as never);
	}
	of<T extends FromGame['type']>(type: T): Extract<FromGame, { type: T }>[] {
		return this.sent.filter((m) => m.type === type) as Extract<FromGame, { type: T }>[];
	}
}

let runtime: Runtime;
let wire: Wire;
let waiting: { work: () => void; ms: number }[];
const line = (): Line => Line.made.at(-1)!;
const start = (options: WireOptions = {}): void => {
	runtime = createRuntime(demo, { seed: 3, rig: 'keepers-eyes' });
	wire = connect(runtime, 'ws://here/wire/quay', {
		WebSocket: Line,
		game: 'Trial',
		later: (work, ms) => {
			const one = { work, ms };
			waiting.push(one);
			return () => void (waiting = waiting.filter((w) => w !== one));
		},
		...options
	});
};
/** Time passes: what waits for no longer than this is done. */
const wait = (ms: number): void => {
	const due = waiting.filter((w) => w.ms <= ms);
	waiting = waiting.filter((w) => w.ms > ms);
	for (const { work } of due) work();
};
const body = (i: number) => ({ pose: [0.1 * i, 0, -i / 60, i, 0], speed: 1.4, grounded: true });
let count = 0;
const go = (frames: number, which = runtime): number[][] =>
	Array.from({ length: frames }, () => {
		const { camera, offset } = which.advance(1 / 60, body(count++));
		return [...camera, ...offset];
	});

beforeEach(() => {
	Line.made = [];
	waiting = [];
	count = 0;
	start();
});

describe('a game on the wire', () => {
	it('says who it is, and moves as without', () => {
		line().open();
		expect(line().of('hello')).toEqual([
			{
				type: 'hello',
				wire: 1,
				game: 'Trial',
				kit: demo.name,
				version: null,
				seed: 3,
				rig: 'keepers-eyes',
				viewers: 1,
				takes: false
			}
		]);
		expect([wire.state, wire.project]).toEqual(['open', 'Quay']);
		const alone = createRuntime(demo, { seed: 3, rig: 'keepers-eyes' });
		const moved = go(120);
		count = 0;
		expect(moved).toEqual(go(120, alone));
	});

	it('sends what happened with the number of the frame that came next; poses only where somebody looks', () => {
		line().open();
		go(10);
		runtime.raise('wave-breaks', { values: { height: 3 }, place: [4, 0, -3] });
		runtime.set('cold', 0.5);
		go(10);
		const quiet = line().of('frames');
		expect(quiet.flatMap((m) => m.calls)).toEqual(
			[
				[
					10,
					{
						call: 'event',
						event: 'wave-breaks',
						phase: 'happens',
						at: runtime.now - 10 / 60,
						options: { values: { height: 3 }, place: [4, 0, -3] }
					}
				],
				[10, { call: 'set', value: 'cold', to: 0.5 }]
			].map((row) => [
				row[0],
				expect.objectContaining({
					...(row[1] as object),
					...('at' in (row[1] as object) && { at: expect.any(Number) })
				})
			])
		);
		expect(quiet.every((m) => m.frames.length === 0)).toBe(true);
		line().say({ type: 'want', frames: true, felt: true });
		const felt = go(30).map((row) => row.slice(7));
		const rows = line()
			.of('frames')
			.flatMap((m) => m.frames);
		expect(rows.length).toBeGreaterThan(25);
		expect(rows[0]).toEqual([1 / 60, 2, 0, -20 / 60, 20, 0, 1.4, 3, -1, ...felt[0]!]);
		expect(
			line()
				.of('frames')
				.find((m) => m.frames.length > 0)!.first
		).toBe(20);
	});

	it('takes a change with the next frame, without a jump, and says so', () => {
		line().open();
		line().say({ type: 'kit', number: 5, kit: demo });
		runtime.play('standing-watch');
		go(60);
		const before = [...runtime.frameOf(0).offset];
		line().say({ type: 'change', sets: [[['presets', 'standing-watch', 'rate'], 3]], stamp: 'a' });
		expect(line().of('took')).toEqual([]);
		// In a frame in which no time goes by everything stands where it stood.
		runtime.advance(0, body(count - 1));
		expect([...runtime.frameOf(0).offset]).toEqual(before);
		expect(
			line()
				.of('took')
				.map((m) => m.stamp)
		).toEqual(['a']);
		// From there on it is as fast as a runtime that was given the changed kit by hand.
		const quick = { ...demo, presets: demo.presets.map((p) => (p.id === 'standing-watch' ? { ...p, rate: 3 } : p)) };
		const other = createRuntime(demo, { seed: 3, rig: 'keepers-eyes' });
		other.play('standing-watch');
		count = 0;
		go(60, other);
		other.replaceKit(quick as Kit);
		const there = go(30, other);
		count = 60;
		expect(go(30)).toEqual(there);
	});

	it('what does not fit, or is none, changes nothing; it asks for the whole', () => {
		line().open();
		const alone = createRuntime(demo, { seed: 3, rig: 'keepers-eyes' });
		line().say({ type: 'change', sets: [[['presets', 'gone', 'rate'], 3]] });
		line().say({ type: 'change', sets: [[['presets', 'standing-watch', 'amount'], 'much']] });
		line().say({ type: 'kit', number: 5, kit: { format: 'other' } });
		line().say('{');
		line().say('null');
		line().say({ type: 'unheard of' } as never);
		const moved = go(30);
		expect(line().of('lost').length).toBeGreaterThan(1);
		count = 0;
		expect(moved).toEqual(go(30, alone));
	});
});

describe('a connection that is lost', () => {
	it('is made again, later each time; what happened meanwhile is told, the oldest dropped and counted', () => {
		line().open();
		go(5);
		line().drop();
		expect(wire.state).toBe('away');
		for (let i = 0; i < LIMITS.kept + 7; i++) runtime.set('cold', (i % 10) / 10);
		const moved = go(10);
		wait(500);
		expect(Line.made).toHaveLength(2);
		line().drop();
		wait(500);
		expect(Line.made).toHaveLength(2);
		wait(1000);
		line().open();
		go(10);
		const [told] = line().of('frames');
		expect(told).toMatchObject({ late: true, lost: [0, 7] });
		expect(told!.calls).toHaveLength(LIMITS.kept);
		expect(moved.every((row) => row.every(Number.isFinite))).toBe(true);
	});

	it('comes back with the same kit, which changes nothing, to the bit', () => {
		const alone = createRuntime(demo, { seed: 3, rig: 'keepers-eyes' });
		const both = (frames: number): void => {
			for (let i = 0; i < frames; i++) {
				if (count % 40 === 5)
					for (const one of [runtime, alone]) one.raise('wave-breaks', { values: { height: 4 }, place: [4, 0, -3] });
				const [there] = go(1);
				count--;
				expect(there).toEqual(go(1, alone)[0]);
			}
		};
		line().open();
		both(50);
		// As it comes over a line: another object, its fields in another order.
		const again = JSON.parse(JSON.stringify({ ...demo, presets: demo.presets.map((p) => ({ ...p })) })) as Kit;
		line().say({ type: 'kit', number: 7, kit: again });
		both(100);
		expect((runtime as unknown as { kit: Kit }).kit.presets[0]).toBe(demo.presets[0]);
	});

	it('a tool that does not answer is given up; one that refuses is not asked again', () => {
		line().open();
		wait(15_000);
		expect(wire.state).toBe('away');
		wait(500);
		line().drop(4001, 'The project’s key is needed.');
		expect([wire.state, wire.why]).toEqual(['refused', 'The project’s key is needed.']);
		wait(60_000);
		expect(Line.made).toHaveLength(2);
	});

	it('a slow tool never holds the game: frames are left out and counted, calls are not', () => {
		line().open();
		line().say({ type: 'want', frames: true, felt: false });
		go(10);
		line().bufferedAmount = LIMITS.waiting + 1;
		runtime.set('cold', 1);
		go(20);
		expect(wire.lost).toBe(20);
		line().bufferedAmount = 0;
		go(10);
		const told = line().of('frames');
		expect(told.reduce((sum, m) => sum + m.lost[0], 0)).toBe(20);
		expect(told.flatMap((m) => m.calls)).toHaveLength(1);
	});

	it('closed by the game it leaves the runtime alone', () => {
		line().open();
		wire.close();
		expect(runtime.tap).toBe(null);
		runtime.raise('wave-breaks');
		go(3);
		expect([wire.state, line().of('frames').length]).toEqual(['closed', 0]);
	});
});

describe('a recording', () => {
	it('from a moment on is played again to the bit, by another runtime', () => {
		line().open();
		runtime.begin('storm');
		runtime.raise('wave-breaks', { values: { height: 5 }, place: [4, 0, -3] });
		// What the player wanted before is in the moment, what he wants later among the calls.
		runtime.setPlayer({ roll: false });
		go(47);
		line().say({ type: 'want', frames: true, felt: true, moment: 'r1' });
		const felt: number[][] = [];
		for (let i = 0; i < 200; i++) {
			if (i % 30 === 4) runtime.raise('cask-set-down', { values: { impact: 6 }, place: [1, 0, -2] });
			if (i === 50) runtime.useRig('under-load', { over: 0.7 });
			if (i === 100) runtime.end('storm');
			if (i === 40) runtime.setPlayer({ gentle: true });
			if (i === 120) runtime.setPlayer({ gentle: false, bob: false, intensity: 0.6 });
			if (i === 60) runtime.set('cold', 0.9);
			if (i === 70) runtime.play('far-thunder', { strength: 2 });
			if (i === 160) runtime.stop({ preset: 'far-thunder' });
			felt.push(...go(1));
		}
		go(10);
		const [moment] = line().of('moment');
		const told = line()
			.of('frames')
			.filter((m) => m.first >= moment!.first);
		const recording: Recording = {
			clock: moment!.clock,
			moment: moment!.moment,
			seed: 3,
			rig: 'keepers-eyes',
			viewers: 1,
			frames: told.flatMap((m) => m.frames),
			calls: told.flatMap((m) => m.calls).map(([frame, called]) => [frame - moment!.first, called])
		};
		const other = createRuntime(demo, { seed: 3, rig: 'keepers-eyes' });
		const again = new Replayed(other, JSON.parse(JSON.stringify(recording)) as Recording);
		for (let i = 0; i < 200; i++) {
			expect(again.step()).toBe(true);
			const { camera, offset } = other.frameOf(0);
			expect([...camera, ...offset]).toEqual(felt[i]);
			expect(recording.frames[i]!.slice(9)).toEqual(felt[i]!.slice(7));
		}
		while (again.step());
		expect(again.frame).toBe(recording.frames.length);
	});

	it('of a game that answers how far it is free has what it answered', () => {
		let asked = 0;
		const clear = (from: Float64Array): number => {
			asked++;
			return 0.6 + 3 * Math.abs(Math.sin(from[2]! * 7));
		};
		const chase = { seed: 3, rig: 'over-the-shoulder' };
		runtime = createRuntime(demo, { ...chase, clear });
		wire = connect(runtime, 'ws://here/wire/quay', { WebSocket: Line, later: () => () => undefined });
		line().open();
		line().say({ type: 'want', frames: true, felt: true, moment: 'r' });
		const felt = go(120);
		go(5);
		const { clock, moment } = line().of('moment')[0]!;
		const frames = line()
			.of('frames')
			.flatMap((m) => m.frames);
		const other = createRuntime(demo, chase);
		const again = new Replayed(other, { clock, moment, ...chase, viewers: 1, frames, calls: [] });
		const seen = felt.map(() => {
			again.step();
			const { camera, offset } = other.frameOf(0);
			return [...camera, ...offset];
		});
		expect(seen).toEqual(felt);
		expect(asked).toBeGreaterThan(100);
		expect(new Set(frames.map((row) => row[8])).size).toBeGreaterThan(10);
	});

	it('is told apart where the game goes back to a moment of its own: a frame is missing there', () => {
		line().open();
		line().say({ type: 'want', frames: true, felt: true });
		go(20);
		const saved = runtime.snapshot();
		go(20);
		runtime.restore(saved);
		go(20);
		const firsts = line()
			.of('frames')
			.flatMap((m) => m.frames.map((_, i) => m.first + i));
		expect(firsts).toEqual([...Array.from({ length: 40 }, (_, i) => i), ...firsts.slice(40)]);
		expect(firsts[40]).toBe(41);
	});

	it('of another number of players is refused, and a game that plays none says so', () => {
		const recording: Recording = { clock: 0, moment: null, seed: 1, rig: null, viewers: 2, frames: [], calls: [] };
		expect(() => new Replayed(runtime, recording)).toThrow('2 players');
		line().open();
		line().say({ type: 'take', recording });
		expect(line().of('take')).toEqual([{ type: 'take', state: 'refused', why: 'This game plays no takes.' }]);
		start({ take: () => undefined });
		line().open();
		line().say({ type: 'take', recording });
		wire.tookTake();
		expect(
			line()
				.of('take')
				.map((m) => m.state)
		).toEqual(['begun', 'done']);
	});
});
