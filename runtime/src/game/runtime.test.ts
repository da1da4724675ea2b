import { readFileSync } from 'node:fs';
import { beforeEach, describe, expect, it } from 'vitest';
import { newBob, newCue, newPreset, newRig } from '../kit/fresh';
import { EYES } from '../chain/view';
import type { Kit } from '../kit/types';
import { createRuntime, type Runtime, type Trouble } from './runtime';
import { openKit } from '../kit/open';

const square = (id: string, channel: 'x' | 'y', continuous = false) => {
	const base = newPreset(id, id);
	const none = { time: 0, ease: 'linear' } as const;
	return {
		...base,
		tags: [channel],
		timing: {
			...base.timing,
			mode: continuous ? ('continuous' as const) : ('burst' as const),
			duration: 1,
			fadeIn: none,
			fadeOut: none
		},
		layers: [
			{
				...base.layers[0]!,
				pattern: { kind: 'wave' as const, shape: 'square' as const },
				channels: { [channel]: { amplitude: 1, frequency: 0, start: 'zero' as const } }
			}
		]
	};
};
const kit: Kit = {
	format: 'dinesis-kit',
	version: 1,
	name: 'K',
	events: [
		{
			id: 'hit',
			name: 'Hit',
			kind: 'moment',
			placed: false,
			tags: [],
			values: [{ id: 'v', unit: '', min: 0, max: 1 }]
		},
		{ id: 'hum', name: 'Hum', kind: 'state', placed: false, tags: [], values: [] }
	],
	parameters: [{ id: 'cold', name: 'Cold', min: 0, max: 1, rest: 0 }],
	presets: [square('thud', 'x'), square('drone', 'y', true), newBob('bob', 'Bob')],
	cues: [newCue('c', 'hit', 'thud'), { ...newCue('h', 'hum', 'drone'), when: 'lasts' }],
	rigs: [newRig('eyes', 'Eyes'), { ...newRig('walker', 'Walker'), bob: 'bob' }],
	world: { events: [], values: [] }
};
const body = { pose: [0, 0, 0, 0, 0], speed: 0, grounded: true };

let troubles: Trouble[];
let runtime: Runtime;
const start = (options = {}): Runtime => {
	troubles = [];
	const made = createRuntime(kit, { rig: 'eyes', onTrouble: (trouble) => troubles.push(trouble), ...options });
	made.advance(0, body);
	return made;
};
const x = (dt: number, which = runtime): number => which.advance(dt, body).offset[0]!;
const y = (dt: number, which = runtime): number => which.advance(dt, body).offset[1]!;
beforeEach(() => (runtime = start()));

