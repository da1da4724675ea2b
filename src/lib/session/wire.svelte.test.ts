import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import type { GameEvent } from 'dinesis-runtime';
import { newCue, newPreset, NO_LINKS } from 'dinesis-runtime/tools';
import { creation, type AnyDocument, type Held, type KindName, type Wiring } from '$lib/documents';
import { countedOf, setsOf, Wire, type FramesSaid } from './wire.svelte';
import { eventOf, learnedOf, rounded, withLearned } from './wire-events';

const thud = newPreset('thud', 'Thud');
const held = (kind: KindName, document: AnyDocument, part: Partial<Held> = {}): Held => ({
	...(creation(kind, document, 'a1').to as Held),
	uuid: `u-${document.id}`,
	version: 1,
	savedAt: '',
	...part
});
const louder = { ...thud, amount: 3 };

describe('what games are told of a change', () => {
	const sets = (before: Held | undefined, after: Held): unknown[] => {
		const out: never[] = [];
		setsOf(before, after, out);
		return out;
	};
	it('is the field that differs; a whole document where it is new; that it goes where it is out of use', () => {
		expect(sets(held('shake', thud), held('shake', louder))).toEqual([[['presets', 'thud', 'amount'], 3]]);
		expect(sets(undefined, held('shake', thud))).toEqual([[['presets', 'thud'], thud]]);
		expect(sets(held('shake', thud), held('shake', thud, { retired: true }))).toEqual([[['presets', 'thud']]]);
		expect(sets(held('shake', thud, { retired: true }), held('shake', thud))).toEqual([[['presets', 'thud'], thud]]);
		expect(
			sets(held('cue', newCue('c', 'a', 'b')), held('cue', { ...newCue('c', 'a', 'b'), on: false } as never))
		).toEqual([[['cues', 'c', 'on'], false]]);
	});
	it('under another id goes there and comes here; courses are nobody’s in a game', () => {
		const other = { ...thud, id: 'boom' };
		expect(sets(held('shake', thud), held('shake', other))).toEqual([
			[['presets', 'thud']],
			[['presets', 'boom'], other]
		]);
		expect(sets(undefined, held('course', { id: 'walk', name: 'Walk' } as AnyDocument))).toEqual([]);
	});
});

/** The other end. */
class Line {
	static readonly OPEN = 1;
	static made: Line[] = [];
	readyState = 1;
	sent: Record<string, unknown>[] = [];
	onmessage: ((event: { data: string }) => void) | null = null;
	onclose: (() => void) | null = null;
	onopen: (() => void) | null = null;
	constructor(readonly url: string) {
		Line.made.push(this);
	}
	send(text: string): void {
		this.sent.push(JSON.parse(text) as Record<string, unknown>);
	}
	close(): void {}
	say(message: unknown): void {
		this.onmessage?.({ data: JSON.stringify(message) });
	}
}
const game = { id: 'g', game: 'Trial', kit: 'K', version: null, seed: 1, rig: null, viewers: 1, takes: true, since: 0 };
const frames = (part: Partial<FramesSaid>): FramesSaid => ({
	type: 'frames',
	first: 0,
	clock: 0,
	frames: [],
	calls: [],
	played: [],
	lost: [0, 0],
	...part
});

