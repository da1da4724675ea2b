import { beforeEach, describe, expect, it } from 'vitest';
import { withFields, type FieldSet, type FromGame, type ToGame } from 'dinesis-runtime/wire';
import type { ToPage } from '../../wire/pages';
import { Hub, MOST_WAITING, type Line, type Said } from './hub';
import { SETTLES_MS, type ProjectKit } from './told-kit';

const preset = (id: string, amount: number) => ({ id, amount });
const kitOf = (amount: number, number = 1): ProjectKit => ({
	number,
	kit: { name: 'K', presets: [preset('thud', amount), preset('slam', 1)], cues: [] }
});

class End implements Line {
	waiting = 0;
	readonly got: (ToGame | ToPage)[] = [];
	send(text: string): void {
		this.got.push(JSON.parse(text) as ToGame);
	}
	of<T extends string>(type: T): Extract<ToGame | ToPage, { type: T }>[] {
		return this.got.filter((m) => m.type === type) as Extract<ToGame | ToPage, { type: T }>[];
	}
}
/** Servers of one database. */
class World {
	kept = kitOf(1);
	time = 0;
	waiting: { work: () => void; at: number }[] = [];
	readonly hubs: Hub[] = [];
	hub(): Hub {
		const name = `server ${this.hubs.length}`;
		const hub: Hub = new Hub(
			{
				load: (id) => Promise.resolve(id === 'p' ? this.kept : null),
				pass: (said: Said) => {
					for (const other of this.hubs) if (other !== hub) other.hear(JSON.parse(JSON.stringify(said)) as Said);
				},
				later: (work, ms) => {
					const one = { work, at: this.time + ms };
					this.waiting.push(one);
					return () => void (this.waiting = this.waiting.filter((w) => w !== one));
				},
				now: () => this.time,
				newId: () => `${name} ${++this.count}`
			},
			name
		);
		this.hubs.push(hub);
		return hub;
	}
	private count = 0;
	async pass(ms: number): Promise<void> {
		this.time += ms;
		const due = this.waiting.filter(({ at }) => at <= this.time);
		this.waiting = this.waiting.filter(({ at }) => at > this.time);
		for (const { work } of due) work();
		await settled();
	}
}
const settled = async (): Promise<void> => {
	for (let i = 0; i < 10; i++) await Promise.resolve();
};
const hello = (game = 'Trial'): Extract<FromGame, { type: 'hello' }> => ({
	type: 'hello',
	wire: 1,
	game,
	kit: 'K',
	version: null,
	seed: 1,
	rig: null,
	viewers: 1,
	takes: true
});
const frames = (count: number, part: object = {}): Extract<FromGame, { type: 'frames' }> => ({
	type: 'frames',
	first: 0,
	clock: 0,
	frames: Array.from({ length: count }, () => [1 / 60, 0, 0, 0, 0, 0, 0, 3, -1]),
	calls: [],
	played: [],
	lost: [0, 0],
	...part
});
const set: FieldSet = [['presets', 'thud', 'amount'], 5];
const project = { id: 'p', name: 'Quay' };

let world: World;
let hub: Hub;
beforeEach(() => {
	world = new World();
	hub = world.hub();
});
const game = async (at = hub) => {
	const end = new End();
	const joined = at.joinGame(project, hello(), end);
	await settled();
	return { end, ...joined };
};
const page = (at = hub) => {
	const end = new End();
	return { end, ...at.joinPage(project, end) };
};
const idOf = (end: End): string => end.of('games').at(-1)!.games[0]!.id;
/** What a game has by now. */
const kitOfGame = (end: End): unknown =>
	end.got.reduce<unknown>((kit, m) => {
		if (m.type === 'kit') return (m as { kit: unknown }).kit;
		return m.type === 'change' ? withFields(kit, (m as { sets: readonly FieldSet[] }).sets) : kit;
	}, null);

describe('a game', () => {
	it('is welcomed, gets the kit, and is shown to pages until it goes', async () => {
		const one = page();
		const { end, gone } = await game();
		expect(end.got.map((m) => m.type)).toEqual(['welcome', 'kit', 'want']);
		expect(kitOfGame(end)).toEqual(world.kept.kit);
		expect(one.end.of('games').at(-1)!.games).toMatchObject([{ game: 'Trial', takes: true }]);
		gone();
		expect(one.end.of('games').at(-1)!.games).toEqual([]);
	});

	it('that came late has what was changed before', async () => {
		const first = await game();
		const one = page();
		one.hear({ type: 'change', sets: [set], stamp: 'a' });
		expect(first.end.of('change')).toEqual([{ type: 'change', sets: [set], stamp: 'a' }]);
		const late = await game();
		expect(kitOfGame(late.end)).toEqual(kitOf(5).kit);
	});

	it('sends frames only while somebody looks, calls always', async () => {
		const { end, hear } = await game();
		const looks = page();
		const does = page();
		looks.hear({ type: 'want', game: idOf(looks.end), frames: true });
		expect(end.of('want').at(-1)).toEqual({ type: 'want', frames: true, felt: true });
		hear(frames(3, { calls: [[0, { call: 'set', value: 'cold', to: 1 }]] }));
		const said = (e: End) => e.of('game').at(-1)!.said as Extract<FromGame, { type: 'frames' }>;
		expect([said(looks.end).frames.length, said(looks.end).calls.length]).toEqual([3, 1]);
		expect([said(does.end).frames.length, said(does.end).calls.length]).toEqual([0, 1]);
		looks.gone();
		expect(end.of('want').at(-1)).toEqual({ type: 'want', frames: false, felt: false });
	});

	it('that lost its way gets the whole kit again', async () => {
		const { end, hear } = await game();
		world.kept = kitOf(7, 4);
		// Once, however often it says so.
		for (let i = 0; i < 50; i++) hear({ type: 'lost', why: 'There is no "thud" at presets.' });
		await world.pass(1000);
		expect(end.of('kit').slice(1)).toEqual([{ type: 'kit', ...kitOf(7, 4) }]);
	});
});