describe('what a game sends', () => {
	it('moments, states with their keys, plays and stops move the camera', () => {
		runtime.raise('hit', { values: { v: 1 }, at: 0.3 });
		expect([x(0.25), x(0.25), x(1)]).toEqual([0, 1, 0]);
		runtime.begin('hum', { key: 'a' });
		runtime.begin('hum', { key: 'b' });
		expect(y(0.1)).toBe(2);
		runtime.end('hum', { key: 'a' });
		expect(y(0.1)).toBe(1);
		runtime.end('hum', { key: 'b' });
		expect(y(0.1)).toBe(0);
		runtime.play('thud', { strength: 0.5, length: 3 });
		expect([x(0.1), x(2)]).toEqual([0.5, 0.5]);
		runtime.stop({ tag: 'y' });
		expect(x(0.1)).toBe(0.5);
		runtime.stop({ preset: 'thud' });
		expect(x(0.1)).toBe(0);
		expect(troubles).toEqual([]);
	});

	it('a player’s intensity multiplies the final sum, once', () => {
		runtime.setPlayer({ intensity: 0.25 });
		runtime.play('thud', { strength: 0.8 });
		expect(x(0.1)).toBeCloseTo(0.2, 12);
	});

	it('a player’s setting of the kit holds, its parts can be changed, and a tuned one is felt at once', () => {
		const calm = {
			id: 'calm',
			name: 'Calm',
			intensity: 0.5,
			rotation: true,
			roll: true,
			lens: true,
			bob: false,
			gentle: false
		};
		const offered = (players: Kit['players']): Kit => ({ ...kit, players });
		const made = createRuntime(offered([calm]), { rig: 'walker', viewers: 2, onTrouble: (t) => troubles.push(t) });
		const walks = { ...body, speed: 1.4 };
		const seen = (): number[][] => {
			made.advance(1 / 60, [walks, walks]);
			return [0, 1].map((i) => [...made.frameOf(i).offset]);
		};
		made.setPlayer({ setting: 'calm', who: 'two' });
		for (let i = 0; i < 60; i++) seen();
		// Without the bob, who walks sees nothing move.
		expect(seen().map((o) => o.some((v) => v !== 0))).toEqual([true, false]);
		made.play('thud', { strength: 0.8 });
		expect(seen()[1]![0]).toBeCloseTo(0.4, 12);
		made.setPlayer({ intensity: 1, who: 'two' });
		expect(seen()[1]![0]).toBeCloseTo(0.8, 12);
		made.replaceKit(offered([{ ...calm, intensity: 0.25 }]));
		expect(seen()[1]![0]).toBeCloseTo(0.2, 12);
		made.setPlayer({ setting: null });
		expect(seen()[1]!.some((v) => v !== 0)).toBe(true);
		made.setPlayer({ setting: 'wild' });
		expect(troubles.map(({ kind, what }) => [kind, what])).toEqual([['setting', 'wild']]);
	});

	it('goes back to a moment with what the player wanted then, and gentle motion goes on where it was', () => {
		runtime.setPlayer({ gentle: true });
		runtime.play('thud');
		for (let i = 0; i < 8; i++) x(1 / 60);
		const saved = runtime.snapshot();
		const on = Array.from({ length: 20 }, () => x(1 / 60));
		runtime.setPlayer({ gentle: false });
		runtime.restore(saved);
		expect(Array.from({ length: 20 }, () => x(1 / 60))).toEqual(on);
		// Rounder than the blow itself, which is there at once.
		expect(on[0]! > 0 && on[0]! < 0.9).toBe(true);
	});

	it('goes over to another rig, and back to the one that it began with', () => {
		const walks = { ...body, speed: 1.4 };
		for (let i = 0; i < 60; i++) runtime.advance(1 / 60, walks);
		expect(runtime.frameOf(0).offset.every((v) => v === 0)).toBe(true);
		runtime.useRig('walker', { over: 0.5 });
		for (let i = 0; i < 45; i++) runtime.advance(1 / 60, walks);
		expect(runtime.frameOf(0).offset.some((v) => v !== 0)).toBe(true);
		runtime.useRig(null);
		runtime.advance(1 / 60, walks);
		expect(runtime.frameOf(0).offset.every((v) => v === 0)).toBe(true);
	});
});

describe('a camera that comes nearer', () => {
	const nearer = { off: 0, least: 0.5, comes: 0, goes: 0 };
	const view = { ...EYES, kind: 'chase' as const, back: 4, down: 0, nearer };
	const close: Kit = { ...kit, rigs: [{ ...newRig('eyes', 'Eyes'), view }] };
	const made = (options = {}): Runtime =>
		createRuntime(close, { rig: 'eyes', onTrouble: (trouble) => troubles.push(trouble), ...options });

	it('is told how much room there is with the body, or asks', () => {
		expect(made().advance(0, { ...body, room: 2 }).camera[2]).toBe(2);
		const told = made();
		expect(told.advance(0, body).camera[2]).toBe(4);
		expect(told.advance(0.1, { ...body, room: 1.5 }).camera[2]).toBe(1.5);
		expect(told.advance(0.1, body).camera[2]).toBe(4);
		expect(made({ clear: () => 2.5 }).advance(0, body).camera[2]).toBe(2.5);
	});

	it('an answer that is none is told once, and nothing stands between', () => {
		const bad = (answer: () => unknown): number => made({ clear: answer }).advance(0, body).camera[2]!;
		expect([bad(() => NaN), bad(() => 'far')]).toEqual([4, 4]);
		const throwing = made({
			clear: () => {
				throw new Error('lost');
			}
		});
		expect(throwing.advance(0, body).camera[2]).toBe(4);
		throwing.advance(0.1, { ...body, room: -1 });
		expect(troubles.map((t) => t.kind)).toEqual(['clear', 'clear', 'clear', 'number']);
	});
});

