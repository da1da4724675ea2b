/** Ten thousand broken ones of each format that comes in: none throws, none hangs, none makes anything of what is wrong. */
import { readFileSync } from 'node:fs';
import { openKit as openInGame } from 'dinesis-runtime';
import { combine } from 'dinesis-runtime/tools';
import { describe, expect, it } from 'vitest';
import { decodeText, parseJson, readKit, writeKit } from '../documents';
import { readBodyTrack } from './body-track';
import { readEventLog } from './event-log';
import { readFrameLoop } from './frame-loop';
import { readWav } from './wav';

const MUTANTS = 10_000;

/** Numbers without end from a seed: whole ones below `below`. */
function dice(seed: number): (below: number) => number {
	let count = 0;
	return (below) => (combine(seed, ++count) >>> 0) % below;
}

/** Bytes with some of them changed, taken out, put in, doubled or cut off. */
function mutant(source: Uint8Array, seed: number): Uint8Array {
	const roll = dice(seed);
	const bytes = [...source];
	for (let i = roll(4) + 1; i > 0; i--) {
		const at = roll(bytes.length || 1);
		const kind = roll(7);
		if (kind === 0) bytes[at] = roll(256);
		else if (kind === 1) bytes.splice(at, roll(8) + 1);
		else if (kind === 2) bytes.splice(at, 0, ...[...'{}[]",:0-9e.'].slice(roll(8), 12).map((c) => c.charCodeAt(0)));
		else if (kind === 3) bytes.splice(at, 0, ...bytes.slice(at, at + roll(40)));
		else if (kind === 4) bytes.length = at;
		else if (kind === 5) bytes[at] = (bytes[at] ?? 0) ^ (1 << roll(8));
		else
			bytes.splice(
				at,
				0,
				...[...['1e999', '-0', 'null', '"\\u0000"', '__proto__', '9007199254740993', 'NaN'][roll(7)]!].map((c) =>
					c.charCodeAt(0)
				)
			);
	}
	return Uint8Array.from(bytes);
}
const encode = (text: string): Uint8Array => new TextEncoder().encode(text);

/** Runs a reader over all mutants. Returns how many it took; what it refuses it refuses with a sentence. */
function tried(
	source: Uint8Array,
	read: (bytes: Uint8Array) => { ok: boolean; problems?: readonly { message: string }[] }
): number {
	let taken = 0;
	for (let seed = 0; seed < MUTANTS; seed++) {
		const result = read(mutant(source, seed));
		if (result.ok) taken++;
		else if (!(
			result.problems!.length > 0 &&
			result.problems!.length <= 50 &&
			result.problems!.every((p) => p.message.length > 0)
		))
			throw new Error(`Mutant ${seed} was refused without a word.`);
	}
	return taken;
}

const small = {
	format: 'dinesis-kit',
	version: 1,
	name: 'K',
	events: [{ id: 'hit', name: 'Hit', values: [{ id: 'v', min: 0, max: 9 }] }],
	parameters: [{ id: 'cold', name: 'Cold' }],
	presets: [
		{
			id: 'a',
			family: 'shake',
			name: 'A',
			timing: {
				mode: 'burst',
				fadeOut: { time: 0.4, ease: [0.2, 0, 0.4, 1] },
				life: { points: [{ at: 0, value: 1 }] }
			},
			layers: [{ id: 'l', pattern: { kind: 'noise' }, channels: { y: { amplitude: 0.1, frequency: 3 } } }]
		},
		{ id: 'b', family: 'bob', name: 'B', gaits: [{ id: 'w', speed: 1, steps: 2, channels: { y: { amplitude: 0.1 } } }] }
	],
	cues: [{ id: 'q', event: 'hit', actions: [{ kind: 'play', pick: [{ preset: 'a' }] }] }],
	rigs: [{ id: 'r', name: 'R', lean: {}, limits: { x: [0, 1] } }],
	courses: [{ id: 'c', name: 'C', seconds: 3, path: [{ x: 0, z: 0 }], trace: { poses: [0, 0, 0, 0, 0] } }]
};