describe('the page’s end', () => {
	let wire: Wire;
	let close: () => void;
	const line = (): Line => Line.made.at(-1)!;
	beforeEach(() => {
		vi.useFakeTimers();
		vi.stubGlobal('WebSocket', Line);
		Line.made = [];
		wire = new Wire('quay');
		close = wire.open();
		line().say({ type: 'games', games: [game] });
	});
	afterEach(() => {
		close();
		vi.useRealTimers();
		vi.unstubAllGlobals();
	});

	it('tells a drag once a picture, with what it comes to, and how long it took to come back', () => {
		expect(line().url).toContain('/wire/quay?tool');
		for (let i = 1; i <= 5; i++)
			wire.changed(held('shake', { ...thud, amount: i } as never), held('shake', { ...thud, amount: i - 1 } as never));
		vi.advanceTimersByTime(16);
		const told = line().sent.filter((m) => m.type === 'change');
		expect(told).toEqual([{ type: 'change', sets: [[['presets', 'thud', 'amount'], 5]], stamp: '1' }]);
		vi.advanceTimersByTime(24);
		line().say({ type: 'game', game: 'g', said: { type: 'took', stamp: '1' } });
		expect(wire.delay).toBeCloseTo(24, 0);
	});

	it('tells nothing while nobody is there', () => {
		line().say({ type: 'games', games: [] });
		wire.changed(held('shake', louder), held('shake', thud));
		vi.advanceTimersByTime(100);
		expect(line().sent.some((m) => m.type === 'change')).toBe(false);
	});

	it('counts what came, and hands it on', () => {
		const seen: string[] = [];
		wire.listen({
			frames: (id, said) => seen.push(`${id} ${said.calls.length}`),
			gone: (id) => seen.push(`${id} gone`)
		});
		const event = (force: number) =>
			[0, { call: 'event', event: 'hit', phase: 'happens', at: 1, options: { values: { force } } }] as never;
		line().say({ type: 'game', game: 'g', said: frames({ calls: [event(2), event(7)] }) });
		expect(wire.counted.hit).toEqual({
			times: 2,
			phase: 'happens',
			placed: false,
			values: { force: [2, 7] },
			tags: []
		});
		expect(wire.came.map((one) => one.values.force)).toEqual([7, 2]);
		line().say({ type: 'games', games: [] });
		expect(seen).toEqual(['g 2', 'g gone']);
	});

	it('a line that broke is made again, and its games are gone until then', () => {
		line().onclose!();
		expect(wire.games).toEqual([]);
		vi.advanceTimersByTime(700);
		expect(Line.made).toHaveLength(2);
	});
});

describe('events that came', () => {
	const hit: GameEvent = {
		id: 'hit',
		name: 'Hit',
		kind: 'moment',
		placed: false,
		tags: [],
		values: [{ id: 'force', unit: 'm/s', min: 0, max: 5 }]
	};
	const came = (values: Record<string, number>, before?: ReturnType<typeof countedOf>) =>
		countedOf(before, { phase: 'happens', values, tags: ['enemy'], placed: true });
	const wiring: Wiring = { events: [hit], parameters: [], cues: [], rigs: [], world: NO_LINKS };

	it('are held against the project’s: not there, a number that is new, one that is outside', () => {
		const counted = { hit: came({ force: 7.3, weight: 2 }), other: came({}) };
		expect(
			learnedOf(counted, [hit]).map(({ event, known, numbers }) => [
				event,
				known?.id ?? null,
				numbers.map((n) => n.state)
			])
		).toEqual([
			['hit', 'hit', ['outside', 'new']],
			['other', null, []]
		]);
		expect(learnedOf({ hit: came({ force: 3 }) }, [hit])[0]!.numbers[0]!.state).toBe('within');
	});

	it('one that is not there is made, with ranges that hold what came', () => {
		expect(eventOf('door-slams', came({ force: 7.3, tilt: -0.31 }), new Set())).toEqual({
			id: 'door-slams',
			name: 'Door slams',
			kind: 'moment',
			placed: true,
			tags: [],
			values: [
				{ id: 'force', unit: '', min: 0, max: 8 },
				{ id: 'tilt', unit: '', min: -0.4, max: 0.6 }
			],
			mayCarry: ['enemy']
		});
		expect(eventOf('No Id!', came({}), new Set())).toBe(null);
		expect([7.3, 0.31, 1, 12, 0, -0.31, 950].map(rounded)).toEqual([8, 0.4, 1, 15, 0, -0.4, 1000]);
	});

	it('one that is there is widened and nothing else of it is changed', () => {
		const [wide] = withLearned(wiring, 'hit', came({ force: 7.3, weight: 2 })).events;
		expect(wide).toEqual({
			...hit,
			values: [
				{ id: 'force', unit: 'm/s', min: 0, max: 8 },
				{ id: 'weight', unit: '', min: 0, max: 2 }
			]
		});
	});
});