describe('what cannot be', () => {
	it('is told once, counted, and changes nothing', () => {
		const bad = (): void => {
			runtime.raise('nothing');
			runtime.begin('hit');
			runtime.end('hum', { key: 'never' });
			runtime.set('heat', 1);
			runtime.set('cold', NaN);
			runtime.play('bob');
			runtime.play('thud', { strength: Infinity });
			runtime.play('thud', { place: [1, 2] as never });
			runtime.useRig('gone');
			runtime.raise('hit', { values: { v: NaN } });
			runtime.raise('hit', { at: Infinity });
			runtime.setPlayer({ intensity: NaN });
			runtime.advance(NaN, body);
			runtime.advance(-1, body);
			runtime.advance(0.1, { pose: [NaN, 0, 0, 0, Infinity], speed: NaN, grounded: true });
		};
		bad();
		const told = troubles.length;
		bad();
		expect(troubles).toHaveLength(told);
		expect(told).toBe(new Set(troubles.map((t) => t.sentence)).size);
		expect(told).toBeGreaterThanOrEqual(14);
		expect(runtime.troubles.get('There is no event "nothing" in the kit.')).toBe(2);
		expect(runtime.now).toBeCloseTo(0.2, 12);
		const { offset, camera } = runtime.advance(0.1, body);
		expect([...offset, ...camera].every(Number.isFinite)).toBe(true);
		expect([...offset]).toEqual([0, 0, 0, 0, 0, 0, 0]);
	});

	it('a dt of 0 lets no time go by, and one of ten seconds is one long frame', () => {
		runtime.play('thud');
		expect([x(0), x(0.5), x(0)]).toEqual([0, 1, 1]);
		runtime.raise('hit', { at: 9.8 });
		expect(x(9.5)).toBe(1);
		expect(x(10)).toBe(0);
	});
});

describe('another kit, and another moment', () => {
	it('replaced while it plays: what is the same goes on, what changed follows, what is gone fades', () => {
		runtime.begin('hum');
		runtime.play('thud', { length: 60 });
		runtime.advance(0.5, body);
		const before = [...runtime.frameOf(0).offset];
		runtime.replaceKit({ ...kit, name: 'Other' });
		expect([...runtime.advance(0, body).offset]).toEqual(before);
		runtime.replaceKit({ ...kit, presets: kit.presets.map((p) => (p.id === 'thud' ? { ...p, amount: 0.5 } : p)) });
		expect(x(0.01)).toBe(0.5);
		runtime.replaceKit({ ...kit, presets: kit.presets.filter((p) => p.id !== 'thud') });
		runtime.advance(0.01, body);
		expect([x(0.01), y(0.01)]).toEqual([0, 1]);
		runtime.end('hum');
		expect(y(0.01)).toBe(0);
	});

	it('a snapshot is a moment to go back to: the same inputs give the same motion', () => {
		const demo = openKit(
			JSON.parse(readFileSync(new URL('../../../demo/lamp-at-morrowskerry.kit.json', import.meta.url), 'utf8'))
		);
		if (!demo.ok) throw new Error('The demo cannot be read.');
		const game = createRuntime(demo.value, { seed: 4, rig: demo.value.rigs[0]!.id });
		const go = (): number[][] =>
			Array.from({ length: 120 }, (_, i) => {
				if (i % 40 === 3) game.raise('wave-breaks', { values: { height: 3 }, place: [4, 0, -3] });
				const { camera, offset } = game.advance(1 / 60, { pose: [0, 0, -i / 60, i, 0], speed: 1.4, grounded: true });
				return [...camera, ...offset];
			});
		go();
		const moment = game.snapshot();
		const once = go();
		game.restore(moment);
		expect(go()).toEqual(once);
	});
});

describe('reading a kit in a game', () => {
	it('fills in the defaults of the smallest documented one, which then plays', () => {
		const docs = readFileSync(new URL('../../../docs/kit-format.md', import.meta.url), 'utf8');
		const smallest = /```json\n([\s\S]*?)```/.exec(docs)![1]!;
		const read = openKit(JSON.parse(smallest));
		if (!read.ok) throw new Error(JSON.stringify(read.problems));
		const game = createRuntime(read.value);
		game.advance(0, body);
		game.play('thud');
		expect(Math.abs(game.advance(0.05, body).offset[1]!)).toBeGreaterThan(1e-4);
	});

	it('says what is wrong, and where', () => {
		expect(openKit({ format: 'other', version: 1.5, name: '' })).toMatchObject({
			ok: false,
			problems: [{ place: 'format' }, { place: 'version' }, { place: 'name' }]
		});
		expect(openKit([])).toMatchObject({ ok: false });
		expect(openKit({ format: 'dinesis-kit', version: 9, name: 'K' })).toMatchObject({
			problems: [{ place: 'version' }]
		});
	});
});