describe('mutants', () => {
	it('of a kit: what is taken is a kit that can be written and read again', () => {
		const text = JSON.stringify(small);
		const taken = tried(encode(text), (bytes) => {
			const kit = readKit(bytes);
			if (!kit.ok) return kit;
			const again = readKit(writeKit(kit.value));
			expect(again).toEqual(kit);
			return kit;
		});
		expect(taken).toBeGreaterThan(50);
		expect(taken).toBeLessThan(MUTANTS / 2);
	});

	it('of a kit in a game: values of any kind in any place', () => {
		const odd = [null, 0, -1, 1e300, NaN, Infinity, '', 'x', true, [], {}, [[]], () => 1, undefined, 'a'.repeat(300)];
		for (let seed = 0; seed < MUTANTS; seed++) {
			const roll = dice(seed);
			const kit = JSON.parse(JSON.stringify(small)) as Record<string, unknown>;
			let here: any = kit;
			for (let depth = roll(7); depth >= 0; depth--) {
				const keys = Object.keys(here);
				if (keys.length === 0) break;
				const key = keys[roll(keys.length)]!;
				if (depth === 0 || typeof here[key] !== 'object' || here[key] === null) {
					here[key] = odd[roll(odd.length)];
					break;
				}
				here = here[key];
			}
			const read = openInGame(kit);
			if (!read.ok) expect(read.problems.length).toBeGreaterThan(0);
		}
	});

	it('of a save’s body', () => {
		const body = JSON.stringify({ base: 3, note: 'x', document: small.presets[0] });
		tried(encode(body), (bytes) => {
			const text = decodeText(bytes);
			if (!text.ok) return { ok: false, problems: [text] };
			const parsed = parseJson(text.value);
			return parsed.ok ? parsed : { ok: false, problems: [parsed] };
		});
	});

	it('of a log as CSV and as JSON lines, and of a way of a body', () => {
		const read =
			<T>(reader: (text: string) => T) =>
			(bytes: Uint8Array) =>
				reader(new TextDecoder().decode(bytes));
		const csv = 'time,event,phase,x,y,z,key,impact\n0.5,hit,,1,0,-3,,6.5\n1,run,starts,,,,a,\n2,run,ends,,,,a,\n';
		expect(tried(encode(csv), read(readEventLog))).toBeGreaterThan(50);
		const lines =
			'{"time":0.5,"event":"hit","values":{"v":2},"place":[0,1,2]}\n{"time":1,"event":"run","phase":"starts"}\n';
		expect(tried(encode(lines), read(readEventLog))).toBeGreaterThan(50);
		const track = 'time,x,y,z,pitch,yaw,roll\n0,1,2,3,4,5,6\n0.5,1,2,3,4,5,6\n1,2,2,3,4,5,6\n';
		const taken = tried(encode(track), (bytes) => {
			const way = readBodyTrack(new TextDecoder().decode(bytes));
			if (way.ok) expect(way.value.poses.length).toBe(way.value.times.length * 6);
			return way;
		});
		expect(taken).toBeGreaterThan(50);
	});

	it('of a loop of frames: what is taken is a gait of whole numbers of frames', () => {
		const loop = 'frame\ty\troll\n0\t0\t0\n1\t0.01\t0.4\n2\t0.02\t0\n3\t0.01\t-0.4\n4\t0\t0\n';
		const taken = tried(encode(loop), (bytes) => {
			const read = readFrameLoop(new TextDecoder().decode(bytes));
			if (!read.ok) return read;
			const { frames, columns } = read.value;
			expect([...frames, ...columns.flatMap(({ values }) => values)].every(Number.isFinite)).toBe(true);
			for (const { values } of columns) expect(values.length).toBe(frames.length);
			return read;
		});
		expect(taken).toBeGreaterThan(50);
	});

	it('of a sound: every sample is a number', () => {
		const bytes = new Uint8Array(44 + 64);
		const view = new DataView(bytes.buffer);
		const name = (at: number, text: string): void =>
			[...text].forEach((c, i) => view.setUint8(at + i, c.charCodeAt(0)));
		name(0, 'RIFF');
		view.setUint32(4, 36 + 64, true);
		name(8, 'WAVEfmt ');
		view.setUint32(16, 16, true);
		view.setUint16(20, 3, true);
		view.setUint16(22, 1, true);
		view.setUint32(24, 8000, true);
		view.setUint16(34, 32, true);
		name(36, 'data');
		view.setUint32(40, 64, true);
		for (let i = 0; i < 16; i++) view.setFloat32(44 + i * 4, Math.sin(i), true);
		const taken = tried(bytes, (given) => {
			const sound = readWav(given.buffer.slice(given.byteOffset, given.byteOffset + given.byteLength) as ArrayBuffer);
			if (sound.ok) expect(sound.value.samples.every(Number.isFinite)).toBe(true);
			return sound;
		});
		expect(taken).toBeGreaterThan(500);
		view.setFloat32(48, NaN, true);
		expect(readWav(bytes.buffer)).toMatchObject({ ok: false, problems: [{ place: 'sample 2 of the part "data"' }] });
	});

	it('of the demo, as it is sent out', () => {
		const demo = readFileSync('demo/lamp-at-morrowskerry.kit.json');
		for (let seed = 0; seed < 200; seed++) readKit(mutant(demo.subarray(0, 20_000), seed));
		expect(readKit(new Uint8Array(demo)).ok).toBe(true);
	});
});
