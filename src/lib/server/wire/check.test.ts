import { describe, expect, it } from 'vitest';
import { combine } from 'dinesis-runtime/tools';
import { Pieces, piecesOf } from './bus';
import { fromGame, fromPage } from './check';
import { Rate } from './sockets';

const hello = {
	type: 'hello',
	wire: 1,
	game: 'Trial',
	kit: 'K',
	version: null,
	seed: 1,
	rig: null,
	viewers: 1,
	takes: true
};
const frames = {
	type: 'frames',
	first: 4,
	clock: 0.5,
	frames: [[1 / 60, 1, 2, 3, 4, 5, 1.4, 3, -1]],
	calls: [
		[
			4,
			{
				call: 'event',
				event: 'hit',
				phase: 'happens',
				at: 0.5,
				options: { values: { force: 2 }, place: [1, 2, 3], tags: ['a'] }
			}
		],
		[4, { call: 'set', value: 'cold', to: 0.5 }],
		[5, { call: 'play', preset: 'thud', options: { strength: 2 } }],
		[5, { call: 'stop', what: { tag: 'a' }, cut: false }],
		[5, { call: 'rig', rig: null, over: 1 }],
		[6, { call: 'player', settings: { setting: null, intensity: 0.5, gentle: true, who: 'one' } }]
	],
	played: [{ at: 0.5, cue: 'c', preset: 'thud', viewer: 'one', outcome: 'played', strength: 1 }],
	lost: [0, 0]
};
const moment = {
	type: 'moment',
	token: 'm',
	first: 3,
	clock: 1,
	moment: { moment: 1, seed: 1, rig: null, viewers: 1, state: { o: { a: 1 } } }
};
const change = { type: 'change', sets: [[['presets', 'thud', 'amount'], 2], [['cues', 'c']]], stamp: 's' };
const take = {
	type: 'take',
	game: 'g',
	recording: { clock: 0, moment: null, seed: 1, rig: null, viewers: 1, frames: frames.frames, calls: frames.calls }
};
const whys = (message: unknown, read: typeof fromGame | typeof fromPage = fromGame): string => {
	const checked = read(JSON.stringify(message));
	return checked.ok ? 'ok' : checked.why;
};

describe('what is sent', () => {
	it('is taken as it is where it is sound', () => {
		for (const message of [hello, frames, moment, { type: 'beat' }])
			expect(fromGame(JSON.stringify(message))).toEqual({ ok: true, value: message });
		for (const message of [change, take])
			expect(fromPage(JSON.stringify(message))).toEqual({ ok: true, value: message });
	});

	it('what else stands in it is left out, and what is not known is passed over', () => {
		expect(fromGame(JSON.stringify({ ...hello, extra: 1 }))).toEqual({ ok: true, value: hello });
		expect(fromGame('{"type":"newer","x":1}')).toEqual({ ok: true, value: { type: 'beat' } });
		expect(fromGame('{"type":"toString"}')).toEqual({ ok: true, value: { type: 'beat' } });
	});

	it('is refused with what is wrong', () => {
		expect(whys([])).toBe('A message is an object with a type.');
		expect(whys({ ...frames, frames: [['x']] })).toBe('A number of a frame is no number.');
		expect(whys({ ...frames, first: -1 })).toContain('no whole number from 0 on');
		expect(whys({ ...frames, calls: [[0, { call: 'fly' }]] })).toBe('There is no such call.');
		expect(whys({ ...frames, frames: Array.from({ length: 2001 }, () => [0]) })).toContain('no list of up to 2000');
		expect(whys({ ...hello, viewers: 3 })).toContain('none of 1, 2');
		expect(whys({ ...change, sets: [[[], 1]] }, fromPage)).toBe('A path leads nowhere.');
		expect(fromGame('{').ok).toBe(false);
		const deep = JSON.parse('['.repeat(100) + ']'.repeat(100)) as unknown;
		expect(whys({ ...moment, moment: { deep } })).toBe('It is nested too deep.');
		expect(fromPage('{"type":"change","stamp":"","sets":[[["a"],{"__proto__":1}]]}')).toMatchObject({ ok: false });
	});

	it('ten thousand broken ones of each: none throws, and what is taken is sound', () => {
		const sound = (value: unknown): boolean =>
			typeof value === 'number'
				? Number.isFinite(value)
				: typeof value !== 'object' || value === null || Object.values(value).every(sound);
		for (const [message, read] of [
			[hello, fromGame],
			[frames, fromGame],
			[moment, fromGame],
			[change, fromPage],
			[take, fromPage]
		] as const) {
			const text = JSON.stringify(message);
			let taken = 0;
			for (let seed = 0; seed < 10_000; seed++) {
				let count = 0;
				const roll = (below: number): number => (combine(seed, ++count) >>> 0) % below;
				const characters = [...text];
				for (let i = roll(3); i >= 0; i--) {
					const at = roll(characters.length || 1);
					const kind = roll(5);
					if (kind === 0) characters.splice(at, 1 + roll(6));
					else if (kind === 1) characters[at] = '{}[]",:0-9eE.ntf'[roll(16)]!;
					else if (kind === 2)
						characters.splice(at, 0, ...['1e999', 'null', '"__proto__":', '-1', '[[', '"x"'][roll(6)]!);
					else if (kind === 3) characters.length = at;
					else characters.splice(at, 0, ...characters.slice(at, at + roll(60)));
				}
				const checked = read(characters.join(''));
				if (!checked.ok) expect(checked.why.length).toBeGreaterThan(5);
				else {
					taken++;
					if (!sound(checked.value)) throw new Error(`Mutant ${seed} was taken.`);
				}
			}
			expect(taken).toBeLessThan(6000);
		}
	}, 60_000);
});

it('pieces of a long text come together, whoever else speaks in between, and none is too long for a notification', () => {
	const long = 'ä→𝄞'.repeat(3000);
	const [mine, theirs] = [piecesOf('a', '1', long), piecesOf('b', '1', long.slice(7))];
	for (const piece of mine) expect(new TextEncoder().encode(piece).length).toBeLessThan(8000);
	const pieces = new Pieces();
	const whole = mine.flatMap((piece, i) => [pieces.add(piece), theirs[i] === undefined ? null : pieces.add(theirs[i])]);
	expect(whole.filter((one) => one !== null)).toEqual([
		{ server: 'a', text: long },
		{ server: 'b', text: long.slice(7) }
	]);
	expect(pieces.add('nonsense')).toBe(null);
});

it('a burst is let through, a stream is not', () => {
	let now = 0;
	const rate = new Rate(() => now);
	const burst = Array.from({ length: 1300 }, () => rate.take());
	expect(burst.filter(Boolean)).toHaveLength(1250);
	now += 1000;
	expect(Array.from({ length: 300 }, () => rate.take()).filter(Boolean)).toHaveLength(250);
});