describe('a change', () => {
	it('of a page is in the game at once; what is kept of it later is told once only', async () => {
		const { end } = await game();
		page().hear({ type: 'change', sets: [set], stamp: 'a' });
		world.kept = kitOf(5, 2);
		hub.changed('p');
		await world.pass(SETTLES_MS);
		await world.pass(SETTLES_MS);
		expect(end.of('change')).toHaveLength(1);
	});

	it('while one drags, what was kept a moment ago does not come between', async () => {
		const { end } = await game();
		const one = page();
		for (let i = 0; i < 20; i++) {
			one.hear({ type: 'change', sets: [[['presets', 'thud', 'amount'], 10 + i]], stamp: `${i}` });
			world.kept = kitOf(10 + Math.max(0, i - 4), 2 + i);
			hub.changed('p');
			await world.pass(100);
		}
		const amounts = end.of('change').map((m) => m.sets[0]![1]);
		expect(amounts).toEqual(Array.from({ length: 20 }, (_, i) => 10 + i));
		world.kept = kitOf(29, 30);
		await world.pass(SETTLES_MS);
		expect(kitOfGame(end)).toEqual(kitOf(29).kit);
	});

	it('that nobody on the wire made comes when it is kept; one that was refused is taken back', async () => {
		const { end } = await game();
		world.kept = kitOf(3, 2);
		hub.changed('p');
		await world.pass(0);
		expect(end.of('change').at(-1)).toEqual({ type: 'change', sets: [[['presets', 'thud', 'amount'], 3]] });
		page().hear({ type: 'change', sets: [set], stamp: 'a' });
		await world.pass(SETTLES_MS);
		expect(kitOfGame(end)).toEqual(kitOf(3).kit);
	});

	it('that does not fit what games were told sends what is kept', async () => {
		const { end } = await game();
		world.kept = { number: 2, kit: { ...kitOf(1).kit, presets: [preset('thud', 1), preset('fresh', 2)] } };
		page().hear({ type: 'change', sets: [[['presets', 'fresh', 'amount'], 9]], stamp: 'a' });
		await world.pass(SETTLES_MS);
		await world.pass(SETTLES_MS);
		expect(kitOfGame(end)).toEqual(world.kept.kit);
	});
});

describe('a page', () => {
	it('that is slow misses frames, and is told how many; nobody else does', async () => {
		const { hear } = await game();
		const slow = page();
		const quick = page();
		for (const one of [slow, quick]) one.hear({ type: 'want', game: idOf(one.end), frames: true });
		slow.end.waiting = MOST_WAITING + 1;
		hear(frames(6));
		hear(frames(6));
		slow.end.waiting = 0;
		hear(frames(1));
		expect(slow.end.of('skipped')).toEqual([{ type: 'skipped', frames: 12 }]);
		const seen = ({ end }: typeof slow): number[] =>
			end.of('game').map((m) => (m.said as Extract<FromGame, { type: 'frames' }>).frames.length);
		expect(seen(slow)).toEqual([0, 0, 1]);
		expect(seen(quick)).toEqual([6, 6, 1]);
	});

	it('asks for a moment, and sends a take, to the game that it means', async () => {
		const a = await game();
		const b = await game();
		const one = page();
		one.hear({ type: 'want', game: idOf(one.end), frames: true, moment: 'm1' });
		expect(a.end.of('want').at(-1)).toEqual({ type: 'want', frames: true, felt: true, moment: 'm1' });
		const recording = { clock: 0, moment: null, seed: 1, rig: null, viewers: 1, frames: [], calls: [] };
		one.hear({ type: 'take', game: idOf(one.end), recording });
		expect([a.end.of('take').length, b.end.of('take').length]).toEqual([1, 0]);
		b.hear({ type: 'take', state: 'done' });
		expect(one.end.of('game').at(-1)!.said).toEqual({ type: 'take', state: 'done' });
	});
});

describe('several servers', () => {
	it('pages of the one see games of the other, what they send, and change them', async () => {
		const other = world.hub();
		const { end, hear, gone } = await game(other);
		const one = page();
		other.beat();
		const id = idOf(one.end);
		one.hear({ type: 'want', game: id, frames: true, moment: 'm' });
		expect(end.of('want').at(-1)).toEqual({ type: 'want', frames: true, felt: true, moment: 'm' });
		hear(frames(2));
		expect((one.end.of('game').at(-1)!.said as Extract<FromGame, { type: 'frames' }>).frames).toHaveLength(2);
		one.hear({ type: 'change', sets: [set], stamp: 'z' });
		expect(end.of('change')).toEqual([{ type: 'change', sets: [set], stamp: 'z' }]);
		one.gone();
		expect(end.of('want').at(-1)).toMatchObject({ frames: false });
		const two = page();
		other.beat();
		expect(two.end.of('games').at(-1)!.games).toHaveLength(1);
		gone();
		expect(two.end.of('games').at(-1)!.games).toEqual([]);
	});

	it('a server that says nothing any more is forgotten with its games', async () => {
		const other = world.hub();
		await game(other);
		const one = page();
		other.beat();
		expect(one.end.of('games').at(-1)!.games).toHaveLength(1);
		world.hubs.splice(1, 1);
		await world.pass(20_000);
		hub.beat();
		expect(one.end.of('games').at(-1)!.games).toEqual([]);
	});
});
